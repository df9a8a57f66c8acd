/**
 * Narrows a span to the place where a condition turns: `holds` is true at `low` and false at `high`. Returns
 * the last place where it held and the first where it did not, after so many halvings.
 */
export function halve(
  low: number,
  high: number,
  halvings: number,
  holds: (x: number) => boolean,
): readonly [low: number, high: number] {
  let [held, not] = [low, high];
  for (let step = 0; step < halvings; step++) {
    const middle = (held + not) / 2;
    if (holds(middle)) held = middle;
    else not = middle;
  }
  return [held, not];
}

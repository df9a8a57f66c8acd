/**
 * Told after each part of a job, with how many there are: whether to go on. It is awaited, so that a word to
 * stop is heard between parts.
 */
export type GoesOn<T = undefined> = (done: number, of: number, part: T) => boolean | Promise<boolean>;

/**
 * Works on one item after another until all are done or whoever asked has enough; returns what was made so
 * far.
 */
export async function inParts<I, O>(
  items: readonly I[],
  work: (item: I) => O,
  goesOn: GoesOn<O>,
): Promise<O[]> {
  const made: O[] = [];
  for (const item of items) {
    const part = work(item);
    made.push(part);
    if (!(await goesOn(made.length, items.length, part))) break;
  }
  return made;
}

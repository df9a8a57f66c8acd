/**
 * Pull at which the bend of a hook begins to open for good, N: stress at the inside of a curved bar of round section (Winkler & Bach;
 * Timoshenko, Strength of Materials II; Roark, Formulas for Stress and Strain, curved beams) reaches the yield strength. The pull runs
 * along the middle of the gap, as a crane hook is reckoned, so that the moment is the pull times the bend's radius.
 *
 * `gap`: clear, mm, above 0; `wire`: its diameter, mm, above 0; `yieldStrength`: N/mm². NaN outside these.
 */
export function openingLoad(gap: number, wire: number, yieldStrength: number): number {
  if (!(gap > 0 && wire > 0 && yieldStrength > 0)) return NaN;
  const c = wire / 2;
  const radius = gap / 2 + c;
  const area = Math.PI * c * c;
  const neutral = (c * c) / (2 * (radius - Math.sqrt(radius * radius - c * c)));
  const offset = radius - neutral;
  const inside = radius - c;
  // σ/P: the pull spread over the section, and its moment about the centre of it.
  const perNewton = (1 / area) * (1 + (radius * (neutral - inside)) / (offset * inside));
  return yieldStrength / perNewton;
}

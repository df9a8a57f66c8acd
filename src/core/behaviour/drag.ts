/**
 * Drag coefficient of a sphere on its frontal area: Brown & Lawler, J. Environ. Eng. 129 (2003) 222.
 * Reynolds number on the diameter, 0 < Re < 2e5.
 */
export function sphereDrag(re: number): number {
  return (24 / re) * (1 + 0.15 * re ** 0.681) + 0.407 / (1 + 8710 / re);
}

/** Shape of a body as drag sees it in one attitude. All three are 1 for a sphere. */
export interface ShapeFactors {
  /** surface of the sphere of equal volume / surface of the body */
  readonly sphericity: number;
  /** section of that sphere / area shown to the flow */
  readonly crosswise: number;
  /** section of that sphere / (half the surface − mean area seen along the flow's sides) */
  readonly lengthwise: number;
}

/** Above this sphericity a body is a ball to drag; Hölzer & Sommerfeld's form is needlessly steep there. */
const NEARLY_ROUND = 0.9985;

/**
 * Drag coefficient of any body on the section of the sphere of equal volume: Hölzer & Sommerfeld, Powder Technology 184
 * (2008) 361, equation 9. Reynolds number on that sphere's diameter. A sphere takes `sphereDrag`.
 * Mean error of the source against its data is 14%.
 */
export function bodyDrag(re: number, { sphericity, crosswise, lengthwise }: ShapeFactors): number {
  if (sphericity >= NEARLY_ROUND) return sphereDrag(re);
  return (
    8 / (re * Math.sqrt(lengthwise)) +
    16 / (re * Math.sqrt(sphericity)) +
    3 / (Math.sqrt(re) * sphericity ** 0.75) +
    (0.42 * 10 ** (0.4 * (-Math.log10(sphericity)) ** 0.2)) / crosswise
  );
}

/**
 * Cross-flow principle for wires (Hoerner, Fluid-Dynamic Drag, 1965, chapter 3): drag square to the wire on diameter × length,
 * drag along it on the wetted surface.
 */
export const WIRE_NORMAL = 1.15;
export const WIRE_TANGENT = 0.02;

/**
 * Terminal fall speed of a bare ball, m/s. diameter mm, densities kg/m³, viscosity Pa·s; 0 when the ball does not sink.
 */
export function ballFallSpeed(
  diameter: number,
  density: number,
  waterDensity: number,
  viscosity: number,
): number {
  if (density <= waterDensity) return 0;
  const d = diameter / 1000;
  const weightTerm = (4 / 3) * 9.80665 * d * (density / waterDensity - 1);
  let v = 1;
  // Fixed point on v² = 4/3·g·d·(ρ/ρw − 1)/Cd; Cd falls more slowly than 1/v, so it contracts.
  for (let step = 0; step < 200; step++) {
    const next = Math.sqrt(weightTerm / sphereDrag((v * d * waterDensity) / viscosity));
    if (Math.abs(next - v) < 1e-12 * next) return next;
    v = next;
  }
  return v;
}

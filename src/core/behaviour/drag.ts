import { smooth } from '../numeric/vec.ts';

/**
 * Drag coefficient of a sphere on its frontal area: Brown & Lawler, J. Environ. Eng. 129 (2003) 222. Reynolds
 * number on the diameter, 0 < Re < 2e5.
 */
export function sphereDrag(re: number): number {
  return (24 / re) * (1 + 0.15 * re ** 0.681) + 0.407 / (1 + 8710 / re);
}

/** Shape of a body as drag sees it in one attitude. All four are 1 for a sphere. */
export interface ShapeFactors {
  /** surface of the sphere of equal volume / surface of the body */
  readonly sphericity: number;
  /** section of that sphere / area shown to the flow */
  readonly crosswise: number;
  /** section of that sphere / (half the surface − mean area seen along the flow's sides) */
  readonly lengthwise: number;
  /** length along the flow / diameter of the circle as large as the area shown to it */
  readonly fineness: number;
}

/**
 * Drag coefficient of any isometric body on the section of the sphere of equal volume: Hölzer & Sommerfeld,
 * Powder Technology 184 (2008) 361, equation 9. Reynolds number on that sphere's diameter. Mean error of the
 * source against its data is 14%.
 */
export function anyShapeDrag(
  re: number,
  { sphericity, crosswise, lengthwise }: Omit<ShapeFactors, 'fineness'>,
): number {
  return (
    8 / (re * Math.sqrt(lengthwise)) +
    16 / (re * Math.sqrt(sphericity)) +
    3 / (Math.sqrt(re) * sphericity ** 0.75) +
    (0.42 * 10 ** (0.4 * Math.max(0, -Math.log10(sphericity)) ** 0.2)) / crosswise
  );
}

/**
 * Drag coefficient of a streamlined body of revolution moving along its axis, on its frontal area, below the
 * critical Reynolds number: 0.44 d/l + 4 Cf l/d + 4 Cf √(d/l) with the laminar friction Cf = 1.328/√Re_l
 * (Hoerner, Fluid-Dynamic Drag, 1965, chapter 3; constants from memory). `re` on the length l; `fineness`
 * l/d, at least 1.
 */
export function streamlinedDrag(re: number, fineness: number): number {
  const friction = 1.328 / Math.sqrt(re);
  return 0.44 / fineness + 4 * friction * fineness + (4 * friction) / Math.sqrt(fineness);
}

/**
 * Sphericity at which a body begins to be a ball to drag. Hölzer & Sommerfeld's form is fitted to bodies with
 * edges and rises by a quarter within the first thousandth below 1, which no smooth near-ball does; between
 * here and 1 the sphere's law passes into theirs.
 */
const NEARLY_ROUND = 0.96;
/** Share of the sphere's own law in a body's drag, 0 to 1. */
export const roundness = (sphericity: number): number => smooth(sphericity, NEARLY_ROUND, 1);

/**
 * Fineness from which on a body is as slender as those Hoerner's law was made from; between 1 and here it
 * gains its say.
 */
const SLENDER = 2.5;
/** Share of the streamlined law's say, 0 to 1. */
export const slenderness = (fineness: number): number => smooth(fineness, 1, SLENDER);

/**
 * Drag coefficient of isometric bodies in no particular attitude: Ganser, Powder Technology 77 (1993) 143
 * (constants from memory). On the section of the sphere of equal volume, `re` on its diameter. The highest of
 * the published forms for slender bodies.
 */
export function anyWayDrag(re: number, sphericity: number): number {
  const stokes = 1 / (1 / 3 + 2 / 3 / Math.sqrt(sphericity));
  const newton = 10 ** (1.8148 * Math.max(0, -Math.log10(sphericity)) ** 0.5743);
  const r = re * stokes * newton;
  return newton * ((24 / r) * (1 + 0.1118 * r ** 0.6567) + 0.4305 / (1 + 3305 / r));
}

/**
 * Which of the published forms a slender body takes: what seems likeliest, or the one with the most or the
 * least drag.
 */
export type DragLaw = 'likely' | 'most' | 'least';

/**
 * How far a slender head stands from Hölzer & Sommerfeld's law to that of streamlined bodies, whose pointed
 * tail it lacks (working value, no source).
 */
const STREAMLINED = 0.25;

/**
 * Drag coefficient of a head's body in one attitude on the section of the sphere of equal volume; `re` on
 * that sphere's diameter. A ball takes the sphere's law and a body with edges Hölzer & Sommerfeld's, passing
 * from one to the other without a step. For slender bodies published forms part by a factor of four and more:
 * Hoerner's streamlined law has the least drag and Ganser's the most. They take their say as a body grows
 * slender along the flow.
 */
export function bodyDrag(re: number, factors: ShapeFactors, law: DragLaw = 'likely'): number {
  const { sphericity, crosswise, fineness } = factors;
  const round = roundness(sphericity);
  const edged = round < 1 ? anyShapeDrag(re, factors) : 0;
  const compact = round * sphereDrag(re) + (1 - round) * edged;
  const slender = (1 - round) * slenderness(fineness);
  if (law === 'most') return compact * Math.max(1, anyWayDrag(re, sphericity) / compact) ** slender;
  // The frontal circle's diameter is d/√crosswise of the equal sphere's, the length that times the fineness.
  const reLength = (re * fineness) / Math.sqrt(crosswise);
  const smoothly = streamlinedDrag(reLength, fineness) / crosswise;
  return compact * (smoothly / compact) ** (slender * (law === 'least' ? 1 : STREAMLINED));
}

/**
 * Cross-flow principle for wires (Hoerner, Fluid-Dynamic Drag, 1965, chapter 3): drag square to the wire on
 * diameter × length, drag along it on the wetted surface.
 */
export const WIRE_NORMAL = 1.15;
/** Drag coefficient of a wire along its length, on its lateral surface: skin friction alone. */
export const WIRE_TANGENT = 0.02;

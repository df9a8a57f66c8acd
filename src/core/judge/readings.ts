import type { QuantityKind } from '../quantity/units.ts';

/** What a reading rests on; see docs/readings.md. */
export type ReadingKind = 'measured' | 'geometry' | 'model' | 'index' | 'practice';

/** A reading as it leaves the core: a value in a fixed unit with what it rests on. */
export interface Reading {
  readonly value: number;
  readonly unit: string;
  readonly kind: ReadingKind;
  /** plausible span of a model reading, same unit */
  readonly range?: readonly [number, number];
  readonly note: string;
}

interface ReadingSpec {
  readonly name: string;
  readonly quantity: QuantityKind;
  readonly unit: string;
  readonly kind: ReadingKind;
  readonly note: string;
}

const spec = (name: string, quantity: QuantityKind, unit: string, kind: ReadingKind, note: string): ReadingSpec => ({
  name, quantity, unit, kind, note,
}); // prettier-ignore

/** Every reading of a design by its stable id. docs/readings.md is made from this table. */
export const READINGS = {
  'head.castVolume': spec('Cast volume', 'volume', 'mm³', 'geometry', 'Body and cast collar less the hook wire, keeper wire and guard hole inside them. Sections |y/b|^n + |z/t|^n = 1 integrated along the shank by Gauss-Legendre quadrature, with features by adaptive Gauss-Kronrod quadrature over upright columns; wire by filaments.'),
  'head.length': spec('Head length', 'size', 'mm', 'geometry', 'Rear face to nose, without collar.'),
  'head.breadth': spec('Head breadth', 'size', 'mm', 'geometry', 'Greatest width across the shank.'),
  'head.height': spec('Head height', 'size', 'mm', 'geometry', 'From the lowest of the belly to the highest of the crown.'),
  'head.surface': spec('Surface', 'number', 'mm²', 'geometry', 'Surface of body and collar, from the closed mesh.'),
  'head.sphericity': spec('Sphericity', 'number', '1', 'geometry', 'Surface of the sphere of equal volume over the surface of the body (Wadell). 1 is a ball.'),
  'head.scale': spec('Scale to target', 'number', '1', 'geometry', 'Factor put on the unlocked sizes to meet the weight target; 1 where none is set.'),
  'mass.metal': spec('Metal', 'mass', 'g', 'geometry', 'Cast volume × density of the metal.'),
  'mass.total': spec('As weighed', 'mass', 'g', 'geometry', 'Metal, hook, keeper and guard together: what a scale shows. No paint.'),
  'mass.hook': spec('Hook', 'mass', 'g', 'geometry', 'Wire length × section × 7.85 g/cm³, eye ring as a torus, tapered point.'),
  'mass.keeper': spec('Keeper', 'mass', 'g', 'geometry', 'Wire keeper; a cast collar counts as metal.'),
  'mass.guard': spec('Guard', 'mass', 'g', 'geometry', 'Fibres, free and glued, × 1.14 g/cm³ (nylon).'),
  'mass.joint': spec('Joint', 'mass', 'g', 'geometry', 'Of a hinged head: wire through the head with its eye and loop, and the ring or clip.'),
  'mass.paint': spec('Paint', 'mass', 'g', 'geometry', 'Surface of loft and collar × thickness × density of the cured paint. Features are left out of the surface.'),
  'mass.submerged': spec('Submerged weight', 'force', 'gf', 'geometry', 'Sum of mass less displaced water of every part, in gram-force, in the chosen water. Below zero it floats.'),
  'mass.centreX': spec('Centre, from rear face', 'size', 'mm', 'geometry', 'Centre of mass along the shank; positive towards the nose.'),
  'mass.centreZ': spec('Centre, above shank', 'size', 'mm', 'geometry', 'Centre of mass above (+) or below (−) the shank line.'),
  'mass.rollInertia': spec('Roll inertia', 'number', 'g·mm²', 'geometry', 'Of the metal about the shank’s direction through its own centre, from the closed mesh.'),
  'hook.gap': spec('Gap', 'size', 'mm', 'measured', 'Clear distance from shank to point, from the chart (from memory) or as measured; less than it where the style turns the point in.'),
  'hook.throat': spec('Throat', 'size', 'mm', 'geometry', 'From the point back to the inside of the bend.'),
  'hook.wire': spec('Wire', 'size', 'mm', 'measured', 'Wire diameter of size and grade, from the chart (from memory) or as measured.'),
  'hook.biteAboveEye': spec('Bite above the eye', 'size', 'mm', 'geometry', 'Height of the point over the highest metal of the eye, square to the shank. About 6 mm (1/4 in) gives a sure bite (common practice, no source).'),
  'hook.pointDirection': spec('Point turned out', 'angle', '°', 'geometry', 'Angle between point and shank; below zero the point is turned in to the eye (from the style, from memory).'),
  'hook.shankOutside': spec('Shank outside', 'size', 'mm', 'geometry', 'From the rear face to the rearmost of the bend.'),
  'hook.wireInside': spec('Wire in the metal', 'volume', 'mm³', 'geometry', 'Volume of hook wire that metal surrounds.'),
  'hook.wall': spec('Wall around the wire', 'size', 'mm', 'geometry', 'Least metal beside the shank at the head’s fullest section. Sintered metals want 0.6 mm (common practice, no source).'),
  'eye.angle': spec('Eye angle', 'angle', '°', 'measured', 'Between the shank’s forward line and the eye’s leg.'),
  'eye.x': spec('Eye, from rear face', 'size', 'mm', 'geometry', 'Centre of the eye along the shank.'),
  'eye.z': spec('Eye, above shank', 'size', 'mm', 'geometry', 'Centre of the eye above the shank line.'),
  'keeper.insertion': spec('Goes into the plastic', 'size', 'mm', 'geometry', 'From the rear face to the keeper’s far end. Weedless work begins with 3 to 6 mm of nose (common practice, no source).'),
  'keeper.diameter': spec('Keeper across', 'size', 'mm', 'geometry', 'Greatest outside diameter, barbs included.'),
  'keeper.hold': spec('Hold', 'number', '1', 'index', 'Plastic that must give before the bait slides off, as a multiple of the everyday collar’s (7 mm long, 2.8 mm across, two barbs of 0.6 mm). Barbs and coils by the area they stand out, sides by a twentieth of theirs.'),
  'guard.overPoint': spec('Ends over the point', 'size', 'mm', 'geometry', 'How far the fibre ends stand above (+) or stop below (−) the point.'),
  'guard.pastPoint': spec('Guard reach', 'size', 'mm', 'geometry', 'Where the fibres cross the height of the point: behind it (+) or short of it (−).'),
  'fall.speed': spec('Fall', 'speed', 'm/s', 'model', 'Terminal fall on a slack line. Submerged weight = drag. Ball: Brown & Lawler 2003; other heads: Hölzer & Sommerfeld 2008 in the attitude of motion; hook, keeper and guard by the cross-flow principle (Hoerner 1965). No line, no plastic, vertical path.'),
  'fall.attitude': spec('Nose down in the fall', 'angle', '°', 'model', 'Pitch at which the drag has no moment about the effective centre.'),
  'fall.timeToDepth': spec('Time to depth', 'time', 's', 'model', 'Fall from rest to the given depth, with run-up; half of the displaced water moves along.'),
  'cost.metal': spec('Metal cost', 'money', '1', 'measured', 'Metal × its price per kilogram in the stores, in the shop’s own money. Sprue and loss are left out.'),
  'hang.attitude': spec('Hang, nose down', 'angle', '°', 'geometry', 'On a tight vertical line in the chosen water the effective centre hangs below the eye. Nose up is negative.'),
} as const satisfies Record<string, ReadingSpec>; // prettier-ignore

export type ReadingId = keyof typeof READINGS;
export type Readings = Partial<Record<ReadingId, Reading>>;

/** Wraps a value with the unit, kind and note of its id. */
export function reading(id: ReadingId, value: number, range?: readonly [number, number]): Reading {
  const { unit, kind, note } = READINGS[id];
  return { value, unit, kind, ...(range ? { range } : {}), note };
}

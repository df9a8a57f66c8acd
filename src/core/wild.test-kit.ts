import fc from 'fast-check';
import type { Design, FeatureSpec } from './design.ts';
import { GRADES, HOOK_STYLES, JOINTS, TARGETS } from './design.ts';
import { GUARDS } from './fitting/guards/index.ts';
import { KEEPERS } from './fitting/keepers/index.ts';
import type { Family } from './head/family.ts';
import { DRAWN_FAMILIES } from './head/families/index.ts';
import { HOOK_CHART } from './hook/chart.ts';
import { METALS } from './material/metals.ts';
import { starterDesign } from './starter.ts';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });
const sometimes = <T>(arbitrary: fc.Arbitrary<T>, freq = 4) => fc.option(arbitrary, { nil: undefined, freq });

/** Random dimensions of a family, each within its own range; `reach` below 1 keeps sizes away from the far end. */
export const dimensionsOf = (family: Family, reach = 1) =>
  fc.record(
    Object.fromEntries(
      family.dimensions.map(({ key, min, max, initial, scales }) => [
        key,
        between(min, scales ? Math.min(max, initial * 3 * reach + max * (reach === 1 ? 1 : 0)) : max),
      ]),
    ),
  );

/** Random features, each there or not. */
export const anyFeatures: fc.Arbitrary<FeatureSpec> = fc
  .record({
    sole: sometimes(fc.record({ cut: between(0.01, 0.95), tilt: between(-30, 30) })),
    flats: sometimes(fc.record({ cut: between(0.01, 0.9), slope: between(0, 60) })),
    channel: sometimes(fc.record({ width: between(0.02, 0.9), depth: between(0.02, 0.9) })),
    cheeks: sometimes(fc.record({ depth: between(0.02, 0.8), length: between(0.1, 1.5), at: between(0, 1) })),
    fins: sometimes(
      fc.record({
        span: between(0.05, 3),
        length: between(0.05, 1),
        thickness: between(0.3, 6),
        at: between(0, 1),
      }),
    ),
    slot: sometimes(
      fc.record({ open: fc.constantFrom('below' as const, 'above' as const), width: between(0.3, 6) }),
    ),
  })
  .map((all) => Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined)));

const stations = fc
  .array(
    fc.record({ at: between(0.02, 0.98), breadth: between(0, 1), rise: between(0, 1), drop: between(0, 1) }),
    {
      maxLength: 8,
    },
  )
  .map((inner) =>
    [{ at: 0, breadth: 0.4, rise: 0.4, drop: 0.4 }, ...inner, { at: 1, breadth: 0, rise: 0, drop: 0 }].sort(
      (a, b) => a.at - b.at,
    ),
  );

/** Any design of the schema's shape: valid or not, sane or not. */
export const anyDesign: fc.Arbitrary<Design> = fc.constantFrom(...DRAWN_FAMILIES).chain(
  (family) =>
  fc
    .record({
      dimensions: fc.record(
        Object.fromEntries(
          family.dimensions.map(({ key, min, max, initial }) => [
            key,
            fc.oneof({ weight: 60, arbitrary: between(min + (initial - min) * 0.6, Math.min(max, initial * 1.5)) }, { weight: 6, arbitrary: between(min, max) }, { weight: 1, arbitrary: between(0, max * 1.1) }),
          ]),
        ),
      ),
      metal: fc.constantFrom(...METALS.map(({ key }) => key)),
      target: sometimes(fc.record({ grams: between(0.05, 120), of: fc.constantFrom(...TARGETS) })),
      locks: fc.oneof({ weight: 4, arbitrary: fc.constant<string[]>([]) }, fc.subarray(family.dimensions.filter(({ scales }) => scales).map(({ key }) => key))),
      features: sometimes(anyFeatures, 1),
      stations: family.key === 'own' ? sometimes(stations) : fc.constant(undefined),
      paint: sometimes(fc.record({ thickness: between(0.01, 2), density: between(0.5, 4) }), 5),
      size: fc.constantFrom(...HOOK_CHART.map((row) => row.size)),
      grade: fc.constantFrom(...GRADES),
      style: fc.constantFrom(...HOOK_STYLES),
      joint: sometimes(fc.record({ kind: fc.constantFrom(...JOINTS), size: between(1, 15) }), 1),
      angle: between(0, 90),
      plane: fc.constantFrom('in line' as const, 'crosswise' as const),
      setback: fc.oneof(between(0.1, 0.7), between(-1, 1)),
      eyeSize: sometimes(between(0.5, 10), 2),
      recess: sometimes(between(0, 4), 1),
      keeper: fc.constantFrom(...KEEPERS.map(({ initial }) => initial)),
      guard: fc.constantFrom(...GUARDS.map(({ initial }) => initial)),
    })
    .map(({ dimensions, metal, target, locks, features, stations: own, paint, size, grade, style, joint, angle, plane, setback, eyeSize, recess, keeper, guard }): Design => ({
      ...starterDesign(family, 'Wild'),
      head: { family: family.key, dimensions, metal, target, locks: [...locks], features, stations: own, paint },
      hook: { size, grade, style, joint },
      eye: { angle, plane, setback, size: eyeSize, recess },
      keeper,
      guard,
    })), // prettier-ignore
);

import { STYLES } from '../hook/styles/index.ts';
import type { FeatureSpec } from '../head/features/index.ts';
import { TARGETS } from '../head/schema.ts';
import { JOINTS } from '../hook/joints/index.ts';
import fc from 'fast-check';
import type { Design } from '../document/design.ts';
import { guardInitial, GUARDS } from '../fitting/guards/index.ts';
import { keeperInitial, KEEPERS } from '../fitting/keepers/index.ts';
import type { Family } from '../head/family.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { GRADES, HOOK_CHART } from '../hook/chart.ts';
import { METALS } from '../material/metals/index.ts';
import { starterDesign } from '../document/starter.ts';
import { between } from './numbers.test-kit.ts';

/** There in so many of a hundred, else undefined. */
const sometimes = <T>(percent: number, arbitrary: fc.Arbitrary<T>): fc.Arbitrary<T | undefined> =>
  fc.oneof(
    { weight: percent, arbitrary },
    { weight: 100 - percent, arbitrary: fc.constant<T | undefined>(undefined) },
  );

/**
 * Random dimensions of a family, each within its own range; `reach` below 1 keeps sizes away from the far
 * end.
 */
export const dimensionsOf = (family: Family, reach = 1) =>
  fc.record(
    Object.fromEntries(
      family.dimensions.map(({ key, min, max, initial, scales }) => [
        key,
        between(min, scales ? Math.min(max, initial * 3 * reach + max * (reach === 1 ? 1 : 0)) : max),
      ]),
    ),
  );

/** Random features, each there in so many of a hundred. */
export const featuresOf = (percent: number): fc.Arbitrary<FeatureSpec> =>
  fc
    .record({
      sole: sometimes(percent, fc.record({ cut: between(0.01, 0.95), tilt: between(-30, 30) })),
      flats: sometimes(percent, fc.record({ cut: between(0.01, 0.9), slope: between(0, 60) })),
      channel: sometimes(percent, fc.record({ width: between(0.02, 0.9), depth: between(0.02, 0.9) })),
      cheeks: sometimes(
        percent,
        fc.record({ depth: between(0.02, 0.8), length: between(0.1, 1.5), at: between(0, 1) }),
      ),
      fins: sometimes(
        percent,
        fc.record({
          span: between(0.05, 3),
          length: between(0.05, 1),
          thickness: between(0.3, 6),
          at: between(0, 1),
        }),
      ),
      slot: sometimes(
        percent,
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
export const anyDesign: fc.Arbitrary<Design> = fc.constantFrom(...DRAWN_FAMILIES).chain((family) =>
  fc
    .record({
      dimensions: fc.record(
        Object.fromEntries(
          family.dimensions.map(({ key, min, max, initial }) => [
            key,
            fc.oneof(
              { weight: 60, arbitrary: between(min + (initial - min) * 0.6, Math.min(max, initial * 1.5)) },
              { weight: 6, arbitrary: between(min, max) },
              { weight: 1, arbitrary: between(0, max * 1.1) },
            ),
          ]),
        ),
      ),
      metal: fc.constantFrom(...METALS.map(({ key }) => key)),
      target: sometimes(
        60,
        fc.record({ grams: fc.oneof(between(2, 30), between(0.05, 120)), of: fc.constantFrom(...TARGETS) }),
      ),
      locks: fc.oneof(
        { weight: 4, arbitrary: fc.constant<string[]>([]) },
        fc.subarray(family.dimensions.filter(({ scales }) => scales).map(({ key }) => key)),
      ),
      features: sometimes(40, featuresOf(20)),
      stations: family.key === 'own' ? sometimes(75, stations) : fc.constant(undefined),
      paint: sometimes(50, fc.record({ thickness: between(0.01, 2), density: between(0.5, 4) })),
      size: fc.oneof(
        { weight: 2, arbitrary: fc.constant(starterDesign(family, '').hook.size) },
        { weight: 1, arbitrary: fc.constantFrom(...HOOK_CHART.map((row) => row.size)) },
      ),
      grade: fc.constantFrom(...GRADES),
      style: fc.constantFrom(...STYLES.map(({ key }) => key)),
      joint: sometimes(
        20,
        fc.record({ kind: fc.constantFrom(...JOINTS.map(({ key }) => key)), size: between(1, 15) }),
      ),
      angle: between(0, 90),
      plane: fc.constantFrom('in line' as const, 'crosswise' as const),
      setback: fc.oneof(between(0.1, 0.7), between(-1, 1)),
      eyeSize: sometimes(40, fc.oneof(between(2, 5), between(0.5, 10))),
      recess: sometimes(30, fc.oneof(between(0, 1.5), between(0, 4))),
      keeper: fc.constantFrom(...KEEPERS.map(({ key }) => keeperInitial(key))),
      guard: fc.constantFrom(...GUARDS.map(({ key }) => guardInitial(key))),
      // A hinged head bears neither keeper nor guard: told, but not worth most of the tries.
      isBare: fc.nat(99).map((part) => part < 85),
    })
    .map(
      ({
        dimensions,
        metal,
        target,
        locks,
        features,
        stations: own,
        paint,
        size,
        grade,
        style,
        joint,
        angle,
        plane,
        setback,
        eyeSize,
        recess,
        keeper,
        guard,
        isBare,
      }): Design => ({
        ...starterDesign(family, 'Wild'),
        head: {
          family: family.key,
          dimensions,
          metal,
          target,
          locks: [...locks],
          features,
          stations: own,
          paint,
        },
        hook: { size, grade, style, joint },
        eye: { angle, plane, setback, size: eyeSize, recess },
        keeper: joint && isBare ? { kind: 'none' } : keeper,
        guard: joint && isBare ? { kind: 'none' } : guard,
      }),
    ),
);

import type { Design } from '../document/design.ts';
import { starterDesign } from '../document/starter.ts';
import { EYE_PLANES } from '../hook/schema.ts';
import { guardInitial, GUARDS } from '../fitting/guards/index.ts';
import { keeperInitial, keeperOf, KEEPERS } from '../fitting/keepers/index.ts';
import type { Family } from '../head/family.ts';
import { DRAWN_FAMILIES } from '../head/families/index.ts';
import { chartIndex, GRADES, HOOK_CHART } from '../hook/chart.ts';
import { JOINTS } from '../hook/joints/index.ts';
import { STYLES } from '../hook/styles/index.ts';
import { METALS } from '../material/metals/index.ts';
import { SOLD_OUNCES } from '../quantity/sold.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';

/**
 * Smallest and largest hook that is usual on a weight, oz: those for panfish at the one end, for long baits
 * at the other (common practice, no source).
 */
const WITH: readonly (readonly [ounces: number, smallest: string, largest: string])[] = [
  [1 / 64, '#12', '#6'],
  [1 / 32, '#10', '#2'],
  [1 / 16, '#8', '1/0'],
  [1 / 8, '#4', '2/0'],
  [3 / 16, '#2', '3/0'],
  [1 / 4, '#1', '4/0'],
  [3 / 8, '1/0', '5/0'],
  [1 / 2, '2/0', '5/0'],
  [3 / 4, '3/0', '6/0'],
  [1.25, '4/0', '8/0'],
];
/** Heavier than this no head of the population is, oz. */
const HEAVIEST = 2;

/** Shares of the population: what most heads on a wall are, so that the rest is every other kind in turn. */
const PLAIN = { style: 0.55, grade: 0.55, fixed: 0.8, keeper: 0.5, unguarded: 0.65, lead: 0.5, starter: 0.5 };

/**
 * The minimal standard generator (Park & Miller 1988), begun anew for each head: the first heads stay the
 * same however many are asked for.
 */
function generator(seed: number): () => number {
  let state = ((seed * 2654435761) % 2147483647) | 0 || 1;
  if (state < 0) state += 2147483647;
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  for (let i = 0; i < 5; i++) next();
  return next;
}

const isSintered = (metal: string): boolean => METALS.find(({ key }) => key === metal)?.making === 'sintered';

/**
 * A head as it might hang on a wall, or one an odd designer might make: every choice is one of the
 * registries’.
 */
function someone(family: Family, next: () => number): Design {
  const pick = <T>(from: readonly T[]): T => from[Math.floor(next() * from.length)] as T;
  const sold = SOLD_OUNCES.filter((ounces) => ounces <= HEAVIEST);
  const ounces = pick(sold);
  const base = starterDesign(family, `${family.key} ${ounces.toFixed(3)}`);
  const [, smallest = '', largest = ''] = WITH.findLast(([from]) => ounces >= from * 0.99) ?? [];
  const [from, to] = [Math.max(0, chartIndex(smallest)), Math.max(0, chartIndex(largest))];
  const size = HOOK_CHART[Math.round(from + ((to - from) * (next() + next())) / 2)]?.size ?? base.hook.size;
  const style = next() < PLAIN.style ? base.hook.style : pick(STYLES).key;
  const grade = next() < PLAIN.grade ? ('standard' as const) : pick(GRADES);
  const isFixed = next() < PLAIN.fixed;
  const joint = pick(JOINTS).key;
  const metal = next() < PLAIN.lead ? 'lead' : next() < 0.4 ? 'tungsten' : pick(METALS).key;
  const isStarter = next() < PLAIN.starter;
  const dimensions = Object.fromEntries(
    family.dimensions.map(({ key, min, max, initial }) => {
      const by = 0.7 * 2 ** next();
      return [
        key,
        isStarter ? (base.head.dimensions[key] ?? initial) : Math.min(max, Math.max(min, initial * by)),
      ];
    }),
  );
  const wanted = next() < PLAIN.keeper ? base.keeper : keeperInitial(pick(KEEPERS).key);
  // What is pressed and sintered has no cast keeper, but for the odd mistake.
  const isMistake = next() < 0.1;
  const keeper =
    isSintered(metal) && !isMistake && 'castName' in keeperOf(wanted.kind) ? keeperInitial('wire') : wanted;
  const asBought = next() < 0.4;
  const chosen = next() < PLAIN.unguarded ? guardInitial('none') : guardInitial(pick(GUARDS).key);
  const guard = 'trimmed' in chosen && asBought ? { ...chosen, trimmed: false } : chosen;
  const recess = next() < 0.15 ? 0.5 : undefined;
  const pieces = isSintered(metal) && next() < 0.3 ? 2 : undefined;
  const isInside = base.eye.setback < 0;
  const angle = pick([0, 15, 30, 45, 60, 60, 75, 90, 90]);
  const plane = pick(EYE_PLANES);
  return {
    ...base,
    head: {
      ...base.head,
      dimensions,
      metal,
      ...(pieces ? { pieces } : {}),
      target: { grams: ounces * GRAMS_PER_OUNCE, of: 'metal' },
    },
    hook: {
      size,
      grade,
      ...(style ? { style } : {}),
      ...(isFixed ? {} : { joint: { kind: joint, size: 3 + Math.round(2 * next()) } }),
    },
    eye: isInside ? base.eye : { ...base.eye, angle, plane, ...(recess ? { recess } : {}) },
    // A swinging hook bears neither keeper nor guard.
    keeper: isFixed ? keeper : keeperInitial('none'),
    guard: isFixed ? guard : guardInitial('none'),
  };
}

const EYES = [
  [60, 'crosswise'],
  [90, 'in line'],
  [30, 'in line'],
  [90, 'crosswise'],
  [60, 'in line'],
] as const;

/**
 * What hangs on most walls: every family in every usual weight on a hook that goes with it, the eyes in turn,
 * and in each third weight on a hinge too.
 */
function plainOnes(): Design[] {
  const weights = [1 / 32, 1 / 16, 1 / 8, 3 / 16, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1, 1.5];
  let turn = 0;
  return DRAWN_FAMILIES.flatMap((family) =>
    weights.flatMap((ounces, w) => {
      const base = starterDesign(family, `${family.key} ${ounces.toFixed(3)}`);
      const [, smallest = '', largest = ''] = WITH.findLast(([from]) => ounces >= from * 0.99) ?? [];
      const [from, to] = [Math.max(0, chartIndex(smallest)), Math.max(0, chartIndex(largest))];
      const [angle, plane] = EYES[turn++ % EYES.length] as (typeof EYES)[number];
      // Light heads for small fish and for others in turn.
      const middle = Math.round(from + (to - from) * (ounces <= 1 / 8 && turn % 2 === 0 ? 0.2 : 0.5));
      const fixed: Design = {
        ...base,
        head: { ...base.head, target: { grams: ounces * GRAMS_PER_OUNCE, of: 'metal' } },
        hook: { ...base.hook, size: HOOK_CHART[middle]?.size ?? base.hook.size },
        // What the family is made with, and others in turn.
        eye: base.eye.setback < 0 || w % 2 === 0 ? base.eye : { ...base.eye, angle, plane },
      };
      const joint = JOINTS[turn % JOINTS.length]?.key;
      return w % 3 === 2 && joint
        ? [
            fixed,
            {
              ...fixed,
              hook: { ...fixed.hook, joint: { kind: joint, size: 4 } },
              keeper: keeperInitial('none'),
              guard: guardInitial('none'),
            },
          ]
        : [fixed];
    }),
  );
}

/**
 * Specifications of heads of every kind the program knows: first what hangs on most walls, then so many odd
 * ones in turn, with families, hinges, eyes, keepers, guards, hook styles, sizes and wires, metals, weights
 * as they are sold, first proportions and others drawn by a seed. What is added to a registry joins by
 * itself. Not all can be built.
 */
export function population(odd: number, seed = 1): Design[] {
  return [
    ...plainOnes(),
    ...Array.from({ length: odd }, (_, i) =>
      someone(DRAWN_FAMILIES[i % DRAWN_FAMILIES.length] as Family, generator(seed * 100_003 + i)),
    ),
  ];
}

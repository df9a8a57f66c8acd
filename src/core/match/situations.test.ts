import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Brief } from '../document/brief.ts';
import type { Design } from '../document/design.ts';
import { starterDesign } from '../document/starter.ts';
import { FAMILIES } from '../head/families/index.ts';
import { loadSolids } from '../head/kernel.ts';
import { evaluate } from '../judge/evaluate.ts';
import type { Plastic } from '../plastic/schema.ts';
import { EXPECTED } from './expected.test-kit.ts';
import { LAST_TWENTY } from './last-twenty.test-kit.ts';
import type { Head, ReadingValues } from './head.ts';
import type { Matched } from './match.ts';
import { matchingFor, matchKept, valuesOf } from './match.ts';
import { placed } from './order.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import { shapeOf } from './shapes.ts';
import { SITUATIONS } from './situations.ts';
import { isWhole } from '../test-kit/runs.ts';

interface Built {
  readonly design: Design;
  readonly values: ReadingValues;
}

const OUNCE = 28.349523125;
const WEIGHTS = [1 / 32, 1 / 16, 1 / 8, 1 / 4, 3 / 8, 1 / 2, 3 / 4, 1.25];
/** Eyes and hooks that go round with the weights, so that every shape has some of each. */
const EYES = [
  [60, 'crosswise'],
  [90, 'in line'],
  [30, 'in line'],
] as const;
const HOOKS: readonly (readonly string[])[] = [
  ['#8', '#4', '1/0'],
  ['#1', '2/0', '4/0'],
  ['3/0', '5/0'],
];

/** Every shape in every weight with three eyes and hooks of a size with it: a grid that favours none. */
function grid(): Built[] {
  const heads: Built[] = [];
  for (const family of FAMILIES.filter(({ key }) => key !== 'own' && key !== 'imported'))
    WEIGHTS.forEach((ounces, w) => {
      EYES.forEach(([angle, plane], e) => {
        for (const [h, size] of (HOOKS[Math.floor(w / 3)] ?? []).entries()) {
          // Every other one on most days: what is expected is of shapes, which stay in every weight.
          if (!isWhole && (w + e + h) % 2 !== 1) continue;
          // Some are not lead.
          const metal = angle === 60 && h === 1 ? 'bismuth-tin' : 'lead';
          const base = starterDesign(family, `${family.key} ${ounces} ${angle} ${size}`);
          const within = base.eye.setback < 0;
          const design: Design = {
            ...base,
            head: { ...base.head, metal, target: { grams: ounces * OUNCE, of: 'metal' } },
            hook: { ...base.hook, size },
            eye: within ? base.eye : { ...base.eye, angle, plane },
          };
          const result = evaluate(design);
          if (result.ok) heads.push({ design: result.design, values: valuesOf(result.readings) });
        }
      });
    });
  return heads;
}

const demo = <T>(name: string): T[] =>
  (JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as { document: T }[]).map(
    ({ document }) => document,
  );

/** Heads from the top that a shop would show: of all, or of the half that is built on most days. */
const OFFERED = isWhole ? 40 : 20;

let heads: Built[] = [];
let rack: Built[] = [];
const shelf = demo<Plastic>('plastics');

beforeAll(async () => {
  await loadSolids();
  heads = grid();
  rack = demo<Design>('designs').flatMap((design) => {
    const result = evaluate(design);
    return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
  });
  // Hundreds of whole evaluations: half a minute by itself, and many times that on a machine that does much else.
}, 900_000);

function order(
  brief: (typeof SITUATIONS)[number]['brief'],
  of: readonly Built[],
  plastics: readonly Plastic[] = [],
) {
  const matching = matchingFor(brief, REFERENCE_RULES, plastics);
  return placed(
    of.map(({ design, values }) => matchKept(matching, design, values)),
    ({ standing }: Matched) => standing,
  );
}
const head = ({ item }: { item: Matched }): Head => item.answers.head;

// What practitioners say: common practice, no source.
describe('every situation of the trade', () => {
  it('has something expected of it, and there are sixty of them', () => {
    expect(SITUATIONS.length).toBeGreaterThanOrEqual(60);
    expect(new Set(SITUATIONS.map(({ key }) => key)).size).toBe(SITUATIONS.length);
    expect(Object.keys(EXPECTED).sort()).toEqual(SITUATIONS.map(({ key }) => key).sort());
  });

  it.each(SITUATIONS.map(({ key, brief }) => [key, brief] as const))(
    '%s: on a grid of all shapes',
    (key, brief) => {
      const { first, never, also } = EXPECTED[key] ?? { first: [], never: [] };
      const sorted = order(brief, heads);
      const best = sorted.filter(({ place }) => place === 1);
      expect(first).toContain(shapeOf(head(best[0] as (typeof best)[number])));
      // Whatever must not be offered is out, or comes after everything that is to be.
      const offered = sorted
        .filter(({ item }) => item.standing.out === 0)
        .slice(0, OFFERED)
        .map((one) => shapeOf(head(one)));
      expect(offered.filter((shape) => never.includes(shape))).toEqual([]);
      if (also) expect(best.every((one) => also(head(one)))).toBe(true);
    },
  );

  it.each(SITUATIONS.map(({ key, brief }) => [key, brief] as const))('%s: on the demo Rack', (key, brief) => {
    const { first, never } = EXPECTED[key] ?? { first: [], never: [] };
    const sorted = order(brief, rack, shelf);
    const five = sorted.slice(0, 5).map((one) => shapeOf(head(one)));
    expect(five.filter((shape) => first.includes(shape)).length).toBeGreaterThan(0);
    const offered = sorted
      .filter(({ item }) => item.standing.out === 0)
      .slice(0, 5)
      .map((one) => shapeOf(head(one)));
    expect(offered.filter((shape) => never.includes(shape))).toEqual([]);
  });
});

describe('situations that were written last', () => {
  it.each(LAST_TWENTY)('%s: on a grid of all shapes', (key, said, { first, never }) => {
    const brief: Brief = { format: 'fern-anvil/brief', version: 2, name: key, ...said };
    const sorted = order(brief, heads);
    expect(first).toContain(shapeOf(head(sorted[0] as (typeof sorted)[number])));
    const offered = sorted
      .filter(({ item }) => item.standing.out === 0)
      .slice(0, OFFERED)
      .map((one) => shapeOf(head(one)));
    expect(offered.filter((shape) => never.includes(shape))).toEqual([]);
  });
});

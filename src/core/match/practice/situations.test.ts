import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Brief } from '../../document/brief.ts';
import type { Design } from '../../document/design.ts';
import { loadSolids } from '../../head/kernel.ts';
import { evaluate } from '../../judge/evaluate.ts';
import type { Plastic } from '../../plastic/schema.ts';
import type { Expected } from './expected.test-kit.ts';
import { EXPECTED } from './expected.test-kit.ts';
import { FRESH } from './fresh.test-kit.ts';
import { PRACTICE } from './practice.test-kit.ts';
import { population } from '../../test-kit/population.test-kit.ts';
import { LAST_TWENTY } from './last-twenty.test-kit.ts';
import type { Head, ReadingValues } from '../engine/head.ts';
import type { Matched } from '../engine/match.ts';
import { matchingFor, matchKept, valuesOf } from '../engine/match.ts';
import { placed } from '../engine/order.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import { shapeOf } from '../engine/shapes.ts';
import { SITUATIONS } from './situations.ts';
import { isWhole, share } from '../../test-kit/runs.ts';

interface Built {
  readonly design: Design;
  readonly values: ReadingValues;
}

const demo = <T>(name: string): T[] =>
  (JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as { document: T }[]).map(
    ({ document }) => document,
  );

/** Odd heads beside the plain ones: some on most days. */
const ODD = isWhole ? 700 : 150;
/** Of a hundred heads one would be shown; and never fewer than these. */
const SHOWN = { share: 0.01, least: 8 } as const;

let heads: Built[] = [];
let rack: Built[] = [];
const shelf = demo<Plastic>('plastics');

beforeAll(async () => {
  await loadSolids();
  heads = population(ODD).flatMap((design) => {
    const result = evaluate(design);
    return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
  });
  rack = demo<Design>('designs').flatMap((design) => {
    const result = evaluate(design);
    return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
  });
  // Hundreds of whole evaluations: half a minute by itself, and many times that on a machine that does much
  // else.
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
/** What leads is of those expected, and what must not be offered is not among the first. */
function asExpected(
  brief: Brief,
  { first, never, also, not }: Expected & { readonly not?: (head: Head) => boolean },
) {
  const sorted = order(brief, heads);
  const best = sorted.filter(({ place }) => place === 1).map(head);
  expect(best.map(shapeOf).filter((shape) => !first.includes(shape))).toEqual([]);
  if (also) expect(best.every(also)).toBe(true);
  const serving = sorted.filter(({ item }) => item.standing.out === 0).map(head);
  const shown = serving.slice(0, Math.max(SHOWN.least, Math.round(SHOWN.share * heads.length)));
  expect(shown.map(shapeOf).filter((shape) => never.includes(shape))).toEqual([]);
  if (not)
    expect(
      serving
        .slice(0, SHOWN.least)
        .filter(not)
        .map(({ design }) => design),
    ).toEqual([]);
}

const head = ({ item }: { item: Matched }): Head => item.answers.head;

// What practitioners say: common practice, no source.
describe('every situation of the trade', () => {
  it('has something expected of it, and there are sixty of them', () => {
    expect(SITUATIONS.length).toBeGreaterThanOrEqual(60);
    expect(new Set(SITUATIONS.map(({ key }) => key)).size).toBe(SITUATIONS.length);
    expect(Object.keys(EXPECTED).sort()).toEqual(SITUATIONS.map(({ key }) => key).sort());
  });

  it.each(share(SITUATIONS, 3).map(({ key, brief }) => [key, brief] as const))(
    '%s: among heads of every kind',
    (key, brief) => {
      asExpected(brief, EXPECTED[key] ?? { first: [], never: [] });
    },
  );

  it.each(share(SITUATIONS, 2).map(({ key, brief }) => [key, brief] as const))(
    '%s: on the demo Rack',
    (key, brief) => {
      const { first, never } = EXPECTED[key] ?? { first: [], never: [] };
      const sorted = order(brief, rack, shelf);
      const five = sorted.slice(0, 5).map((one) => shapeOf(head(one)));
      expect(five.filter((shape) => first.includes(shape)).length).toBeGreaterThan(0);
      const offered = sorted
        .filter(({ item }) => item.standing.out === 0)
        .slice(0, 5)
        .map((one) => shapeOf(head(one)));
      expect(offered.filter((shape) => never.includes(shape))).toEqual([]);
    },
  );
});

describe('situations that were written last', () => {
  it.each(share(LAST_TWENTY, 3))('%s: among heads of every kind', (key, said, expected) => {
    asExpected({ format: 'fern-anvil/brief', version: 2, name: key, ...said }, expected);
  });
});

describe('what practitioners say of heads of every kind, hinged, guarded and odd ones among them', () => {
  it.each(share(PRACTICE, 3).map((one) => [one.key, one] as const))('%s', (_, one) => {
    asExpected(one.brief, one);
  });
});

describe('twenty that were written after everything else', () => {
  // All twenty held at first of 3,029 heads; of one the weight was then given a step more, for the few heads
  // of most days.
  it.each(share(FRESH, 3).map((one) => [one.key, one] as const))('%s', (_, one) => {
    asExpected(one.brief, one);
  });
});

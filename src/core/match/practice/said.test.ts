import { describe, expect, it } from 'vitest';
import { guardInitial } from '../../fitting/guards/index.ts';
import { evaluate, PLAIN_WATER } from '../../judge/evaluate.ts';
import type { Design } from '../../document/design.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { plainBrief } from '../../test-kit/brief.test-kit.ts';
import type { SampleChange } from '../../test-kit/sample.test-kit.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { assumedOf, doubtsOf, tipsOf } from './advice.ts';
import type { ReadingValues } from '../engine/head.ts';
import { valuesOf } from '../engine/match.ts';
import type { SaidOf } from './sayings.ts';
import { SAYINGS } from './said.ts';
import { sayingTest, testSayings } from './sayings.ts';
import type { Situation } from '../engine/situation.ts';
import { situationOf } from '../engine/situation.ts';

/*
 * What is said beside the heads, and what is said in the trade: each word at the figure it names, a little to
 * this side of it and to the other (common practice, no source).
 */

const LB = 0.45359237;
const FT = 0.3048;
const plain = situationOf(plainBrief());
type Part = Partial<Omit<Situation, 'water' | 'line' | 'bait' | 'brief'>> & {
  readonly [K in 'water' | 'line' | 'bait' | 'brief']?: Partial<Situation[K]>;
};
const at = ({ water, line, bait, brief, ...rest }: Part): Situation => ({
  ...plain,
  ...rest,
  water: { ...plain.water, ...water },
  line: { ...plain.line, ...line },
  bait: { ...plain.bait, ...bait },
  brief: { ...plain.brief, ...brief },
});
/** A case in which it is said, and the changes to it that each alone make it not be said. */
type Case = readonly [key: string, said: Part, not: readonly Part[]];

const both = ({ water, line, bait, brief, ...rest }: Part, more: Part): Part => ({
  ...rest,
  ...more,
  water: { ...water, ...more.water },
  line: { ...line, ...more.line },
  bait: { ...bait, ...more.bait },
  brief: { ...brief, ...more.brief },
});
const mono = { material: 'nylon' } as const;
const braid = { material: 'braid' } as const;

const DOUBTED: readonly Case[] = [
  [
    'cold-swim',
    { retrieve: 'swim', water: { temperature: 9.9 } },
    [{ water: { temperature: 10 } }, { retrieve: 'drag' }],
  ],
  [
    'cold-rest',
    { cold: 0.51, touches: true, rest: 7.9, retrieve: 'drag' },
    [
      { cold: 0.5 },
      { touches: false },
      { rest: 8 },
      { retrieve: 'crawl' },
      { retrieve: 'wind on the bottom' },
    ],
  ],
  ['glider-boat', { retrieve: 'snap', from: 'moving boat' }, [{ retrieve: 'hop' }, { from: 'kayak' }]],
  ['glider-boat', { retrieve: 'snap', from: 'drifting boat' }, [{ from: 'bank' }]],
  [
    'coils',
    { retrieve: 'vertical', size: 'panfish', water: { depth: 4.5 }, line: { ...mono, test: 3.5 * LB } },
    [
      { line: braid },
      { retrieve: 'drag' },
      { water: { depth: 4.4 } },
      { line: { test: 3.4 * LB } },
      { size: 'medium' },
    ],
  ],
  [
    'panfish-line',
    { retrieve: 'vertical', size: 'panfish', line: { ...mono, test: 3.3 * LB } },
    [{ line: { test: 3.2 * LB } }, { size: 'medium' }, { retrieve: 'hop' }, { line: braid }],
  ],
  [
    'line-lifts',
    { retrieve: 'wind on the bottom', water: { depth: 14 * FT }, line: { ...mono, test: 17.1 * LB } },
    [{ line: { test: 17 * LB } }, { water: { depth: 13.9 * FT } }, { retrieve: 'drag' }, { line: braid }],
  ],
  ['mat-line', { covers: ['matted weed'], line: mono }, [{ covers: ['grass or reeds'] }, { line: braid }]],
  [
    'murk-leader',
    { water: { sight: 1.4 * FT }, brief: { leader: { material: 'fluorocarbon', test: 4 } } },
    [{ water: { sight: 1.5 * FT } }, { brief: { leader: undefined } as never }],
  ],
  [
    'clear-braid',
    { line: braid, clarity: 'clear', covers: [] },
    [
      { line: mono },
      { clarity: 'stained' },
      { covers: ['sparse weed'] },
      { brief: { leader: { material: 'fluorocarbon', test: 4 } } },
    ],
  ],
  [
    'kayak-rod',
    { from: 'kayak', rodLength: 2.3, touches: true, crack: 6 },
    [{ from: 'bank' }, { rodLength: 2.35 }, { touches: false }, { crack: 5.9 }],
  ],
  [
    'wind-light',
    { wind: 'strong', retrieve: 'drag', bait: { length: 79 } },
    [{ wind: 'breeze' as never }, { retrieve: 'vertical' }, { bait: { length: 80 } }],
  ],
  [
    'steep-rest',
    { slope: 40, rests: 'long', bottoms: ['mud'] },
    [{ slope: 39 }, { rests: 'short' }, { bottoms: ['stair-step'] }],
  ],
  [
    'short-long-bait',
    { mood: 'short-striking', bait: { length: 96 } },
    [{ mood: 'willing' }, { bait: { length: 95 } }],
  ],
  ['stout-line', { hookTest: 8.1, bait: { length: 69 } }, [{ hookTest: 8 }, { bait: { length: 70 } }]],
  [
    'fast-deep',
    { speed: 1.11, retrieve: 'swim', water: { depth: 3.1 } },
    [{ speed: 1.1 }, { water: { depth: 3 } }, { retrieve: 'vertical' }],
  ],
  [
    'hollow-wound',
    { retrieve: 'hop', bait: { kind: 'hollow' } },
    [{ retrieve: 'drag' }, { retrieve: 'swim' }, { bait: { kind: 'stick' } }],
  ],
  [
    'stiff-cold',
    { cold: 0.61, bait: { kind: 'paddle-tail' } },
    [{ cold: 0.6 }, { bait: { kind: 'straight-tail' } }],
  ],
  ['slack-first', { water: { current: 0.9 } }, [{ water: { current: 0.89 } }]],
  [
    'heavy-cover-light-line',
    { density: 'thick', covers: ['brush and wood'], hookTest: 4.5 },
    [
      { density: 'thin' },
      { hookTest: 4.6 },
      { covers: ['sparse weed'] },
      { covers: ['posts and docks'] },
      { covers: [] },
    ],
  ],
];

const TOLD: readonly Case[] = [
  ['first-fall', { touches: true }, [{ touches: false }]],
  ['rod-up', { retrieve: 'drag' }, [{ retrieve: 'hop' }]],
  ['never-hung', { retrieve: 'drag', crack: 1 }, [{ crack: 0 }, { retrieve: 'hop' }]],
  ['bumps', { retrieve: 'crawl', crack: 5.9 }, [{ crack: 6 }, { retrieve: 'drag' }]],
  ['bumps', { retrieve: 'wind on the bottom', crack: 0 }, [{ crack: 6 }]],
  ['light-set', { hookTest: 4.5 }, [{ hookTest: 4.6 }]],
  ['hop-height', { retrieve: 'hop' }, [{ retrieve: 'drag' }]],
  ['full-fall', { retrieve: 'snap' }, [{ retrieve: 'twitch' }]],
  ['knot', { retrieve: 'vertical', size: 'panfish' }, [{ retrieve: 'hop' }, { size: 'medium' }]],
];

describe('what is said beside the heads', () => {
  it.each(DOUBTED)('%s is asked back where it is so, and not where one thing differs', (key, said, not) => {
    const isSaid = (part: Part) => doubtsOf(at(part)).some((one) => one.key === key);
    expect(isSaid(said)).toBe(true);
    for (const other of not) expect(isSaid(both(said, other)), JSON.stringify(other)).toBe(false);
  });

  it.each(TOLD)('%s is told where it is so, and not where one thing differs', (key, said, not) => {
    const isSaid = (part: Part) => tipsOf(at(part)).some((one) => one.key === key);
    expect(isSaid(said)).toBe(true);
    for (const other of not) expect(isSaid(both(said, other)), JSON.stringify(other)).toBe(false);
  });

  it('tells what was taken for what a brief leaves out, and only that of the bottom and cover that is there', () => {
    const told = (brief: Parameters<typeof plainBrief>[0]) =>
      assumedOf(situationOf(plainBrief(brief))).map(({ path }) => path);
    expect(told({})).toContain('/fishing/cast');
    expect(told({ fishing: { retrieve: 'drag', cast: 20 } })).not.toContain('/fishing/cast');
    expect(told({ bottom: { kinds: ['mud'] } })).not.toContain('/bottom/crack');
    expect(told({ bottom: { kinds: ['gravel'] } })).toContain('/bottom/crack');
    expect(told({ cover: { kinds: [] } })).not.toContain('/cover/density');
    expect(told({ cover: { kinds: ['sparse weed'] } })).toContain('/cover/density');
    expect(told({ fishing: { retrieve: 'swim' } })).not.toContain('/fishing/rest');
    expect(told({ fishing: { retrieve: 'drag' } })).toContain('/fishing/rest');
    expect(assumedOf({ ...plain, assumed: ['/bait/kind'] })).toEqual([]);
  });
});

describe('sayings', () => {
  const head = (family: string, values: ReadingValues, change: SampleChange = {}): SaidOf => ({
    name: family,
    design: sampleDesign(family, change),
    values,
  });
  const rowOf = (key: string, heads: readonly SaidOf[]) => {
    const saying = SAYINGS.find((one) => one.key === key);
    if (!saying) throw new Error(`no saying ${key}`);
    return sayingTest(heads)(saying);
  };
  const holds = (key: string, one: SaidOf) => rowOf(key, [one]).evidence[0]?.holds;

  it('are agreed from four in five heads, denied to one in five, and held against six at most', () => {
    const balls = (...ups: number[]) => ups.map((up) => head('ball', { 'rest.hookUp': up }));
    const verdict = (...ups: number[]) => rowOf('ball-falls-over', balls(...ups)).verdict;
    expect(verdict(0, 0, 0, 0, 1)).toBe('agreed');
    expect(verdict(0, 0, 0, 1, 1)).toBe('depends');
    expect(verdict(0, 0, 1, 1, 1)).toBe('depends');
    expect(verdict(0, 1, 1, 1, 1)).toBe('not');
    expect(verdict()).toBe('nothing to test it on');
    expect(rowOf('ball-falls-over', balls(0, 0, 0, 0, 0, 0, 0)).evidence).toHaveLength(6);
    expect(testSayings([])).toHaveLength(SAYINGS.length);
  });

  it.each([
    ['football-stands', 'football', { 'rest.hookUp': 0.7 }, { 'rest.hookUp': 0.69 }],
    ['football-stands', 'stubby', { 'rest.hookUp': 0.7 }, { 'rest.hookUp': 0.69 }],
    ['ball-falls-over', 'ball', { 'rest.hookUp': 0.3 }, { 'rest.hookUp': 0.31 }],
    [
      'point-wedges',
      'pointed',
      { 'pull.jams': 1, 'pull.crackWidth': 5 },
      { 'pull.jams': 0, 'pull.crackWidth': 5 },
    ],
    [
      'hinge-no-lever',
      'football',
      { 'mass.metal': 7.1, 'throw.hinged': 33, 'throw.fixed': 100 },
      { 'mass.metal': 7.1, 'throw.hinged': 34, 'throw.fixed': 100 },
    ],
    [
      'flats-show',
      'glider',
      { 'sonar.index': 6, 'sonar.hanging': 3 },
      { 'sonar.index': 6, 'sonar.hanging': 2.9 },
    ],
    ['wide-rolls', 'roller', { 'roll.factor': 1 }, { 'roll.factor': 1.01 }],
  ] as const)('%s by the readings of a %s', (key, family, yes, no) => {
    expect(holds(key, head(family, yes))).toBe(true);
    expect(holds(key, head(family, no))).toBe(false);
  });

  it('are held against heads of their sort alone', () => {
    const tried = (key: string, one: SaidOf) => rowOf(key, [one]).evidence.length > 0;
    expect(tried('football-stands', head('ball', {}))).toBe(false);
    const hinged = { hook: { joint: { kind: 'split ring', size: 4 } } } as never;
    expect(tried('football-stands', head('football', {}, hinged))).toBe(false);
    expect(tried('hinge-no-lever', head('ball', { 'mass.metal': 7, 'throw.hinged': 1 }))).toBe(false);
    expect(tried('hinge-no-lever', head('ball', { 'mass.metal': 8 }))).toBe(false);
    expect(tried('flats-show', head('ball', { 'sonar.index': 0 }))).toBe(false);
    expect(tried('heavy-line-lifts', head('ball', { 'mass.metal': 7 }))).toBe(false);
    expect(tried('tungsten-faster', head('ball', {}, { head: { metal: 'tungsten' } }))).toBe(false);
    expect(tried('fan-softer', head('ball', {}, { guard: { kind: 'none' } as never }))).toBe(false);
    expect(tried('trim-softer', head('ball', {}, { guard: { kind: 'none' } as never }))).toBe(false);
    expect(tried('point-wedges', head('ball', { 'pull.jams': 1 }))).toBe(false);
    expect(tried('wide-rolls', head('ball', { 'roll.factor': 1 }))).toBe(false);
  });

  /** What a head reads anew, with something changed. */
  const reads = (design: Design, around: object = {}): ReadingValues => {
    const result = evaluate(design, { ...PLAIN_WATER, ...around });
    if (!result.ok) throw new Error(result.problems[0]?.message);
    return valuesOf(result.readings);
  };
  const told = (key: string, design: Design) => {
    const [evidence] = rowOf(key, [{ name: 'it', design, values: reads(design) }]).evidence;
    if (!evidence) throw new Error(`${key} was not tried`);
    return evidence;
  };
  const ratioOf = (id: keyof ReadingValues, a: ReadingValues, b: ReadingValues) =>
    (b[id] ?? NaN) / (a[id] ?? NaN);

  it('a heavier metal at the same weight falls faster by its smaller face alone', () => {
    const bare = { keeper: { kind: 'none' } as never, head: { dimensions: { breadth: 16 } } };
    const found = told('tungsten-faster', sampleDesign('ball', bare));
    // v ∝ √(W/d²): at the same weight in air, density 11.34 to 18 the ball’s face is 0.73 of what it was: 17%
    // for a ball alone, less with a hook behind it that is as it was.
    expect(found.holds).toBe(false);
    const [, percent] = /\(\+(\d+)%\)/.exec(found.figures) ?? [];
    expect(Number(percent)).toBeGreaterThanOrEqual(11);
    expect(Number(percent)).toBeLessThanOrEqual(17);
  });

  it('holds lines, eyes, wire and guards to what the same head reads with the other one', () => {
    const ball = sampleDesign('ball', { head: { dimensions: { breadth: 14 } } });
    const on = (pounds: number) =>
      reads(ball, { depth: 5, fishing: { line: 'fluorocarbon', test: pounds * LB, lineOut: 25 } });
    expect(told('heavy-line-lifts', ball).holds).toBe(
      ratioOf('retrieve.maxBottomSpeed', on(15), on(20)) <= 0.95,
    );
    // With a stick on, the point buried in it.
    const stick = usualPlastic('stick', 4);
    const [sixty, ninety] = [60, 90].map((angle) => {
      const turned = evaluate({ ...ball, eye: { ...ball.eye, angle } }, PLAIN_WATER, {
        plastic: stick,
        method: 'buried',
      });
      if (!turned.ok) throw new Error(turned.problems[0]?.message);
      return valuesOf(turned.readings);
    }) as [ReadingValues, ReadingValues];
    expect(told('sixty-climbs', ball).holds).toBe(true);
    expect(told('sixty-climbs', ball).holds).toBe(
      (ninety['pull.noseAhead'] ?? NaN) > (sixty['pull.noseAhead'] ?? NaN) + 0.1,
    );
    const [front, back] = [0.25, 0.66].map((setback) =>
      reads({ ...ball, eye: { ...ball.eye, setback } }),
    ) as [ReadingValues, ReadingValues];
    expect(told('set-back-digs', ball).holds).toBe(
      (back['retrieve.pitch'] ?? NaN) > (front['retrieve.pitch'] ?? NaN) + 0.5 &&
        (back['retrieve.pitch'] ?? NaN) > 0,
    );
    const wire = (grade: Design['hook']['grade']) =>
      reads({ ...ball, hook: { ...ball.hook, grade } }, { fishing: { line: 'fluorocarbon', test: 2.7 } });
    expect(told('light-wire-in', ball).holds).toBe(
      ratioOf('hook.penetration', wire('standard'), wire('1X fine')) >= 1.1,
    );
  });

  it('verdict, reason and evidence come from one computation: what a reason tells are the least and the most of the figures under it', () => {
    const heads = ['ball', 'pointed'].map((family): SaidOf => {
      const design = sampleDesign(family, { guard: guardInitial('fibre') as never });
      return { name: family, design, values: reads(design) };
    });
    const rows = testSayings(heads);
    const numbersIn = (text: string) =>
      [...text.matchAll(/−?\d+(?:\.\d+)?/g)].map(([found]) => Number(found.replace('−', '-')));
    const held = new Map(testSayings([]).map(({ key, why }) => [key, why]));
    for (const { key, why, evidence, verdict } of rows) {
      expect(why.startsWith(held.get(key) ?? '?'), key).toBe(true);
      if (evidence.length === 0) continue;
      const found = why.slice((held.get(key) ?? '').length);
      expect(found.length, key).toBeGreaterThan(10);
      const share = evidence.filter(({ holds }) => holds).length / evidence.length;
      expect(verdict).toBe(share >= 0.8 ? 'agreed' : share <= 0.2 ? 'not' : 'depends');
      // Quantities of a reason that were computed stand in the evidence beneath it, to the digit.
      for (const [, quantity] of found.matchAll(/⟦([^|⟧]*\|\w+)⟧/g))
        expect(
          evidence.some(({ figures }) => figures.includes(quantity ?? '?')),
          `${key}: ${quantity}`,
        ).toBe(true);
    }
    // Percentages likewise, as those of the fall in tungsten do.
    const tungsten = rows.find(({ key }) => key === 'tungsten-faster');
    const percents = (tungsten?.evidence ?? []).map(
      ({ figures }) => numbersIn(/\(\+(\d+)%\)/.exec(figures)?.[1] ?? '')[0] ?? NaN,
    );
    expect(tungsten?.why).toContain(`falls ${Math.min(...percents)} to ${Math.max(...percents)}% faster`);
  });

  it('a head set back that still rides nose up does not dig', () => {
    const ball = sampleDesign('ball');
    const { holds, figures } = told('set-back-digs', ball);
    const back = reads({ ...ball, eye: { ...ball.eye, setback: 0.66 } })['retrieve.pitch'] ?? NaN;
    expect(holds).toBe(back > 0);
    expect(figures.endsWith(`nose ${back < 0 ? 'up' : 'down'} set back`)).toBe(true);
  });

  it('a guard fanned to 45° or trimmed is softer by what it takes to lay it down', () => {
    const guarded = sampleDesign('football', {
      guard: guardInitial('fibre'),
    });
    const force = (change: object) =>
      reads({ ...guarded, guard: { ...guarded.guard, ...change } as never })['guard.force'] ?? NaN;
    expect(told('fan-softer', guarded).holds).toBe(force({ fan: 45 }) < 0.95 * force({ fan: 0 }));
    // A lone fibre has nothing to fan.
    const lone = { ...guarded, guard: { ...guarded.guard, count: 1 } as never };
    expect(told('fan-softer', lone).holds).toBe(false);
    expect(told('trim-softer', guarded).holds).toBe(force({ trimmed: true }) < force({ trimmed: false }));
  });
});

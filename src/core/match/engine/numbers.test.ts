import { describe, expect, it } from 'vitest';
import type { Brief } from '../../document/brief.ts';
import { guardInitial } from '../../fitting/guards/index.ts';
import { keeperInitial } from '../../fitting/keepers/index.ts';
import { plasticMass } from '../../plastic/body.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { plainBrief } from '../../test-kit/brief.test-kit.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { FACTS, factFor, factText } from './facts.ts';
import type { Head, ReadingValues } from './head.ts';
import { questionOf } from '../questions/index.ts';
import { resembled, shapeOf } from './shapes.ts';
import { situationOf } from './situation.ts';
import { usualWindow } from './window.ts';

/*
 * Figures of the trade and what is made of them, each worked out by hand (common practice, no source, unless
 * said).
 */

const LB = 0.45359237;
const OZ = 28.349523125;
const brief = (change: Partial<Brief> = {}): Brief =>
  plainBrief({
    bottom: { kinds: ['mud'] },
    bait: { kind: 'creature', length: 100 },
    fish: { size: 'medium' },
    ...change,
  });
const deep = (depth: number, temperature = 15): Partial<Brief> => ({
  water: { kind: 'fresh', depth, temperature },
});
const by = (
  retrieve: Brief['fishing']['retrieve'],
  more: Partial<Brief['fishing']> = {},
): Partial<Brief> => ({
  fishing: { retrieve, ...more },
});
const span = (change: Partial<Brief>) => {
  const { least, most } = usualWindow(situationOf(brief(change)));
  return [least, most].map((grams) => Math.round(grams * 1000) / 1000);
};

describe('the weights that are usual', () => {
  it.each([
    ['dragged at 20 ft: 3/8 to 3/4 oz', { ...deep(6) }, [10.5, 21.5]],
    ['dragged at 100 ft: 1 to 2 oz', { ...deep(30) }, [28, 57]],
    ['dragged ever so shallow', { ...deep(0.2) }, [4, 8]],
    ['and ever so deep', { ...deep(90) }, [28, 57]],
    ['hopped at 6 m', { ...deep(6), ...by('hop') }, [7, 18]],
    ['stroked at 13 ft: 3/4 to 1 oz', { ...deep(4), ...by('stroke') }, [19, 29]],
    ['crawled deeper than 10 ft: 1/2 to 3/4 oz', { ...deep(4), ...by('crawl') }, [14, 22]],
    ['wound on the bottom: the same', { ...deep(4), ...by('wind on the bottom') }, [14, 22]],
    ['swum at 3 m', { ...deep(3), ...by('swim') }, [6, 14.5]],
    ['straight down at 10 m', { ...deep(10), ...by('vertical') }, [10, 22]],
    ['swung beside a post at 4 m', { ...deep(4), ...by('pendulum') }, [5, 14.5]],
    ['skipped at 3 m', { ...deep(3), ...by('skip') }, [5, 14.5]],
    ['punched at 1.5 m', { ...deep(1.5), ...by('punch') }, [20, 57]],
    ['twitched', by('twitch'), [1.6, 8]],
    ['a glider', by('snap'), [7.5, 13]],
    ['a tube that is snapped', { ...by('snap'), bait: { kind: 'tube', length: 90 } }, [17, 24]],
    [
      'a tube dragged at 10 ft: 3/16 to 5/16 oz',
      { ...deep(3), bait: { kind: 'tube', length: 90 } },
      [5.3, 9],
    ],
    [
      'a stubby bait at 7 to 8 ft: 1/8 oz',
      { ...deep(2.3), bait: { kind: 'stubby', length: 70 } },
      [2.6, 4.6],
    ],
    ['a hollow body dragged at 4 m', { ...deep(4), bait: { kind: 'hollow', length: 110 } }, [10, 22]],
    ['panfish at 18 ft', { ...deep(5.5), ...by('vertical'), fish: { size: 'panfish' } }, [0.8, 2.4]],
    [
      'panfish trolled slowly: 1/32 to 1/16 oz',
      { ...by('slow troll'), bait: { kind: 'micro', length: 40 }, fish: { size: 'panfish' } },
      [0.8, 2.2],
    ],
    [
      'trolled behind twice the bait four times that',
      { ...by('slow troll'), bait: { kind: 'minnow', length: 100 } },
      [3.2, 8.8],
    ],
    ['in a mat of 1.5 m', { ...deep(1.5), cover: { kinds: ['matted weed'] } }, [20, 57]],
    [
      'brush, a large bait: 1/2 to 1 oz',
      { ...deep(3), cover: { kinds: ['brush and wood'] }, bait: { kind: 'creature', length: 130 } },
      [13.5, 28.5],
    ],
    [
      'brush, a small one: 1/4 to 3/8 oz',
      {
        ...deep(3),
        cover: { kinds: ['brush and wood'] },
        bait: { kind: 'creature', length: 75 },
        line: { material: 'braid', test: 10 },
      },
      [7, 11.5],
    ],
    [
      'at a bush’s edge, a short bait on light line: 1/16 to 1/8 oz',
      {
        ...deep(2),
        cover: { kinds: ['brush and wood'] },
        bait: { kind: 'stubby', length: 70 },
        line: { material: 'fluorocarbon', test: 3.6 },
      },
      [1.7, 4],
    ],
    [
      'pitched on stout line for contact with the bottom: about 3/4 oz',
      { ...deep(3), fishing: { retrieve: 'pitch' }, line: { material: 'fluorocarbon', test: 9 } },
      [10.5, 24],
    ],
    [
      'swum through soft weed: to 1/2 oz',
      { ...deep(1.5), fishing: { retrieve: 'swim' }, cover: { kinds: ['sparse weed'] } },
      [3.4, 15],
    ],
    ['weedless at 4 ft: 1/16 to 3/16 oz', { ...deep(1.2), cover: { kinds: ['sparse weed'] } }, [1.8, 5.6]],
    ['about docks at 3 m', { ...deep(3), cover: { kinds: ['posts and docks'] } }, [5, 14.5]],
  ] as const)('%s', (_, change, wanted) => {
    expect(span(change as Partial<Brief>)).toEqual(wanted);
  });

  it('between two depths that are told it is their geometric middle at the geometric middle', () => {
    expect(span(deep(Math.sqrt(60)))).toEqual(
      [Math.sqrt(10.5 * 14), Math.sqrt(21.5 * 24)].map((g) => Math.round(g * 1000) / 1000),
    );
  });

  it('strong line draws more weight through weed, a long cast takes more, a thin mat less', () => {
    const weed = (pounds: number) =>
      span({
        ...deep(1.2),
        cover: { kinds: ['grass or reeds'] },
        line: { material: 'braid', test: pounds * LB },
      })[1] ?? NaN;
    expect(weed(65) / weed(11)).toBeCloseTo(2, 1);
    expect(weed(65)).toBe(weed(44.1));
    const swum = (cast: number) => span({ ...deep(3), ...by('swim', { cast }) })[0] ?? NaN;
    expect(swum(44) / swum(22)).toBeCloseTo(2 ** 0.8, 3);
    expect(swum(10)).toBe(swum(22));
    const mat = span({ ...deep(1.2), cover: { kinds: ['matted weed'], density: 'thin' } });
    // Two fifths of the way from weedless to the mat, in ratios; a mat at 1.2 m lies between those of 0.3 and
    // 1.5 m.
    const t = Math.log(4) / Math.log(5);
    const thick = [14 ** (1 - t) * 20 ** t, 43 ** (1 - t) * 57 ** t] as const;
    expect(mat[0]).toBeCloseTo(1.8 ** 0.6 * thick[0] ** 0.4, 2);
    expect(mat[1]).toBeCloseTo(5.6 ** 0.6 * thick[1] ** 0.4, 2);
  });

  it('a shorter bait wants less where its size counts, and no less than that of two fifths', () => {
    const hop = (length: number) =>
      span({ ...deep(6), ...by('hop'), bait: { kind: 'creature', length } })[0] ?? NaN;
    expect(hop(60) / 7).toBeCloseTo(0.6 ** 0.8, 3);
    expect(hop(200) / 7).toBeCloseTo(1.5 ** 0.8, 3);
    const small = (length: number) => span({ ...deep(6), bait: { kind: 'creature', length } });
    expect(small(79)).toEqual([10.5, 21.5].map((grams) => Math.round(grams * 0.79 ** 0.8 * 1000) / 1000));
    expect(small(80)).toEqual([10.5, 21.5]);
  });

  it('wary fish and cold ones want it slower, aggressive ones bear more', () => {
    // On line of 15 lb and more the weight is lessened no further; on 10 lb and less by two fifths and by 35
    // in a hundred.
    const stout = { line: { material: 'braid', test: 7 } } as const;
    expect(span({ ...deep(6), ...stout, fish: { size: 'medium', mood: 'wary' } })).toEqual([
      8.4,
      Math.round(21.5 * Math.sqrt(0.8) * 1000) / 1000,
    ]);
    expect(span({ ...deep(6, 5), ...stout })).toEqual([
      8.925,
      Math.round(21.5 * Math.sqrt(0.85) * 1000) / 1000,
    ]);
    expect(span({ ...deep(6), fish: { size: 'medium', mood: 'aggressive' } })).toEqual([10.5, 23.65]);
    const light = { line: { material: 'fluorocarbon', test: 4.5 } } as const;
    expect(span({ ...deep(6), ...light, fish: { size: 'medium', mood: 'wary' } })).toEqual([
      Math.round(10.5 * 0.8 * 0.6 * 1000) / 1000,
      Math.round(21.5 * Math.sqrt(0.8) * 0.65 * 1000) / 1000,
    ]);
  });
});

describe('what line and rod bear', () => {
  const score = (grams: number, change: Partial<Brief> = {}) =>
    (
      questionOf('tackle').compute?.(situationOf(brief(change)))({
        design: sampleDesign('ball'),
        values: { 'rig.mass': grams },
      }) ?? []
    ).map((one) => one.score);
  const pounds = (test: number, material: Brief['line']['material'] = 'fluorocarbon') => ({
    line: { material, test: test * LB },
  });

  it('nine grams for each kilogram of line and no more; twice that is half as good', () => {
    const most = 9 * 10 * LB;
    expect(score(most, pounds(10))).toEqual([1]);
    expect(score(2 * most, pounds(10))).toEqual([expect.closeTo(0.5, 9)]);
    expect(score(4 * most, pounds(10))).toEqual([expect.closeTo(0, 9)]);
  });

  it('its thickness asks for a least weight: 12 lb of 0.2858 mm for 6.5 g, braid of 18 lb, 0.165 mm, for 1.1 g', () => {
    const least = 80 * 0.165 ** 2 * 3;
    expect(score(least, pounds(12))).toEqual([expect.closeTo(1, 6)]);
    expect(score(least / 2, pounds(12))).toEqual([expect.closeTo(0.5, 6)]);
    expect(score((40 * 0.165 ** 2) / 2, pounds(18, 'braid'))).toEqual([expect.closeTo(0.5, 6)]);
    expect(score((70 * 0.165 ** 2) / 2, pounds(4, 'nylon'))).toEqual([expect.closeTo(0.5, 6)]);
    // A breeze asks for two fifths more, strong wind for 2.2 times, a cast of 50 m for twice as much.
    expect(score((least * 1.4) / 2, { ...pounds(12), ...by('drag', { wind: 'breeze' }) })).toEqual([
      expect.closeTo(0.5, 6),
    ]);
    expect(score((least * 2.2) / 2, { ...pounds(12), ...by('drag', { wind: 'strong' }) })).toEqual([
      expect.closeTo(0.5, 6),
    ]);
    expect(score(least, { ...pounds(12), ...by('drag', { cast: 50 }) })).toEqual([expect.closeTo(0.5, 6)]);
  });

  it.each([
    ['ultra light', 0.6, 8],
    ['light', 1.5, 12],
    ['medium light', 3, 18],
    ['medium', 5, 28],
    ['medium heavy', 8, 45],
    ['heavy', 12, 90],
  ] as const)('a rod that is %s throws %f to %f g', (power, from, to) => {
    const at = (grams: number) => score(grams, { ...pounds(100, 'braid'), rod: { power } })[1];
    expect([at(from), at(to)]).toEqual([1, 1]);
    expect([at(from / 2), at(to * 2)]).toEqual([expect.closeTo(0.5, 9), expect.closeTo(0.5, 9)]);
  });

  it('a head without a bait is thrown with the bait that is meant, and nothing is said of what is not thrown', () => {
    const alone = questionOf('tackle').compute?.(situationOf(brief(pounds(10))))({
      design: sampleDesign('ball'),
      values: { 'mass.total': 9 * 10 * LB },
    });
    const grown = plasticMass(usualPlastic('creature', 100 / 25.4));
    expect(alone?.[0]?.score).toBeCloseTo(1 - 0.5 * Math.log2(1 + grown / (9 * 10 * LB)), 6);
    for (const retrieve of ['vertical', 'slow troll'] as const)
      expect(questionOf('tackle').isAsked(situationOf(brief(by(retrieve))))).toBe(false);
  });
});

describe('what they take', () => {
  const score = (values: ReadingValues, change: Partial<Brief>) =>
    (
      questionOf('taken').compute?.(situationOf(brief(change)))({ design: sampleDesign('ball'), values }) ??
      []
    ).map((one) => one.score);
  it('wary fish follow 0.95 m/s and of twice that a quarter; the deeper, the less it matters', () => {
    const wary = { fish: { size: 'medium', mood: 'wary' } } as const;
    expect(score({ 'fall.speed': 1.9 }, { ...deep(6), ...wary })).toEqual([expect.closeTo(0.25, 9)]);
    expect(score({ 'fall.speed': 1.9 }, { ...deep(12), ...wary })).toEqual([expect.closeTo(1 - 0.375, 9)]);
    expect(score({ 'fall.speed': 1.9 }, { ...deep(6, 5) })).toEqual([expect.closeTo(1 - 0.375, 9)]);
    expect(score({ 'fall.speed': 1.9 }, { ...deep(6, 5), ...wary })).toEqual([expect.closeTo(0.25, 9)]);
    expect(score({ 'fall.speed': 1.9 }, { ...deep(6), ...wary, ...by('vertical') })).toEqual([]);
  });
  it('panfish in clear water take a head of 6 mm and 0.35 mm more for each metre', () => {
    const clear: Partial<Brief> = {
      water: { kind: 'fresh', depth: 4, temperature: 15, sight: 2 },
      fish: { size: 'panfish' },
    };
    expect(score({ 'head.height': 7.4 }, clear)).toEqual([1]);
    expect(score({ 'head.height': 14.8 }, clear)).toEqual([expect.closeTo(0, 9)]);
    expect(score({ 'head.height': 7.4 * Math.SQRT2 }, clear)).toEqual([expect.closeTo(0.5, 9)]);
    expect(score({ 'head.height': 20 }, { ...clear, fish: { size: 'medium' } })).toEqual([]);
  });
});

describe('how it rests', () => {
  const found = (
    values: ReadingValues,
    seconds: number,
    change: Partial<Brief> = {},
    family = 'ball',
    isSettled = false,
  ) =>
    questionOf('rest').compute?.(situationOf(brief({ ...by('drag', { rest: seconds }), ...change })))({
      design: sampleDesign(family),
      values,
      isSettled,
    }) ?? [];
  it('the less, the longer it lies: of a head that lies 0.65 less 0.065 for each second', () => {
    expect(found({ 'rest.hookUp': 0 }, 1)[0]?.score).toBeCloseTo(0.585, 9);
    expect(found({ 'rest.hookUp': 0 }, 5)[0]?.score).toBeCloseTo(0.325, 9);
    expect(found({ 'rest.hookUp': 0.5 }, 1)[0]?.score).toBeCloseTo(0.7925, 9);
    expect(found({ 'rest.hookUp': 0 }, 12)[0]?.score).toBe(0);
    // A tail 20° up is half as good as a point that stands always.
    expect(found({ 'rest.hookUp': 0.1, 'rest.tailUp': 20 }, 12)[0]).toMatchObject({
      score: expect.closeTo(0.5, 9) as number,
      by: 'rest.tailUp',
    });
  });
  it('firm where it surely lies or stands, open between, and of what lies in a bait before that is on', () => {
    const isFirm = (up: number, family = 'ball', isSettled = false) =>
      found({ 'rest.hookUp': up }, 12, {}, family, isSettled)[0]?.isFirm;
    expect([0.2, 0.21, 0.74, 0.75].map((up) => isFirm(up))).toEqual([true, false, false, true]);
    expect([isFirm(0.9, 'core'), isFirm(0.9, 'core', true)]).toEqual([false, true]);
  });
  it('what rolls down the slope is as good as lying, on a stepped wall no slope is over 15°', () => {
    const stands: ReadingValues = { 'rest.hookUp': 1, 'rest.slopeNose': 20, 'rest.slopeTail': 25 };
    const on = (slope: number, kind: 'gravel' | 'stair-step' = 'gravel') =>
      found(stands, 12, { bottom: { kinds: [kind], slope } })[0];
    // It holds 20°: surely four degrees before that, surely not four after, half at it, and no step between.
    expect([15, 16, 18, 20, 22, 25].map((slope) => on(slope)?.score ?? NaN)).toEqual(
      [1, 1, 0.75, 0.5, 0.25, 0.15].map((score) => expect.closeTo(score, 9) as number),
    );
    expect(on(21)?.by).toBe('rest.slopeNose');
    expect(on(60, 'stair-step')?.score).toBe(1);
    // Under 8° nothing is said to slide.
    expect(
      found({ 'rest.hookUp': 1, 'rest.slopeNose': 2 }, 12, { bottom: { kinds: ['gravel'], slope: 8 } })[0]
        ?.score,
    ).toBe(1);
  });
  it('is asked of what touches and lies for half a second; decides where the rest is long, in the open, on what is not steep', () => {
    const at = (change: Partial<Brief>) => {
      const situation = situationOf(brief(change));
      return [questionOf('rest').isAsked(situation), questionOf('rest').isDecisive(situation)];
    };
    expect(at(by('drag', { rest: 0.4 }))[0]).toBe(false);
    expect(at(by('swim', { rest: 9 }))[0]).toBe(false);
    expect(at(by('drag', { rest: 5.9 }))).toEqual([true, false]);
    expect(at(by('drag', { rest: 6 }))).toEqual([true, true]);
    // Only supposed: long in the cold, and then it decides from ten seconds on.
    expect(at(deep(4, 5))).toEqual([true, true]);
    expect(at(deep(4, 9))).toEqual([true, false]);
    expect(at({ ...by('drag', { rest: 9 }), cover: { kinds: ['sparse weed'] } })[1]).toBe(false);
    expect(at({ ...by('drag', { rest: 9 }), bottom: { kinds: ['gravel'], slope: 30 } })[1]).toBe(false);
  });
});

describe('facts', () => {
  const told: Brief = {
    ...brief(),
    water: { kind: 'sea', depth: 7, temperature: 9, current: 0.3, sight: 0.4 },
    bottom: { kinds: ['gravel', 'shell'], slope: 12, crack: 5, stone: 40 },
    cover: { kinds: ['sparse weed', 'brush and wood'], density: 'thick', stem: 8 },
    fishing: {
      retrieve: 'hop',
      rest: 7,
      speed: 0.4,
      cast: 30,
      from: 'moving boat',
      wind: 'breeze',
      sounder: true,
    },
    line: { material: 'braid', test: 9 },
    leader: { material: 'nylon', test: 6 },
    rod: { power: 'heavy', action: 'fast', length: 2.4 },
    bait: { kind: 'claw', length: 76, skirt: true },
    fish: { mood: 'wary', size: 'large', wants: 'largest' },
    lead: false,
    price: 0.8,
  };
  const head: Head = {
    design: sampleDesign('football', {
      head: { metal: 'tin', pieces: 2 },
      hook: { size: '#2', grade: '2X strong' },
      eye: { angle: 45, plane: 'crosswise', setback: 0.3 },
      keeper: keeperInitial('wire'),
      guard: guardInitial('twin wire'),
    }),
    values: { 'mass.metal': (3 / 8) * OZ },
  };
  it.each([
    ['water.kind', 'sea'],
    ['water.depth', 7],
    ['water.temperature', 9],
    ['water.current', 0.3],
    ['water.sight', 0.4],
    ['clarity', 'murky'],
    ['bottom', ['gravel', 'shell']],
    ['bottom.slope', 12],
    ['bottom.crack', 5],
    ['bottom.stone', 40],
    ['cover', ['sparse weed', 'brush and wood']],
    ['cover.density', 'thick'],
    ['cover.stem', 8],
    ['retrieve', 'hop'],
    ['touches', 'yes'],
    ['rests', 'long'],
    ['rest', 7],
    ['speed', 0.4],
    ['cast', 30],
    ['from', 'moving boat'],
    ['wind', 'breeze'],
    ['sounder', 'yes'],
    ['line.material', 'braid'],
    ['line.test', 9],
    ['leader.material', 'nylon'],
    ['leader.test', 6],
    ['rod.power', 'heavy'],
    ['rod.action', 'fast'],
    ['rod.length', 2.4],
    ['bait.kind', 'claw'],
    ['bait.length', 76],
    ['bait.skirt', 'yes'],
    ['mood', 'wary'],
    ['fish.size', 'large'],
    ['fish.wants', 'largest'],
    ['lead', 'no'],
    ['price', 0.8],
    ['shape', 'football'],
    ['family', 'football'],
    ['metal', 'tin'],
    ['pieces', 2],
    ['hook.rank', -1],
  ] as const)('%s is %j', (name, value) => {
    expect(factFor(name, situationOf(told), head)).toEqual(value);
  });
  it('a hook’s rank is as its words say: 3/0 is 3, 1/0 is 1, #1 nothing, #2 one less', () => {
    const rank = (size: string) =>
      factFor('hook.rank', situationOf(told), {
        design: sampleDesign('ball', { hook: { size } }),
        values: {},
      });
    expect(['3/0', '1/0', '#1', '#2', '#8', 'huge'].map(rank)).toEqual([3, 1, 0, -1, -7, undefined]);
  });
  it('what is not there is no fact, and a name nobody knows is none', () => {
    const open = situationOf(brief());
    expect(factFor('cover', open, head)).toBe('none');
    for (const name of ['cover.density', 'leader.material', 'price', 'toString'])
      expect(factFor(name, open, head), name).toBeUndefined();
    expect(factText('price', undefined, 'metric')).toBe('–');
    expect(factText('bottom', ['gravel', 'shell'], 'metric')).toBe('gravel and shell');
    expect(factText('pieces', 2, 'metric')).toBe('2');
    expect(factText('water.depth', 3, 'metric')).toBe('3.0 m');
    expect(FACTS.find(({ name }) => name === 'mass.metal')?.about).toBe('reading');
    expect(factFor('mass.metal', open, head)).toBeCloseTo(10.631, 3);
  });
});

describe('a shape of one’s own', () => {
  // What a ball, a football and a torpedo of the stores measure, in breadth, height and length.
  it.each([
    [
      'ball',
      {
        'head.breadth': 12,
        'head.height': 12,
        'head.length': 12,
        'pull.shedding': 0.62,
        'pull.crackWidth': 10.4,
        'roll.factor': 0.94,
      },
    ],
    [
      'football',
      {
        'head.breadth': 17,
        'head.height': 10,
        'head.length': 10.2,
        'pull.shedding': 0.4,
        'pull.crackWidth': 8.7,
        'roll.factor': 1.2,
      },
    ],
    [
      'torpedo',
      {
        'head.breadth': 8,
        'head.height': 8,
        'head.length': 26,
        'pull.shedding': 0.7,
        'pull.crackWidth': 8,
        'roll.factor': 0.43,
      },
    ],
    [
      'roller',
      {
        'head.breadth': 30,
        'head.height': 9,
        'head.length': 9,
        'pull.shedding': 0.1,
        'pull.crackWidth': 8,
        'roll.factor': 2.7,
      },
    ],
  ] as const)('that measures like a %s is judged as one', (family, values) => {
    expect(resembled(values)).toBe(family);
    expect(shapeOf({ design: { ...sampleDesign('own') }, values })).toBe(family);
    // One of the families is what it says, whatever it measures.
    expect(shapeOf({ design: sampleDesign('wedge'), values })).toBe('wedge');
  });
  it('of which nothing is measured stays what it is', () => {
    expect(resembled({})).toBeUndefined();
    expect(shapeOf({ design: sampleDesign('own'), values: {} })).toBe('own');
  });
});

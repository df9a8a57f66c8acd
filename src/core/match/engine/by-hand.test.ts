import { describe, expect, it } from 'vitest';
import { USUAL_FISHING } from '../../behaviour/fishing.ts';
import type { Brief } from '../../document/brief.ts';
import type { Design } from '../../document/design.ts';
import { guardInitial } from '../../fitting/guards/index.ts';
import { keeperInitial } from '../../fitting/keepers/index.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { plainBrief } from '../../test-kit/brief.test-kit.ts';
import type { SampleChange } from '../../test-kit/sample.test-kit.ts';
import { AT_ONCE, sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { evaluate } from '../../judge/evaluate.ts';
import { pairingOf } from '../../judge/pairings.ts';
import { METHODS } from '../../rigging/methods/index.ts';
import { carries } from './carries.ts';
import type { Head, ReadingValues, Worn } from './head.ts';
import type { Judge } from './judge.ts';
import type { Standing } from './order.ts';
import type { QUESTIONS } from '../questions/index.ts';
import { questionOf } from '../questions/index.ts';
import { situationOf, surroundingsOf } from './situation.ts';
import { valuesOf } from './match.ts';
import { bestWorn, plasticsMeant, wornAtFirst } from './wearing.ts';

/*
 * What is taken where a brief says nothing, what is asked of whom, and what is tried first: worked out by
 * hand from how the trade talks of it (common practice, no source, unless said).
 */

const LB = 0.45359237;
const water = (change: Partial<Brief['water']>): Partial<Brief> => ({
  water: { kind: 'fresh', depth: 4, temperature: 15, ...change },
});

describe('what a brief leaves out', () => {
  it.each([
    ['drag', 0.2, 4, true],
    ['crawl', 0.35, 1, true],
    ['wind on the bottom', 0.6, 0, true],
    ['hop', 0.2, 3, true],
    ['stroke', 0.3, 2, true],
    ['shake', 0.05, 4, true],
    ['swim', 0.7, 0, false],
    ['twitch', 0.4, 0, false],
    ['snap', 0.4, 0, false],
    ['slow troll', 0.45, 0, false],
    ['drift', 0.25, 0, true],
    ['vertical', 0.02, 0, false],
    ['pendulum', 0.1, 1, true],
    ['pitch', 0.1, 3, true],
    ['skip', 0.1, 3, true],
    ['punch', 0.05, 2, true],
  ] as const)(
    '%s is usually done at %f m/s with a rest of %f s (working values)',
    (retrieve, speed, rest, touches) => {
      const found = situationOf(plainBrief({ fishing: { retrieve } }));
      expect([found.speed, found.rest, found.touches]).toEqual([speed, rest, touches]);
      expect(found.assumed).toContain('/fishing/speed');
    },
  );

  it('colder fish are given longer: 3½ times the rest at 5 °C and below, half of that more at 8.5 °C', () => {
    const rest = (temperature: number) => situationOf(plainBrief(water({ temperature }))).rest;
    expect(rest(12)).toBe(4);
    expect(rest(8.5)).toBeCloseTo(4 * 2.25, 9);
    expect(rest(5)).toBeCloseTo(14, 9);
    expect(rest(1)).toBeCloseTo(14, 9);
    const rests = (seconds: number) =>
      situationOf(plainBrief({ fishing: { retrieve: 'drag', rest: seconds } })).rests;
    expect([0.4, 0.5, 5.9, 6].map(rests)).toEqual(['none', 'short', 'short', 'long']);
  });

  it('sight makes clear, stained and murky; stones, cracks and stems come from what lies there', () => {
    const clarity = (sight: number) => situationOf(plainBrief(water({ sight }))).clarity;
    expect([2, 1.9, 0.5, 0.4].map(clarity)).toEqual(['clear', 'stained', 'stained', 'murky']);
    const bed = (kinds: Brief['bottom']['kinds'], more = {}) =>
      situationOf(plainBrief({ bottom: { kinds, ...more } }));
    expect([bed(['gravel', 'broken rock']).crack, bed(['gravel', 'broken rock']).stone]).toEqual([15, 200]);
    expect([bed(['mud']).crack, bed(['mud']).stone, bed(['mud']).slope]).toEqual([0, 0, 5]);
    expect(bed(['shell'], { crack: 7, stone: 9, slope: 30 })).toMatchObject({
      crack: 7,
      stone: 9,
      slope: 30,
    });
    const stem = (kinds: Brief['cover']['kinds'], more = {}) =>
      situationOf(plainBrief({ cover: { kinds, ...more } })).stem;
    expect([stem([]), stem(['sparse weed']), stem(['sparse weed', 'brush and wood'])]).toEqual([6, 3, 12]);
    expect(stem(['grass or reeds'], { stem: 9 })).toBe(9);
  });

  it.each([
    [2, 'ultra light'],
    [4, 'light'],
    [8, 'medium light'],
    [12, 'medium'],
    [20, 'medium heavy'],
    [50, 'heavy'],
  ] as const)('%d lb at the hook is fished on a rod that is %s', (pounds, rod) => {
    expect(situationOf(plainBrief({ line: { material: 'braid', test: pounds * LB } })).rod).toBe(rod);
    const led = plainBrief({
      line: { material: 'braid', test: 60 * LB },
      leader: { material: 'fluorocarbon', test: pounds * LB },
    });
    expect(situationOf(led)).toMatchObject({ rod, hookTest: pounds * LB });
  });

  it('small baits are for panfish, the line is the cast or what the depth takes, straight down the depth and the rod', () => {
    const size = (length: number) => situationOf(plainBrief({ bait: { kind: 'micro', length } })).size;
    expect([size(50), size(51)]).toEqual(['panfish', 'medium']);
    const out = (depth: number, retrieve: Brief['fishing']['retrieve'], cast?: number) =>
      situationOf(
        plainBrief({ ...water({ depth }), fishing: { retrieve, ...(cast === undefined ? {} : { cast }) } }),
      ).lineOut;
    expect([out(4, 'drag'), out(20, 'drag'), out(4, 'drag', 31)]).toEqual([20, 32, 31]);
    // A rod of 2.1 m, its tip at seven tenths of that, and a hand of slack.
    expect(out(9, 'vertical')).toBeCloseTo(9 + 0.7 * 2.1 + 0.2, 9);
    expect(out(9, 'pendulum')).toBeCloseTo(out(9, 'vertical'), 9);
  });
});

describe('what the computation is told', () => {
  it('a current across the line adds square, salt water is denser, a crack counts only where one was said', () => {
    const told = surroundingsOf(
      situationOf(
        plainBrief({
          water: { kind: 'sea', depth: 7, temperature: 9, current: 0.8 },
          fishing: { retrieve: 'drag', speed: 0.6 },
          bottom: { kinds: ['broken rock'], crack: 11 },
          rod: { length: 3 },
        }),
      ),
    );
    expect(told.fishing?.current).toBeCloseTo(1 - 0.6, 9);
    expect(told.fishing).toMatchObject({
      crack: 11,
      speed: 0.6,
      perTurn: USUAL_FISHING.perTurn,
      test: 5,
      leader: 5,
    });
    expect(told.fishing?.rodHeight).toBeCloseTo(2.1, 9);
    expect(told.depth).toBe(7);
    expect(told.water).toEqual({ temperature: 9, salinity: 35 });
    expect(
      surroundingsOf(situationOf(plainBrief({ bottom: { kinds: ['broken rock'] } }))).fishing?.crack,
    ).toBe(0);
    // Nothing that stands still is computed with: a boat never holds quite still.
    expect(
      surroundingsOf(situationOf(plainBrief({ fishing: { retrieve: 'vertical', speed: 0 } }))).fishing?.speed,
    ).toBe(0.02);
  });
});

describe('what is asked, and what decides', () => {
  const at = (key: (typeof QUESTIONS)[number]['key'], change: Partial<Brief>) => {
    const situation = situationOf(plainBrief(change));
    const question = questionOf(key);
    return [question.isAsked(situation), question.isDecisive(situation)];
  };
  it.each([
    ['bait', {}, true, true],
    ['hold', {}, true, true],
    ['moves', {}, true, true],
    ['stays', {}, true, false],
    ['eye', {}, true, false],
    ['hooks', {}, true, false],
    ['depth', water({ depth: 11.9 }), true, false],
    ['depth', water({ depth: 12 }), true, true],
    ['depth', { ...water({ depth: 3 }), fishing: { retrieve: 'vertical' } }, true, true],
    ['cover', {}, false, true],
    ['cover', { cover: { kinds: ['sparse weed'] } }, true, true],
    ['point', { cover: { kinds: ['brush and wood'] } }, true, true],
    ['point', { cover: { kinds: ['brush and wood'], density: 'thin' } }, true, false],
    ['point', { cover: { kinds: ['posts and docks'] } }, true, false],
    ['point', { cover: { kinds: ['sparse weed'] } }, true, false],
    ['lands', { fish: { size: 'large' } }, true, true],
    ['lands', { fish: { size: 'medium' } }, true, false],
    ['sounder', {}, false, false],
    ['sounder', { fishing: { retrieve: 'vertical', sounder: true } }, true, true],
    ['sounder', { fishing: { retrieve: 'drag', sounder: true } }, true, false],
    ['cost', {}, true, false],
    ['cost', { lead: false }, true, true],
  ] as const)('%s with %j', (key, change, isAsked, isDecisive) => {
    expect(at(key, change as Partial<Brief>)).toEqual([isAsked, isDecisive]);
  });
});

describe('a fall that was computed in the brief’s own water goes before depth over speed', () => {
  it('and only there', () => {
    const deep = situationOf(plainBrief(water({ depth: 12 })));
    const says = (values: ReadingValues, isSettled: boolean) =>
      questionOf('depth')
        .compute?.(deep)({ design: sampleDesign('ball'), values, isSettled })
        .map((one) => one.score);
    const values = { 'fall.speed': 1, 'fall.timeToDepth': 24 };
    expect(says(values, true)).toEqual([expect.closeTo(0.65, 9)]);
    expect(says(values, false)).toEqual([1]);
    expect(says({ 'fall.speed': 0.5 }, true)).toEqual([expect.closeTo(0.65, 9)]);
    expect(says({}, true)).toEqual([]);
    // What the bait lifts floats, whatever the head alone does.
    expect(says({ 'fall.speed': 1, 'mass.submerged': 4, 'rig.submerged': -0.1 }, true)).toEqual([0]);
  });
});

describe('what is tried to mend a no', () => {
  const tried = (
    key: (typeof QUESTIONS)[number]['key'],
    change: SampleChange,
    more: Partial<Brief> = {},
    rest: Partial<Head> = {},
  ) =>
    (
      questionOf(key).changes?.(situationOf(plainBrief(more)), {
        design: sampleDesign('ball', change),
        values: { 'mass.metal': 7 },
        ...rest,
      }) ?? []
    ).map(({ path, value }) =>
      typeof value === 'object' ? `${path}=${(value as { kind: string }).kind}` : `${path}=${String(value)}`,
    );

  it('hooks: finer wire first, then the guard, then the sizes beside it', () => {
    const guard = guardInitial('fibre');
    expect(tried('hooks', { hook: { size: '3/0', grade: '1X strong' }, guard })).toEqual([
      '/hook/grade=standard',
      '/guard/fan=45',
      '/guard/trimmed=true',
      ...['2/0', '4/0', '1/0', '5/0', '#1', '6/0'].map((size) => `/hook/size=${size}`),
    ]);
    // There is nothing finer than fine, and nothing beyond the ends of the chart.
    expect(tried('hooks', { hook: { size: '3/0', grade: '1X fine' }, guard: { kind: 'none' } })[0]).toBe(
      '/hook/size=2/0',
    );
  });

  it('lands: stronger wire first', () => {
    expect(tried('lands', { hook: { size: '3/0', grade: '1X strong' } })[0]).toBe('/hook/grade=2X strong');
    expect(tried('lands', { hook: { size: '3/0', grade: '3X strong' } })[0]).not.toContain('grade');
  });

  it('tackle: the two weights sold next above, then the two below', () => {
    const sold = questionOf('tackle')
      .changes?.(situationOf(plainBrief()), { design: sampleDesign('ball'), values: { 'mass.metal': 7.09 } })
      .map(({ value }) => Math.round((value as { grams: number }).grams * 100) / 100);
    // 5/16, 3/8, 3/16 and 1/8 oz.
    expect(sold).toEqual([8.86, 10.63, 5.32, 3.54]);
  });

  it('eye: the other plane, then other angles, the nearest first and never its own', () => {
    expect(tried('eye', { eye: { angle: 60, plane: 'in line', setback: 0.3 } })).toEqual([
      '/eye/plane=crosswise',
      '/eye/angle=45',
      '/eye/angle=30',
      '/eye/angle=90',
      '/eye/angle=20',
    ]);
    expect(tried('eye', { eye: { angle: 88, plane: 'crosswise', setback: 0.3 } })[0]).toBe(
      '/eye/plane=in line',
    );
  });

  it('point: covered by bait or guard where it is bare, bared again where it is not', () => {
    expect(tried('point', { guard: { kind: 'none' } })).toEqual([
      '=skin',
      '=buried',
      '/guard=fibre',
      '/guard=twin wire',
    ]);
    expect(tried('point', { guard: guardInitial('fibre') })).toEqual([
      '/guard/fan=45',
      '/guard/trimmed=true',
      '/guard=none',
    ]);
    expect(tried('point', { guard: guardInitial('y') })).not.toContain('/guard/trimmed=true');
    const worn = { plastic: usualPlastic('stick', 5), pairing: { method: 'buried' } } as Worn;
    expect(tried('point', { guard: { kind: 'none' } }, {}, { worn })).toEqual(['=threaded']);
  });

  it('stays: the other keepers; cover, cost, depth and sounder: what the trade takes first', () => {
    expect(tried('stays', { keeper: keeperInitial('wire') })).toEqual([
      '/keeper=screw',
      '/keeper=collar',
      '/keeper=barbs',
    ]);
    expect(tried('cover', {}, { cover: { kinds: ['brush and wood'] } })).toEqual([
      '/head/family=oval',
      '/head/family=wedge',
    ]);
    expect(tried('cover', {}, { cover: { kinds: ['grass or reeds'] } })).toEqual([
      '/head/family=pointed',
      '/head/family=oval',
    ]);
    // Nothing is cheaper than lead; of a dear metal the cheapest three are tried, and without lead the
    // nearest in density.
    expect(tried('cost', { head: { metal: 'lead' } })).toEqual([]);
    expect(tried('cost', { head: { metal: 'tungsten' } })).toEqual([
      '/head/metal=lead',
      '/head/metal=lead-antimony',
      '/head/metal=zinc',
    ]);
    expect(tried('cost', { head: { metal: 'lead' } }, { lead: false })).toEqual([
      '/head/metal=bismuth',
      '/head/metal=bismuth-tin',
      '/head/metal=tungsten',
    ]);
    expect(tried('depth', {}).at(-1)).toBe('/head/metal=tungsten');
    // What is fine already is not offered again.
    expect(tried('taken', { head: { metal: 'lead' } }).at(-1)).toBe('/head/metal=tungsten');
    expect(tried('taken', { head: { metal: 'tungsten' } })).toEqual(
      tried('taken', { head: { metal: 'lead' } }).slice(0, -1),
    );
    const eye = { plane: 'in line', setback: 0.3 } as const;
    const shapes = ['/head/family=football', '/head/family=ball'];
    expect(tried('cracks', { eye: { ...eye, angle: 60 } })).toEqual(['/eye/angle=90', ...shapes]);
    expect(tried('cracks', { eye: { ...eye, angle: 45 } })).toEqual([
      '/eye/angle=60',
      '/eye/angle=90',
      ...shapes,
    ]);
    expect(tried('sounder', {})).toEqual(['/head/family=drop']);
    expect(tried('moves', {}, { fishing: { retrieve: 'snap' } })).toEqual(['/head/family=glider']);
  });
});

describe('the plastics a situation means', () => {
  const asked = situationOf(plainBrief({ bait: { kind: 'paddle-tail', length: 100 } }));
  const named = (length: number, kind: 'paddle-tail' | 'stubby' = 'paddle-tail') =>
    usualPlastic(kind, length / 25.4, { name: `${kind} ${length}` });

  it('those of the kind and within 1.3 times the length either way, the nearest first, six at most', () => {
    const shelf = [131, 129, 76, 78, 100, 104, 97, 110, 92].map((length) => named(length));
    const found = plasticsMeant(asked, [...shelf, named(100, 'stubby')]).map(({ name }) => name);
    expect(found).toEqual([100, 97, 104, 92, 110, 78].map((length) => `paddle-tail ${length}`));
    expect(plasticsMeant(asked, [named(129)]).map(({ name }) => name)).toEqual(['paddle-tail 129']);
  });

  it('else one of the usual proportions', () => {
    for (const shelf of [undefined, [], [named(131), named(76), named(100, 'stubby')]]) {
      const [only, ...others] = plasticsMeant(asked, shelf);
      expect(others).toEqual([]);
      expect(only?.name).toBe('paddle-tail 3.9 in');
      expect(only?.length).toBeCloseTo(100, 6);
    }
  });
});

describe('the plastic and the way that are chosen', () => {
  const kinds = ['paddle-tail', 'curl-tail', 'straight-tail'] as const;
  const built = evaluate(sampleDesign('ball'), AT_ONCE);
  if (!built.ok) throw new Error(built.problems[0]?.message);
  const bare = { design: built.design, values: {}, rig: built.rig };
  const plain: Standing = {
    out: 0,
    wrong: 0,
    cares: 0,
    short: 0,
    made: 0,
    doubts: 0,
    lacks: 0,
    far: 0,
    fits: 0,
    fine: 0,
    cost: 0,
  };
  const judge: Judge = (head) => ({ head, all: [] });
  const anyWay = { isMeant: () => true };

  it('stand best of those that go on, whatever is asked', () => {
    const plastics = kinds.map((kind) => usualPlastic(kind, 3.5));
    for (const wanted of kinds) {
      const stand = ({ head }: { head: Head }) => ({
        ...plain,
        short: head.worn?.plastic.kind === wanted ? 0 : 1,
      });
      expect(bestWorn(bare, plastics, judge, stand, anyWay)?.plastic.kind).toBe(wanted);
    }
    // What is seldom done is not chosen, however well it stands, unless it is named.
    const stand = ({ head }: { head: Head }) => ({
      ...plain,
      cares: head.worn?.pairing.method === 'nose-hooked' ? 0 : 1,
    });
    const way = (ways: object) =>
      bestWorn(bare, plastics, judge, stand, { ...anyWay, ...ways })?.pairing.method;
    expect(way({})).toBe('threaded');
    expect(way({ method: 'nose-hooked' })).toBe('nose-hooked');
    expect(way({ method: 'threaded' })).toBe('threaded');
  });

  it('of those that do not go on are those that are carried best', () => {
    // Baits as thick as a wrist: none goes on, and each is carried badly by its own measure.
    const plastics = [1, 2, 3].map((much) => ({
      ...usualPlastic('stick', 1),
      name: `Fat ${much}`,
      height: 60 * much,
      breadth: 60 * much,
    }));
    const ways = METHODS.flatMap(({ key }) =>
      plastics.map((plastic) => carries(pairingOf(built.rig, { plastic, method: key })).score),
    );
    expect(Math.max(...ways)).toBeLessThan(0.35);
    for (const order of [plastics, plastics.toReversed()]) {
      const chosen = bestWorn(bare, order, judge, () => plain, anyWay);
      expect(chosen && carries(chosen.pairing).score).toBe(Math.max(...ways));
    }
  });
});

describe('how a plastic probably goes on, from hook and bait alone', () => {
  const plastic = { ...usualPlastic('paddle-tail', 4), length: 100, height: 10 };
  const at = (
    gap: number,
    outside: number,
    design: Design = sampleDesign('ball'),
    covers: Brief['cover']['kinds'] = [],
    of = plastic,
  ) => {
    const worn = wornAtFirst(
      design,
      { 'hook.gap': gap, 'hook.shankOutside': outside },
      situationOf(plainBrief({ cover: { kinds: covers } })),
      [of],
    );
    return worn && [worn.pairing.method, worn.pairing.verdict];
  };
  const bare = sampleDesign('ball', { guard: { kind: 'none' } });

  // A paddle-tail's hook comes out well from 33 to 60 in a hundred of it, tightly from 25 to 72, at 0.96 of
  // the shank that stands out.
  it('threaded: where the kind wants its hook out, with half of the gap free of 0.45 of its height, tightly with 0.35', () => {
    const free = (share: number) => 4.5 / (1 - share);
    expect(at(free(0.51), 45)).toEqual(['threaded', 'good']);
    expect(at(free(0.49), 45)).toEqual(['threaded', 'tight']);
    expect(at(free(0.36), 45)).toEqual(['threaded', 'tight']);
    expect(at(free(0.34), 45)).toEqual(['threaded', 'bad']);
    expect([32.9, 33.1, 59.9, 60.1].map((exit) => at(14, exit / 0.96)?.[1])).toEqual([
      'tight',
      'good',
      'good',
      'tight',
    ]);
    expect([24.9, 25.1, 71.9, 72.1].map((exit) => at(14, exit / 0.96)?.[1])).toEqual([
      'bad',
      'tight',
      'tight',
      'bad',
    ]);
  });

  it('is near what laying finds: the verdicts agree in most heads, and no good one is bad', () => {
    let [same, all] = [0, 0];
    for (const size of ['#1', '2/0', '4/0'])
      for (const kind of ['paddle-tail', 'claw', 'stick', 'creature'] as const)
        for (const inches of [3, 4, 5]) {
          const design = sampleDesign('ball', {
            hook: { size, grade: 'standard' },
            keeper: { kind: 'none' },
          });
          const built = evaluate(design, AT_ONCE);
          if (!built.ok) throw new Error(built.problems[0]?.message);
          const of = usualPlastic(kind, inches);
          const values = valuesOf(built.readings);
          const found = wornAtFirst(design, values, situationOf(plainBrief()), [of])?.pairing;
          const laid = pairingOf(built.rig, { plastic: of, method: 'threaded' });
          if (!found) throw new Error('nothing was found');
          const [a, b] = [
            carries(found).score,
            carries({
              ...laid,
              checks: laid.checks.filter(({ id }) => id === 'rig.exit' || id === 'rig.freeGap'),
            }).score,
          ];
          all++;
          if (Math.abs(a - b) < 0.25) same++;
          expect(Math.abs(a - b), `${size} ${kind} ${inches}`).toBeLessThan(0.6);
        }
    expect(same / all).toBeGreaterThan(0.75);
  });

  it('buried in cover where nothing else guards the point and the gap leaves room', () => {
    expect(at(8.6 / 0.83, 50, bare, ['sparse weed'])).toEqual(['buried', 'good']);
    expect(at(8.6 / 0.9, 50, bare, ['sparse weed'])).toEqual(['buried', 'tight']);
    expect(at(8.6 / 1.06, 45, bare, ['sparse weed'])?.[0]).toBe('threaded');
    expect(at(14, 45, bare)).toEqual(['threaded', 'good']);
    expect(at(14, 45, sampleDesign('ball', { guard: guardInitial('fibre') }), ['sparse weed'])?.[0]).toBe(
      'threaded',
    );
  });

  it('heads that are made to lie within go into tubes and hollow bodies, whatever their height', () => {
    const inner = sampleDesign('tube');
    const tube = { ...usualPlastic('tube', 4), length: 100, height: 30 };
    expect(at(12, 45, inner, [], tube)).toEqual(['tube-insert', 'good']);
    expect(
      at(12, 45, sampleDesign('core'), [], { ...usualPlastic('hollow', 4), length: 100, height: 30 }),
    ).toEqual(['hollow-insert', 'good']);
    expect(at(12, 30, sampleDesign('ball'), [], tube)?.[1]).toBe('bad');
    expect(at(12, 30, inner, [], plastic)?.[0]).toBe('threaded');
  });

  it('nothing without a plastic or without the hook’s readings', () => {
    const situation = situationOf(plainBrief());
    expect(wornAtFirst(bare, { 'hook.gap': 12, 'hook.shankOutside': 30 }, situation, [])).toBeUndefined();
    expect(wornAtFirst(bare, { 'hook.gap': 12 }, situation, [plastic])).toBeUndefined();
  });
});

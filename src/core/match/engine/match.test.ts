import fc from 'fast-check';
import { applyPatch } from 'rfc6902';
import { beforeAll, describe, expect, it } from 'vitest';
import { checkRuleSet } from '../../../contract/validate.ts';
import { READINGS } from '../../behaviour/registry.ts';
import type { Brief } from '../../document/brief.ts';
import { BOTTOMS, COVERS, DENSITIES, MOODS, PLACES, RETRIEVES, WINDS } from '../../document/brief-words.ts';
import type { Design } from '../../document/design.ts';
import type { Rule } from '../../document/rules.ts';
import { SCHOOL_TOPICS, SCHOOLS, schoolOf } from '../../document/schools.ts';
import { guardInitial } from '../../fitting/guards/index.ts';
import { keeperInitial } from '../../fitting/keepers/index.ts';
import { FAMILIES } from '../../head/families/index.ts';
import { loadSolids } from '../../head/kernel.ts';
import { evaluate } from '../../judge/evaluate.ts';
import { PLASTIC_KINDS } from '../../plastic/kinds/index.ts';
import { METALS } from '../../material/metals/index.ts';
import { GRAMS_PER_OUNCE } from '../../quantity/units.ts';
import { isWhole, runs } from '../../test-kit/runs.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { between } from '../../test-kit/numbers.test-kit.ts';
import { doubtsOf } from '../practice/advice.ts';
import { smallestChange } from './change.ts';
import { checkRuleFacts } from './check-rules.ts';
import { every } from './conditions.ts';
import { factOf, FACTS } from './facts.ts';
import type { ReadingValues } from './head.ts';
import { groundsOf, judgeFor } from './judge.ts';
import { NO, YES } from './marks.ts';
import type { Matched, Matching } from './match.ts';
import { matchingFor, matchKept, matchSettled, valuesOf } from './match.ts';
import { compareStandings, placed } from './order.ts';
import { proposeHead } from './propose.ts';
import { QUESTIONS } from '../questions/index.ts';
import { REFERENCE_RULES } from '../practice/reference-rules.ts';
import { resembled, shapeOf } from './shapes.ts';
import { SITUATIONS } from '../practice/situations.ts';
import { situationOf } from './situation.ts';
import { testSayings } from '../practice/sayings.ts';
import { usesOf } from '../practice/uses.ts';
import { usualWindow } from './window.ts';
import { checkBriefDocument } from '../../../contract/collections/briefs.ts';
import { checkDesignDocument } from '../../../contract/collections/designs.ts';

const RULES = REFERENCE_RULES.rules;
const rock: Brief = {
  format: 'fern-anvil/brief',
  version: 2,
  name: 'Rock',
  water: { kind: 'fresh', depth: 6, temperature: 15, sight: 3 },
  bottom: { kinds: ['broken rock'], slope: 10 },
  cover: { kinds: [] },
  fishing: { retrieve: 'drag' },
  line: { material: 'fluorocarbon', test: 6.8 },
  bait: { kind: 'paddle-tail', length: 102 },
};

interface Built {
  readonly design: Design;
  readonly values: ReadingValues;
}
const ounces = (n: number) => ({ target: { grams: n * GRAMS_PER_OUNCE, of: 'metal' as const } });
const built = (design: Design): Built[] => {
  const result = evaluate(design);
  return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
};

let heads: readonly Built[] = [];
beforeAll(async () => {
  await loadSolids();
  const heavy = sampleDesign('football', { head: ounces(1), hook: { size: '5/0' } });
  const some = FAMILIES.filter(({ key }) => key !== 'imported').flatMap(({ key }, i) => [
    ...built(
      sampleDesign(key, {
        head: ounces([1 / 8, 1 / 4, 3 / 8, 1 / 2, 3 / 4][i % 5] ?? 1 / 4),
        ...(i % 3 === 0 ? { guard: guardInitial('fibre') } : {}),
      }),
    ),
    ...built(
      sampleDesign(key, { head: { ...ounces(3 / 8), metal: 'tungsten' }, keeper: keeperInitial('wire') }),
    ),
  ]);
  heads = [...built(heavy), ...some];
  expect(heads.length).toBeGreaterThan(30);
});

const rank = (brief: Brief, rules: readonly Rule[] = RULES) => {
  const matching = matchingFor(brief, { rules: [...rules] });
  return placed(
    heads.map(({ design, values }, i) => ({ i, matched: matchKept(matching, design, values) })),
    ({ matched }: { i: number; matched: Matched }) => matched.standing,
  );
};
const orderOf = (brief: Brief, rules?: readonly Rule[]) =>
  rank(brief, rules)
    .map(({ place, item }) => `${place}:${item.i}`)
    .join(' ');

/** Any brief: the six that must be said, and now and then the rest. */
const maybe = <T>(one: fc.Arbitrary<T>) => fc.option(one, { nil: undefined });
const anyBrief: fc.Arbitrary<Brief> = fc
  .record({
    depth: fc.oneof(between(0.3, 6), between(0.3, 60)),
    temperature: between(2, 28),
    current: maybe(between(0, 1.2)),
    sight: maybe(between(0.1, 6)),
    bottoms: fc.uniqueArray(fc.constantFrom(...BOTTOMS), { minLength: 1, maxLength: 2 }),
    covers: fc.uniqueArray(fc.constantFrom(...COVERS), { maxLength: 2 }),
    density: maybe(fc.constantFrom(...DENSITIES)),
    slope: maybe(between(0, 70)),
    retrieve: fc.constantFrom(...RETRIEVES),
    rest: maybe(between(0, 25)),
    from: maybe(fc.constantFrom(...PLACES)),
    wind: maybe(fc.constantFrom(...WINDS)),
    test: between(0.8, 30),
    material: fc.constantFrom('nylon' as const, 'fluorocarbon' as const, 'braid' as const),
    kind: fc.constantFrom(...PLASTIC_KINDS.map(({ key }) => key)),
    length: between(25, 160),
    mood: maybe(fc.constantFrom(...MOODS)),
    sounder: maybe(fc.boolean()),
    lead: maybe(fc.boolean()),
  })
  .map(
    ({
      depth,
      temperature,
      current,
      sight,
      bottoms,
      covers,
      density,
      slope,
      retrieve,
      rest,
      from,
      wind,
      test,
      material,
      kind,
      length,
      mood,
      sounder,
      lead,
    }) =>
      structuredClone({
        ...rock,
        water: {
          kind: 'fresh' as const,
          depth,
          temperature,
          ...(current === undefined ? {} : { current }),
          ...(sight === undefined ? {} : { sight }),
        },
        bottom: { kinds: bottoms, ...(slope === undefined ? {} : { slope }) },
        cover: { kinds: covers, ...(density === undefined ? {} : { density }) },
        fishing: {
          retrieve,
          ...(rest === undefined ? {} : { rest }),
          ...(from === undefined ? {} : { from }),
          ...(wind === undefined ? {} : { wind }),
          ...(sounder === undefined ? {} : { sounder }),
        },
        line: { material, test },
        bait: { kind, length },
        ...(mood === undefined ? {} : { fish: { mood } }),
        ...(lead === undefined ? {} : { lead }),
      }),
  );

describe('the rules that ship', () => {
  it('are of their schema and speak only of what is known', () => {
    expect(checkRuleSet(REFERENCE_RULES)).toMatchObject({ ok: true });
    expect(checkRuleFacts(RULES)).toEqual([]);
    expect(RULES.every(({ source }) => source === 'common practice, no source')).toBe(true);
  });

  const [first] = RULES;
  if (!first) throw new Error('there are no rules');
  it.each([
    [{ when: [{ fact: 'moon', in: ['full'] }] }, '/rules/0/when/0/fact'],
    [{ when: [{ fact: 'toString', in: ['x'] }] }, '/rules/0/when/0/fact'],
    [{ when: [{ not: { any: [{ fact: 'shape', in: ['sphere'] }] } }] }, '/rules/0/when/0/not/any/0/in'],
    [{ when: [{ fact: 'shape', min: 3 }] }, '/rules/0/when/0/in'],
    [{ when: [{ fact: 'fall.speed', in: ['fast'] }] }, '/rules/0/when/0/in'],
    [{ when: [{ fact: 'fall.speed', min: 3, max: 1 }] }, '/rules/0/when/0/min'],
    [{ says: 'It falls at {fall.pace}.' }, '/rules/0/says'],
    [{ school: { topic: 'toString', side: 'x' } }, '/rules/0/school/topic'],
    [{ school: { topic: 'eye plane', side: 'askew' } }, '/rules/0/school/side'],
  ])('one with %j is refused at its place', (change, path) => {
    const [problem] = checkRuleFacts([{ ...first, ...change } as Rule]);
    expect(problem?.path).toBe(path);
    expect(problem?.message.length).toBeGreaterThan(20);
  });

  it('a set with a wrong field, of version 1, or nested without end is refused and tells where', () => {
    const broken = { ...REFERENCE_RULES, rules: [{ ...first, grade: 'maybe' }] };
    expect(checkRuleSet(broken)).toMatchObject({ ok: false, problems: [{ path: '/rules/0/grade' }] });
    expect(checkRuleSet({ format: 'fern-anvil/rules', version: 1, rules: [] })).toMatchObject({
      ok: false,
      problems: [{ path: '/version' }],
    });
    let deep: unknown = { fact: 'shape', in: ['ball'] };
    for (let i = 0; i < 5000; i++) deep = { not: deep };
    expect(checkRuleSet({ ...REFERENCE_RULES, rules: [{ ...first, when: [deep] }] }).ok).toBe(false);
  });

  it('have words for every fact, and every question has rules or a computation', () => {
    expect(new Set(FACTS.map(({ name }) => name)).size).toBe(FACTS.length);
    for (const { key, compute } of QUESTIONS)
      expect(compute !== undefined || RULES.some(({ question }) => question === key), key).toBe(true);
  });
});

describe('conditions', () => {
  const situation = situationOf(rock);
  const head = () => ({ design: sampleDesign('ball'), values: { 'fall.speed': 1.5 } });
  it.each([
    [{ fact: 'shape', in: ['ball', 'football'] }, true],
    [{ fact: 'bottom', in: ['broken rock', 'mud'] }, true],
    [{ fact: 'cover', in: ['none'] }, true],
    [{ not: { fact: 'shape', in: ['ball'] } }, false],
    [{ fact: 'fall.speed', min: 1.5, max: 1.5 }, true],
    [{ fact: 'fall.speed', min: 1.51 }, false],
    [{ fact: 'guard.force', max: 100 }, false],
    [{ fact: 'shape', min: 1 }, false],
    [
      {
        any: [
          { fact: 'shape', in: ['dart'] },
          { fact: 'water.depth', min: 5 },
        ],
      },
      true,
    ],
    [
      {
        all: [
          { fact: 'shape', in: ['ball'] },
          { fact: 'water.depth', max: 5 },
        ],
      },
      false,
    ],
  ] as const)('%j is %s', (condition, expected) => {
    const asked = every([condition], situation);
    expect(typeof asked === 'boolean' ? asked : asked(head())).toBe(expected);
  });
});

describe('the judgement', () => {
  it('of several rules that hold the strongest speaks, then the one that asks more, then the more cautious', () => {
    const [some] = RULES;
    if (!some) throw new Error('there are no rules');
    const rule = (id: string, change: Partial<Rule>): Rule => ({
      ...some,
      id,
      question: 'eye',
      when: [],
      strength: 3,
      school: undefined,
      ...change,
    });
    const speaks = (...rules: Rule[]) =>
      judgeFor(
        situationOf(rock),
        rules,
      )({ design: sampleDesign('ball'), values: {} }).all.find(({ question }) => question.key === 'eye')?.rule
        ?.id;
    const one = { fact: 'shape', in: ['ball'] };
    expect(speaks(rule('a', { grade: 'best' }), rule('b', { grade: 'poor', strength: 2 }))).toBe('a');
    expect(speaks(rule('a', { grade: 'poor' }), rule('b', { grade: 'best', when: [one] }))).toBe('b');
    expect(speaks(rule('a', { grade: 'best' }), rule('b', { grade: 'fair' }))).toBe('b');
    expect(
      speaks(rule('a', { grade: 'best', strength: 5 }), rule('b', { grade: 'never', strength: 1 })),
    ).toBe('b');
    expect(speaks(rule('a', { grade: 'best', off: true }))).toBeUndefined();
  });

  it('nothing that cannot matter speaks: rock under a swum head, a keeper of a tube insert, mud for slime', () => {
    const swum = { ...rock, fishing: { retrieve: 'swim' as const } };
    const onMud: Brief = { ...swum, bottom: { kinds: ['mud'], slope: 10 } };
    expect(orderOf(swum)).toBe(orderOf(onMud));
    const tube = heads.find(({ design }) => design.head.family === 'tube');
    if (!tube) throw new Error('no tube insert was built');
    const stays = (brief: Brief) =>
      matchKept(
        matchingFor(brief, { rules: RULES }),
        { ...tube.design, keeper: { kind: 'none' } },
        tube.values,
      ).answers.all.find(({ question }) => question.key === 'stays')?.mark;
    expect(stays({ ...rock, bait: { kind: 'tube', length: 89 } })).toBe('yes');
    const hinged = sampleDesign('football', { hook: { size: '4/0', joint: { kind: 'open loop', size: 4 } } });
    const moved = (kind: 'mud' | 'slime') =>
      judgeFor(
        situationOf({ ...rock, bottom: { kinds: [kind] } }),
        RULES,
      )({ design: hinged, values: {} }).all.find(({ question }) => question.key === 'moves')?.mark;
    expect([moved('mud'), moved('slime')]).toEqual(['yes', 'no']);
  });

  it('a hard stop and a decisive no are never outranked, and the order is one', () => {
    fc.assert(
      fc.property(anyBrief, (brief) => {
        const sorted = rank(brief).map(({ item }) => item.matched);
        const outs = sorted.map(({ standing }) => standing.out > 0);
        expect(outs).toEqual([...outs].sort((a, b) => Number(a) - Number(b)));
        for (const { answers, standing } of sorted) {
          const isOut = answers.all.some(
            ({ isHard, isDecisive, score }) => isHard || (isDecisive && score !== undefined && score < NO),
          );
          expect(standing.out > 0).toBe(isOut);
          expect(compareStandings(standing, standing)).toBe(0);
        }
      }),
      { numRuns: runs(60) },
    );
  });

  it('every ground names a rule or a reading there is, none stands twice, and no question is asked that was not', () => {
    const ids = new Set(RULES.map(({ id }) => id));
    fc.assert(
      fc.property(anyBrief, fc.nat(), (brief, n) => {
        const { design, values } = heads[n % heads.length] as Built;
        const matching = matchingFor(brief, { rules: RULES });
        const { answers } = matchKept(matching, design, values);
        const seen = new Set<string>();
        for (const answer of answers.all) {
          const grounds = groundsOf(answer, matching.situation, answers.head);
          if (answer.mark === 'unsaid' && !answer.question.isAsked(matching.situation))
            expect(grounds).toEqual([]);
          expect(grounds.filter(({ from }) => from === 'rule').length).toBeLessThanOrEqual(1);
          for (const { by, from, text } of grounds) {
            expect(from === 'rule' ? ids.has(by) : by === 'fit' || by === 'metal' || by in READINGS, by).toBe(
              true,
            );
            expect(seen.has(by), `${by} stands twice`).toBe(false);
            seen.add(by);
            expect(text.length).toBeGreaterThan(8);
          }
        }
      }),
      { numRuns: runs(120) },
    );
  });

  it('no ground stands under more than half of all answers over the situations of the trade', () => {
    const counts = new Map<string, number>();
    let answers = 0;
    for (const { brief } of SITUATIONS) {
      const matching = matchingFor(brief, { rules: RULES });
      for (const { design, values } of heads) {
        const { answers: given } = matchKept(matching, design, values);
        answers++;
        for (const answer of given.all)
          if (answer.rule) counts.set(answer.rule.id, (counts.get(answer.rule.id) ?? 0) + 1);
      }
    }
    const most = [...counts].sort((a, b) => b[1] - a[1])[0];
    expect((most?.[1] ?? 0) / answers).toBeLessThan(0.5);
  });

  // Every field of a brief can change some order: the situations it matters in are among those of the trade.
  const CHANGES: readonly (readonly [field: string, change: (brief: Brief) => Brief])[] = [
    ['depth', (b) => ({ ...b, water: { ...b.water, depth: b.water.depth * 2.5 } })],
    ['temperature', (b) => ({ ...b, water: { ...b.water, temperature: 3 } })],
    ['current', (b) => ({ ...b, water: { ...b.water, current: 0.9 } })],
    ['sight', (b) => ({ ...b, water: { ...b.water, sight: 5 } })],
    ['bottom', (b) => ({ ...b, bottom: { ...b.bottom, kinds: ['broken rock'] } })],
    ['slope', (b) => ({ ...b, bottom: { ...b.bottom, slope: 50 } })],
    ['crack', (b) => ({ ...b, bottom: { ...b.bottom, crack: 30 } })],
    ['cover', (b) => ({ ...b, cover: { ...b.cover, kinds: ['grass or reeds'] } })],
    ['cover density', (b) => ({ ...b, cover: { ...b.cover, density: 'thin' } })],
    ['retrieve', (b) => ({ ...b, fishing: { ...b.fishing, retrieve: 'swim' } })],
    ['speed', (b) => ({ ...b, fishing: { ...b.fishing, speed: 1.6 } })],
    ['rest', (b) => ({ ...b, fishing: { ...b.fishing, rest: 20 } })],
    ['cast', (b) => ({ ...b, fishing: { ...b.fishing, cast: 60 } })],
    ['place', (b) => ({ ...b, fishing: { ...b.fishing, from: 'moving boat' } })],
    ['wind', (b) => ({ ...b, fishing: { ...b.fishing, wind: 'strong' } })],
    ['sounder', (b) => ({ ...b, fishing: { ...b.fishing, sounder: true } })],
    ['line', (b) => ({ ...b, line: { material: 'braid', test: 30 } })],
    ['leader', (b) => ({ ...b, leader: { material: 'nylon', test: 1 } })],
    ['rod', (b) => ({ ...b, rod: { power: 'ultra light' } })],
    ['bait', (b) => ({ ...b, bait: { kind: 'hollow', length: 140 } })],
    ['mood', (b) => ({ ...b, fish: { ...b.fish, mood: 'wary' } })],
    ['fish', (b) => ({ ...b, fish: { ...b.fish, size: 'large' } })],
    ['lead', (b) => ({ ...b, lead: false })],
    ['price', (b) => ({ ...b, price: 0.02 })],
    ['decisive', (b) => ({ ...b, decisive: { rest: true, hooks: true } })],
  ];
  it.each(CHANGES)('%s can change the order of some situation', (_field, change) => {
    expect(SITUATIONS.some(({ brief }) => orderOf(brief) !== orderOf(change(brief)))).toBe(true);
  });

  it('what cannot matter changes nothing: the name, notes, cover’s density in open water, rests of a swum head', () => {
    const swum: Brief = { ...rock, fishing: { retrieve: 'swim' } };
    expect(orderOf({ ...rock, name: 'Other', notes: 'Said.' })).toBe(orderOf(rock));
    expect(orderOf({ ...rock, cover: { kinds: [], density: 'thick', stem: 40 } })).toBe(orderOf(rock));
    expect(orderOf({ ...swum, fishing: { ...swum.fishing, rest: 20 } })).toBe(orderOf(swum));
  });

  it('there is no cliff: a small step of a number moves few heads far', () => {
    const steps: readonly ((brief: Brief, up: number) => Brief)[] = [
      (b, up) => ({ ...b, water: { ...b.water, current: 0.39 + 0.02 * up } }),
      (b, up) => ({ ...b, water: { ...b.water, depth: b.water.depth * (1 + 0.02 * up) } }),
      (b, up) => ({ ...b, line: { ...b.line, test: b.line.test * (1 + 0.02 * up) } }),
      (b, up) => ({ ...b, water: { ...b.water, temperature: 9.9 + 0.2 * up } }),
    ];
    for (const step of steps) {
      const changed = SITUATIONS.filter(({ brief }) => {
        const first = (up: number) => rank(step(brief, up))[0]?.item.i;
        return first(0) !== first(1);
      });
      expect(changed.length / SITUATIONS.length).toBeLessThan(0.12);
    }
  });

  it('equals share a place, and the next follows after all of them', () => {
    const one = heads[0] as Built;
    const matching = matchingFor(rock, { rules: RULES });
    const same = [one, one, ...heads.slice(1, 4)].map(({ design, values }) =>
      matchKept(matching, design, values),
    );
    const places = placed(same, ({ standing }) => standing).map(({ place }) => place);
    expect(new Set(places).size).toBeLessThan(places.length);
    places.forEach((place, i) => expect(place).toBeLessThanOrEqual(i + 1));
  });
});

describe('schools', () => {
  it('the first side is the default; the shop may choose another, and a brief before it', () => {
    expect(schoolOf('eye plane')).toBe('crosswise');
    expect(schoolOf('eye plane', undefined, { 'eye plane': 'in line' })).toBe('in line');
    expect(schoolOf('eye plane', { 'eye plane': 'crosswise' }, { 'eye plane': 'in line' })).toBe('crosswise');
    expect(schoolOf('no such topic')).toBeUndefined();
  });

  // A topic with rules changes the questions of those rules, and no other.
  it.each(SCHOOL_TOPICS.filter((topic) => RULES.some(({ school }) => school?.topic === topic)))(
    'switching %s changes only the answers its rules are for',
    (topic) => {
      const meant = new Set(
        RULES.filter(({ school }) => school?.topic === topic).map(({ question }) => question),
      );
      const [, other] = Object.keys(SCHOOLS[topic].sides);
      let changed = 0;
      const rod = topic === 'rod action' ? { action: 'fast' as const } : { length: 2 };
      for (const { brief } of SITUATIONS) {
        const said: Brief = {
          ...brief,
          rod,
          leader: { material: 'fluorocarbon', test: brief.line.test },
          fish: { ...brief.fish, wants: 'largest' },
        };
        const [was, now] = [said, { ...said, schools: { [topic]: other } }].map((one) =>
          matchingFor(one, { rules: RULES }),
        );
        for (const { design, values } of heads) {
          const [a, b] = [was, now].map(
            (matching) => matchKept(matching as Matching, design, values).answers.all,
          );
          a?.forEach(({ question, score }, i) => {
            if (score === b?.[i]?.score) return;
            changed++;
            expect(meant.has(question.key), question.key).toBe(true);
          });
        }
      }
      expect(changed).toBeGreaterThan(0);
    },
  );
});

describe('shapes of one’s own', () => {
  it('every family whose proportions are known resembles itself or a near one, and no shape is without objections', () => {
    const near: Readonly<Record<string, readonly string[]>> = {
      ball: ['ball'],
      football: ['football', 'stubby'],
      pointed: ['pointed'],
      oval: ['oval'],
      roller: ['roller', 'football'],
      torpedo: ['torpedo'],
    };
    for (const { design, values } of heads) {
      const known = near[design.head.family];
      if (known) expect(known, design.head.family).toContain(resembled(values));
    }
    const own = heads.find(({ design }) => design.head.family === 'own');
    if (!own) throw new Error('no own profile was built');
    expect(shapeOf(own)).not.toBe('own');
    const objections = SITUATIONS.filter(({ brief }) => {
      const { standing } = matchKept(matchingFor(brief, { rules: RULES }), own.design, own.values);
      return standing.out > 0;
    });
    expect(objections.length).toBeGreaterThan(3);
  });
});

describe('weights', () => {
  // Common practice, no source: what the trade says of each, in ounces.
  it.each([
    ['tube-rock', 1 / 4],
    ['rock-drag', 1 / 2],
    ['ledge-stroke', 7 / 8],
    ['wind-rock-shallow', 1 / 2],
    ['wind-rock-deep', 3 / 4],
    ['sparse-weed', 1 / 8],
    ['open-swim', 3 / 16],
    ['troll-long', 1 / 24],
    ['panfish-10', 1 / 32],
    ['glider-snap', 10 / GRAMS_PER_OUNCE],
    ['brush-pitch', 3 / 4],
    ['laydown-compact', 5 / 16],
    ['mat-punch', 1],
    ['stubby-shallow', 1 / 16],
    ['tube-snap', 3 / 4],
  ])('%s: %f oz lies in the window', (key, weight) => {
    const brief = SITUATIONS.find((one) => one.key === key)?.brief;
    if (!brief) throw new Error(key);
    const { least, most } = usualWindow(situationOf(brief));
    expect(weight * GRAMS_PER_OUNCE).toBeGreaterThan(least * 0.97);
    expect(weight * GRAMS_PER_OUNCE).toBeLessThan(most * 1.03);
  });
});

describe('the smallest change', () => {
  it('really lifts the answer it is for, worsens no decisive one, and is a design that stands as it says', () => {
    const briefs = ['rock-drag', 'reeds-pitch', 'glider-snap', 'panfish-10', 'no-lead'].map(
      (key) => SITUATIONS.find((one) => one.key === key)?.brief ?? rock,
    );
    let found = 0;
    for (const brief of briefs) {
      const matching = matchingFor(brief, { rules: RULES });
      for (const { design } of heads.filter((_, i) => i % (isWhole ? 9 : 36) === 2)) {
        const settled = matchSettled(matching, design);
        if (!settled.ok) continue;
        const change = smallestChange(matching, design, settled.matched);
        if (change.kind !== 'change') continue;
        found++;
        const { question, patch, method, remains } = change.change;
        // As it is printed, and nothing else, it makes a document of the schema that stands so.
        const printed = JSON.parse(JSON.stringify(design)) as Design;
        expect(applyPatch(printed, [...patch]).filter((error) => error !== null)).toEqual([]);
        expect(checkDesignDocument(printed)).toMatchObject({ ok: true });
        const again = matchSettled(matching, printed, method);
        if (!again.ok) throw new Error('the changed head cannot be built');
        expect(again.matched.standing).toEqual(change.change.matched.standing);
        expect(compareStandings(again.matched.standing, settled.matched.standing)).toBeLessThan(0);
        const score = (matched: Matched, key: string) =>
          matched.answers.all.find((one) => one.question.key === key)?.score;
        const lifted = score(again.matched, question.key);
        // What is barred and then is not is no longer said anything against.
        if (lifted !== undefined) expect(lifted).toBeGreaterThan(score(settled.matched, question.key) ?? NaN);
        const wasOut = settled.matched.standing.out > 0;
        for (const { question: asked, isDecisive, score: before } of settled.matched.answers.all) {
          const after = score(again.matched, asked.key);
          if (!isDecisive || before === undefined || after === undefined) continue;
          expect(after >= NO || before < NO).toBe(true);
          if (before >= YES && !wasOut) expect(after, asked.key).toBeGreaterThanOrEqual(YES);
        }
        const weakest = Math.min(...again.matched.answers.all.map((one) => one.score ?? 1));
        expect(remains === undefined).toBe(weakest >= YES);
      }
    }
    expect(found).toBeGreaterThan(5);
  }, 480_000);

  it('is there for a lead head where lead is barred and no price is known', () => {
    const brief: Brief = {
      ...(SITUATIONS.find(({ key }) => key === 'rock-drag')?.brief ?? rock),
      lead: false,
    };
    const matching = matchingFor(brief, { rules: RULES });
    const design = sampleDesign('football');
    const settled = matchSettled(matching, design);
    if (!settled.ok) throw new Error('a starter cannot be built');
    const found = smallestChange(matching, design, settled.matched);
    if (found.kind !== 'change') throw new Error('no change was found');
    expect(found.change.question.key).toBe('cost');
    expect(METALS.find(({ key }) => key === found.change.design.head.metal)?.isLead ?? false).toBe(false);
  });
});

describe('the head to make', () => {
  it('is searched over all shapes and stands in the brief, better than any it was begun from', () => {
    const brief = SITUATIONS.find(({ key }) => key === 'reeds-pitch')?.brief ?? rock;
    const matching = matchingFor(brief, { rules: RULES });
    let tried = 0;
    const found = proposeHead(matching, (n) => {
      tried = n;
    });
    if (!found) throw new Error('nothing was found');
    expect(tried).toBeGreaterThan(FAMILIES.length - 3);
    expect(found.matched.standing).toMatchObject({ out: 0, wrong: 0 });
    expect(['pointed', 'oval', 'wedge', 'hooded', 'bellyweight', 'hidden']).toContain(
      found.design.head.family,
    );
    expect(checkDesignDocument(found.design).ok).toBe(true);
    const again = matchSettled(matching, found.design);
    if (!again.ok) throw new Error('it cannot be built');
    expect(compareStandings(again.matched.standing, found.matched.standing)).toBe(0);
    for (const { design } of heads.slice(0, 6)) {
      const other = matchSettled(matching, design);
      if (other.ok)
        expect(compareStandings(found.matched.standing, other.matched.standing)).toBeLessThanOrEqual(0);
    }
    // It ends at once where nobody wants it any more.
    expect(proposeHead(matching, undefined, () => false)).toBeUndefined();
  }, 480_000);
});

describe('uses and sayings', () => {
  it('a head tells its uses, those it serves first, with what decided against the others', () => {
    const oval = heads.find(({ design }) => design.head.family === 'football') as Built;
    const uses = usesOf(oval.design, oval.values, SITUATIONS, { rules: RULES });
    expect(uses.length).toBe(SITUATIONS.length);
    const ranks = uses.map(({ service }) => ['serves', 'with care', 'not there'].indexOf(service));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    for (const { service, worst } of uses) expect(worst === undefined).toBe(service === 'serves');
    expect(uses.filter(({ service }) => service === 'not there').map(({ key }) => key)).toContain(
      'mat-punch',
    );
  });

  it('sayings are agreed, denied or left open by figures', () => {
    const rows = testSayings(
      heads.slice(0, isWhole ? 24 : 12).map(({ design, values }) => ({ name: design.name, design, values })),
    );
    expect(rows.length).toBeGreaterThanOrEqual(12);
    const verdict = (key: string) => rows.find((row) => row.key === key)?.verdict;
    // At the same weight a ball in tungsten falls 17% faster (checked by hand beside the fall): the saying
    // says 30 to 40.
    expect(verdict('tungsten-faster')).toBe('not');
    expect(verdict('ball-falls-over')).toBe('agreed');
    expect(verdict('light-wire-in')).toBe('agreed');
    for (const { evidence, verdict: one } of rows) {
      expect(evidence.length <= 6).toBe(true);
      expect(one === 'nothing to test it on').toBe(evidence.length === 0);
    }
    expect(testSayings([]).every((row) => row.verdict === 'nothing to test it on')).toBe(true);
  });
});

describe('a brief', () => {
  const old = {
    format: 'fern-anvil/brief',
    version: 1,
    name: 'Old',
    water: { kind: 'sea', temperature: 12, depth: 6, current: 0.2, clarity: 'stained' },
    bottom: { kind: 'ledges', slope: 20 },
    cover: 'none',
    retrieve: 'crawl',
    line: { material: 'braid', test: 9 },
    bait: { kind: 'claw', length: 89 },
    mood: 'wary',
    schools: { 'guard trim': 'as bought' },
    notes: 'Kept.',
  };
  it('of version 1 is taken over with all it says', () => {
    const taken = checkBriefDocument(old);
    if (!taken.ok) throw new Error(JSON.stringify(taken.problems));
    expect(taken.value).toMatchObject({
      version: 2,
      water: { kind: 'sea', temperature: 12, depth: 6, current: 0.2, sight: 1 },
      bottom: { kinds: ['ledges'], slope: 20 },
      cover: { kinds: [] },
      fishing: { retrieve: 'crawl' },
      fish: { mood: 'wary' },
      schools: { 'guard trim': 'as bought' },
      notes: 'Kept.',
    });
    expect(checkBriefDocument(taken.value).ok).toBe(true);
    expect(checkBriefDocument({ ...old, cover: 'kelp' })).toMatchObject({
      ok: false,
      problems: [{ path: '/cover' }],
    });
  });

  it('of six answers has usual values for all else, and says which', () => {
    const { assumed, rest, speed } = situationOf(rock);
    expect(assumed).toContain('/fishing/rest');
    expect(rest).toBeGreaterThan(0);
    expect(speed).toBeGreaterThan(0);
  });

  // What a shop asks back: common practice, no source.
  it.each([
    ['cold-swim', { ...rock, water: { ...rock.water, temperature: 6 }, fishing: { retrieve: 'swim' } }],
    ['glider-boat', { ...rock, fishing: { retrieve: 'snap', from: 'moving boat' } }],
    [
      'coils',
      {
        ...rock,
        fishing: { retrieve: 'vertical' },
        bait: { kind: 'micro', length: 30 },
        line: { material: 'nylon', test: 2.3 },
      },
    ],
    [
      'line-lifts',
      { ...rock, fishing: { retrieve: 'wind on the bottom' }, line: { material: 'fluorocarbon', test: 9.1 } },
    ],
    ['mat-line', { ...rock, cover: { kinds: ['matted weed'] } }],
    [
      'steep-rest',
      { ...rock, bottom: { kinds: ['gravel'], slope: 50 }, fishing: { retrieve: 'drag', rest: 10 } },
    ],
    ['short-long-bait', { ...rock, fish: { mood: 'short-striking' } }],
  ] as const)('is questioned: %s', (key, brief) => {
    expect(doubtsOf(situationOf(brief as unknown as Brief)).map((one) => one.key)).toContain(key);
    expect(doubtsOf(situationOf(rock)).map((one) => one.key)).not.toContain(key);
  });
});

describe('facts', () => {
  it('are known by name, and nothing is known by the name of a method of an object', () => {
    expect(factOf('shape')).toBeDefined();
    expect(factOf('toString')).toBeUndefined();
  });
});

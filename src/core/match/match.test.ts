import { factOf, FACTS, factsOf } from './facts.ts';
import { checkRuleFacts } from './check-rules.ts';
import type { Rule } from '../document/rules.ts';
import { checkRuleSet } from '../../contract/validate.ts';
import { guardInitial } from '../fitting/guards/index.ts';
import { describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { evaluate } from '../judge/evaluate.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import type { Brief } from '../document/brief.ts';
import { compareStandings, holds, reasonText, schoolOf, standing } from './rank.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import data from './rules.json' with { type: 'json' };

const RULES = REFERENCE_RULES.rules;

const rock: Brief = {
  format: 'fern-anvil/brief',
  version: 1,
  name: 'Rock',
  water: { kind: 'fresh', temperature: 12, depth: 6, current: 0, clarity: 'clear' },
  bottom: { kind: 'broken rock', slope: 20 },
  cover: 'none',
  retrieve: 'drag',
  line: { material: 'fluorocarbon', test: 6.8 },
  bait: { kind: 'paddle-tail', length: 102 },
  mood: 'willing',
};
const mat: Brief = {
  ...rock,
  bottom: { kind: 'mud', slope: 0 },
  cover: 'matted weed',
  retrieve: 'pitch',
  water: { ...rock.water, depth: 1 },
};

function stand(brief: Brief, design: Design) {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return standing(brief, result, RULES);
}
const ids = (reasons: ReturnType<typeof stand>['for']) => reasons.map(({ rule }) => rule.id);
const ounces = (n: number) => ({ target: { grams: n * GRAMS_PER_OUNCE, of: 'metal' as const } });

describe('the rules file', () => {
  it('is of its schema, with at least fifteen rules and no id twice', () => {
    expect(checkRuleSet(data)).toMatchObject({ ok: true });
    expect(RULES.length).toBeGreaterThanOrEqual(15);
    expect(new Set(RULES.map(({ id }) => id)).size).toBe(RULES.length);
  });

  it('speaks only of facts that exist, with words the forms offer, and schools there are', () => {
    expect(checkRuleFacts(RULES)).toEqual([]);
  });

  it('a rules file with a wrong field is refused at that field', () => {
    const [first] = data.rules;
    const broken = { ...data, rules: [{ ...first, verdict: 'maybe' }] };
    expect(checkRuleSet(broken)).toMatchObject({ ok: false, problems: [{ path: '/rules/0/verdict' }] });
  });
});

describe('facts', () => {
  const design = sampleDesign('pointed', { guard: guardInitial('fibre') });
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error('the sample cannot be built');
  const facts = factsOf(rock, result);

  it('every one has words, and is a word of its choices or a number', () => {
    expect(new Set(FACTS.map(({ name }) => name)).size).toBe(FACTS.length);
    for (const [name, fact] of Object.entries(facts)) {
      const spec = factOf(name);
      expect(spec?.words, name).toBeTruthy();
      if (spec && 'choices' in spec) expect(spec.choices, name).toContain(fact);
      else expect(typeof fact, name).toBe('number');
    }
    // Absent are only readings that do not apply to this head.
    const absent = FACTS.filter(({ name }) => facts[name] === undefined);
    expect(absent.every(({ about }) => about === 'reading')).toBe(true);
  });

  const [first] = RULES;
  if (!first) throw new Error('there are no rules');
  it.each([
    [{ when: [{ fact: 'moon', in: ['full'] }] }, '/rules/0/when/0/fact'],
    [{ when: [{ fact: 'family', in: ['ball'] }] }, '/rules/0/when/0/fact'],
    [{ when: [{ fact: 'toString', in: ['x'] }] }, '/rules/0/when/0/fact'],
    [{ if: [{ fact: 'family', in: ['sphere'] }] }, '/rules/0/if/0/in'],
    [{ if: [{ fact: 'family', min: 3 }] }, '/rules/0/if/0/in'],
    [{ if: [{ fact: 'fall.speed', in: ['fast'] }] }, '/rules/0/if/0/in'],
    [{ if: [{ fact: 'fall.speed', min: 3, max: 1 }] }, '/rules/0/if/0/min'],
    [{ says: 'It falls at {fall.pace}.' }, '/rules/0/says'],
    [{ school: { topic: 'toString', side: 'x' } }, '/rules/0/school/topic'],
    [{ school: { topic: 'eye plane', side: 'askew' } }, '/rules/0/school/side'],
  ])('a rule with %j is refused at its field', (change, path) => {
    const [problem] = checkRuleFacts([{ ...first, ...change } as Rule]);
    expect(problem?.path).toBe(path);
    expect(problem?.message.length).toBeGreaterThan(20);
  });

  it('an id that stands twice is refused', () => {
    expect(checkRuleFacts([first, first])[0]?.path).toBe('/rules/1/id');
  });
});

describe('conditions', () => {
  it.each([
    [{ fact: 'a', in: ['x', 'y'] }, { a: 'y' }, true],
    [{ fact: 'a', in: ['x'] }, { a: 'y' }, false],
    [{ fact: 'a', in: ['x'] }, {}, false],
    [{ fact: 'a', min: 1, max: 2 }, { a: 1 }, true],
    [{ fact: 'a', min: 1, max: 2 }, { a: 2.01 }, false],
    [{ fact: 'a', min: 1 }, { a: 'many' }, false],
    [{ fact: 'a', max: 1 }, { a: NaN }, false],
  ] as const)('%j of %j is %s', (condition, facts, expected) => {
    expect(holds(condition as Parameters<typeof holds>[0], facts)).toBe(expected);
  });
});

// What follows is what practitioners say: common practice, no source.
describe('what the trade says comes out', () => {
  it('on rock a football stands before a ball, and a pointed cone comes last', () => {
    const order = (['ball', 'football', 'pointed'] as const)
      .map((family) => ({
        family,
        standing: stand(rock, sampleDesign(family, { head: ounces(1 / 2), hook: { size: '4/0' } })),
      }))
      .sort((a, b) => compareStandings(a.standing, b.standing))
      .map(({ family }) => family);
    expect(order).toEqual(['football', 'ball', 'pointed']);
  });

  it('in matted weed a pointed cone wins and a football is out, however many points it has', () => {
    const pointed = stand(
      mat,
      sampleDesign('pointed', {
        head: ounces(3 / 16),
        guard: guardInitial('fibre'),
        eye: { angle: 30, plane: 'in line' },
      }),
    );
    const football = stand(
      mat,
      sampleDesign('football', {
        head: ounces(3 / 16),
        guard: guardInitial('fibre'),
        eye: { angle: 30, plane: 'in line' },
      }),
    );
    expect(pointed.never).toEqual([]);
    expect(ids(football.never)).toContain('football-mat');
    expect(compareStandings(pointed, football)).toBeLessThan(0);
    // A hard objection is never averaged away.
    expect(compareStandings({ ...football, balance: 1000 }, { ...pointed, balance: -1000 })).toBeGreaterThan(
      0,
    );
  });

  it('60° climbs rock; 90° is told against on a ball but for on a football', () => {
    expect(ids(stand(rock, sampleDesign('ball', { eye: { angle: 60 } })).for)).toContain('eye-rock-60');
    expect(ids(stand(rock, sampleDesign('ball', { eye: { angle: 90 } })).against)).toContain('eye-rock-90');
    expect(ids(stand(rock, sampleDesign('football', { eye: { angle: 90 } })).for)).toContain(
      'eye-football-90',
    );
  });

  it('a swept-away weight is an objection in current, a heavy one is not', () => {
    const tide = { ...rock, water: { ...rock.water, current: 0.6 } };
    expect(ids(stand(tide, sampleDesign('ball', { head: ounces(1 / 4) })).against)).toContain(
      'weight-current-light',
    );
    expect(
      ids(stand(tide, sampleDesign('ball', { head: { ...ounces(3 / 4) }, hook: { size: '5/0' } })).for),
    ).toContain('weight-current-heavy');
  });

  it('too large a hook deadens a small bait; a small one comes out at the nose of a long one', () => {
    const small = { ...rock, bait: { kind: 'claw' as const, length: 76 } };
    expect(ids(stand(small, sampleDesign('ball', { hook: { size: '4/0' } })).against)).toContain(
      'bait-3in-hook-large',
    );
    expect(ids(stand(rock, sampleDesign('ball', { hook: { size: '#1' } })).against)).toContain(
      'bait-4in-hook-small',
    );
  });

  it('a guard counts for in cover and against in open water', () => {
    const guarded = sampleDesign('pointed', { guard: guardInitial('fibre') });
    expect(ids(stand(mat, guarded).for)).toContain('guard-cover');
    expect(ids(stand(rock, guarded).against)).toContain('guard-open');
  });

  it('tungsten with a cast collar is out wherever it goes', () => {
    expect(ids(stand(rock, sampleDesign('ball', { head: { metal: 'tungsten' } })).never)).toContain(
      'collar-sintered',
    );
  });
});

describe('schools', () => {
  it('the default is the first side, and a brief may choose the other', () => {
    expect(schoolOf(rock, 'eye plane')).toBe('crosswise');
    expect(schoolOf({ ...rock, schools: { 'eye plane': 'in line' } }, 'eye plane')).toBe('in line');
    expect(schoolOf(rock, 'no such topic')).toBeUndefined();
  });

  it('the plane of the eye on stone speaks for the side one follows', () => {
    const inLine = sampleDesign('ball', { eye: { plane: 'in line' } });
    expect(ids(stand(rock, inLine).against)).toContain('plane-stone-in-line-rolls');
    const other = stand({ ...rock, schools: { 'eye plane': 'in line' } }, inLine);
    expect(ids(other.for)).toContain('plane-stone-in-line');
    expect(ids(other.against)).not.toContain('plane-stone-in-line-rolls');
  });
});

describe('reasons in words', () => {
  it('fill in values in the reader’s units', () => {
    const { for: reasons } = stand(rock, sampleDesign('football', { head: ounces(1 / 2) }));
    const weight = reasons.find(({ rule }) => rule.id === 'weight-football-mid');
    if (!weight) throw new Error('the weight was not spoken for');
    expect(reasonText(weight, 'imperial')).toBe(
      '1/2 oz is in the usual 3/8 to 3/4 oz for dragging at 19.7 ft.',
    );
    expect(reasonText(weight, 'metric')).toMatch(/^14\.2 g is in .* at 6\.0 m\.$/);
  });

  it('come heaviest first, and add up to the balance', () => {
    const result = stand(rock, sampleDesign('football'));
    const weights = result.for.map(({ rule }) => rule.weight);
    expect(weights).toEqual([...weights].sort((a, b) => b - a));
    const sum = (reasons: typeof result.for) => reasons.reduce((total, { rule }) => total + rule.weight, 0);
    expect(result.balance).toBe(sum(result.for) - sum(result.against));
  });
});

import { describe, expect, it } from 'vitest';
import { checkRules } from '../../contract/validate.ts';
import type { Design } from '../document/design.ts';
import { evaluate } from '../judge/evaluate.ts';
import { familyOf } from '../head/families/index.ts';
import { METALS } from '../material/metals.ts';
import { GRAMS_PER_OUNCE } from '../quantity/units.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { starterGuard } from '../document/starter.ts';
import type { Brief } from '../document/brief.ts';
import { SCHOOLS } from '../document/brief.ts';
import { briefFacts, designFacts } from './facts.ts';
import { compareStandings, holds, reasonText, schoolOf, standing } from './rank.ts';
import { RULES } from './rules.ts';
import data from './rules.json' with { type: 'json' };

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
  const result = evaluate(design);
  if (!result.ok) throw new Error(result.problems[0]?.message);
  return standing(brief, result.design, result.readings, RULES);
}
const ids = (reasons: ReturnType<typeof stand>['for']) => reasons.map(({ rule }) => rule.id);
const ounces = (n: number) => ({ target: { grams: n * GRAMS_PER_OUNCE, of: 'metal' as const } });

describe('the rules file', () => {
  it('is of its schema, with at least fifteen rules and no id twice', () => {
    expect(checkRules(data)).toMatchObject({ ok: true });
    expect(RULES.length).toBeGreaterThanOrEqual(15);
    expect(new Set(RULES.map(({ id }) => id)).size).toBe(RULES.length);
  });

  it('speaks only of facts that exist, with words the forms offer', () => {
    const design = sampleDesign('pointed', { guard: starterGuard('fibre') });
    const result = evaluate(design);
    if (!result.ok) throw new Error('the sample cannot be built');
    const known = { ...briefFacts(rock), ...designFacts(result.design, result.readings) };
    for (const { id, when, if: conditions, says } of RULES) {
      for (const condition of [...when, ...conditions]) {
        expect(known, `${id} asks for ${condition.fact}`).toHaveProperty([condition.fact]);
        const isText = typeof known[condition.fact] === 'string';
        expect('in' in condition, `${id}: ${condition.fact}`).toBe(isText);
      }
      for (const [, name] of says.matchAll(/\{([^}]+)\}/g))
        expect(known, `${id} shows ${name}`).toHaveProperty([name ?? '']);
    }
  });

  it('names only families, metals and schools that exist', () => {
    for (const { id, when, if: conditions, school } of RULES) {
      for (const condition of [...when, ...conditions]) {
        if (!('in' in condition)) continue;
        if (condition.fact === 'family')
          for (const key of condition.in) expect(familyOf(key), id).toBeDefined();
        if (condition.fact === 'metal')
          for (const key of condition.in)
            expect(
              METALS.map((metal) => metal.key),
              id,
            ).toContain(key);
      }
      if (school) {
        const topic = SCHOOLS[school.topic as keyof typeof SCHOOLS];
        expect(topic, id).toBeDefined();
        expect(Object.keys(topic.sides), id).toContain(school.side);
      }
    }
  });

  it('a rules file with a wrong field is refused at that field', () => {
    const [first] = data.rules;
    const broken = { ...data, rules: [{ ...first, verdict: 'maybe' }] };
    expect(checkRules(broken)).toMatchObject({ ok: false, problems: [{ path: '/rules/0/verdict' }] });
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
        guard: starterGuard('fibre'),
        eye: { angle: 30, plane: 'in line' },
      }),
    );
    const football = stand(
      mat,
      sampleDesign('football', {
        head: ounces(3 / 16),
        guard: starterGuard('fibre'),
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
    const guarded = sampleDesign('pointed', { guard: starterGuard('fibre') });
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

import { beforeAll, describe, expect, it } from 'vitest';
import { BEHAVIOURS } from '../../behaviour/registry.ts';
import { loadSolids } from '../../head/kernel.ts';
import { evaluate } from '../../judge/evaluate.ts';
import { population } from '../../test-kit/population.test-kit.ts';
import { isWhole, share } from '../../test-kit/runs.ts';
import { every } from '../engine/conditions.ts';
import type { Ground } from '../engine/judge.ts';
import { groundsOf } from '../engine/judge.ts';
import { sideOf } from '../engine/marks.ts';
import type { Matched, Matching } from '../engine/match.ts';
import { matchingFor, matchKept, matchSettled, valuesOf } from '../engine/match.ts';
import { PRACTICE } from './practice.test-kit.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import { SITUATIONS } from './situations.ts';

/*
 * What is said of a head, held against the head’s own readings: over heads of every kind and all situations
 * from what is kept, and over some of them settled with the bait on.
 */

const BRIEFS = share([...SITUATIONS.map(({ brief }) => brief), ...PRACTICE.map(({ brief }) => brief)], 3);

interface Told {
  readonly matching: Matching;
  readonly matched: Matched;
}
const told: Told[] = [];

beforeAll(async () => {
  await loadSolids();
  const heads = population(isWhole ? 160 : 80).flatMap((design, i) => {
    if (i % (isWhole ? 2 : 3) !== 1) return [];
    const result = evaluate(design);
    return result.ok ? [{ design: result.design, values: valuesOf(result.readings) }] : [];
  });
  for (const [b, brief] of BRIEFS.entries()) {
    const matching = matchingFor(brief, REFERENCE_RULES);
    for (const { design, values } of heads)
      told.push({ matching, matched: matchKept(matching, design, values) });
    // Some with the bait on, in the water of the brief.
    for (let i = 0; i < (isWhole ? 2 : 1); i++) {
      const design = heads[(b * 7 + i * 31) % heads.length]?.design;
      const one = design && matchSettled(matching, design);
      if (one?.ok) told.push({ matching, matched: one.matched });
    }
  }
}, 900_000);

/** Every ground that is told, with the head it is told of. */
function* grounds(): Generator<{ readonly one: Told; readonly ground: Ground; readonly score: number }> {
  for (const one of told) {
    const { all, head } = one.matched.answers;
    for (const answer of all) {
      if (answer.score === undefined) continue;
      for (const ground of groundsOf(answer, one.matching.situation, head))
        yield { one, ground, score: answer.score };
    }
  }
}

describe('what is said of a head', () => {
  it('stands on the side of its mark, whatever else is known of it', () => {
    let count = 0;
    for (const { ground, score } of grounds()) {
      count++;
      if (ground.side !== sideOf(score))
        expect.fail(`${ground.by} is ${ground.side} at ${score}: ${ground.text}`);
    }
    expect(count).toBeGreaterThan(20_000);
  });

  it('is not said where a reading the rule names says otherwise', () => {
    const claims = new Map(REFERENCE_RULES.rules.map(({ id, claim }) => [id, claim]));
    let asked = 0;
    for (const { one, ground } of grounds()) {
      const claim = claims.get(ground.by);
      if (!claim) continue;
      asked++;
      const held = every(claim, one.matching.situation, true);
      const { head } = one.matched.answers;
      if (!(typeof held === 'boolean' ? held : held(head))) expect.fail(`${ground.by}: ${ground.text}`);
    }
    expect(asked).toBeGreaterThan(500);
  });

  // Words beside figures: what a sentence says, and what the reading must be where it is known.
  it.each([
    [/drive wire .* home/, 'hook.penetration', 0.995, Infinity],
    [/are little for wire/, 'hook.penetration', -Infinity, 1],
    [/bait is kept level on a line from above/, 'hang.attitude', -10, 10],
    [/hangs level from an eye/, 'hang.attitude', -10, 10],
    [/hangs a little nose up/, 'hang.attitude', -30, -5],
    [/leaves nose ahead of the line/, 'pull.noseAhead', 0, Infinity],
    [/nothing of the head stands ahead/i, 'pull.noseAhead', -Infinity, 0.5],
    [/swims with its nose up/, 'retrieve.pitch', -Infinity, 0],
    [/nose keeps sloping down/, 'retrieve.pitch', 0, Infinity],
    [/stays upright through long pauses/, 'rest.hookUp', 0.5, 1],
    [/falls on its side/, 'rest.hookUp', 0, 0.5],
    [/drives into a crack/, 'pull.jams', 1, 1],
    [/stays out of cracks/, 'pull.jams', 0, 0],
    [/falls slowly/, 'fall.speed', 0, 0.95],
  ] as const)('%s agrees with %s', (words, reading, least, most) => {
    for (const { one, ground } of grounds()) {
      // Where model and saying part, both stand in one sentence and the reading is told in it.
      if (!words.test(ground.text) || /computed/i.test(ground.text)) continue;
      const { values, isSettled } = one.matched.answers.head;
      const value = values[reading];
      // At first the index is reckoned in the brief’s own tackle, which the kept reading is not of.
      if (value === undefined || (reading === 'hook.penetration' && !isSettled)) continue;
      if (!(value >= least && value <= most)) expect.fail(`${ground.text}: ${reading} is ${value}`);
    }
  });

  it('tells a span by two figures, and one that has but one sold weight by that', () => {
    let single = 0;
    for (const { ground } of grounds()) {
      expect(ground.text).not.toMatch(/(⟦[^⟧]+⟧) to \1/);
      if (/that is usual|what is usual/.test(ground.text)) single++;
    }
    expect(single).toBeGreaterThan(0);
  });

  it('is said of a way of rigging only where the bait is rigged so', () => {
    for (const { one, ground } of grounds()) {
      const method = one.matched.answers.head.worn?.pairing.method;
      if (/cast collar seats|plain wire/.test(ground.text))
        expect(method, ground.text).not.toBe('nose-hooked');
      if (/^A core lies nose down/.test(ground.text))
        expect(one.matching.situation.bait.kind, ground.text).toBe('hollow');
      if (/plastic around it keeps it out/.test(ground.text)) expect(method, ground.text).toBeDefined();
      if (/over the eye/.test(ground.text))
        expect(one.matched.answers.head.design.hook.joint, ground.text).toBeUndefined();
    }
  });
});

describe('the words of a rule', () => {
  it('go with its grade: what is good is no complaint', () => {
    const complaint =
      /\b(only|too|but|costs|catches|gathers|rakes|wedges|nothing holds|less well|deadens)\b/i;
    // A football hangs and comes free, which is what it is praised for.
    const meant = new Set(['cracks-football']);
    for (const { id, grade, says } of REFERENCE_RULES.rules)
      if ((grade === 'best' || grade === 'good') && !meant.has(id)) expect(says, id).not.toMatch(complaint);
  });

  // Of what only a bait from the shop's shelf has, of what is found only when a bait is laid, and of mistakes
  // that are not built.
  const ELSEWHERE = /^(taken-(murk|clear|dark)|rest-core|stays-nose|point-open-buried|cost-collar-sintered)/;

  it('each speaks somewhere: of the rules nearly all decide an answer over these heads and briefs', () => {
    const speaks = new Set(told.flatMap(({ matched }) => matched.answers.all.map(({ rule }) => rule?.id)));
    const silent = REFERENCE_RULES.rules.filter(
      ({ id, school }) => !school && !speaks.has(id) && !ELSEWHERE.test(id),
    );
    expect(silent.length / REFERENCE_RULES.rules.length).toBeLessThan(isWhole ? 0.05 : 0.25);
  });
});

describe('what is computed for an answer', () => {
  it('is all that any question or rule looks at: with every reading there is the answers are the same', () => {
    let asked = 0;
    const designs = population(0);
    for (const [b, brief] of BRIEFS.entries()) {
      if (b % (isWhole ? 3 : 4) !== 0) continue;
      const matching = matchingFor(brief, REFERENCE_RULES);
      const everything = { ...matching, behaviours: new Set(BEHAVIOURS.map(({ key }) => key)) };
      expect(matching.behaviours.size).toBeLessThan(everything.behaviours.size);
      const design = designs[(b * 13) % designs.length];
      if (!design) continue;
      const [few, all] = [matchSettled(matching, design), matchSettled(everything, design)];
      if (!few.ok || !all.ok) continue;
      asked++;
      expect(few.matched.standing).toEqual(all.matched.standing);
      const scores = ({ answers }: Matched) => answers.all.map(({ score, rule }) => [score, rule?.id]);
      expect(scores(few.matched)).toEqual(scores(all.matched));
    }
    expect(asked).toBeGreaterThan(5);
  });
});

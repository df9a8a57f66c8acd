import { describe, expect, it } from 'vitest';
import type { Batch, Rule } from '../../core/document/index.ts';
import { newBatch, newTrial } from '../../core/document/index.ts';
import { REFERENCE_RULES } from '../../core/match/index.ts';
import { inUnits } from '../../core/quantity/index.ts';
import { sampleDesign } from '../../core/test-kit/sample.test-kit.ts';
import { ServerAway, ServerProblem } from '../data/api.ts';
import { trailOf } from '../data/draft-trail.ts';
import { partOf } from '../data/part-of.ts';
import { verdictOn } from '../data/draft-verdict.ts';
import { nextPiece, pieceLike, withWeight } from './batches/weighing.ts';
import { differs, found, listFrom, listText, rulesFrom, withRule } from './rules/rule-list.ts';
import { dropFrom, towFrom } from './trials/measured.ts';

/* What screens compute, apart from what they show. */

const shipped = (at: number): Rule => {
  const rule = REFERENCE_RULES.rules[at];
  if (!rule) throw new Error('There are no shipped rules.');
  return rule;
};
const [first, second] = [shipped(0), shipped(1)];

/** A sentence as who reads pounds and inches is shown it. */
const say = (text: string) => inUnits(text, 'imperial');

describe('the list of rules', () => {
  it('is searched by id, words, conditions and source, whatever the case, within a question', () => {
    const { rules } = REFERENCE_RULES;
    expect(found(rules, '', '', say)).toHaveLength(rules.length);
    expect(found(rules, first.id.toUpperCase(), '', say).map(({ id }) => id)).toContain(first.id);
    expect(found(rules, '', first.question, say).every(({ question }) => question === first.question)).toBe(
      true,
    );
    expect(found(rules, first.source, first.question, say)).toContain(first);
    expect(found(rules, 'no rule says this', '', say)).toEqual([]);
    expect(found(rules, 'line or leader from 10 lb', '', say)).not.toEqual([]);
    expect(found(rules, '⟦', '', say)).toEqual([]);
  });

  it('takes a new rule first, and a changed one in the place of the old', () => {
    const own = { ...first, id: 'own-rule' };
    expect(withRule([first, second], own).map(({ id }) => id)).toEqual(['own-rule', first.id, second.id]);
    expect(withRule([first, second], own, second.id).map(({ id }) => id)).toEqual([first.id, 'own-rule']);
  });

  it('tells the shop’s own and changed rules from the shipped', () => {
    expect(differs(first)).toBeUndefined();
    expect(differs({ ...first, strength: first.strength === 5 ? 4 : 5 })).toBe('changed');
    expect(differs({ ...first, id: 'own-rule' })).toBe('own');
  });

  it('is read from a file with a byte order mark; what is no JSON is said with its remedy', () => {
    expect(rulesFrom(`\uFEFF${JSON.stringify(REFERENCE_RULES)}`)).toEqual(REFERENCE_RULES);
    expect(rulesFrom('{')).toMatch(/is not JSON.*Choose one that was exported here/);
  });

  it('writes conditions a line each, and reads them again as they were', () => {
    expect(listFrom(listText(first.when))).toEqual(first.when);
    expect(listText([])).toBe('[]');
    expect(listFrom('{}')).toBeUndefined();
    expect(listFrom('[')).toBeUndefined();
  });
});

describe('a weighing', () => {
  const empty: Batch = newBatch(sampleDesign('ball'), { id: 'a', version: 1 }, '2026-11-30', {
    target: 7,
    at: 370,
  });

  it('is of the next piece of its cavity, or of the last one again', () => {
    const weigh = (batch: Batch, cavity: number, isAgain = false) =>
      withWeight(batch, { cavity, grams: 7, by: 'scale', isAgain });
    const batch = weigh(weigh(weigh(weigh(empty, 1), 2), 1), 1, true);
    expect(batch.weighings.map(({ cavity, piece }) => [cavity, piece])).toEqual([
      [1, 1],
      [2, 1],
      [1, 2],
      [1, 2],
    ]);
    expect(nextPiece(batch, 1)).toBe(3);
    expect(nextPiece(batch, 3)).toBe(1);
    // Nothing was weighed there yet: again is the first.
    expect(weigh(empty, 4, true).weighings[0]?.piece).toBe(1);
  });

  it('of the simulated pan lies about what the cavity has thrown, or what is wanted', () => {
    const middle = () => 0.5;
    expect(pieceLike(empty, 1, middle)).toBeCloseTo(empty.wanted.target, 9);
    const thrown = withWeight(empty, { cavity: 1, grams: 9, by: 'typed', isAgain: false });
    expect(pieceLike(thrown, 1, middle)).toBeCloseTo(9, 9);
    expect(pieceLike(thrown, 1, () => 1)).toBeCloseTo(9 + (1.5 * empty.wanted.room) / 5, 9);
    expect(pieceLike({ ...empty, wanted: { target: 0.01, room: 0.01 } }, 1, () => 0)).toBe(0.05);
  });
});

describe('a measurement as it is typed', () => {
  const day = newTrial('Day', '2026-11-30');

  it('of a drop is read in any unit, its water 15 °C where none is told', () => {
    const read = dropFrom({ depth: '3 m', seconds: '2.8 s' }, { design: 'a', water: 'salt' }, 'metric');
    expect(read.ok && read.added(day).drops).toEqual([
      { design: 'a', water: 'salt', depth: 3, seconds: 2.8, temperature: 15 },
    ]);
    const warm = dropFrom(
      { depth: '10 ft', seconds: '2.8', temperature: '50 °F' },
      { design: 'a', water: 'fresh' },
      'imperial',
    );
    expect(warm.ok && warm.added(day).drops[0]).toMatchObject({
      depth: expect.closeTo(3.048, 9),
      temperature: expect.closeTo(10, 9),
    });
  });

  it('of a running depth wants speed, line out and test', () => {
    const told = { design: 'a', line: 'braid' };
    const read = towFrom({ depth: '2 m', speed: '0.5 m/s', lineOut: '20 m', test: '4 kg' }, told, 'metric');
    expect(read.ok && read.added(day).tows).toEqual([
      { ...told, depth: 2, speed: 0.5, lineOut: 20, test: 4 },
    ]);
    expect(towFrom({ depth: '2 m', speed: '0.5 m/s', lineOut: '20 m' }, told, 'metric')).toMatchObject({
      ok: false,
      message: expect.stringMatching(/^Line test: /),
    });
  });

  it('out of range says between what, in the reader’s units', () => {
    expect(
      dropFrom({ depth: '300 m', seconds: '2' }, { design: 'a', water: 'fresh' }, 'metric'),
    ).toMatchObject({
      ok: false,
      message: 'Depth: enter a value from 0.2 m to 100.0 m.',
    });
    expect(
      dropFrom({ depth: 'deep', seconds: '2' }, { design: 'a', water: 'fresh' }, 'metric'),
    ).toMatchObject({ ok: false, message: expect.stringMatching(/^Depth: /) });
  });
});

describe('what was part of more', () => {
  it('is told by name, three at most', () => {
    const of = (...names: string[]) => names.map((name) => ({ noun: 'mould', name }));
    expect(partOf([])).toBe('');
    expect(partOf(of('A'))).toBe(' It was part of the mould A.');
    expect(partOf(of('A', 'B'))).toBe(' It was part of the mould A and the mould B.');
    expect(partOf(of('A', 'B', 'C', 'D', 'E'))).toBe(
      ' It was part of the mould A, the mould B, the mould C and 2 more.',
    );
  });
});

describe('a save that failed', () => {
  const problem = (status: number) =>
    new ServerProblem({ status, title: 'No', detail: 'Not so.', type: 'about:blank' });

  it('is tried again while the server is away or busy, and given up where it says why', () => {
    const signedOut = new ServerProblem({ type: '', title: '', status: 401, detail: 'Sign in first.' });
    expect(verdictOn(signedOut, 1)).toMatchObject({ state: 'away', failures: 1 });
    expect(verdictOn(new ServerAway(), 0)).toEqual({ state: 'away', problems: [], failures: 0 });
    expect(verdictOn(problem(422), 0)).toMatchObject({
      state: 'refused',
      problems: [{ path: '', message: 'Not so.' }],
    });
    expect(verdictOn(problem(503), 3)).toMatchObject({ state: 'away', failures: 3 });
  });

  it('inside the server is told once after four of the same', () => {
    let failures = 0;
    const states = [1, 2, 3, 4].map(() => {
      const verdict = verdictOn(problem(500), failures);
      ({ failures } = verdict);
      return verdict.state;
    });
    expect(states).toEqual(['away', 'away', 'away', 'refused']);
    expect(failures).toBe(0);
  });
});

describe('the trail of a visit', () => {
  it('takes edits that follow closely for one, goes back and forth, and forgets what was undone on a new edit', () => {
    let clock = 10_000;
    const trail = trailOf<string>(() => clock);
    trail.edited('');
    clock += 100;
    trail.edited('a');
    clock += 5_000;
    trail.edited('ab');
    expect(trail.step(-1, 'abc')).toBe('ab');
    expect(trail.step(-1, 'ab')).toBe('');
    expect(trail.step(-1, '')).toBeUndefined();
    expect(trail.step(1, '')).toBe('ab');
    trail.edited('ab');
    expect(trail.step(1, 'x')).toBeUndefined();
    trail.clear();
    expect(trail.step(-1, 'x')).toBeUndefined();
  });
});

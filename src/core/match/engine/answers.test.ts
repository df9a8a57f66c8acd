import { describe, expect, it } from 'vitest';
import type { Condition, Rule, Shade } from '../../document/rules.ts';
import { plainBrief } from '../../test-kit/brief.test-kit.ts';
import type { SampleChange } from '../../test-kit/sample.test-kit.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { SCHOOLS } from '../../document/schools.ts';
import { checkRuleFacts } from './check-rules.ts';
import { prepare } from './conditions.ts';
import type { Head, ReadingValues } from './head.ts';
import type { Answer } from './judge.ts';
import { groundsOf, judgeFor } from './judge.ts';
import type { Matched } from './match.ts';
import { serviceOf } from '../practice/uses.ts';
import { questionOf } from '../questions/index.ts';
import type { Found, Question } from '../questions/question.ts';
import { situationOf } from './situation.ts';

/*
 * How rules and computations come to one answer, by invented rules on invented readings: who goes before whom
 * is what the rules’ page promises to those who write them.
 */

const situation = situationOf(plainBrief({ fishing: { retrieve: 'hop' } }));
const head = (change: SampleChange = {}, values: ReadingValues = {}): Head => ({
  design: sampleDesign('ball', change),
  values,
});
const rule = (id: string, grade: Shade, strength = 3, when: readonly Condition[] = []): Rule => ({
  id,
  question: 'eye',
  when: [...when],
  grade,
  strength,
  says: `It is ${id}.`,
  kind: 'practice',
  source: 'invented',
});
const answerTo = (key: Question['key'], rules: readonly Rule[], about: Head = head(), asked = situation) => {
  const found = judgeFor(asked, rules)(about).all.find(({ question }) => question.key === key);
  if (!found) throw new Error(`no question ${key}`);
  return found;
};

describe('of the rules that hold', () => {
  const spoken = (...rules: readonly Rule[]) => answerTo('eye', rules).rule?.id;
  const isBall: Condition = { fact: 'family', in: ['ball'] };
  const isHop: Condition = { fact: 'retrieve', in: ['hop'] };

  it('the strongest speaks', () => {
    expect(spoken(rule('weak', 'good', 2), rule('strong', 'poor', 4), rule('usual', 'best', 3))).toBe(
      'strong',
    );
  });

  it('of equals the one that asks more, then the more cautious', () => {
    const [plain, special] = [rule('plain', 'poor'), rule('special', 'best', 3, [isBall])];
    const most = rule('most', 'good', 3, [{ all: [isBall, isHop] }]);
    for (const order of [
      [plain, special, most],
      [most, special, plain],
      [special, most, plain],
    ])
      expect(spoken(...order)).toBe('most');
    expect(spoken(plain, special)).toBe('special');
    expect(spoken(special, plain)).toBe('special');
    expect(spoken(rule('kind', 'best'), rule('wary', 'fair'))).toBe('wary');
    expect(spoken(rule('wary', 'fair'), rule('kind', 'best'))).toBe('wary');
  });

  it('a hard stop goes before any, and is nothing', () => {
    const stopped = answerTo('eye', [rule('strong', 'best', 5, [isBall]), rule('stop', 'never', 1)]);
    expect([stopped.rule?.id, stopped.score, stopped.isHard, stopped.mark]).toEqual(['stop', 0, true, 'no']);
    const open = answerTo('eye', [rule('strong', 'best', 5)]);
    expect([open.score, open.isHard, open.mark]).toEqual([1, false, 'yes']);
  });

  it('one whose condition does not hold, that is off, or that is of another question says nothing', () => {
    const football: Condition = { fact: 'family', in: ['football'] };
    expect(spoken(rule('other', 'best', 5, [football]), rule('plain', 'fair', 1))).toBe('plain');
    expect(spoken({ ...rule('off', 'best', 5), off: true }, rule('plain', 'fair', 1))).toBe('plain');
    expect(spoken({ ...rule('else', 'best', 5), question: 'stays' })).toBeUndefined();
  });
});

describe('rule and computation', () => {
  // A slope free from 55° is surely a yes, from 95° surely a no, and between it cannot tell (the question’s
  // own working values).
  const cracks = situationOf(plainBrief({ bottom: { kinds: ['broken rock'] } }));
  const free = (angle: number, rules: readonly Rule[]) =>
    answerTo('cracks', rules, head({}, { 'pull.popFree': angle, 'pull.crackWidth': 5 }), cracks);
  const said = (grade: Shade): Rule => ({ ...rule('said', grade), question: 'cracks' });

  it('alone are what they say', () => {
    expect(free(55, []).score).toBe(1);
    expect(free(55, []).rule).toBeUndefined();
    expect(answerTo('cracks', [said('fair')], head(), cracks).score).toBe(0.5);
    expect(answerTo('cracks', [], head(), cracks).score).toBeUndefined();
  });

  it('a sure one goes before a rule, a rule before one that is not, and a hard stop before both', () => {
    const between = free(75, []).score;
    expect(between).toBeGreaterThan(0.35);
    expect(between).toBeLessThan(0.65);
    expect(free(75, [said('best')]).score).toBe(1);
    expect(free(75, [said('poor')]).score).toBe(0.2);
    expect(free(75, [said('never')]).score).toBe(0);
    expect(free(55, [said('never')]).score).toBe(0);
  });

  it('both must be content where the question says so: the worse decides', () => {
    const reads: ReadingValues = { 'hook.wire': 1.1, 'hook.biteAboveEye': 5, 'hook.gap': 14 };
    const hooked = (grade: Shade) =>
      answerTo('hooks', [{ ...rule('said', grade), question: 'hooks' }], head({}, reads));
    const computed = answerTo('hooks', [], head({}, reads)).score ?? NaN;
    expect(computed).toBeGreaterThan(0.2);
    expect(computed).toBeLessThan(1);
    expect(questionOf('hooks').isBoth).toBe(true);
    expect(hooked('poor').score).toBe(0.2);
    expect(hooked('best').score).toBe(computed);
  });

  it('a question that is not asked is unsaid, whatever speaks', () => {
    const swum = situationOf(plainBrief({ fishing: { retrieve: 'swim' }, bottom: { kinds: ['mud'] } }));
    const answer = answerTo('cracks', [said('never')], head({}, { 'pull.popFree': 55 }), swum);
    expect([answer.mark, answer.score, answer.isHard, answer.isDecisive]).toEqual([
      'unsaid',
      undefined,
      false,
      false,
    ]);
  });
});

describe('the grounds of an answer', () => {
  const found = (score: number, isFirm = false, isSame = false): Found => ({
    score,
    isFirm,
    isSame,
    by: 'pull.popFree',
    says: () => `It reads ${score}.`,
  });
  const grounds = (about: Partial<Answer> & { readonly both?: boolean }) =>
    groundsOf(
      {
        question: { ...questionOf('cracks'), isBoth: about.both ?? false },
        mark: 'barely',
        score: 0.5,
        isDecisive: true,
        isHard: false,
        found: [],
        rule: undefined,
        ...about,
      },
      situation,
      head(),
    ).map(({ from, text, side }) => `${from} ${side}: ${text}`);
  const fair = 'rule care: It is said.';
  const reads = (score: number, side: string) => `reading ${side}: It reads ${score}.`;

  it('begin with the one that decided', () => {
    const said = rule('said', 'fair');
    expect(grounds({ rule: said })).toEqual([fair]);
    expect(grounds({ found: [found(0.7)] })).toEqual([reads(0.7, 'for')]);
    // A rule before what is not sure, and after what is.
    expect(grounds({ rule: said, found: [found(0.4)] })).toEqual([fair, reads(0.4, 'care')]);
    // What speaks on another side is not told beside it.
    expect(grounds({ rule: said, found: [found(0.7)] })).toEqual([fair]);
    expect(grounds({ rule: said, found: [found(0.7, true)] })).toEqual([reads(0.7, 'for')]);
    // Where both must be content the worse one, and of equals the reading.
    expect(grounds({ rule: said, found: [found(0.7, true)], both: true })).toEqual([fair]);
    expect(grounds({ rule: said, found: [found(0.4)], both: true })).toEqual([reads(0.4, 'care'), fair]);
    expect(grounds({ rule: said, found: [found(0.5)], both: true })).toEqual([reads(0.5, 'care'), fair]);
    // A hard stop whatever is read.
    const stop = rule('said', 'never');
    expect(grounds({ rule: stop, isHard: true, found: [found(0, true)], both: true })[0]).toBe(
      'rule against: It is said.',
    );
  });

  it('of a rule have its facts filled in, quantities marked, and what is not there as a dash', () => {
    const said = { ...rule('said', 'fair'), says: '{family} at {water.depth}, {nobody}: {bottom}.' };
    expect(grounds({ rule: said })).toEqual(['rule care: ball at ⟦4|depth⟧, –: gravel.']);
  });

  it('tell the worst reading before the better', () => {
    expect(grounds({ found: [found(0.9), found(0.2), found(0.6)] })).toEqual([reads(0.2, 'against')]);
    expect(grounds({ found: [found(0.3), found(0.2), found(0.6)] })).toEqual([
      reads(0.2, 'against'),
      reads(0.3, 'against'),
    ]);
  });

  it('of which one speaks for it and one against stand in one sentence, on the side that decided', () => {
    const good = rule('said', 'good');
    expect(grounds({ rule: good, found: [found(0.2, true, true)] })).toEqual([
      'reading against: Usual: It is said. But computed: It reads 0.2.',
    ]);
    expect(grounds({ rule: good, found: [found(0.2, false, true)] })).toEqual([
      'rule for: It is said. Computed it is otherwise: It reads 0.2.',
    ]);
    // What was computed of another thing is not set against it.
    expect(grounds({ rule: good, found: [found(0.2, true)] })).toEqual(['reading against: It reads 0.2.']);
  });
});

describe('conditions', () => {
  const holds = (condition: Condition, kinds: readonly string[] = ['gravel', 'mud']) => {
    const asked = prepare(condition, situationOf(plainBrief({ bottom: { kinds: kinds as never } })));
    return typeof asked === 'boolean' ? asked : asked(head());
  };

  it('of a fact with several words hold where any of them is named, of one word where it is', () => {
    expect(holds({ fact: 'bottom', in: ['mud'] })).toBe(true);
    expect(holds({ fact: 'bottom', in: ['sand', 'gravel'] })).toBe(true);
    expect(holds({ fact: 'bottom', in: ['sand', 'boulders'] })).toBe(false);
    expect(holds({ fact: 'bottom', in: ['gravel'] }, [])).toBe(false);
    expect(holds({ fact: 'family', in: ['football', 'ball'] })).toBe(true);
    // A word within a word is another word.
    expect(holds({ fact: 'family', in: ['football'] })).toBe(false);
    expect(holds({ fact: 'retrieve', in: ['drag'] })).toBe(true);
  });

  it('of a number hold within its span, its ends with it, and of words never', () => {
    expect(holds({ fact: 'water.depth', min: 4, max: 4 })).toBe(true);
    expect(holds({ fact: 'water.depth', min: 4.01 })).toBe(false);
    expect(holds({ fact: 'water.depth', max: 3.99 })).toBe(false);
    expect(holds({ fact: 'family', min: 0 })).toBe(false);
    expect(holds({ fact: 'water.depth', in: ['4'] })).toBe(false);
  });

  it('are turned round, all wanted, or any', () => {
    const [ball, mud, sand]: Condition[] = [
      { fact: 'family', in: ['ball'] },
      { fact: 'bottom', in: ['mud'] },
      { fact: 'bottom', in: ['sand'] },
    ];
    expect(holds({ not: ball as Condition })).toBe(false);
    expect(holds({ not: sand as Condition })).toBe(true);
    expect(holds({ all: [ball, mud] as Condition[] })).toBe(true);
    expect(holds({ all: [ball, sand] as Condition[] })).toBe(false);
    expect(holds({ any: [sand, ball] as Condition[] })).toBe(true);
    expect(holds({ any: [sand, { not: ball as Condition }] as Condition[] })).toBe(false);
  });
});

describe('rules that cannot be used', () => {
  it('of schools are told by the topic, cut short where it is a whole text', () => {
    const [first] = Object.keys(SCHOOLS);
    const wrong = (topic: string, side: string) => checkRuleFacts([], { [topic]: side });
    expect(wrong('nonsense', 'x')).toMatchObject([{ path: '/schools/nonsense' }]);
    expect(wrong('n'.repeat(90), 'x')[0]?.path).toBe(`/schools/${'n'.repeat(40)}`);
    expect(wrong(String(first), 'x')).toMatchObject([{ path: `/schools/${first}` }]);
    const [side] = Object.keys(Object.values(SCHOOLS)[0]?.sides ?? {});
    expect(wrong(String(first), String(side))).toEqual([]);
  });

  it('name facts between braces that there are none of', () => {
    const says = (text: string) => checkRuleFacts([{ ...rule('said', 'fair'), says: text }]);
    expect(says('On {bottom} at {water.depth}.')).toEqual([]);
    expect(says('On {botom}.')).toMatchObject([{ path: '/rules/0/says' }]);
    expect(says('On {bottom} and {x}.')[0]?.message).toContain('“x” is not a fact');
  });
});

describe('what a head’s standing comes to', () => {
  const service = (out: number, wrong: number, cares: number) =>
    serviceOf({
      standing: { out, wrong, cares, best: 0, doubts: 3, fine: 0, far: 0, cost: 0 },
    } as unknown as Matched);
  it('is out with one stop, served with nothing against it, and else a matter of care', () => {
    expect(service(0, 0, 0)).toBe('serves');
    expect(service(1, 0, 0)).toBe('not there');
    expect(service(0, 1, 0)).toBe('with care');
    expect(service(0, 0, 1)).toBe('with care');
    expect(service(0, 2, 3)).toBe('with care');
    expect(service(2, 1, 1)).toBe('not there');
  });
});

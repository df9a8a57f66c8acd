import { readFileSync } from 'node:fs';
import { beforeAll, describe, expect, it } from 'vitest';
import { hookSet, USUAL_FISHING } from '../../behaviour/fishing.ts';
import { DRIVES_HOME } from '../../behaviour/strength.ts';
import type { Design } from '../../document/design.ts';
import { loadSolids } from '../../head/kernel.ts';
import { evaluate, PLAIN_WATER } from '../../judge/evaluate.ts';
import { GRAVITY } from '../../material/water.ts';
import type { Plastic } from '../../plastic/schema.ts';
import { usualPlastic } from '../../plastic/usual.ts';
import { inUnits } from '../../quantity/phrase.ts';
import { KILOGRAMS_PER_POUND } from '../../quantity/units.ts';
import { sampleDesign } from '../../test-kit/sample.test-kit.ts';
import { STYLES } from '../../hook/styles/index.ts';
import { carries } from '../engine/carries.ts';
import { hooksFor } from '../engine/hooks-for.ts';
import { valuesOf } from '../engine/match.ts';
import type { Bare } from '../engine/wearing.ts';
import { bareHead, headsForPlastic, pairJudge, plasticsForHead, usesOfPlastic } from './pairs.ts';
import { REFERENCE_RULES } from './reference-rules.ts';
import { tackleFor, usualTackle } from '../engine/tackle-for.ts';

const demo = <T>(name: string): T[] =>
  (JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as { document: T }[]).map(
    ({ document }) => document,
  );
const rack = demo<Design>('designs');
const shelf = demo<Plastic>('plastics');

const headOf = (design: Design): Bare => {
  const head = bareHead(design);
  if (!head) throw new Error(`${design.name} cannot be built`);
  return head;
};
const named = (name: string): Design => {
  const found = rack.find((design) => design.name === name);
  if (!found) throw new Error(`there is no ${name}`);
  return found;
};

beforeAll(() => loadSolids());

describe('heads for a plastic and plastics for a head', () => {
  it('are one judgement: every pair is the same asked from either side, and by itself', () => {
    const heads = rack.filter((_, i) => i % 5 === 2);
    const baits = shelf.filter((_, i) => i % 4 === 1);
    const judge = pairJudge(REFERENCE_RULES);
    const byHead = heads.map((design) => plasticsForHead(headOf(design), baits, REFERENCE_RULES));
    for (const [b, bait] of baits.entries())
      for (const one of headsForPlastic(heads, bait, REFERENCE_RULES)) {
        const other = byHead[one.index]?.find(({ index }) => index === b);
        const alone = judge(headOf(heads[one.index] as Design), bait);
        for (const pair of [other, alone]) {
          expect(pair?.pairing.method).toBe(one.pairing.method);
          expect(pair?.use).toBe(one.use);
          expect(pair?.service).toBe(one.service);
          expect(pair?.matched.standing).toEqual(one.matched.standing);
        }
      }
  });

  // What goes with what: common practice, no source.
  it.each([
    ['a hollow body has its core', usualPlastic('hollow', 3.75), ['Hollow Core 1/2']],
    ['a tube its insert', usualPlastic('tube', 3.5), ['Tube Slug 1/4']],
    [
      'a stubby bait a little head of its own',
      usualPlastic('stubby', 2.75),
      ['Toadstool 1/16', 'Stub Quay 1/8'],
    ],
  ])('%s first', (_, bait, wanted) => {
    const [first] = headsForPlastic(rack, bait, REFERENCE_RULES);
    expect(wanted).toContain(rack[first?.index ?? -1]?.name);
  });
  it.each([
    ['Hollow Core 1/2', 'hollow'],
    ['Tube Slug 1/4', 'tube'],
    ['Stub Quay 1/8', 'stubby'],
  ])('%s is offered a %s first', (name, kind) => {
    const [first] = plasticsForHead(headOf(named(name)), shelf, REFERENCE_RULES);
    expect(shelf[first?.index ?? -1]?.kind).toBe(kind);
    expect(first?.pairing.method).not.toBe('nose-hooked');
  });

  it('by one method are judged by that one, and each names a use with that bait', () => {
    const head = headOf(named('Ledge Ball 1/4'));
    const list = plasticsForHead(head, shelf, REFERENCE_RULES, 'buried');
    expect(list.every(({ pairing }) => pairing.method === 'buried')).toBe(true);
    for (const { index, brief } of list)
      expect(brief.bait).toMatchObject({ kind: shelf[index]?.kind, length: shelf[index]?.length });
  });

  it('of a kind of which little is said are held against one use of each sort', () => {
    for (const plastic of shelf) expect(usesOfPlastic(plastic).length).toBeGreaterThanOrEqual(2);
    expect(usesOfPlastic({ ...usualPlastic('stick', 4), kind: 'own' }).length).toBe(4);
  });
});

describe('hooks for a plastic on a head', () => {
  it.each([
    ['stubby', 'flat-creature', 3, ['#1', '1/0', '2/0', '3/0']],
    ['football', 'claw', 3.5, ['1/0', '2/0', '3/0', '4/0']],
    ['ball', 'paddle-tail', 4, ['3/0', '4/0', '5/0']],
  ] as const)(
    'of a %s for a %s of %d in begin with a size that is usual for it',
    (family, kind, inches, usual) => {
      const hooks = hooksFor(sampleDesign(family), usualPlastic(kind, inches));
      expect(usual).toContain(hooks[0]?.size);
      expect(hooks[0]?.method).not.toBe('nose-hooked');
      expect(hooks.length).toBeGreaterThan(STYLES.length * 4);
      const scores = hooks.map((one) => carries(one).score);
      scores.forEach((score, i) => expect(score).toBeLessThanOrEqual((scores[i - 1] ?? 1) + 0.051));
    },
  );
});

describe('tackle for a head', () => {
  const asked = (design: Design, kind: Plastic['kind'], inches: number) => {
    const bait = usualPlastic(kind, inches);
    const { brief, pairing } = pairJudge(REFERENCE_RULES)(headOf(design), bait);
    const whole = evaluate(design, PLAIN_WATER, { plastic: bait, method: pairing.method });
    if (!whole.ok) throw new Error('it cannot be built');
    const values = valuesOf(whole.readings);
    return {
      values,
      brief,
      advice: tackleFor(
        { design: whole.design, values, worn: { plastic: bait, pairing } },
        brief,
        REFERENCE_RULES,
      ),
    };
  };

  it('drives from where the pull of the hook-set reaches the wire, and bears to where the brake opens the hook', () => {
    const { values, advice } = asked(sampleDesign('football'), 'claw', 4);
    const wire = values['hook.wire'] ?? NaN;
    const opens = values['hook.openingLoad'] ?? NaN;
    // By hand: F = s/(L/EA + 1/k) or the brake of three tenths of the line, over a section of 3 N/mm²; at the
    // brake that load is what slips.
    const home = (Math.PI / 4) * wire * wire * DRIVES_HOME;
    expect(advice.bears).toBeLessThanOrEqual(opens / (0.3 * GRAVITY) + 1e-9);
    expect(advice.bears).toBeGreaterThan((opens / (0.3 * GRAVITY)) * 0.6);
    const brakes = home / (0.3 * GRAVITY);
    expect(advice.drives).toBeGreaterThanOrEqual(brakes * 0.99);
    expect(
      hookSet({ ...USUAL_FISHING, line: 'braid', test: advice.drives ?? 0, rod: 'heavy' }),
    ).toBeGreaterThanOrEqual(home * 0.99);
  });

  it('goes up with the wire, and a small fine hook takes light line', () => {
    const at = (grade: Design['hook']['grade']) =>
      asked(sampleDesign('football', { hook: { size: '4/0', grade } }), 'claw', 4).advice;
    const [fine, heavy] = [at('1X fine'), at('3X strong')];
    // On line that stretches; braid drives either home.
    const stretchy = (of: typeof fine) => of.spans.find(({ line }) => line === 'nylon')?.from ?? NaN;
    expect(stretchy(fine)).toBeLessThan(stretchy(heavy));
    expect(fine.bears).toBeLessThan(heavy.bears ?? 0);
    const small = asked(
      sampleDesign('ball', { hook: { size: '#8' }, head: { target: { grams: 0.9, of: 'metal' } } }),
      'micro',
      1.5,
    ).advice;
    expect(small.drives).toBeLessThanOrEqual(2.1 * KILOGRAMS_PER_POUND);
  });

  it('every span lies within what drives and what bears, and rods stand from light to heavy', () => {
    const { advice } = asked(named('Rubble Oval 3/8'), 'claw', 3.5);
    expect(advice.spans.length).toBeGreaterThan(1);
    for (const { from, to, mark, rods } of advice.spans) {
      expect(rods.length).toBeGreaterThan(0);
      expect(from).toBeLessThanOrEqual(to);
      if (mark !== 'yes') continue;
      expect(from).toBeGreaterThanOrEqual((advice.drives ?? 0) * 0.999);
      expect(to).toBeLessThanOrEqual((advice.bears ?? Infinity) * 1.001);
    }
  });

  // Usual pairings by use: common practice, no source.
  it.each([
    ['hollow', 5, 14, /20 lb fluorocarbon/],
    ['stubby', 2.75, 2, /6 to 10 lb/],
    ['tube', 3.5, 7, /new knot/],
  ] as const)('beside it stands what is usual: a %s', (kind, inches, grams, line) => {
    const [brief] = usesOfPlastic(usualPlastic(kind, inches));
    if (!brief) throw new Error('no use');
    const usual = usualTackle({ ...brief, fishing: { retrieve: 'drag' }, cover: { kinds: [] } }, grams);
    expect(inUnits(usual.line, 'imperial')).toMatch(line);
    // In kilograms and metres no pound is left, and nothing that is not filled in.
    expect(inUnits(`${usual.line} ${usual.rod}`, 'metric')).not.toMatch(/lb|ft|[{}⟦⟧]/);
  });
});

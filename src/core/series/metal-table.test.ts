import { describe, expect, it } from 'vitest';
import { PLAIN_WATER } from '../judge/evaluate.ts';
import { METALS } from '../material/metals/index.ts';
import { sampleDesign } from '../test-kit/sample.test-kit.ts';
import { COMPARED_METALS, metalTable } from './metal-table.ts';

/** A ball without a collar: all of it scales but the wire in it. */
const plain = sampleDesign('ball', { keeper: { kind: 'none' } });
const short = { ...PLAIN_WATER, isShort: true };
const rows = (design = plain, compared?: readonly string[]) => metalTable(design, short, compared);
const rowOf = (key: string, design = plain, compared?: readonly string[]) => {
  const row = rows(design, compared).find(({ metal }) => metal.key === key);
  if (!row) throw new Error(`no ${key}`);
  return row;
};
const made = (outcome: ReturnType<typeof rowOf>['sameSize']) => {
  if (!outcome.ok) throw new Error(outcome.reason);
  return outcome;
};

describe('the same head in every metal', () => {
  it('holds lead, the solder alloy and tungsten beside the head’s own metal, each once', () => {
    expect(COMPARED_METALS).toEqual(['lead', 'bismuth-tin', 'tungsten']);
    expect(rows().map(({ metal }) => metal.key)).toEqual(COMPARED_METALS);
    const tin = { ...plain, head: { ...plain.head, metal: 'tin' } };
    expect(rows(tin).map(({ metal }) => metal.key)).toEqual([...COMPARED_METALS, 'tin']);
    expect(rows(plain, ['nothing', 'zinc']).map(({ metal }) => metal.key)).toEqual(['zinc', 'lead']);
  });

  it('of the same size its weight goes with the density', () => {
    const [lead, tungsten] = [rowOf('lead'), rowOf('tungsten')];
    const ratio = tungsten.density / lead.density;
    expect(made(tungsten.sameSize).metal / made(lead.sameSize).metal).toBeCloseTo(ratio, 9);
    expect(made(tungsten.sameSize).breadth).toBeCloseTo(made(lead.sameSize).breadth, 9);
    expect(made(tungsten.sameSize).scale).toBe(1);
    // More of the same water pushed aside by more weight: it falls faster.
    expect(made(tungsten.sameSize).fall).toBeGreaterThan(made(lead.sameSize).fall);
    expect(made(tungsten.sameSize).total - made(lead.sameSize).total).toBeCloseTo(
      made(tungsten.sameSize).metal - made(lead.sameSize).metal,
      9,
    );
  });

  it('of the same weight its sizes go with the cube root of the density, all but the wire’s room', () => {
    const [lead, tungsten] = [rowOf('lead'), rowOf('tungsten')];
    const [a, b] = [made(lead.sameWeight), made(tungsten.sameWeight)];
    expect(b.metal).toBeCloseTo(a.metal, 4);
    // The wire takes a larger share of a smaller head, which is up to two per cent larger for it.
    const root = Math.cbrt(lead.density / tungsten.density);
    for (const size of ['length', 'breadth', 'height'] as const) {
      expect(b[size] / a[size]).toBeGreaterThan(root);
      expect(b[size] / a[size]).toBeLessThan(root * 1.02);
    }
    expect(b.scale).toBeCloseTo(b.breadth / a.breadth, 6);
    expect(b.submerged).toBeGreaterThan(a.submerged);
  });

  it('an own density counts for the head’s own metal alone', () => {
    const own = { ...plain, head: { ...plain.head, metal: 'tungsten', density: 15 } };
    expect(rowOf('tungsten', own).density).toBe(15);
    expect(rowOf('lead', own).density).toBe(METALS.find(({ key }) => key === 'lead')?.density);
  });

  it('says why a metal will not do', () => {
    // Tungsten is pressed, so it has no cast collar.
    const collared = sampleDesign('ball');
    expect(made(rowOf('tungsten', collared).sameSize).caution).not.toBe('');
    expect(made(rowOf('lead', collared).sameSize).caution).toBe('');
    // Only what stops the making is a caution here: a head that floats or a thin mould wall of lead is told
    // elsewhere.
    const light = { ...plain, head: { ...plain.head, density: 0.6, dimensions: { breadth: 22 } } };
    expect(made(rowOf('lead', light).sameSize).submerged).toBeLessThan(0);
    expect(made(rowOf('lead', light).sameSize).caution).toBe('');
    const thin = sampleDesign('ball', {
      keeper: { kind: 'none' },
      head: { dimensions: { breadth: 2.4 } },
      hook: { size: '1/0', measured: { gap: 8, shank: 20, wire: 1.5 } },
    });
    // Walls of 0.45 mm: thin for a pour, a stop for what is pressed.
    expect(made(rowOf('lead', thin).sameSize).caution).toBe('');
    expect(made(rowOf('tungsten', thin).sameSize).caution).toMatch(/wall of .*is too thin/);
    const locked = { ...plain, head: { ...plain.head, locks: ['breadth'] } };
    const outcome = rowOf('tungsten', locked).sameWeight;
    expect(outcome.ok ? '' : outcome.reason).toMatch(/locked/);
  });
});

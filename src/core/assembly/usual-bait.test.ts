import { describe, expect, it } from 'vitest';
import type { Design } from '../document/design.ts';
import { keeperInitial } from '../fitting/keepers/index.ts';
import { evaluate } from '../judge/evaluate.ts';
import { methodOf } from '../rigging/methods/index.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { AT_ONCE, sampleDesign } from '../test-kit/sample.test-kit.ts';
import { withBait } from './assemble.ts';
import type { Rig } from './rig.ts';
import { usualBait } from './usual-bait.ts';

const built = (design: Design): Rig => {
  const result = evaluate(design, AT_ONCE);
  if (!result.ok) throw new Error(result.problems.map(({ message }) => message).join('\n'));
  return result.rig;
};

// What is put on a head of which nothing else is said: common practice, no source.
describe('the plastic a head is commonly fished with', () => {
  it('is a stick on what holds one, put on by a method that takes it, its hook out where it should be', () => {
    for (const kind of ['collar', 'wire', 'barbs'] as const) {
      const rig = built(sampleDesign('ball', { keeper: keeperInitial(kind) }));
      const bait = usualBait(rig);
      expect([kind, bait?.plastic.kind]).toEqual([kind, 'stick']);
      if (!bait) continue;
      expect(methodOf(bait.method).obstacle?.(rig, bait.plastic)).toBeUndefined();
      // The bend lies at the middle of where a stick’s point should come out.
      const reach = -rig.hook.bendRear[0] / bait.plastic.length;
      expect(reach).toBeGreaterThan(0.2);
      expect(reach).toBeLessThan(0.8);
    }
  });

  it('is nothing on a head that has no keeper: it is fished bare, skirted or dressed', () => {
    const bare = built(sampleDesign('ball', { keeper: { kind: 'none' } }));
    expect(bare.keeper?.holdArea ?? 0).toBe(0);
    expect(usualBait(bare)).toBeUndefined();
  });

  it('is a tube over a head that lies inside one, keeper or not', () => {
    for (const keeper of [{ kind: 'none' }, keeperInitial('barbs')] as const)
      expect(usualBait(built(sampleDesign('tube', { keeper })))?.plastic.kind).toBe('tube');
  });

  it('is nothing on a head that wears something already', () => {
    const rig = built(sampleDesign('ball', { keeper: keeperInitial('collar') }));
    const plastic = usualPlastic('paddle-tail', 4, { name: 'On it' });
    const worn = withBait(rig, { plastic, method: 'threaded' });
    expect(usualBait(rig)).toBeDefined();
    expect(usualBait(worn)).toBeUndefined();
  });
});

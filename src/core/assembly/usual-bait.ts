import { MM_PER_INCH } from '../quantity/units.ts';
import type { Bait, Rig } from './rig.ts';
import { stick } from '../plastic/kinds/stick.ts';
import { tube } from '../plastic/kinds/tube.ts';
import { usualPlastic } from '../plastic/usual.ts';
import { METHODS } from '../rigging/methods/index.ts';

/**
 * The plastic a head is commonly fished with, where it is made to hold one: a stick, or a tube over a head
 * that lies inside, as long as its hook asks for and put on by the first method that takes it (common
 * practice, no source). Undefined of a head without a keeper, which is fished bare, skirted or dressed, and
 * of one that already wears something.
 */
export function usualBait(rig: Rig): Bait | undefined {
  const { within } = rig.family;
  if (rig.bait || (!(rig.keeper && rig.keeper.holdArea > 0) && !within)) return undefined;
  const { key, name, exit } = within ? tube : stick;
  const [from, to] = exit.good;
  // The hook reaches to the middle of where it should come out.
  const length = -rig.hook.bendRear[0] / ((from + to) / 2);
  const plastic = usualPlastic(key, length / MM_PER_INCH, { name: `${name} as long as the hook asks for` });
  const method = METHODS.find(
    ({ within: inside, isApart, suits, obstacle }) =>
      (inside === true) === (within === true) &&
      isApart !== true &&
      suits?.(plastic) !== false &&
      obstacle?.(rig, plastic) === undefined,
  );
  return method && { plastic, method: method.key };
}

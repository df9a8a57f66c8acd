import type { Kind } from '../../kind/registry.ts';
import type { Ring } from '../ring.ts';

/** A kind of joint that a free hook swings on, behind the loop of the wire through the head. */
export interface JointKind<K extends string = string> extends Kind {
  readonly key: K;
  /** what its size is called */
  readonly sizeLabel: string;
  readonly does: string;
  /**
   * the ring between loop and hook, its front through the loop's rearmost wire at `behindLoop` (mm);
   * undefined where the hook hangs in the loop itself
   */
  link(size: number, behindLoop: number, wireRadius: number): Ring | undefined;
}

/** Returns a kind of joint as it is, its key kept as a type. */
export const jointKind = <const K extends string>(joint: JointKind<K>): JointKind<K> => joint;

/** Wire a split ring or clip is made of, as a share of its inner diameter (from memory). */
const LINK_WIRE = 0.14;

/** A ring of so many turns hung into the loop. */
export function linkRing(size: number, behindLoop: number, wireRadius: number, turns: number): Ring {
  const linkWire = (LINK_WIRE * size) / 2;
  const radius = (size + 2 * linkWire) / 2;
  return {
    centre: [behindLoop + wireRadius + linkWire - radius, 0, 0],
    radius,
    wireRadius: linkWire,
    turns,
  };
}

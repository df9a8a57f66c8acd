import type { Family } from '../head/family.ts';
import type { HeadBody } from '../head/body.ts';
import type { Profile } from '../head/profile.ts';
import type { Revolve } from '../head/revolve.ts';
import type { HookMeasures } from '../hook/chart.ts';
import type { HookPath } from '../hook/path.ts';
import type { Kind } from '../kind/registry.ts';
import type { Vec2 } from '../numeric/vec.ts';
import type { PlasticSection } from '../plastic/body.ts';
import type { Limits } from '../plastic/kinds/kind.ts';

/** What a plastic is put on: head and hook in place. */
export interface Mount {
  readonly family: Family;
  readonly profile: Profile;
  readonly head: HeadBody;
  readonly hook: HookPath;
  readonly measures: HookMeasures;
  readonly collar: Revolve | undefined;
}

/** What a method lays a plastic by. Lengths in mm, distances from the nose of what is left after the cut. */
export interface MethodGround {
  readonly hook: HookPath;
  /** x at which the nose sits */
  readonly seat: number;
  /** distance from the nose at which the hook's point stands */
  readonly tipFromNose: number;
  readonly section: (fromNose: number) => PlasticSection;
}

/** How a method lays it. */
export interface Laying {
  /** height of the body's axis over the shank line at a distance from the nose, mm */
  readonly rise: (fromNose: number) => number;
  /** distance from the nose at which the hook comes out, or the buried point lies; NaN when it never does, mm */
  readonly exit: number;
  /** clear room between plastic and point, or for the body to drop when bitten, mm */
  readonly freeGap: number;
  /** half-height of the body where it fills the gap, mm */
  readonly filling: number;
  /** how far the body is bent off the shank's line, degrees */
  readonly bend: number;
}

/** A method of putting a plastic on a hook: one file each. Limits are common practice, no source. */
export interface MethodKind<K extends string = string> extends Kind {
  readonly key: K;
  readonly does: string;
  /** where the point ends */
  readonly point: 'bare' | 'buried';
  /** what the checks of exit and gap are called */
  readonly exitName: string;
  readonly gapName: string;
  /** where hook or point should be, as a share of the body; the plastic's own limits where absent */
  readonly exit?: Limits;
  /** share of the gap that should stay free */
  readonly freeGap: { readonly good: number; readonly tight: number };
  /** degrees the body may be bent between seat and point before it spins; not judged where absent */
  readonly straight?: Limits;
  lay(ground: MethodGround): Laying;
}

export const methodKind = <const K extends string>(kind: MethodKind<K>): MethodKind<K> => kind;

/** How a plastic lies on a head, before anything is judged. Lengths in mm. */
export interface LaidPlastic {
  /** x at which the plastic's nose sits on the shank's line, mm */
  readonly seatAt: number;
  /** cut off the nose before rigging */
  readonly cut: number;
  /** distance along the body, from its (cut) nose, at which the hook comes out; NaN when it never does */
  readonly exit: number;
  /** the same as a share of the rigged body's length */
  readonly exitShare: number;
  /** clear room between plastic and point (threaded), or for the body to drop when bitten (buried) */
  readonly freeGap: number;
  /** body height where it fills the gap, as a share of the gap */
  readonly fill: number;
  /** body left between the exit and the start of tail or claws; negative when the hook reaches into them */
  readonly tailRoom: number;
  /** head height over body height just behind the seat */
  readonly shoulderHeight: number;
  /** head breadth over body breadth just behind the seat */
  readonly shoulderBreadth: number;
  /** widest of the keeper over the least thickness of the nose it goes into; 0 without a cast collar */
  readonly seat: number;
  /** largest radius of the cast collar with its barbs, mm; 0 without one */
  readonly crest: number;
  /** how far the body is bent off the shank's line, degrees */
  readonly bend: number;
  /** centre line of the body in the side view, nose first, with half-sizes */
  readonly body: readonly { readonly at: Vec2; readonly halfHeight: number; readonly halfBreadth: number }[];
  /** of what is left of the plastic, mm³ */
  readonly volume: number;
  /** length left after the cut, mm */
  readonly length: number;
}

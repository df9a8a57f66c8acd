import type { Family } from '../head/family.ts';
import type { HeadBody } from '../head/body.ts';
import type { Profile } from '../head/profile.ts';
import type { Revolve } from '../head/revolve.ts';
import type { HookMeasures } from '../hook/chart.ts';
import type { HookPath } from '../hook/path.ts';
import type { Kind } from '../kind/registry.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import type { PlacedLimb, PlasticSection } from '../plastic/body.ts';
import type { Limits } from '../plastic/kinds/kind.ts';
import type { Plastic } from '../plastic/schema.ts';

/** What a plastic is put on: head and hook in place. */
export interface Mount {
  readonly family: Family;
  readonly profile: Profile;
  readonly head: HeadBody;
  readonly hook: HookPath;
  readonly measures: HookMeasures;
  readonly collar: Revolve | undefined;
  /** how its keeper takes a nose */
  readonly keeping: {
    readonly name: string;
    readonly isTurnedOn?: boolean;
    readonly closesBehind?: boolean;
  };
  readonly keeper:
    | { readonly insertion: number; readonly diameter: number; readonly standoff?: number | undefined }
    | undefined;
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
  /**
   * distance from the nose at which the hook comes out, or the covered point lies; NaN when it never does, mm
   */
  readonly exit: number;
  /** clear room between plastic and point, or for the body to drop when bitten, mm */
  readonly freeGap: number;
  /** half-height of the body where it fills the gap, mm */
  readonly filling: number;
  /** how far the body is bent off the shank's line, degrees */
  readonly bend: number;
  /** plastic over the point, mm; below zero the point stands clear */
  readonly cover: number;
  /** nose that the hook goes through before it comes out below, mm; 0 where it stays inside */
  readonly start: number;
  /** where it goes into the belly again, mm from the nose; NaN where it does not */
  readonly entry: number;
}

/**
 * Something that can be changed, and to what: a field of the design or of the plastic by its path, or the
 * method.
 */
export interface Remedy {
  readonly of: 'design' | 'plastic' | 'method';
  /** JSON pointer into the document; empty for the method */
  readonly path: string;
  readonly value: unknown;
  /** what that is, as a button says it */
  readonly says: string;
}

/** Why a method cannot be used here, and what would make it so. */
export interface Obstacle {
  readonly text: string;
  readonly remedies: readonly Remedy[];
}

/** What a method takes a plastic for. */
export type Baitlike = Pick<Plastic, 'kind' | 'length' | 'height' | 'breadth' | 'toughness'>;

/** A method of putting a plastic on a hook: one file each. */
export interface MethodKind<K extends string = string> extends Kind {
  readonly key: K;
  readonly does: string;
  /** where the point ends */
  readonly point: 'bare' | 'buried' | 'skin' | 'along';
  /** what the checks of exit and gap are called */
  readonly exitName: string;
  readonly gapName: string;
  /** where hook or point should be, as a share of the body; the plastic's own limits where absent */
  readonly exit?: Limits;
  /** share of the gap that should stay free */
  readonly freeGap: { readonly good: number; readonly tight: number };
  /** degrees the body may be bent between seat and point before it spins; not judged where absent */
  readonly straight?: Limits;
  /** true where the metal lies within the plastic whatever the family's own way is */
  readonly within?: boolean;
  /** true where the body is bent on purpose, so that it swings: of use only where it is pulled in jerks */
  readonly isBentOnPurpose?: boolean;
  /** true where it lies behind a skirt, and is judged as a trailer: by its proportion to head and skirt */
  readonly isUnderSkirt?: boolean;
  /** whether a plastic is of the sort that is usually put on so; any is where absent */
  suits?(plastic: Baitlike): boolean;
  /** true where the bait lies clear of the head: neither seat nor shoulder is judged */
  readonly isApart?: boolean;
  /** what it needs of head, hook, keeper and plastic, in a few words; empty where any will do */
  readonly wants: string;
  /** why it cannot be used; undefined where it can */
  obstacle?(mount: Mount, plastic: Baitlike): Obstacle | undefined;
  /**
   * x at which the nose sits, where that is not the usual seat; `fullNose` mm of a body with a room are full
   */
  seat?(mount: Mount, usual: number, fullNose: number): number;
  lay(ground: MethodGround): Laying;
  /** the steps of a person's hands, in order; lengths are marked so that they can be told in any unit */
  steps(laid: LaidMeasures, mount: Mount): readonly string[];
}

/** Whether a method covers the point with plastic, which a hook-set must pull it through. */
export const coversPoint = ({ point }: Pick<MethodKind, 'point'>): boolean =>
  point === 'buried' || point === 'skin';

/** Returns a method of rigging as it is, its key kept as a type. */
export const methodKind = <const K extends string>(kind: MethodKind<K>): MethodKind<K> => kind;

/** A limb as it lies, from its root to its end. Lengths in mm. */
export interface LaidLimb extends PlacedLimb {
  readonly root: Vec3;
  readonly end: Vec3;
}

/** How a plastic lies on a head, as far as the fit asks. Lengths in mm. */
export interface LaidMeasures {
  /** x at which the plastic's nose sits on the shank's line, mm */
  readonly seatAt: number;
  /** how far the nose stands behind the head, mm; 0 where it sits against it */
  readonly standOff: number;
  /** cut off the nose before rigging */
  readonly cut: number;
  /** nose the hook goes through before it comes out below; 0 where it stays inside */
  readonly start: number;
  /** where it goes into the belly again; NaN where it does not */
  readonly entry: number;
  /** distance along the body, from its (cut) nose, at which the hook comes out; NaN when it never does */
  readonly exit: number;
  /** the same as a share of the rigged body's length */
  readonly exitShare: number;
  /** clear room between plastic and point (threaded), or for the body to drop when bitten (buried) */
  readonly freeGap: number;
  /** body height where it fills the gap, as a share of the gap */
  readonly fill: number;
  /** plastic over the point; below zero the point stands clear */
  readonly cover: number;
  /** height of the point over the highest of eye and bait in front of it */
  readonly bite: number;
  /** from the face of the nose back to the point */
  readonly reach: number;
  /** body left between the exit and the start of tail or claws; negative when the hook reaches into them */
  readonly tailRoom: number;
  /** head height over body height just behind the seat, or metal over the room it lies in */
  readonly shoulderHeight: number;
  /** head breadth over body breadth just behind the seat, or metal over the room it lies in */
  readonly shoulderBreadth: number;
  /** whether the metal lies within the plastic */
  readonly isWithin: boolean;
  /** widest of the keeper over the least thickness of the nose it goes into; 0 without a cast collar */
  readonly seat: number;
  /** largest radius of the cast collar with its barbs, mm; 0 without one */
  readonly crest: number;
  /** how far the body is bent off the shank's line, degrees */
  readonly bend: number;
  /** length left after the cut, mm */
  readonly length: number;
  /** where moving tail or claws begin, mm from the nose */
  readonly tailAt: number;
}

/** How a plastic lies on a head, before anything is judged. Lengths in mm. */
export interface LaidPlastic extends LaidMeasures {
  /** centre line of the body in the side view, nose first, with its sections */
  readonly body: readonly ({ readonly at: Vec2 } & PlasticSection)[];
  readonly limbs: readonly LaidLimb[];
  /** of what is left of the plastic, mm³ */
  readonly volume: number;
  /** its centre, mm */
  readonly centre: Vec3;
  /** g/cm³ */
  readonly density: number;
}

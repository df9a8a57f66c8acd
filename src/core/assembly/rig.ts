import type { GuardBody } from '../fitting/guards/guard.ts';
import type { KeeperBody, KeeperKind } from '../fitting/keepers/keeper.ts';
import type { Skirt } from '../fitting/skirt.ts';
import type { HeadBody } from '../head/body.ts';
import type { Family } from '../head/family.ts';
import type { Detail } from '../head/features/shape.ts';
import type { MeshQuality } from '../head/loft.ts';
import type { Mesh } from '../head/mesh.ts';
import type { Profile } from '../head/profile.ts';
import type { Bulk } from '../head/quadrature.ts';
import type { Revolve } from '../head/revolve.ts';
import type { HookMeasures } from '../hook/chart.ts';
import type { HookPath } from '../hook/path.ts';
import type { JointKey } from '../hook/joints/index.ts';
import type { Metal } from '../material/metals/metal.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Plastic } from '../plastic/schema.ts';
import type { LaidPlastic } from '../rigging/method.ts';
import type { MethodKey } from '../rigging/methods/index.ts';

/** What a part of a body is. */
export type PartName = 'metal' | 'hook' | 'joint' | 'keeper' | 'guard' | 'paint' | 'plastic';

/** One thing of one material, where it sits. */
export interface Part {
  readonly name: PartName;
  readonly material: string;
  /** g */
  readonly mass: number;
  /** mm³ of water it pushes aside */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
}

/** A straight piece of wire, collar, fibre bundle or plastic as drag sees it. Lengths in mm. */
export interface Stick {
  readonly middle: Vec3;
  /** unit vector along it */
  readonly along: Vec3;
  readonly length: number;
  readonly diameter: number;
  /** water it pushes aside where it is a body's and not a wire's, mm³ */
  readonly volume?: number;
}

/**
 * What moves as one piece, in the frame of the design at rest: x along the shank to the nose, y to the left,
 * z to the point. Lengths in mm.
 */
export interface RigidBody {
  readonly name: 'head' | 'hook';
  readonly parts: readonly Part[];
  /**
   * corners of everything that can touch something, x y z in turn; what is too soft to carry a head is left
   * out
   */
  readonly hull: () => Float64Array;
  /** those of them that are not the metal's own */
  readonly besides: () => Float64Array;
  /**
   * the closed surface that drag sees as a body, a worked one as fine as asked; a body of wire alone has none
   */
  readonly faces: ((worked?: MeshQuality) => Mesh) | undefined;
  /** what drag sees as sticks */
  readonly sticks: () => readonly Stick[];
}

/** What joins two bodies: the second swings about a point of the first. */
export interface RigJoint {
  readonly kind: JointKey;
  /** mm */
  readonly at: Vec3;
}

/** A plastic to be put on a head, and how. */
export interface Bait {
  readonly plastic: Plastic;
  readonly method: MethodKey;
}

/** A plastic as it lies on the hook. */
export interface RiggedBait extends Bait {
  readonly laid: LaidPlastic;
}

/**
 * A design as built, with a plastic if there is one: shape, wire and parts in place, and the one or two rigid
 * bodies they make. Drawings, behaviours and files read this; nothing after it looks at the document again.
 */
export interface Rig {
  readonly bodies: readonly [RigidBody] | readonly [RigidBody, RigidBody];
  readonly joint: RigJoint | undefined;
  /** of all bodies */
  readonly parts: readonly Part[];
  readonly bait: RiggedBait | undefined;
  /** where the line is tied, the hook takes hold and the plastic's nose sits */
  readonly places: { readonly eye: Vec3; readonly point: Vec3; readonly seat: Vec3 };

  readonly family: Family;
  readonly dimensions: Readonly<Record<string, number>>;
  readonly profile: Profile;
  readonly head: HeadBody;
  /** what of the keeper is cast with the head, and what that is called */
  readonly collar: Revolve | undefined;
  readonly castName: string;
  readonly keeper: KeeperBody | undefined;
  readonly keeping: KeeperKind;
  readonly hook: HookPath;
  readonly measures: HookMeasures;
  /** gap of the size the hook is sold by, mm: a style that is wide for other reasons is no larger a hook */
  readonly soldGap: number;
  /** the hook's sizes are the shop's own, and not the chart's */
  readonly isHookMeasured: boolean;
  readonly guard: GuardBody | undefined;
  readonly skirt: Skirt | undefined;
  /** drag measured on the water, over what is reckoned, with its span */
  readonly drag: { readonly factor: number; readonly low: number; readonly high: number } | undefined;
  readonly metal: Metal;
  /** g/cm³, the design's own where it has one */
  readonly density: number;
  /** pieces a pressed head is glued from */
  readonly pieces: 1 | 2;
  /** factor put on the unlocked sizes to meet the weight target */
  readonly scale: number;
  /** smallest things a mould must fill */
  readonly details: readonly Detail[];
  /** body with collar and features, before wire and holes are taken out */
  readonly body: Bulk;
  /** ∫ (y² + z²) dV of the metal alone about the shank's direction through its own centre, mm⁵ */
  readonly roll: number;
  /** hook wire inside metal, mm³ */
  readonly wireInside: number;
  /** keeper wire and guard hole inside metal, mm³ */
  readonly otherInside: number;
}

/** The metal of a rig: every one has it. */
export function metalPart({ parts }: Pick<Rig, 'parts'>): Part {
  const part = parts.find(({ name }) => name === 'metal');
  if (!part) throw new Error('A rig without metal is a mistake of the program.');
  return part;
}

/** What a scale shows of the head with its hook and fittings, without plastic, g. */
export const headMass = ({ parts }: Pick<Rig, 'parts'>): number =>
  parts.reduce((sum, { name, mass }) => sum + (name === 'plastic' ? 0 : mass), 0);

/** Everything that is thrown, g. */
export const totalMass = ({ parts }: Pick<Rig, 'parts'>): number =>
  parts.reduce((sum, { mass }) => sum + mass, 0);

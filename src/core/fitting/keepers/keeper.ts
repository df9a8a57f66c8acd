import type { KeeperSpec } from '../../document/design.ts';
import type { Revolve } from '../../head/revolve.ts';
import type { Profile } from '../../head/profile.ts';
import type { Vec3 } from '../../numeric/vec.ts';

/** A piece of wire. */
export interface WirePiece {
  readonly path: readonly Vec3[];
  /** mm */
  readonly diameter: number;
}

/** A keeper in place. Lengths in mm. */
export interface KeeperBody {
  /** what is cast in one with the head */
  readonly cast: Revolve | undefined;
  /** what is made of wire, whole */
  readonly wires: readonly WirePiece[];
  /** the straight part of it that is set into the metal, in the plane y = 0 */
  readonly anchor: WirePiece | undefined;
  /** how far it goes into the plastic */
  readonly insertion: number;
  /** outside diameter where it is widest */
  readonly diameter: number;
  /** plastic that must give before the bait slides off, mm² */
  readonly holdArea: number;
}

/** What a keeper is placed by. */
export interface KeeperGround {
  readonly profile: Profile;
  /** diameter of the hook's wire, mm */
  readonly wire: number;
}

/** A kind of keeper: one file each. */
export interface KeeperKind<K extends KeeperSpec['kind'] = KeeperSpec['kind']> {
  readonly kind: K;
  readonly name: string;
  /** the keeper with everyday sizes */
  readonly initial: Extract<KeeperSpec, { kind: K }>;
  readonly build: (spec: Extract<KeeperSpec, { kind: K }>, ground: KeeperGround) => KeeperBody | undefined;
}

/** Share of the side surface that counts as held by friction alone (working value, common practice, no source). */
const FRICTION = 0.05;
export const rubbing = (diameter: number, length: number): number => FRICTION * Math.PI * diameter * length;

/** How deep a keeper's wire is anchored in the metal, mm (generic, from memory). */
export const ANCHOR = 3;

/** Straight wire from the head's inside to x = −behind, at height z. */
export function anchorWire(z: number, behind: number, diameter: number): WirePiece {
  const pieces = 16;
  const path = Array.from({ length: pieces + 1 }, (_, i): Vec3 => [
    ANCHOR - ((ANCHOR + behind) * i) / pieces,
    0,
    z,
  ]);
  return { path, diameter };
}

/** A helix about the shank from x = from back to x = to, `radius` to its centre line, starting below the shank. */
export function helix(from: number, to: number, radius: number, turns: number): Vec3[] {
  const steps = Math.ceil(turns * 24);
  return Array.from({ length: steps + 1 }, (_, i): Vec3 => {
    const angle = (2 * Math.PI * turns * i) / steps;
    return [from + ((to - from) * i) / steps, radius * Math.sin(angle), -radius * Math.cos(angle)];
  });
}

/** Area of the ring between two diameters, mm². */
export const ringArea = (outer: number, inner: number): number => (Math.PI / 4) * (outer ** 2 - inner ** 2);

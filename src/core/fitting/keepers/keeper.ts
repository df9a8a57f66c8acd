import type { Complaint, Detail } from '../../head/features/shape.ts';
import type { Profile } from '../../head/profile.ts';
import type { Revolve } from '../../head/revolve.ts';
import { LEAST_WALL } from '../../hook/bite.ts';
import type { Fields } from '../../kind/field.ts';
import { initialValues } from '../../kind/field.ts';
import type { FieldedKind, Spec } from '../../kind/registry.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { marked } from '../../quantity/phrase.ts';
import { widestEntry } from './entry.ts';

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
  /**
   * how far behind the head it begins to hold: what is put on it stands off by that; at the head where absent
   */
  readonly standoff?: number;
  /** plastic that must give before the bait slides off, mm² */
  readonly holdArea: number;
}

/** What a keeper is placed by. */
export interface KeeperGround {
  readonly profile: Profile;
  /** diameter of the hook's wire, mm */
  readonly wire: number;
}

/** What a keeper is checked against. Lengths in mm. */
export interface KeeperCheck extends KeeperGround {
  /** x at which the shank ends and the bend begins; of a free hook far behind everything */
  readonly shankEnd: number;
}

/** A kind of keeper: one file each. */
export interface KeeperKind<K extends string = string, F extends Fields = Fields> extends FieldedKind {
  readonly key: K;
  readonly fields: F;
  /** the keeper with everyday sizes */
  readonly initial: Spec<K, F>;
  /** what is cast in one with the head is called; absent for what is set in or made of wire */
  readonly castName?: string;
  /** how far along the shank behind the head metal is cast, mm; 0 where absent */
  castLength?(spec: Spec<K, F>): number;
  /** whether a head with a free hook can carry it: the plastic sits on the hook then */
  readonly swings?: boolean;
  /** whether the nose of a bait is turned on to it; it is pushed over it where absent */
  readonly isTurnedOn?: boolean;
  /** whether it has a bulge that tough plastic closes behind */
  readonly closesBehind?: boolean;
  /** undefined when the head is nowhere wide enough for what is cast */
  build(spec: Spec<K, F>, ground: KeeperGround): KeeperBody | undefined;
  /** What is wrong with it on this head, each with its remedy. */
  check(spec: Spec<K, F>, ground: KeeperCheck): Complaint[];
  /** its smallest detail, mm, as the head of a sentence */
  detail?(spec: Spec<K, F>): Detail | undefined;
}

type KeeperSetup<K extends string, F extends Fields> = Omit<KeeperKind<K, F>, 'initial'>;

/** Returns a kind of keeper with what follows from its fields. */
export const keeperKind = <const K extends string, const F extends Fields>(
  kind: KeeperSetup<K, F>,
): KeeperKind<K, F> => ({ ...kind, initial: { kind: kind.key, ...initialValues(kind.fields) } });

const mm = (value: number) => marked(value, 'size');

/** What is wrong with a body of revolution cast behind the head. `least` is its smallest diameter, mm. */
export function checkCast(
  what: string,
  { length, diameter }: { readonly length: number; readonly diameter: number },
  least: number,
  { profile, wire, shankEnd }: KeeperCheck,
): Complaint[] {
  const problems: Complaint[] = [];
  const wanted = wire + 2 * LEAST_WALL;
  if (least < wanted) {
    problems.push({
      field: 'diameter',
      message:
        `${what} diameter: ${mm(diameter)} leaves no metal around a wire of ${mm(wire)}. Make it ` +
        `at least ${mm(wanted * (diameter / least))}, or take a finer wire.`,
    });
  }
  const offered = widestEntry(profile);
  if (diameter >= offered * 0.95) {
    problems.push({
      field: 'diameter',
      message:
        `${what} diameter: ${mm(diameter)} is as wide as the head, which offers ${mm(offered)}. ` +
        'Make it thinner or the head larger.',
    });
  }
  if (shankEnd > -length - 0.5 && shankEnd <= -1) {
    problems.push({
      field: 'length',
      message: `${what} length: ${mm(length)} runs into the hook’s bend. Shorten it or take a longer hook.`,
    });
  }
  return problems;
}

/** What is wrong with wire wound about the shank. */
export function checkWound(
  { length, diameter, wire, turns }: Readonly<Record<'length' | 'diameter' | 'wire' | 'turns', number>>,
  hookWire: number,
): Complaint[] {
  if (diameter - 2 * wire < hookWire) {
    return [
      {
        field: 'diameter',
        message:
          `Keeper diameter: ${mm(diameter)} does not go around the hook’s wire of ${mm(hookWire)}. ` +
          `Make it at least ${mm(hookWire + 2 * wire)}.`,
      },
    ];
  }
  if (turns * wire > length) {
    return [
      {
        field: 'turns',
        message: `Turns: ${turns} turns of ${mm(wire)} wire do not fit in ${mm(length)}. Take fewer, or lengthen it.`,
      },
    ];
  }
  return [];
}

/** What is wrong with a keeper that reaches so far behind the head, mm. */
export const checkReach = (insertion: number, shankEnd: number): Complaint[] =>
  -insertion < shankEnd
    ? [
        {
          field: 'length',
          message:
            `Keeper: it reaches ${mm(insertion)} behind the head and runs into the hook’s bend. ` +
            'Shorten it, or take a longer hook.',
        },
      ]
    : [];

/**
 * Share of the side surface that counts as held by friction alone (working value, common practice, no
 * source).
 */
const FRICTION = 0.05;
/**
 * Returns the lateral area that holds a bait by friction, as mm² of full hold, of a round keeper (mm, mm).
 */
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

/**
 * A helix about the shank from x = from back to x = to, `radius` to its centre line, starting below the
 * shank.
 */
export function helix(from: number, to: number, radius: number, turns: number): Vec3[] {
  const steps = Math.ceil(turns * 24);
  return Array.from({ length: steps + 1 }, (_, i): Vec3 => {
    const angle = (2 * Math.PI * turns * i) / steps;
    return [from + ((to - from) * i) / steps, radius * Math.sin(angle), -radius * Math.cos(angle)];
  });
}

/** Area of the ring between two diameters, mm². */
export const ringArea = (outer: number, inner: number): number => (Math.PI / 4) * (outer ** 2 - inner ** 2);

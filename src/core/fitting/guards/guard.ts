import { itemAt } from '../../numeric/at.ts';
import type { Fields, Values } from '../../kind/field.ts';
import { angle, initialValues, share } from '../../kind/field.ts';
import type { FieldedKind, Spec } from '../../kind/registry.ts';
import type { Vec3 } from '../../numeric/vec.ts';
import { radians } from '../../numeric/vec.ts';
import type { WirePiece } from '../keepers/keeper.ts';

/** Deepest hole drilled or cored for a guard, mm (common practice, no source). */
const DEEPEST = 5;

/** A guard in place: it leans back from the crown of the head to the hook point. Lengths in mm. */
export interface GuardBody {
  readonly base: Vec3;
  /** unit vector from the base to the ends */
  readonly along: Vec3;
  /** free length after trimming */
  readonly free: number;
  /** length set in the head */
  readonly depth: number;
  /** false where the head is nowhere so thick that its hole stays in the metal */
  readonly isSet: boolean;
  /** radius of the whole bundle where it leaves the head: that of the hole */
  readonly bundleRadius: number;
  /** middle of the ends */
  readonly end: Vec3;
  /** centre line of the hole, from its floor to just outside the surface */
  readonly bore: readonly Vec3[];
  /** solid volume, free and set in, mm³ */
  readonly volume: number;
  readonly material: string;
  /** g/cm³ */
  readonly density: number;
  readonly centroid: Vec3;
  /** angle between the outermost strands, degrees */
  readonly spread: number;
  /** diameter of one strand, mm */
  readonly strand: number;
  /** strands at its ends, all of which bend when it is laid down */
  readonly count: number;
  /**
   * how many times as stiff they would be were they one rod, and not each bent by itself; 1 of wires that
   * stand apart
   */
  readonly asOneRod: number;
  /**
   * how far from the head they run as one strand before they part, mm; 0 where each goes into the head by
   * itself
   */
  readonly parting: number;
  /**
   * strands one by one, from where they leave the head; a bundle of fibres gives its two edges and its middle
   */
  readonly strands: readonly WirePiece[];
  /** what drag sees of it: a brush is one thick stick, wires count one by one */
  readonly sticks: readonly WirePiece[];
  /** every strand, for a picture of the solid */
  readonly shown: () => readonly WirePiece[];
  /** how the plate draws it: the outline of a bundle, or its strands */
  readonly drawnAs: 'bundle' | 'strands';
  /** how far behind the hook point it crosses the point's height; negative when it stops short of it */
  readonly pastPoint: number;
  /** how far its ends stand above (+) or below (−) the point */
  readonly overPoint: number;
}

/** What a guard is placed by. */
export interface GuardGround {
  /** length of the head, mm */
  readonly length: number;
  /** height of the crown above the shank line at x, mm */
  readonly crown: (x: number) => number;
  readonly tip: Vec3;
  /** whether a point lies in the head's metal */
  readonly holds: (x: number, y: number, z: number) => boolean;
}

/** A kind of guard: one file each. */
export interface GuardKind<K extends string = string, F extends Fields = Fields> extends FieldedKind {
  readonly key: K;
  readonly fields: F;
  /** the guard with everyday sizes */
  readonly initial: Spec<K, F>;
  /** true where the point stays bare */
  readonly isBare?: boolean;
  /** undefined where there is nothing over the point */
  build(spec: Spec<K, F>, ground: GuardGround): GuardBody | undefined;
  /** how its ends are cut, for those that are trimmed at all */
  trim?(spec: Spec<K, F>): 'trimmed' | 'as bought';
}

type GuardSetup<K extends string, F extends Fields> = Omit<GuardKind<K, F>, 'initial'>;

/** Returns a kind of weed guard with what follows from its fields. */
export const guardKind = <const K extends string, const F extends Fields>(
  kind: GuardSetup<K, F>,
): GuardKind<K, F> => ({ ...kind, initial: { kind: kind.key, ...initialValues(kind.fields) } });

/** Where a guard of any kind stands. */
export const PLACE = {
  lean: angle('Lean', [15, 38, 90], { note: 'Above the shank, leaning back to the point.' }),
  setback: share('Base behind the nose', [0, 0.6, 1], { note: 'Share of the head’s length.' }),
} as const;

/** What every guard that stands in the head says of its place. */
export type Placed = Values<typeof PLACE>;

/** What strands alone look like: drag, picture and plate see them one by one. */
export const asStrands = (strands: readonly WirePiece[]) =>
  ({ strands, sticks: strands, shown: () => strands, drawnAs: 'strands', asOneRod: 1 }) as const;

/** Places around half a hole at which metal is looked for, and steps down it. */
const LOOKED = { around: 12, down: 24 };

/**
 * How deep a hole of a radius can go before it breaks out of the head's sides, front or belly, mm, no deeper
 * than `most`; undefined where its sides are out of the metal wherever it begins. Its upper half may come out
 * of the crown it is drilled from, all along where the crown falls as steeply as the hole.
 */
function holdingDepth(
  at: (s: number, y?: number, over?: number) => Vec3,
  radius: number,
  most: number,
  holds: GuardGround['holds'],
): number | undefined {
  const isHeld = (s: number) => {
    for (let k = 0; k <= LOOKED.around; k++) {
      const turn = (Math.PI * k) / LOOKED.around;
      const [x, y, z] = at(-s, radius * Math.cos(turn), radius * Math.sin(turn));
      if (!holds(x, y, z)) return false;
    }
    return true;
  };
  let deepest: number | undefined;
  for (let step = 1; step <= LOOKED.down; step++) {
    const s = (most * step) / LOOKED.down;
    if (isHeld(s)) deepest = s;
    // At its mouth a round crown, or a ridge, has not closed about it yet; once it has, the first place that
    // has not again is too deep.
    else if (deepest !== undefined) break;
  }
  return deepest;
}

/** Where a guard stands and how it leans, whatever it is made of; `radius` is that of its hole, mm. */
export function guardFrame(
  { lean, setback }: { readonly lean: number; readonly setback: number },
  { length, crown, tip, holds }: GuardGround,
  radius: number,
) {
  const x = length * (1 - setback);
  const t = crown(x);
  const along: Vec3 = [-Math.cos(radians(lean)), 0, Math.sin(radians(lean))];
  const base: Vec3 = [x, 0, t];
  const toPointLevel = Math.max(0, (tip[2] - t) / along[2]);
  /** A place `s` along the middle line, `y` to the side and `over` square to both. */
  const at = (s: number, y = 0, over = 0): Vec3 => [
    x + along[0] * s - along[2] * over,
    y,
    t + along[2] * s + along[0] * over,
  ];
  const wanted = Math.min(DEEPEST, (0.7 * t) / along[2]);
  const held = holdingDepth(at, radius, wanted, holds);
  const depth = held ?? wanted;
  const bore = (): Vec3[] => {
    const pieces = 16;
    return Array.from({ length: pieces + 1 }, (_, i) => at(-depth + ((depth + radius * 2) * i) / pieces));
  };
  return {
    base,
    along,
    toPointLevel,
    depth,
    isSet: held !== undefined,
    at,
    bundleRadius: radius,
    bore: bore(),
    pastPoint: tip[0] - (x + along[0] * toPointLevel),
    overPoint: (s: number) => at(s)[2] - tip[2],
  };
}

/** Volume and centroid of strands with what is set in the head, for `set` strands in the hole. */
export function strandBulk(
  strands: readonly WirePiece[],
  set: number,
  depth: number,
  at: (s: number) => Vec3,
) {
  let volume = 0;
  const moment: [number, number, number] = [0, 0, 0];
  const take = (v: number, [x, y, z]: Vec3) => {
    volume += v;
    moment[0] += v * x;
    moment[1] += v * y;
    moment[2] += v * z;
  };
  for (const { path, diameter } of strands) {
    const section = (Math.PI / 4) * diameter ** 2;
    for (let i = 1; i < path.length; i++) {
      const [a, b] = [itemAt(path, i - 1), itemAt(path, i)];
      const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
      take(section * length, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2]);
    }
  }
  const diameter = strands[0]?.diameter ?? 0;
  take(set * (Math.PI / 4) * diameter ** 2 * depth, at(-depth / 2));
  return { volume, centroid: [moment[0] / volume, moment[1] / volume, moment[2] / volume] satisfies Vec3 };
}

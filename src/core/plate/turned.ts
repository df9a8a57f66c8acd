import { float64At } from '../numeric/at.ts';
import type { Rig } from '../assembly/rig.ts';
import { bareHead, isPlain } from '../head/body.ts';
import { surfaceMesh } from '../head/solid.ts';
import { collarOutline } from '../head/outline.ts';
import type { Vec2, Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';
import { bladeOutline, curlOf, reachOf, shownBreadth, THREAD } from '../plastic/outline.ts';
import type { DrawnWire } from './drawing.ts';

/**
 * A rigged head turned about its shank, as plain data, mm: x along the shank, then the way up of the view.
 */
export interface TurnedRig {
  readonly head: readonly Vec2[];
  readonly collar: readonly Vec2[] | undefined;
  readonly hook: readonly Vec2[];
  /** of a hinged head: the wire through it */
  readonly through: readonly Vec2[] | undefined;
  readonly wire: number;
  /** the eye’s ring as an ellipse */
  readonly eye: { readonly at: Vec2; readonly along: number; readonly across: number; readonly wire: number };
  readonly keeper: readonly Omit<DrawnWire, 'top' | 'front'>[];
  /** strands of a guard, and the line they end on */
  readonly guard: readonly Omit<DrawnWire, 'top' | 'front'>[];
  readonly guardEnd: Vec2 | undefined;
  /** strands of a skirt */
  readonly skirt: readonly (readonly Vec2[])[];
  readonly body: readonly Vec2[];
  readonly limbs: readonly (readonly Vec2[])[];
}

/** Places along a head at which its outline is looked for. */
const STEPS = 72;
/** Fineness of a surface of which the outline is looked for. */
const TURNED = { rings: 60, corners: 48 };

/**
 * A rig seen from the side after it was turned about its shank by so many degrees: 0 from its right side, 90
 * from above.
 */
export function turnedRig(rig: Rig, degrees: number): TurnedRig {
  const [up, aside] = [Math.cos(radians(degrees)), Math.sin(radians(degrees))];
  const seen = ([x, y, z]: Vec3): Vec2 => [x, z * up + y * aside];
  const { hook, bait, keeper, collar } = rig;
  const { centre, radius, wireRadius, plane, along } = hook.eye;
  // The ring's plane holds its leg's line and, in line, the hook's plane; crosswise, the way across.
  const across = plane === 'in line' ? Math.abs(up) : Math.abs(aside);
  const leaning = Math.abs(along[2]) * (1 - Math.abs(up));
  const laid = bait?.laid;
  const highest = Math.max(0, ...(laid?.body ?? []).map(({ halfHeight }) => halfHeight));
  const drawn = (laid?.body ?? []).filter(
    ({ halfHeight }) => laid?.limbs.length === 0 || halfHeight > THREAD * highest,
  );
  const edge = (sign: 1 | -1): Vec2[] =>
    drawn.map(({ at, ...section }): Vec2 => [
      at[0],
      at[1] * up + sign * reachOf(section, sign * up, sign * aside),
    ]);
  return {
    head: headOutline(rig, up, aside),
    collar: collar && collarOutline(collar),
    hook: hook.centre.map(seen),
    through: hook.hinge && hook.legAndShank.map(seen),
    wire: hook.wire,
    eye: {
      at: seen(centre),
      along: radius * (1 - 0.6 * leaning),
      across: Math.max(radius * across, wireRadius),
      wire: 2 * wireRadius,
    },
    keeper: (keeper?.wires ?? []).map(({ path, diameter }) => ({ side: path.map(seen), wire: diameter })),
    guard: (rig.guard?.shown() ?? []).map(({ path, diameter }) => ({ side: path.map(seen), wire: diameter })),
    guardEnd: rig.guard && seen(rig.guard.end),
    skirt: strandsOf(rig).map((path) => path.map(seen)),
    body: [...edge(1), ...edge(-1).reverse()],
    limbs: (laid?.limbs ?? []).map((limb) =>
      bladeOutline(
        seen(limb.root),
        seen(limb.end),
        shownBreadth(limb, up, aside),
        limb.curls === true && (limb.stands === 'upright' ? Math.abs(up) > 0.5 : Math.abs(aside) > 0.5)
          ? curlOf(limb)
          : 0,
      ),
    ),
  };
}

/**
 * Strands drawn of a skirt, and how far they stand off from the bait at their ends, as a share of their
 * length.
 */
const STRANDS = 14;
const FLARE = 0.12;

/** A skirt's strands: from the collar over the bait, uneven at their ends in turn. */
function strandsOf({ skirt, head, bait }: Rig): Vec3[][] {
  if (!skirt) return [];
  const { length, uneven } = skirt;
  const root = Math.max(1, head.collar?.radius(-1e-6) ?? 2);
  const thick = Math.max(
    0,
    ...(bait?.laid.body ?? []).map(({ halfHeight, halfBreadth }) => Math.max(halfHeight, halfBreadth)),
  );
  return Array.from({ length: STRANDS }, (_, i): Vec3[] => {
    const turn = (2 * Math.PI * i) / STRANDS;
    const long = length + uneven * Math.sin(i * 2.4);
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    const bulge = Math.max(root, thick);
    const end = bulge + FLARE * long;
    return [
      [-0.5, root * c, root * s],
      [-0.35 * long, bulge * c, bulge * s],
      [-long, end * c, end * s],
    ];
  });
}

/**
 * Outline of the metal: of a plain head by the reach of its sections, of a worked one by the corners of its
 * surface.
 */
function headOutline({ head, profile }: Rig, up: number, aside: number): Vec2[] {
  const { length } = profile;
  const tops: Vec2[] = [];
  const bottoms: Vec2[] = [];
  if (isPlain(head)) {
    for (let i = 0; i <= STEPS; i++) {
      const x = (length * (1 - Math.cos((Math.PI * i) / STEPS))) / 2;
      const { b, t, d, nt, nb } = profile.section(Math.min(length * (1 - 1e-9), Math.max(length * 1e-9, x)));
      const reach = (way: 1 | -1) => {
        const above = way * up >= 0;
        const [h, n] = above ? [t, nt] : [d, nb];
        return reachOf({ halfBreadth: b, halfHeight: h, nt: n, nb: n }, 1 * Math.abs(up), aside);
      };
      tops.push([x, reach(1)]);
      bottoms.push([x, -reach(-1)]);
    }
    return [...tops, ...bottoms.reverse()];
  }
  const { positions } = surfaceMesh(bareHead(head), TURNED, TURNED);
  const bins = STEPS / 2;
  const high = new Float64Array(bins + 1).fill(-Infinity);
  const low = new Float64Array(bins + 1).fill(Infinity);
  let [least, most] = [Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 3) {
    least = Math.min(least, float64At(positions, i));
    most = Math.max(most, float64At(positions, i));
  }
  for (let i = 0; i < positions.length; i += 3) {
    const v = float64At(positions, i + 2) * up + float64At(positions, i + 1) * aside;
    const bin = Math.round((bins * (float64At(positions, i) - least)) / (most - least || 1));
    if (v > float64At(high, bin)) high[bin] = v;
    if (v < float64At(low, bin)) low[bin] = v;
  }
  for (let bin = 0; bin <= bins; bin++) {
    if (!Number.isFinite(high[bin])) continue;
    const x = least + ((most - least) * bin) / bins;
    tops.push([x, float64At(high, bin)]);
    bottoms.push([x, float64At(low, bin)]);
  }
  return [...tops, ...bottoms.reverse()];
}

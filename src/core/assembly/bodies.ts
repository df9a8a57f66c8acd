import { itemAt } from '../numeric/at.ts';
import type { HeadBody } from '../head/body.ts';
import { bareHead, isPlain } from '../head/body.ts';
import { loft, SHADOW } from '../head/loft.ts';
import type { MeshQuality } from '../head/loft.ts';
import type { Revolve } from '../head/revolve.ts';
import { surfaceMesh } from '../head/solid.ts';
import type { HookPath } from '../hook/path.ts';
import type { Ring } from '../hook/ring.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { cross, norm, scale, sub } from '../numeric/vec.ts';
import type { LaidPlastic } from '../rigging/method.ts';
import type { Part, Rig, RigidBody, Stick } from './rig.ts';

type Placed = Pick<Rig, 'head' | 'profile' | 'collar' | 'hook' | 'keeper' | 'guard' | 'bait'>;

/**
 * The rigid bodies of what was placed: one, or head and free hook. A keeper on a free hook's shank, and the
 * plastic, swing with the hook.
 */
export function rigidBodies(placed: Placed, parts: readonly Part[]): Rig['bodies'] {
  const { head, hook, bait } = placed;
  const faces = (worked?: MeshQuality) => surfaceMesh(bareHead(head), SHADOW, worked);
  const swings = ({ name }: Part) => name === 'hook' || name === 'plastic' || name === 'keeper';
  if (!hook.hinge) {
    return [
      {
        name: 'head',
        parts,
        faces,
        sticks: lazily(() => [...hookSticks(placed), ...headSticks(placed), ...baitSticks(bait?.laid)]),
        ...touching(head, () => [...hookPoints(hook), ...baitPoints(bait?.laid)]),
      },
    ];
  }
  const still: RigidBody = {
    name: 'head',
    parts: parts.filter((part) => !swings(part)),
    faces,
    sticks: lazily(() => headSticks(placed)),
    ...touching(head, () => wirePoints(hook.legAndShank, hook.wire / 2)),
  };
  const free: RigidBody = {
    name: 'hook',
    parts: parts.filter(swings),
    faces: undefined,
    sticks: lazily(() => [...hookSticks(placed), ...baitSticks(bait?.laid)]),
    ...touching(undefined, () => [...hookPoints(hook), ...baitPoints(bait?.laid)]),
  };
  return [still, free];
}

/** Made when first asked for, then kept. */
function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** Corners of what can touch: those of the metal, and those besides it. */
function touching(head: HeadBody | undefined, others: () => number[]): Pick<RigidBody, 'hull' | 'besides'> {
  const besides = lazily(() => Float64Array.from(others()));
  return {
    besides,
    hull: lazily(() => Float64Array.from([...(head ? headPoints(head) : []), ...besides()])),
  };
}

/**
 * Corners of the metal's surface with its collar. A worked head's surface costs a solid, so its bare one,
 * which drag asks for too, is taken, and the collar's rings beside it as far as they are metal.
 */
function headPoints(head: HeadBody): number[] {
  const { collar, profile } = head;
  if (!collar) return Array.from(surfaceMesh(head, SHADOW).positions);
  if (isPlain(head)) return Array.from(loft(profile, collar, SHADOW).positions);
  return [...surfaceMesh(bareHead(head), SHADOW).positions, ...collarPoints(head, collar)];
}

/**
 * Points about the ends and kinks of a collar, those that a slot has cut away left out. Between kinks its
 * sides are straight.
 */
function collarPoints({ holds }: HeadBody, { from, breaks, to, radius }: Revolve): number[] {
  const hair = 1e-6;
  const { corners } = SHADOW;
  const places = [from + hair, ...breaks.flatMap((x) => [x - hair, x + hair]), to - hair];
  return places.flatMap((x) => {
    const r = radius(x);
    return Array.from({ length: corners }, (_, k): Vec3 => {
      const turn = (2 * Math.PI * k) / corners;
      return [x, r * Math.cos(turn), r * Math.sin(turn)];
    })
      .filter(([, y, z]) => r > 0 && holds(x, y * (1 - hair), z * (1 - hair)))
      .flat();
  });
}

const AROUND = 6;
/** Turn of a wire, degrees, within which its points say nothing more about what can touch. */
const STRAIGHT = 6;

/** Points of a path where it has turned since the last one kept, and its ends. */
function thinned(path: readonly Vec3[]): Vec3[] {
  const limit = Math.cos((STRAIGHT * Math.PI) / 180);
  const kept: Vec3[] = [];
  let way: Vec3 | undefined;
  path.forEach((at, i) => {
    const before = path[i - 1];
    const next = path[i + 1];
    if (!before || !next) return void kept.push(at);
    const along = scale(sub(next, at), 1 / (norm(sub(next, at)) || 1));
    way ??= along;
    if (along[0] * way[0] + along[1] * way[1] + along[2] * way[2] > limit) return;
    kept.push(at);
    way = along;
  });
  return kept;
}

/** Points about a wire's surface. */
function wirePoints(path: readonly Vec3[], radius: number): number[] {
  const points: number[] = [];
  const few = thinned(path);
  few.forEach((at, i) => {
    const [a, b] = [few[Math.max(0, i - 1)] ?? at, few[Math.min(few.length - 1, i + 1)] ?? at];
    const along = scale(sub(b, a), 1 / (norm(sub(b, a)) || 1));
    const reference: Vec3 = Math.abs(along[1]) < 0.9 ? [0, 1, 0] : [1, 0, 0];
    const first = cross(along, reference);
    const u = scale(first, 1 / norm(first));
    const v = cross(along, u);
    for (let k = 0; k < AROUND; k++) {
      const turn = (2 * Math.PI * k) / AROUND;
      const [c, s] = [radius * Math.cos(turn), radius * Math.sin(turn)];
      points.push(at[0] + c * u[0] + s * v[0], at[1] + c * u[1] + s * v[1], at[2] + c * u[2] + s * v[2]);
    }
  });
  return points;
}

/**
 * The hook's curve and the ring it is tied or hung by; its eye of a fixed hook, its own ring of a free one.
 */
function hookPoints({ centre, wire, eye, hinge }: HookPath): number[] {
  // The point itself touches as a point, not as a wire's thickness.
  const shaft = centre.slice(0, -1);
  const tip = centre.at(-1) ?? [0, 0, 0];
  const ring: Ring = hinge ? hinge.hookEye : { ...eye, turns: 1 };
  return [...wirePoints(shaft, wire / 2), ...tip, ...ringPoints(ring, hinge ? undefined : eye)];
}

/** Points about a ring, in the plane of the hook or across it. */
function ringPoints({ centre, radius, wireRadius }: Ring, eye: HookPath['eye'] | undefined): number[] {
  const points: number[] = [];
  const reach = radius + wireRadius;
  const [ax, az] = eye ? [eye.along[0], eye.along[2]] : [1, 0];
  for (let k = 0; k < 12; k++) {
    const turn = (2 * Math.PI * k) / 12;
    const [c, s] = [reach * Math.cos(turn), reach * Math.sin(turn)];
    const isAcross = eye?.plane === 'crosswise';
    for (const thick of [-wireRadius, wireRadius]) {
      // One direction runs along the leg; the other is square to it, in the hook's plane or across it.
      const aside = isAcross ? thick : s;
      const over = isAcross ? s : thick;
      points.push(centre[0] + ax * c - az * aside, centre[1] + over, centre[2] + az * c + ax * aside);
    }
  }
  return points;
}

/** Sections of a laid plastic, as far as the body that carries: moving tails give way. */
function baitPoints(laid: LaidPlastic | undefined): number[] {
  if (!laid) return [];
  const points: number[] = [];
  const reach = laid.tailAt > 0 ? laid.tailAt : laid.length;
  laid.body.forEach(({ at, halfHeight, halfBreadth, nt, nb }) => {
    if (laid.seatAt - at[0] > reach || halfHeight === 0) return;
    for (let k = 0; k < 12; k++) {
      const turn = (2 * Math.PI * k) / 12;
      const [c, s] = [Math.cos(turn), Math.sin(turn)];
      // Even steps of the section's own parameter: a flat side keeps its corners.
      const bow = 2 / (s >= 0 ? nt : nb);
      points.push(
        at[0],
        halfBreadth * Math.sign(c) * Math.abs(c) ** bow,
        at[1] + halfHeight * Math.sign(s) * Math.abs(s) ** bow,
      );
    }
  });
  return points;
}

/** Whether a place lies in metal, as far as drag minds: within the head's height, or in its collar. */
export const inMetal =
  ({ profile, collar }: Pick<Rig, 'profile' | 'collar'>) =>
  ([x, , z]: Vec3): boolean => {
    if (x > 0 && x < profile.length) {
      const { t, d } = profile.section(x);
      return z < t && z > -d;
    }
    return collar !== undefined && x <= 0 && x > collar.from && Math.abs(z) < collar.radius(x);
  };

/** A wire in straight pieces, those inside the metal left out. */
function sticksAlong(placed: Placed, path: readonly Vec3[], diameter: number): Stick[] {
  const isHidden = inMetal(placed);
  const sticks: Stick[] = [];
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [itemAt(path, i - 1), itemAt(path, i)];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]);
    const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
    if (length === 0 || isHidden(middle)) continue;
    sticks.push({ middle, along: scale(sub(b, a), 1 / length), length, diameter });
  }
  return sticks;
}

/** The hook and, of a free one, the keeper on its shank. */
function hookSticks(placed: Placed): Stick[] {
  const { hook, keeper } = placed;
  const shaft = sticksAlong(placed, hook.centre, hook.wire);
  if (!hook.hinge) return shaft;
  return [
    ...shaft,
    ...(keeper?.wires ?? []).flatMap(({ path, diameter }) => sticksAlong(placed, path, diameter)),
  ];
}

/** What stands out of the head: eye, harness, keeper, collar and guard. */
function headSticks(placed: Placed): Stick[] {
  const { hook, keeper, collar, guard } = placed;
  const { centre, radius, wireRadius, along } = hook.eye;
  // The ring counts as two bars of its width, along the leg.
  const sticks: Stick[] = [{ middle: centre, along, length: 2 * radius, diameter: 4 * wireRadius }];
  if (hook.hinge) sticks.push(...sticksAlong(placed, hook.legAndShank, hook.wire));
  else
    for (const { path, diameter } of keeper?.wires ?? []) sticks.push(...sticksAlong(placed, path, diameter));
  if (collar) {
    const length = -collar.from;
    sticks.push({
      middle: [-length / 2, 0, 0],
      along: [1, 0, 0],
      length,
      diameter: 2 * collar.radius(-1e-6),
    });
  }
  if (guard && guard.free > 0)
    for (const { path, diameter } of guard.sticks) sticks.push(...sticksAlong(placed, path, diameter));
  return sticks;
}

/**
 * A laid plastic as sticks along its axis, each as thick as its section is on the mean, and its limbs: a face
 * is as broad as it shows.
 */
function baitSticks(laid: LaidPlastic | undefined): Stick[] {
  if (!laid) return [];
  const body = laid.body.slice(1).flatMap((to, i): Stick[] => {
    const from = laid.body[i];
    if (!from) return [];
    const diameter = (from.halfBreadth + from.halfHeight + to.halfBreadth + to.halfHeight) / 2;
    const section =
      ((from.halfBreadth + to.halfBreadth) / 2) * ((from.halfHeight + to.halfHeight) / 2) * Math.PI;
    return stickBetween([from.at[0], 0, from.at[1]], [to.at[0], 0, to.at[1]], diameter).map((stick) => ({
      ...stick,
      volume: section * stick.length,
    }));
  });
  // A face that tapers shows three fifths of its breadth on the mean; soft ones give way and turn its edge
  // (index).
  const limbs = laid.limbs.flatMap(({ root, end, of, broad, thickness }) =>
    stickBetween(root, end, of === 'face' ? 0.6 * broad : (broad + thickness) / 2),
  );
  return [...body, ...limbs];
}

function stickBetween(a: Vec3, b: Vec3, diameter: number): Stick[] {
  const length = norm(sub(b, a));
  if (length === 0 || diameter === 0) return [];
  const middle: Vec3 = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2, (a[2] + b[2]) / 2];
  return [{ middle, along: scale(sub(b, a), 1 / length), length, diameter }];
}

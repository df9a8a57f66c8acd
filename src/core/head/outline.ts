import type { Vec2 } from '../numeric/vec.ts';
import type { Profile } from './profile.ts';
import { sectionRadius, stationsAlong } from './profile.ts';
import type { Revolve } from './revolve.ts';

/** Closed outlines of a head in its three views, mm. Side is (x, z), top is (x, y), front is (y, z) seen from the nose. */
export interface HeadOutlines {
  readonly side: readonly Vec2[];
  readonly top: readonly Vec2[];
  readonly front: readonly Vec2[];
}

/** Outlines of a body; `count` stations along it. */
export function headOutlines(profile: Profile, count = 48): HeadOutlines {
  const xs = stationsAlong(profile, count);
  const sections = xs.map((x) => profile.section(x));
  const upper = xs.map((x, i): Vec2 => [x, sections[i]?.t ?? 0]);
  const lower = xs.map((x, i): Vec2 => [x, -(sections[i]?.d ?? 0)]).reverse();
  const left = xs.map((x, i): Vec2 => [x, sections[i]?.b ?? 0]);
  const right = left.map(([x, y]): Vec2 => [x, -y]).reverse();
  const turns = 72;
  const front = Array.from({ length: turns }, (_, k): Vec2 => {
    const turn = (2 * Math.PI * k) / turns;
    const [c, s] = [Math.cos(turn), Math.sin(turn)];
    // The front view's edge is the furthest any section reaches in that direction.
    let reach = 0;
    for (const section of sections) reach = Math.max(reach, sectionRadius(section, c, s));
    return [reach * c, reach * s];
  });
  return { side: [...upper, ...lower], top: [...left, ...right], front };
}

/** Outline of a collar, the same from the side and from above. Only the part behind the rear face and where it enters. */
export function collarOutline(collar: Revolve): Vec2[] {
  const hair = 1e-6;
  const xs = [collar.from, ...collar.breaks.flatMap((x) => [x - hair, x + hair]), collar.to].sort(
    (a, b) => a - b,
  );
  const upper = xs.map((x): Vec2 => [x, collar.radius(x)]);
  return [...upper, ...upper.map(([x, r]): Vec2 => [x, -r]).reverse()];
}

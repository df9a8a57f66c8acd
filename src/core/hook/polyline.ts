import type { Vec3 } from '../numeric/vec.ts';

/** A corner of a wire's line in the plane y = 0: where it is, and the radius it is bent to. */
export interface Corner {
  readonly x: number;
  readonly z: number;
  readonly radius: number;
}

/**
 * Centre line through corners, each rounded to its radius (less where its legs are too short for it), as
 * points no more than `step` apart on straights and `step` or 0.3 mm in bends. The first and last corner are
 * its ends.
 */
export function bentWire(corners: readonly Corner[], step: number): Vec3[] {
  const points: Vec3[] = [];
  const push = (x: number, z: number) => {
    const last = points.at(-1);
    if (!last || Math.hypot(x - last[0], z - last[2]) > 1e-9) points.push([x, 0, z]);
  };
  const straightTo = (x: number, z: number) => {
    const last = points.at(-1);
    if (!last) return push(x, z);
    const pieces = Math.max(1, Math.ceil(Math.hypot(x - last[0], z - last[2]) / step));
    const [x0, , z0] = last;
    for (let i = 1; i <= pieces; i++) push(x0 + ((x - x0) * i) / pieces, z0 + ((z - z0) * i) / pieces);
  };
  corners.forEach((corner, i) => {
    const [before, after] = [corners[i - 1], corners[i + 1]];
    if (!before || !after) return straightTo(corner.x, corner.z);
    const [ax, az] = [before.x - corner.x, before.z - corner.z];
    const [bx, bz] = [after.x - corner.x, after.z - corner.z];
    const [la, lb] = [Math.hypot(ax, az), Math.hypot(bx, bz)];
    const turn = Math.acos(Math.min(1, Math.max(-1, (ax * bx + az * bz) / (la * lb))));
    if (!(turn < Math.PI - 1e-6)) return straightTo(corner.x, corner.z);
    const half = turn / 2;
    // An end leg may be used up to nine tenths, one between two bends to just under half.
    const room = Math.min(la * (i === 1 ? 0.9 : 0.48), lb * (i === corners.length - 2 ? 0.9 : 0.48));
    const cut = Math.min(corner.radius / Math.tan(half), room);
    const radius = cut * Math.tan(half);
    const [ux, uz, vx, vz] = [ax / la, az / la, bx / lb, bz / lb];
    straightTo(corner.x + ux * cut, corner.z + uz * cut);
    const toCentre = radius / Math.sin(half);
    const [mx, mz] = [ux + vx, uz + vz];
    const lm = Math.hypot(mx, mz);
    const [cx, cz] = [corner.x + (mx / lm) * toCentre, corner.z + (mz / lm) * toCentre];
    const from = Math.atan2(corner.z + uz * cut - cz, corner.x + ux * cut - cx);
    let sweep = Math.atan2(corner.z + vz * cut - cz, corner.x + vx * cut - cx) - from;
    if (sweep > Math.PI) sweep -= 2 * Math.PI;
    if (sweep < -Math.PI) sweep += 2 * Math.PI;
    const pieces = Math.max(3, Math.ceil((Math.abs(sweep) * radius) / Math.min(step, 0.3)));
    for (let k = 1; k <= pieces; k++) {
      const angle = from + (sweep * k) / pieces;
      push(cx + radius * Math.cos(angle), cz + radius * Math.sin(angle));
    }
  });
  return points;
}

/** Length of a line through points, mm. */
export function pathLength(points: readonly Vec3[]): number {
  let length = 0;
  points.forEach((point, i) => {
    const previous = points[i - 1];
    if (previous)
      length += Math.hypot(point[0] - previous[0], point[1] - previous[1], point[2] - previous[2]);
  });
  return length;
}

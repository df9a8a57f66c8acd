import { integrateRounded } from '../numeric/gauss.ts';
import type { Vec3 } from '../numeric/vec.ts';
import type { Profile } from './profile.ts';
import { sectionArea, sectionMoment, sectionRadius } from './profile.ts';
import type { Revolve } from './revolve.ts';
import { revolveVolume } from './revolve.ts';

/** Volume and centroid without a mesh. */
export interface Bulk {
  /** mm³ */
  readonly volume: number;
  /** mm */
  readonly centroid: Vec3;
}

/** Volume and centroid of a body by quadrature over its sections: the check of the mesh, and the figure shown. */
export function bodyBulk(profile: Profile): Bulk {
  let [volume, mx, mz] = [0, 0, 0];
  for (let i = 1; i < profile.breaks.length; i++) {
    const [a, b] = [profile.breaks[i - 1] ?? 0, profile.breaks[i] ?? 0];
    volume += integrateRounded((x) => sectionArea(profile.section(x)), a, b);
    mx += integrateRounded((x) => x * sectionArea(profile.section(x)), a, b);
    mz += integrateRounded((x) => sectionMoment(profile.section(x)), a, b);
  }
  return { volume, centroid: [mx / volume, 0, mz / volume] };
}

/** Unit vectors over the left half, read off once: left and right are alike. */
const DIRECTIONS = Array.from({ length: 64 }, (_, j) => {
  const turn = (Math.PI * (j + 0.5)) / 64 - Math.PI / 2;
  return [Math.cos(turn), Math.sin(turn)] as const;
});

/** The part of a collar that stands outside the body: all of it behind the rear face, and the ring around a rounded rear. */
export function collarBulk(profile: Profile, collar: Revolve): Bulk {
  const behind = revolveVolume(collar, collar.from, 0);
  const slices = 48;
  let [volume, moment] = [behind, 0];
  const tail = collar.breaks.filter((x) => x < 0);
  const ends = [collar.from, ...tail, 0];
  for (let i = 1; i < ends.length; i++) {
    const [a, b] = [ends[i - 1] ?? 0, ends[i] ?? 0];
    moment += revolveVolume(collar, a, b) * ((a + b) / 2);
  }
  // In front of the rear face: what of the circle sticks out of the section, summed over directions.
  for (let k = 0; k < slices; k++) {
    const x = (collar.to * (k + 0.5)) / slices;
    const section = profile.section(x);
    const r = collar.radius(x);
    let area = 0;
    for (const [cosine, sine] of DIRECTIONS) {
      const rho = sectionRadius(section, cosine, sine);
      if (rho < r) area += ((r * r - rho * rho) * Math.PI) / DIRECTIONS.length;
    }
    const slice = (area * collar.to) / slices;
    volume += slice;
    moment += slice * x;
  }
  return { volume, centroid: [volume > 0 ? moment / volume : 0, 0, 0] };
}

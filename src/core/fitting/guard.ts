import type { FibreGuardSpec } from '../design.ts';
import type { Profile } from '../head/profile.ts';
import type { Vec3 } from '../numeric/vec.ts';
import { radians } from '../numeric/vec.ts';

/** Share of a bundle's circle that round fibres fill (hexagonal packing would be 0.91; glued bundles fill about 0.75: from memory). */
const PACKING = 0.75;
/** Deepest hole drilled or cored for a guard, mm (common practice, no source). */
const DEEPEST = 5;

/** A fibre guard in place: a bundle that leans back from the crown of the head to the hook point. */
export interface GuardBody {
  readonly base: Vec3;
  /** unit vector from the base to the ends */
  readonly along: Vec3;
  /** free length after trimming, mm */
  readonly free: number;
  /** length glued in the head, mm */
  readonly depth: number;
  /** radius of the bundle where it leaves the head, mm */
  readonly bundleRadius: number;
  /** middle of the fibre ends */
  readonly end: Vec3;
  /** centre line of the hole, from its floor to just outside the surface */
  readonly bore: readonly Vec3[];
  /** solid volume of all fibres, free and glued, mm³ */
  readonly fibreVolume: number;
  /** how far behind the hook point the fibres cross the point's height, mm; negative when they stop short of it */
  readonly pastPoint: number;
  /** how far the ends stand above (+) or below (−) the point, mm */
  readonly overPoint: number;
}

/**
 * Places a fibre guard. Trimmed guards are cut so that the ends lie level with the hook point
 * (the longest fibre that the bought length allows); others keep their bought length.
 */
export function guardBody(spec: FibreGuardSpec, profile: Profile, tip: Vec3): GuardBody {
  const x = profile.length * (1 - spec.setback);
  const { t } = profile.section(x);
  const base: Vec3 = [x, 0, t];
  const along: Vec3 = [-Math.cos(radians(spec.lean)), 0, Math.sin(radians(spec.lean))];
  const toPointLevel = Math.max(0, (tip[2] - t) / along[2]);
  const free = spec.trimmed ? Math.min(spec.length, toPointLevel) : spec.length;
  const end: Vec3 = [x + along[0] * free, 0, t + along[2] * free];
  const depth = Math.min(DEEPEST, (0.7 * t) / along[2]);
  const bundleRadius = (spec.fibre / 2) * Math.sqrt(spec.count / PACKING);
  const bore: Vec3[] = [];
  const pieces = 16;
  for (let i = 0; i <= pieces; i++) {
    const s = -depth + (depth + bundleRadius * 2) * (i / pieces);
    bore.push([x + along[0] * s, 0, t + along[2] * s]);
  }
  return {
    base,
    along,
    free,
    depth,
    bundleRadius,
    end,
    bore,
    fibreVolume: spec.count * Math.PI * (spec.fibre / 2) ** 2 * (free + depth),
    pastPoint: tip[0] - (x + along[0] * toPointLevel),
    overPoint: end[2] - tip[2],
  };
}

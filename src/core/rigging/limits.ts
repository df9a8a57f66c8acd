import type { Plastic } from '../document/plastic.ts';
import type { RigMethod } from './lay.ts';

/** Spans of a value in stored units: within `good` it is good, within `tight` tight, beyond bad. */
export interface Limits {
  readonly good: readonly [number, number];
  readonly tight: readonly [number, number];
}

/**
 * Where the hook should come out, as a share of the body (common practice, no source): near the middle of a paddle-tail, in the front half
 * of a stick, before the claws of a claw bait.
 */
const EXIT_SHARE: Readonly<Record<Plastic['kind'], Limits>> = {
  'paddle-tail': { good: [0.33, 0.6], tight: [0.25, 0.72] },
  stick: { good: [0.2, 0.5], tight: [0.14, 0.65] },
  claw: { good: [0.28, 0.5], tight: [0.2, 0.56] },
};

/** Buried, the point lies further forward than a bare hook comes out, since it points back to the head (working limits, common practice, no source). */
const BURIED_SHARE = { good: [0.12, 0.5], tight: [0.07, 0.6] } as const;

/** Where the hook should leave the body, or a buried point lie, as a share of the body. */
export const exitLimits = (plastic: Plastic, method: RigMethod): Limits =>
  method === 'threaded' ? EXIT_SHARE[plastic.kind] : BURIED_SHARE;

/** Body that should stay free behind the hook, as a share of its length (working limit, common practice, no source). */
export const TAIL_ROOM = 0.06;

/** Degrees a buried body may be bent between seat and point before it spins (working limits, common practice, no source). */
export const STRAIGHT = { good: 25, tight: 38 };

/** Limits on what fills the gap: half of it should stay free under a bare point, three tenths under a buried one (common practice, no source). */
export const GAP_LIMITS: Readonly<Record<RigMethod, { good: number; tight: number }>> = {
  threaded: { good: 0.5, tight: 0.35 },
  buried: { good: 0.3, tight: 0.15 },
};

import { guardForce } from '../behaviour/guard-force.ts';
import { assemble } from '../assembly/assemble.ts';
import type { Design } from '../document/design.ts';
import type { Metal } from '../material/metals/metal.ts';
import { METALS } from '../material/metals/index.ts';
import { toDesign } from '../rigging/laying.ts';
import type { Remedy } from '../rigging/method.ts';

/**
 * How fibres are spread for a cover, degrees (common practice, no source): fanned in moderate cover, bundled
 * in the thickest.
 */
export const FANS = [
  { cover: 'branches, grass beds, docks, stumps', fan: 45 },
  { cover: 'the thickest bushes', fan: 0 },
] as const;

/** A way of setting a guard for a cover, and what it then takes to lay down. */
export interface GuardWay {
  readonly cover: string;
  readonly fan: number;
  /** N, to lay it down to the point */
  readonly force: number;
  readonly remedy: Remedy;
}

/** A fibre guard as it is set, and other ways of setting it. */
export interface GuardWays {
  /** cut off the fibres as bought, mm; 0 where they are left as bought */
  readonly cut: number;
  /** N */
  readonly force: number;
  readonly ways: readonly GuardWay[];
}

/**
 * What is cut off a brush of fibres, and how hard it lies down as it is and fanned for each cover; undefined
 * without a brush.
 */
export function guardWays(built: Design, metals: readonly Metal[] = METALS): GuardWays | undefined {
  if (built.guard.kind !== 'fibre') return undefined;
  const { guard } = built;
  const rigOf = (fan: number) => assemble({ ...built, guard: { ...guard, fan } }, metals);
  const forceOf = (fan: number) => guardForce(rigOf(fan))?.force ?? 0;
  return {
    cut: Math.max(0, guard.length - (rigOf(guard.fan).guard?.free ?? guard.length)),
    force: forceOf(guard.fan),
    ways: FANS.map(({ cover, fan }) => ({
      cover,
      fan,
      force: forceOf(fan),
      remedy: toDesign('/guard/fan', fan, fan > 0 ? `fan it ${fan}°` : 'bundle it'),
    })),
  };
}

import type { GuardSpec } from '../../document/design.ts';
import { fibre } from './fibre.ts';
import type { GuardBody, GuardGround, GuardKind } from './guard.ts';
import { none } from './none.ts';
import { twinWire } from './twin-wire.ts';
import { wireLoop } from './wire-loop.ts';
import { y } from './y.ts';

/** Every kind of guard; a new one is one file and one line here. */
export const GUARDS = [none, fibre, y, twinWire, wireLoop] as unknown as readonly GuardKind[];

export const guardKind = (kind: GuardSpec['kind']): GuardKind =>
  GUARDS.find((candidate) => candidate.kind === kind) ?? (none as unknown as GuardKind);

/** A guard in place; undefined where there is none. */
export const guardBody = (spec: GuardSpec, ground: GuardGround): GuardBody | undefined =>
  guardKind(spec.kind).build(spec, ground);

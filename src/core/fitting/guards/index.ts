import { kindOf } from '../../kind/registry.ts';
import { fibre } from './fibre.ts';
import type { GuardBody, GuardGround, GuardKind, Placed } from './guard.ts';
import { none } from './none.ts';
import { twinWire } from './twin-wire.ts';
import { wireLoop } from './wire-loop.ts';
import { y } from './y.ts';

const ALL = [none, fibre, y, twinWire, wireLoop] as const;

/** Every kind of guard, in the order of menus; a new one is one file and one line here. */
export const GUARDS: readonly GuardKind[] = ALL;

/** What guards the point, as a document says it. */
export type GuardSpec = (typeof ALL)[number]['initial'];

/** The kind of a key. Throws for one that is not of `GUARDS`. */
export const guardOf = (key: string): GuardKind => kindOf(GUARDS, key, 'Guard');

/** A guard of a kind with everyday sizes. Throws for a key that is not of `GUARDS`. */
export const guardInitial = (key: string): GuardSpec => kindOf(ALL, key, 'Guard').initial;

/** Whether a document’s guard stands over the point at all, and so has a place in the head. */
export const isGuarded = (spec: GuardSpec): spec is Extract<GuardSpec, Placed> => !guardOf(spec.kind).isBare;

/** A guard in place; undefined where there is none. */
export const guardBody = (spec: GuardSpec, ground: GuardGround): GuardBody | undefined =>
  guardOf(spec.kind).build(spec, ground);

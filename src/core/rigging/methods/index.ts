import { kindOf } from '../../kind/registry.ts';
import type { MethodKind } from '../method.ts';
import { buried } from './buried.ts';
import { threaded } from './threaded.ts';

const ALL = [threaded, buried] as const;

/** Every method of rigging, in the order of menus; a new one is one file and one line here. */
export const METHODS: readonly MethodKind<MethodKey>[] = ALL;
export type MethodKey = (typeof ALL)[number]['key'];

/** The method of a key. Throws for one that is not of `METHODS`. */
export const methodOf = (key: string): MethodKind => kindOf(METHODS, key, 'Method');

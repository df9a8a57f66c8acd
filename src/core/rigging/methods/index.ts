import { kindOf } from '../../kind/registry.ts';
import type { MethodKind } from '../method.ts';
import { barrelled } from './barrelled.ts';
import { bent } from './bent.ts';
import { buried } from './buried.ts';
import { exposed } from './exposed.ts';
import { hollowInsert } from './hollow-insert.ts';
import { noseHooked } from './nose-hooked.ts';
import { screwed } from './screwed.ts';
import { skin } from './skin.ts';
import { threaded } from './threaded.ts';
import { trailer } from './trailer.ts';
import { tubeInsert } from './tube-insert.ts';

const ALL = [
  threaded,
  bent,
  buried,
  skin,
  exposed,
  screwed,
  barrelled,
  tubeInsert,
  hollowInsert,
  noseHooked,
  trailer,
] as const;

/** Every method of rigging, in the order of menus; a new one is one file and one line here. */
export const METHODS: readonly MethodKind<MethodKey>[] = ALL;
/** The key of a method of rigging. */
export type MethodKey = (typeof ALL)[number]['key'];

/** The method of a key. Throws for one that is not of `METHODS`. */
export const methodOf = (key: string): MethodKind => kindOf(METHODS, key, 'Method');

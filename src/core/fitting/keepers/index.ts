import { kindOf } from '../../kind/registry.ts';
import { barbs } from './barbs.ts';
import { barrel } from './barrel.ts';
import { collar } from './collar.ts';
import type { KeeperBody, KeeperGround, KeeperKind } from './keeper.ts';
import { none } from './none.ts';
import { screw } from './screw.ts';
import { spring } from './spring.ts';
import { wire } from './wire.ts';

const ALL = [collar, barrel, wire, barbs, screw, spring, none] as const;

/** Every kind of keeper, in the order of menus; a new one is one file and one line here. */
export const KEEPERS: readonly KeeperKind[] = ALL;

/** What holds a plastic, as a document says it. */
export type KeeperSpec = (typeof ALL)[number]['initial'];

/** The kind of a key. Throws for one that is not of `KEEPERS`. */
export const keeperOf = (key: string): KeeperKind => kindOf(KEEPERS, key, 'Keeper');

/** A keeper of a kind with everyday sizes. Throws for a key that is not of `KEEPERS`. */
export const keeperInitial = (key: string): KeeperSpec => kindOf(ALL, key, 'Keeper').initial;

/** A keeper in place; undefined when the head is nowhere wide enough for what is cast. */
export const keeperBody = (spec: KeeperSpec, ground: KeeperGround): KeeperBody | undefined =>
  keeperOf(spec.kind).build(spec, ground);

/** Hold area of the everyday barbed collar, against which holds are told as an index, mm². */
export const HOLD_REFERENCE =
  collar.build(collar.initial, {
    profile: { length: 100, breaks: [0, 100], section: () => ({ b: 50, t: 50, d: 50, nt: 2, nb: 2 }) },
    wire: 1,
  })?.holdArea ?? NaN;

import type { KeeperSpec } from '../../document/design.ts';
import { barbs } from './barbs.ts';
import { barrel } from './barrel.ts';
import { collar } from './collar.ts';
import type { KeeperBody, KeeperGround, KeeperKind } from './keeper.ts';
import { none } from './none.ts';
import { screw } from './screw.ts';
import { spring } from './spring.ts';
import { wire } from './wire.ts';

/** Every kind of keeper; a new one is one file and one line here. */
export const KEEPERS = [collar, barrel, wire, barbs, screw, spring, none] as unknown as readonly KeeperKind[];

export const keeperKind = (kind: KeeperSpec['kind']): KeeperKind =>
  KEEPERS.find((candidate) => candidate.kind === kind) ?? (none as unknown as KeeperKind);

/** A keeper in place; undefined when the head is nowhere wide enough for what is cast. */
export const keeperBody = (spec: KeeperSpec, ground: KeeperGround): KeeperBody | undefined =>
  keeperKind(spec.kind).build(spec, ground);

/** Hold area of the everyday barbed collar, against which holds are told as an index, mm². */
export const HOLD_REFERENCE = collar.build(collar.initial, { profile: { length: 100, breaks: [0, 100], section: () => ({ b: 50, t: 50, d: 50, nt: 2, nb: 2 }) }, wire: 1 })?.holdArea ?? 1; // prettier-ignore

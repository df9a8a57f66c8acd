/** What contract, server, interface and terminal use of this room. */
export type { GuardSpec } from './guards/index.ts';
export { GUARDS, guardInitial, guardOf } from './guards/index.ts';
export type { KeeperSpec } from './keepers/index.ts';
export { KEEPERS, keeperInitial, keeperOf } from './keepers/index.ts';
export type { Skirt } from './skirt.ts';
export { SKIRT_RANGES } from './skirt.ts';

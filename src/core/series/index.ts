/** What contract, server, interface and terminal use of this room. */
export { rungBuilder, starterLadder } from './ladder.ts';
export type { MetalOutcome, MetalRow } from './metal-table.ts';
export { metalTable } from './metal-table.ts';

export type { HeadBuilt, KnownHeads } from './build-heads.ts';
export { buildHead, doubleFinder, knownHeads } from './build-heads.ts';
export type { HeadColumn } from './columns.ts';
export { guessColumns, HEAD_FIELD_KEYS, HEAD_FIELDS, unitsOf } from './columns.ts';
export type { HeadRow } from './read-heads.ts';
export { readHeads } from './read-heads.ts';
export { headsHeading, headsLines, writeHeadsCsv } from './write-heads.ts';
export type { TableCells } from './cells.ts';
export { tableCells } from './cells.ts';

/** What contract, server, interface and terminal use of this room. */
export type { ExportType } from './exports/index.ts';
export { EXPORTS } from './exports/index.ts';

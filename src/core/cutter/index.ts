/** What contract, server, interface and terminal use of this room. */
export { CUTTERS, cutterOf } from './kinds.ts';

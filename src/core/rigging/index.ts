/** What contract, server, interface and terminal use of this room. */
export { SKIRT_UNEVEN } from './limits.ts';
export type { Remedy } from './method.ts';
export type { MethodKey } from './methods/index.ts';
export { METHODS, methodOf } from './methods/index.ts';

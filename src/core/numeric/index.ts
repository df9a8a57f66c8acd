/** What contract, server, interface and terminal use of this room. */
export type { Vec2, Vec3 } from './vec.ts';
export { itemAt, pair, triple } from './at.ts';
export { clamp, degrees, radians } from './vec.ts';

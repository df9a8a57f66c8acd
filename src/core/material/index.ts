/** What contract, server, interface and terminal use of this room. */
export type { LineKey } from './lines.ts';
export { LINE_KINDS, lineDiameter } from './lines.ts';
export { METALS } from './metals/index.ts';
export type { Metal } from './metals/metal.ts';
export { SALINITY, waterDensity } from './water.ts';

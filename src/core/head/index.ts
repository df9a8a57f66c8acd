/** What contract, server, interface and terminal use of this room. */
export { ball } from './families/ball.ts';
export { DRAWN_FAMILIES, FAMILIES, familyOf, stationsOf } from './families/index.ts';
export type { Family } from './family.ts';
export { FAMILY_GROUPS, completeDimensions } from './family.ts';
export type { FeatureSpec } from './features/index.ts';
export { FEATURES } from './features/index.ts';
export type { DrawnEdge } from './features/shape.ts';
export { loadSolids } from './kernel.ts';
export { familyOutlines } from './outline.ts';
export type { Station, TargetOf } from './schema.ts';
export { CHORD_RANGE, HEAD_RANGES } from './schema.ts';
export { surfaceMesh } from './solid.ts';

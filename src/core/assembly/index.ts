/** What contract, server, interface and terminal use of this room. */
export { assemble } from './assemble.ts';
export { castSolid } from './cast-solid.ts';
export type { Bait, Rig } from './rig.ts';
export { headMass, metalPart } from './rig.ts';
export { solveTarget, weightOf } from './solve.ts';
export { checkDesign } from './check.ts';

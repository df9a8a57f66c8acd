/** What contract, server, interface and terminal use of this room. */
export type { Flag, Surroundings } from './behaviour.ts';
export { READING_GROUPS } from './behaviour.ts';

export { ROD_POWERS, USUAL_FISHING, fishingOf } from './fishing.ts';
export { frontOf } from './front.ts';
export type { Reading, ReadingId, Readings } from './registry.ts';
export { BEHAVIOURS, READINGS, READING_IDS } from './registry.ts';
export { restPoses } from './rest-poses.ts';
export { lineToRod } from './tow.ts';

/** What contract, server, interface and terminal use of this room. */
export type { WaterCalibration } from './from-water.ts';
export { calibrationFor } from './from-water.ts';
export type { Proportion } from './proportion.ts';
export { wilson } from './proportion.ts';
export { rateRatio, weightTrend } from './rates.ts';
export type { Compared, Split } from './tally.ts';
export { OUTCOMES, SPLITS, askew, compareGroups, peekingWarning, totalsBy } from './tally.ts';

/** What contract, server, interface and terminal use of this room. */
export { addedBy, coverageOf, worthOf } from './coverage.ts';
export type { FallRung, LadderStep } from './ladder-gaps.ts';
export { ladderSteps } from './ladder-gaps.ts';
export { mixed, spanning } from './mix.ts';
export type { Trade } from './money.ts';
export { marginOf, outlayOf } from './money.ts';
export type { RangeProblem, Serving } from './programme.ts';
export type { Progress, RangeSolved } from './solve.ts';
export { leastRange, loadSolver } from './solve.ts';

/** What contract, server, interface and terminal use of this room. */
export type { Evaluation } from './evaluate.ts';
export { PLAIN_WATER, evaluate } from './evaluate.ts';
export type { Fit } from './fit.ts';
export { judgeFit } from './fit.ts';
export type { GuardWays } from './guard-ways.ts';
export { guardWays } from './guard-ways.ts';
export type { Pairing } from './pairings.ts';
export { bestPairing, pairingOf } from './pairings.ts';
export type { PullFigure, TackleFigure } from './pull-figure.ts';
export { mostPull, pullFigure } from './pull-figure.ts';
export { applyRemedy } from './remedies.ts';
export type { FitCheck, Verdict } from './verdict.ts';
export type { PoseFigure, WaterFigure } from './water.ts';
export { waterFigure } from './water.ts';

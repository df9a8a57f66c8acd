import type { KnownSituation } from './situation.ts';
import { situation } from './situation.ts';

/** Law and cost: common practice, no source. */
export const LAW_AND_COST: readonly KnownSituation[] = [
  situation(
    'no-lead',
    'Where lead is not allowed',
    12,
    'gravel',
    'open',
    { retrieve: 'drag' },
    ['paddle-tail', 4],
    ['fluorocarbon', 12],
    { lead: false },
  ),
  situation(
    'cheap-rock',
    'Rock that takes every other head',
    12,
    'broken rock',
    'open',
    { retrieve: 'drag' },
    ['curl-tail', 3],
    ['fluorocarbon', 10],
    { price: 0.6 },
  ),
];

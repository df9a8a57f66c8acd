import type { KnownSituation } from './situation.ts';
import { situation } from './situation.ts';

/** Inside the bait: common practice, no source. */
export const INSIDE_THE_BAIT: readonly KnownSituation[] = [
  situation(
    'tube-rock',
    'A tube dragged over stone',
    12,
    'broken rock',
    'open',
    { retrieve: 'drag' },
    ['tube', 3.5],
    ['fluorocarbon', 10],
  ),
  situation(
    'tube-snap',
    'A tube snapped over stone',
    10,
    'broken rock',
    'open',
    { retrieve: 'snap' },
    ['tube', 3.5],
    ['fluorocarbon', 12],
  ),
  situation(
    'hollow-drag',
    'A hollow body dragged',
    18,
    'gravel',
    'open',
    { retrieve: 'drag' },
    ['hollow', 3.75],
    ['fluorocarbon', 20],
  ),
];

import type { KnownSituation } from './situation.ts';
import { situation } from './situation.ts';

/** Swinging heads: common practice, no source. */
export const SWINGING: readonly KnownSituation[] = [
  situation(
    'wind-rock-shallow',
    'Winding a swinging head over shallow rock',
    8,
    'broken rock',
    'open',
    { retrieve: 'wind on the bottom' },
    ['claw', 4],
    ['fluorocarbon', 17],
  ),
  situation(
    'wind-rock-deep',
    'Winding a swinging head over deep rock',
    20,
    'broken rock',
    'open',
    { retrieve: 'wind on the bottom' },
    ['claw', 4],
    ['fluorocarbon', 15],
  ),
  situation(
    'wind-wood',
    'Winding through stumps',
    8,
    'mud',
    'brush and wood',
    { retrieve: 'crawl' },
    ['creature', 4],
    ['fluorocarbon', 17],
  ),
  situation(
    'wind-current',
    'Winding in a strong current',
    12,
    'gravel',
    'open',
    { retrieve: 'wind on the bottom' },
    ['claw', 4],
    ['fluorocarbon', 17],
    { water: { current: 0.5 } },
  ),
];

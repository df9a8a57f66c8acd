import type { KnownSituation } from './situation.ts';
import { situation } from './situation.ts';

/** Straight down: common practice, no source. */
export const STRAIGHT_DOWN: readonly KnownSituation[] = [
  situation(
    'panfish-10',
    'Panfish straight down, shallow',
    10,
    'mud',
    'open',
    { retrieve: 'vertical', from: 'boat at rest' },
    ['micro', 1.25],
    ['fluorocarbon', 2],
    { water: { sight: 3 } },
  ),
  situation(
    'panfish-30',
    'Panfish straight down, deep',
    30,
    'mud',
    'open',
    { retrieve: 'vertical', from: 'boat at rest' },
    ['micro', 1.25],
    ['fluorocarbon', 2],
  ),
  situation(
    'ice-sounder',
    'Under the ice with a sounder',
    20,
    'mud',
    'open',
    { retrieve: 'vertical', sounder: true, from: 'boat at rest' },
    ['micro', 1.25],
    ['fluorocarbon', 2],
    { water: { temperature: 2 } },
  ),
  situation(
    'vertical-boat',
    'Straight down under a boat',
    25,
    'gravel',
    'open',
    { retrieve: 'vertical', from: 'drifting boat' },
    ['minnow', 4],
    ['braid', 10],
  ),
];

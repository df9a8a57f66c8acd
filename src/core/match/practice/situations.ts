import { COVER } from './situations/cover.ts';
import { FISH } from './situations/fish.ts';
import { INSIDE_THE_BAIT } from './situations/inside-the-bait.ts';
import { LAW_AND_COST } from './situations/law-and-cost.ts';
import { SALT } from './situations/salt.ts';
import { STONE } from './situations/stone.ts';
import { STRAIGHT_DOWN } from './situations/straight-down.ts';
import { SWIMMING } from './situations/swimming.ts';
import { SWINGING } from './situations/swinging.ts';
import type { KnownSituation } from './situations/situation.ts';

/**
 * What heads are used for: common practice, no source. A head’s uses are told by them, and the rules are held
 * to what the trade says of each.
 */
export const SITUATIONS: readonly KnownSituation[] = [
  ...STONE,
  ...SWINGING,
  ...COVER,
  ...SWIMMING,
  ...STRAIGHT_DOWN,
  ...INSIDE_THE_BAIT,
  ...FISH,
  ...LAW_AND_COST,
  ...SALT,
];

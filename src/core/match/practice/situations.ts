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

/** Known situations under a heading, as they are chosen from. */
export interface SituationGroup {
  readonly name: string;
  readonly situations: readonly KnownSituation[];
}

/** What heads are used for, under headings: common practice, no source. */
export const SITUATION_GROUPS: readonly SituationGroup[] = [
  { name: 'Rock and hard bottom', situations: STONE },
  { name: 'Swinging heads', situations: SWINGING },
  { name: 'Weed, wood and docks', situations: COVER },
  { name: 'Open water', situations: SWIMMING },
  { name: 'Straight down', situations: STRAIGHT_DOWN },
  { name: 'Tubes and hollow baits', situations: INSIDE_THE_BAIT },
  { name: 'The fish', situations: FISH },
  { name: 'Law and cost', situations: LAW_AND_COST },
  { name: 'Salt water', situations: SALT },
];

/**
 * All of them. A head’s uses are told by them, and the rules are held to what the trade says of each.
 */
export const SITUATIONS: readonly KnownSituation[] = SITUATION_GROUPS.flatMap(({ situations }) => situations);

import { wordName } from '../../document/brief-words.ts';
import { KILOGRAMS_PER_POUND, METRES_PER_FOOT } from '../../quantity/units.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import { marked, markedRound, withUsual } from '../../quantity/phrase.ts';
import type { Situation } from '../engine/situation.ts';

/** What a shop would ask back, or say beside the heads. Quantities are marked. */
export interface Remark {
  readonly key: string;
  /** the field of the brief it is about */
  readonly path: string;
  readonly says: string;
}

interface ConditionalRemark extends Omit<Remark, 'says'> {
  readonly says: string | ((situation: Situation) => string);
  readonly holds: (situation: Situation) => boolean;
}

const LB = KILOGRAMS_PER_POUND;
const FT = METRES_PER_FOOT;
/** How freely a kind of plastic moves in cold water up to which it goes dead there (index, working value). */
const STIFF = 0.65;
const isPlain = ({ line }: Situation) => line.material !== 'braid';

/** What makes a shop ask back (common practice, no source). */
const DOUBTS: readonly ConditionalRemark[] = [
  {
    key: 'cold-swim',
    path: '/fishing/retrieve',
    holds: ({ retrieve, water }) => retrieve === 'swim' && water.temperature < 10,
    says: 'Swimming below {50 °F}: fish slowly and small, or drag a compact bait.',
  },
  {
    key: 'cold-rest',
    path: '/fishing/rest',
    holds: ({ cold, touches, rest, retrieve }) =>
      cold > 0.5 && touches && rest < 8 && retrieve !== 'wind on the bottom' && retrieve !== 'crawl',
    says: 'Cold fish want pauses of 10 to 20 seconds.',
  },
  {
    key: 'cold-stroke',
    path: '/fishing/retrieve',
    holds: ({ cold, retrieve }) => cold > 0.5 && retrieve === 'stroke',
    says: 'Stroking is for warm water and schooling fish: in cold, creep it along.',
  },
  {
    key: 'glider-boat',
    path: '/fishing/from',
    holds: ({ retrieve, from }) =>
      retrieve === 'snap' && (from === 'moving boat' || from === 'drifting boat'),
    says: 'A glider drifts off its line from a moving boat: hold the boat first.',
  },
  {
    key: 'coils',
    path: '/line/test',
    holds: (at) =>
      isPlain(at) &&
      at.retrieve === 'vertical' &&
      at.water.depth >= 4.5 &&
      at.line.test >= 3.5 * LB &&
      at.size === 'panfish',
    says: 'On {4 to 6 lb} line bites at {20 ft} hide in the coils: the fish must first straighten {3 to 4 in} of it.',
  },
  {
    key: 'panfish-line',
    path: '/line/test',
    holds: (at) =>
      isPlain(at) && at.size === 'panfish' && at.retrieve === 'vertical' && at.line.test > 3.2 * LB,
    says:
      'For panfish straight down {2 lb} is normal and {3 lb} the most: too thick a line is the ' +
      'usual mistake after too large a head.',
  },
  {
    key: 'line-lifts',
    path: '/line/test',
    holds: (at) =>
      isPlain(at) &&
      at.retrieve === 'wind on the bottom' &&
      at.water.depth >= 14 * FT &&
      at.line.test > 17 * LB,
    says: 'Winding in {15 to 20 ft}, {20 lb} line lifts the bait: {15 lb} holds the bottom better.',
  },
  {
    key: 'mat-line',
    path: '/line/material',
    holds: (at) => at.covers.includes('matted weed') && isPlain(at),
    says: 'In heavy mats straight braid on a heavy rod is usual.',
  },
  {
    key: 'murk-leader',
    path: '/leader',
    holds: ({ water, brief }) => water.sight < 1.5 * FT && brief.leader !== undefined,
    says: 'Where one sees less than {1.5 ft}, straight braid will do.',
  },
  {
    key: 'clear-braid',
    path: '/leader',
    holds: ({ line, brief, clarity, covers }) =>
      line.material === 'braid' && brief.leader === undefined && clarity === 'clear' && covers.length === 0,
    says: 'In clear water a leader goes before the braid: {2 to 4 ft} on light tackle, {6 to 10 ft} on heavy.',
  },
  {
    key: 'kayak-rod',
    path: '/rod/length',
    holds: ({ from, rodLength, touches, crack }) =>
      from === 'kayak' && rodLength < 2.35 && touches && crack >= 6,
    says: 'From a low seat it takes a rod of some {8 ft} to lift a head off stone.',
  },
  {
    key: 'wind-light',
    path: '/fishing/wind',
    holds: ({ wind, bait, retrieve }) => wind === 'strong' && bait.length < 80 && retrieve !== 'vertical',
    says: 'Wind makes light heads hard to cast: keep upwind of the fish, or go heavier and slower.',
  },
  {
    key: 'steep-rest',
    path: '/bottom/slope',
    holds: ({ slope, rests, bottoms }) => slope >= 40 && rests === 'long' && !bottoms.includes('stair-step'),
    says: 'Nothing stands on a bank this steep: on steps it is the slope of a tread that counts.',
  },
  {
    key: 'short-long-bait',
    path: '/bait/length',
    holds: ({ mood, bait }) => mood === 'short-striking' && bait.length > 95,
    says: 'Fish that strike short: a more compact bait.',
  },
  {
    key: 'stout-line',
    path: '/line/test',
    holds: (at) => at.hookTest > 8 && at.bait.length < 70,
    says: 'That is stout line for so small a bait: it falls slower, swims stiffer and casts short.',
  },
  {
    key: 'fast-deep',
    path: '/fishing/speed',
    holds: ({ speed, water, retrieve }) => speed > 1.1 && water.depth > 3 && retrieve !== 'vertical',
    says: 'In {10 ft} a wound {1/2 oz} is near its limit at {4 ft/s}: deeper wants {3/4 oz}, or a slower hand.',
  },
  {
    key: 'hollow-wound',
    path: '/bait/kind',
    holds: ({ bait, retrieve }) => plasticKindOf(bait.kind).madeFor?.retrieves.includes(retrieve) === false,
    says: ({ bait }) => plasticKindOf(bait.kind).madeFor?.says ?? '',
  },
  {
    key: 'stiff-cold',
    path: '/bait/kind',
    holds: ({ cold, bait }) => cold > 0.6 && plasticKindOf(bait.kind).moves.cold <= STIFF,
    says: 'Cold water: stiff plastic goes dead; thin tails and soft pours still move.',
  },
  {
    key: 'slack-first',
    path: '/water/current',
    holds: ({ water }) => water.current >= 0.9,
    says: 'So strong a current asks for the slack, the lee of a stone, or a boat that drifts with it.',
  },
  {
    key: 'heavy-cover-light-line',
    path: '/line/test',
    holds: ({ covers, hookTest, density }) =>
      density !== 'thin' &&
      covers.some((kind) => kind !== 'sparse weed' && kind !== 'posts and docks') &&
      hookTest < 4.6,
    says: 'On light line keep to the edge of cover.',
  },
];

/** What is said beside the heads: how it is fished (common practice, no source). */
const TIPS: readonly ConditionalRemark[] = [
  {
    key: 'first-fall',
    path: '/fishing/retrieve',
    holds: ({ touches }) => touches,
    says: 'Let the first fall go straight down on slack line.',
  },
  {
    key: 'rod-up',
    path: '/fishing/retrieve',
    holds: ({ retrieve }) => retrieve === 'drag',
    says: 'Drag with the rod pulling up, from low to eleven o’clock, so that the eye leads over stone.',
  },
  {
    key: 'never-hung',
    path: '/fishing/retrieve',
    holds: ({ retrieve, crack }) => retrieve === 'drag' && crack > 0,
    says: 'Never hung up means it is not on the bottom: go heavier. Freed from a snag, let it drop again.',
  },
  {
    key: 'bumps',
    path: '/bottom/kinds',
    holds: ({ retrieve, crack }) => (retrieve === 'crawl' || retrieve === 'wind on the bottom') && crack < 6,
    says: 'On smooth bottom give it a bump every 5 to 8 turns; wind until the rod loads, then set.',
  },
  {
    key: 'light-set',
    path: '/line/test',
    holds: ({ hookTest }) => hookTest < 4.6,
    says: 'On light tackle wind until tight and lean; do not strike.',
  },
  {
    key: 'snagged',
    path: '/bottom/kinds',
    holds: ({ touches, crack, covers }) => touches && (crack >= 6 || covers.includes('brush and wood')),
    says:
      'Snagged: give slack, then raise the rod for a steeper pull; do not tug. Let it drop ' +
      'again: a strike often follows.',
  },
  {
    key: 'contact',
    path: '/fishing/retrieve',
    holds: ({ touches, retrieve }) => touches && retrieve !== 'stroke' && retrieve !== 'drift',
    says: 'Stop at every contact and let the bait work; about one in thirty takes on the fall of a dragged bait.',
  },
  {
    key: 'ledge-trough',
    path: '/bottom/kinds',
    holds: ({ bottoms, retrieve }) =>
      bottoms.includes('ledges') && (retrieve === 'drag' || retrieve === 'hop'),
    says: 'Drag it over the edge of a ledge, let it drop into the trough behind and leave it there.',
  },
  {
    key: 'steps',
    path: '/bottom/kinds',
    holds: ({ bottoms }) => bottoms.includes('stair-step'),
    says: 'Along a stepped wall let it fall from tread to tread: it rests on each.',
  },
  {
    key: 'current-works',
    path: '/water/current',
    holds: ({ water, touches, rests }) => water.current >= 0.1 && touches && rests !== 'none',
    says: 'In current a resting bait is worked by the water: leave it longer.',
  },
  {
    key: 'pontoons',
    path: '/cover/kinds',
    holds: ({ covers, retrieve }) =>
      covers.includes('posts and docks') && (retrieve === 'skip' || retrieve === 'pendulum'),
    says: 'Under pontoons let it drift down against the float.',
  },
  {
    key: 'creep',
    path: '/fishing/retrieve',
    holds: ({ cold, retrieve }) => cold > 0.5 && retrieve === 'drag',
    says: 'In cold creep it along, behind the boat too; compact baits and a still profile catch all the same.',
  },
  {
    key: 'few-large',
    path: '/fish/wants',
    holds: ({ wants, bait, retrieve }) =>
      wants === 'largest' && (retrieve === 'drag' || bait.kind === 'hollow' || bait.skirt === true),
    says: 'Dragged hollow bodies and jigs bring fewer bites than worms, and larger ones.',
  },
  {
    key: 'leader-cover',
    path: '/leader',
    holds: ({ brief, covers }) => brief.leader !== undefined && covers.length > 0,
    says:
      'About cover and docks a leader of {2 to 4 ft} will do; where the bait is tied anew often, ' +
      'as with tubes, longer.',
  },
  {
    key: 'exchange',
    path: '/bottom/slope',
    holds: ({ slope, touches }) => slope >= 30 && touches,
    says:
      'Where depth changes with every cast, heads whose weight is exchanged on one hook ' +
      '({1/12 to 3/8 oz}) save knots.',
  },
  {
    key: 'finicky',
    path: '/fish/mood',
    holds: ({ mood }) => mood === 'wary' || mood === 'seen it all',
    says: 'For finicky fish small hook, small weight and fine wire go together.',
  },
  {
    key: 'hop-height',
    path: '/fishing/retrieve',
    holds: ({ retrieve }) => retrieve === 'hop',
    says: 'Hop it {6 to 8 in}, {12 in} at most.',
  },
  {
    key: 'full-fall',
    path: '/fishing/retrieve',
    holds: ({ retrieve }) => retrieve === 'snap',
    says: 'Let it fall all the way between snaps: it climbs with every one.',
  },
  {
    key: 'knot',
    path: '/fishing/retrieve',
    holds: ({ retrieve, size }) => retrieve === 'vertical' && size === 'panfish',
    says: 'An open loop knot lets a tiny head swing square sooner; a cinched one fights it.',
  },
];

const told = (sayings: readonly ConditionalRemark[], situation: Situation): Remark[] =>
  sayings
    .filter(({ holds }) => holds(situation))
    .map(({ key, path, says }) => ({
      key,
      path,
      says: withUsual(typeof says === 'string' ? says : says(situation)),
    }));

/** What a brief is asked back. */
export const doubtsOf = (situation: Situation): Remark[] => told(DOUBTS, situation);

/** How it is fished. */
export const tipsOf = (situation: Situation): Remark[] => told(TIPS, situation);

/** What the brief did not say, and what was taken for it, in words. */
export function assumedOf(situation: Situation): Remark[] {
  const { water, slope, crack, density, speed, rest, cast, rod, mood } = situation;
  const words: Readonly<Record<string, string>> = {
    '/water/temperature': `water of ${markedRound(water.temperature, 'temperature')}`,
    '/water/current': 'no current',
    '/water/sight': `visibility of ${markedRound(water.sight, 'depth')}`,
    '/bottom/slope': `a slope of ${marked(slope, 'angle')}`,
    ...(crack > 0 ? { '/bottom/crack': `cracks of ${markedRound(crack, 'size')}` } : {}),
    ...(situation.covers.length > 0 ? { '/cover/density': `${wordName(density)} cover` } : {}),
    '/fishing/speed': `${markedRound(speed, 'speed')} over the ground`,
    ...(situation.touches ? { '/fishing/rest': `pauses of ${markedRound(rest, 'time')}` } : {}),
    '/fishing/cast': `a cast of ${markedRound(cast, 'depth')}`,
    '/rod/power': `a ${rod} rod`,
    '/fish/mood': `${wordName(mood)} fish`,
    '/lead': 'lead allowed',
  };
  return situation.assumed.flatMap((path) => {
    const says = words[path];
    return says === undefined ? [] : [{ key: path, path, says }];
  });
}

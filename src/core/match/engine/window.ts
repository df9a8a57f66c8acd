import { itemAt } from '../../numeric/at.ts';
import { plasticKindOf } from '../../plastic/kinds/index.ts';
import type { Situation } from './situation.ts';
import { clamp } from '../../numeric/vec.ts';

/** A window of weights of the metal, g, and in words what it is usual for. */
export interface Window {
  readonly least: number;
  readonly most: number;
  readonly what: string;
}

/** Depth, m, with the least and the most weight that is usual there, g. */
type Step = readonly [depth: number, least: number, most: number];

// Ounces: 1/64 0.44, 1/32 0.89, 1/16 1.77, 1/8 3.54, 3/16 5.32, 1/4 7.09, 3/8 10.6, 1/2 14.2, 3/4 21.3, 1
// 28.3, 2 56.7 g. What the trade says of weights by depth; between the depths that are told the window
// glides. Common practice, no source.

/** Panfish heads: the smaller to 16-20 ft, a larger at 25-35 ft. */
const PANFISH: readonly Step[] = [
  [0.5, 0.3, 0.95],
  [2, 0.45, 1.8],
  [5.5, 0.8, 2.4],
  [8, 1.6, 4],
  [11, 2.6, 6],
  [25, 5, 12],
];
/** Crawling a swinging head: 1/2 oz under about 10 ft, 3/4 oz deeper. */
const CRAWL: readonly Step[] = [
  [1, 8, 14.5],
  [2.5, 11, 16],
  [4, 14, 22],
  [9, 19, 29],
  [20, 27, 50],
];
/** Dragged heads with a skirt or a body: 3/8-3/4 oz at some 20 ft; 3/16-2 oz from 3 to 100 ft. */
const DRAG: readonly Step[] = [
  [1, 4, 8],
  [2, 5.3, 11],
  [3.5, 7.5, 15],
  [6, 10.5, 21.5],
  [10, 14, 24],
  [20, 20, 36],
  [30, 28, 57],
];
/** Lifted hard and let fall: 3/4-1 oz. */
const STROKE: readonly Step[] = [
  [2, 14, 22],
  [4, 19, 29],
  [12, 21, 32],
  [30, 28, 57],
];
const HOP: readonly Step[] = [
  [1, 2.5, 6.5],
  [2, 3.5, 9],
  [4, 5.3, 14.5],
  [6, 7, 18],
  [10, 10.5, 22],
  [20, 18, 36],
  [30, 25, 57],
];
/** Swimming: 1/8-1/4 oz in open shallow water. */
const SWIM: readonly Step[] = [
  [0.5, 2.5, 6],
  [1.5, 3.4, 7.2],
  [3, 6, 14.5],
  [5, 12, 22],
  [9, 18, 36],
  [20, 28, 57],
];
const VERTICAL: readonly Step[] = [
  [2, 3.5, 8],
  [6, 6, 15],
  [10, 10, 22],
  [20, 17, 42],
  [40, 35, 90],
];
const PENDULUM: readonly Step[] = [
  [1, 2.6, 8],
  [4, 5, 14.5],
  [10, 7, 18],
];
/** Weedless in 1-4 ft: 1/16-3/16 oz. */
const WEEDLESS: readonly Step[] = [
  [0.3, 1.7, 5.4],
  [1.2, 1.8, 5.6],
  [2.5, 3.4, 9],
  [5, 6, 14.5],
];
/** Brush: compact heads 1/4-3/8 oz. */
const BRUSH_COMPACT: readonly Step[] = [
  [0.5, 6, 10.8],
  [3, 7, 11.5],
  [7, 9, 16],
];
/** Brush heads: 1/2-1 oz. */
const BRUSH: readonly Step[] = [
  [0.5, 9, 20],
  [3, 13.5, 28.5],
  [7, 14, 30],
];
const DOCKS: readonly Step[] = [
  [0.5, 2.6, 9],
  [3, 5, 14.5],
  [8, 8, 20],
];
/** Pitched for contact with the bottom on stout tackle: about 3/4 oz. */
const PITCH_HEAVY: readonly Step[] = [
  [0.5, 9, 16],
  [3, 10.5, 24],
  [8, 14, 32],
];
/** Short baits at the edge of a bush on light line: 1/16 to 1/8 oz. */
const BUSH_EDGE: readonly Step[] = [
  [0.3, 1.6, 3.8],
  [2, 1.7, 4],
  [5, 3, 6.2],
];
/** Mats want the heaviest heads, to go through (common practice, no source). */
const MAT: readonly Step[] = [
  [0.3, 14, 43],
  [1.5, 20, 57],
  [4, 21, 60],
];

/** A step between depths: the logarithms glide, so that no depth is a cliff. */
function between(steps: readonly Step[], depth: number): readonly [number, number] {
  const first = itemAt(steps, 0);
  const last = itemAt(steps, steps.length - 1);
  if (depth <= first[0]) return [first[1], first[2]];
  for (let i = 1; i < steps.length; i++) {
    const [from, to] = [itemAt(steps, i - 1), itemAt(steps, i)];
    if (depth > to[0]) continue;
    const t = Math.log(depth / from[0]) / Math.log(to[0] / from[0]);
    const mix = (a: number, b: number) => Math.exp(Math.log(a) * (1 - t) + Math.log(b) * t);
    return [mix(from[1], to[1]), mix(from[2], to[2])];
  }
  return [last[1], last[2]];
}

const mixed = (
  a: readonly [number, number],
  b: readonly [number, number],
  t: number,
): readonly [number, number] => [a[0] ** (1 - t) * b[0] ** t, a[1] ** (1 - t) * b[1] ** t];

/**
 * Line that is light for cover, and from which it is stout, kg: 10 and 15 lb (common practice, no source).
 */
const LIGHT_LINE = 4.7;
const STOUT_LINE = 7;
/** Half an ounce swims through soft vegetation on a shape that sheds it, g. */
const SWUM_IN_WEED = 15;

/** A bait is small under the one length and large over the other, mm (working values, no source). */
const SMALL = 80;
const LARGE = 125;

/** The weights that go with a bait of its kind, where it has some for this way of fishing. */
function ownWeights({
  bait,
  retrieve,
  water,
}: Situation): [range: readonly [number, number], what: string] | undefined {
  const { weights = [] } = plasticKindOf(bait.kind);
  const own =
    weights.find(({ retrieves }) => retrieves?.includes(retrieve)) ??
    (retrieve === 'snap' ? undefined : weights.find(({ retrieves }) => retrieves === undefined));
  return own && [between(own.steps, water.depth), own.says];
}

/**
 * The usual weights for a way of fishing, by depth, bait, cover and line, before current and speed are
 * reckoned with.
 */
export function usualWindow(situation: Situation): Window {
  const { water, retrieve, bait, size, covers, density, hookTest, cold, mood, cast } = situation;
  const stout = clamp((hookTest - LIGHT_LINE) / (STOUT_LINE - LIGHT_LINE), 0, 1);
  const { depth } = water;
  const isSmall = size === 'panfish';
  const bulk = clamp((bait.length - SMALL) / (LARGE - SMALL), 0, 1);
  // Heads go with the bait behind them: half as long a bait wants little more than half of the weight.
  const byBait = clamp(bait.length / 100, 0.4, 1.5) ** 0.8;
  const scaled = (steps: readonly Step[]): [number, number] => {
    const [least, most] = between(steps, depth);
    return [least * byBait, most * byBait];
  };
  const own = ownWeights(situation);
  const found = ((): [range: readonly [number, number], what: string] => {
    if (retrieve === 'punch') return [between(MAT, depth), 'to go through a mat'];
    if (isSmall && retrieve !== 'slow troll')
      return [between(PANFISH, depth), 'for small fish at that depth'];
    switch (retrieve) {
      case 'slow troll':
        // On the scale 1/32 to 1/16 oz behind small baits; larger ones in proportion.
        return [
          [0.8 * Math.max(1, bait.length / 50) ** 2, 2.2 * Math.max(1, bait.length / 50) ** 2],
          'for slow trolling',
        ];
      case 'snap':
        if (own) return own;
        return [[7.5 * Math.min(1, byBait * 1.3), 13], 'for a glider: the easiest to hold at any depth'];
      case 'twitch':
        return [[1.6, 8], 'for what is twitched: darts belong to the small weights'];
      case 'stroke':
        return [between(STROKE, depth), 'for stroking'];
      case 'crawl':
      case 'wind on the bottom':
        return [between(CRAWL, depth), 'for crawling a head along the bottom'];
      case 'swim': {
        // A long cast takes weight.
        const far = Math.max(1, cast / 22) ** 0.8;
        const [low, high] = scaled(SWIM);
        if (covers.some((kind) => kind === 'sparse weed' || kind === 'grass or reeds'))
          return [[low * far, Math.max(high * far, SWUM_IN_WEED)], 'for swimming through weed'];
        return [[low * far, high * far], 'for swimming at that depth'];
      }
      case 'vertical':
        return [scaled(VERTICAL), 'straight down at that depth'];
      case 'pendulum':
        return [scaled(PENDULUM), 'swung in beside a post'];
      case 'skip':
        return [scaled(DOCKS), 'for skipping'];
      default:
    }
    if (covers.includes('matted weed')) {
      // A thin mat lets a lighter head through.
      const thick = density === 'thin' ? 0.4 : 1;
      return [mixed(between(WEEDLESS, depth), between(MAT, depth), thick), 'to go through a mat'];
    }
    if (covers.includes('brush and wood')) {
      const compact = mixed(between(BUSH_EDGE, depth), between(BRUSH_COMPACT, depth), stout);
      return stout < 0.5 && bulk < 0.5
        ? [mixed(compact, between(BRUSH, depth), bulk), 'for a short bait on light line about wood']
        : [mixed(compact, between(BRUSH, depth), bulk), 'for brush'];
    }
    if (covers.includes('grass or reeds') || covers.includes('sparse weed')) {
      // A short bait keeps the weights it has elsewhere.
      if (own && covers.includes('sparse weed')) return own;
      const [least, most] = between(WEEDLESS, depth);
      // Strong line pulls a heavier head through, and sinks it more slowly.
      return [[least, most * clamp(hookTest / 5, 1, 4) ** 0.5], 'weedless at that depth'];
    }
    if (covers.includes('posts and docks') && retrieve !== 'pitch')
      return own ?? [scaled(DOCKS), 'about posts and docks'];
    if (own) return own;
    if (retrieve === 'pitch') {
      const light: readonly [number, number] = covers.includes('posts and docks')
        ? scaled(DOCKS)
        : scaled(HOP);
      const heavy = between(PITCH_HEAVY, depth);
      // On stout tackle it is pitched to touch bottom at once; a lighter one into holes stays usual beside
      // it.
      return [
        [light[0] * (heavy[0] / light[0]) ** stout, light[1] * (heavy[1] / light[1]) ** stout],
        stout > 0.5 ? 'pitched for contact with the bottom' : 'for pitching at that depth',
      ];
    }
    if (retrieve === 'drag')
      return [bait.length < SMALL ? scaled(DRAG) : between(DRAG, depth), 'for dragging at that depth'];
    return [scaled(HOP), 'for working the bottom at that depth'];
  })();
  const [[least, most], what] = found;
  // Wary and cold fish want it slower, by degrees.
  const slow = (mood === 'wary' ? 0.8 : 1) * (1 - 0.15 * cold);
  // And on light line lighter still, cold ones with a compact bait: small hook, small weight and fine wire go
  // together.
  const finicky = (mood === 'wary' ? 1 : cold * (1 - bulk)) * (1 - stout);
  return {
    least: least * slow * (1 - 0.4 * finicky),
    most: most * (mood === 'aggressive' ? 1.1 : slow ** 0.5 * (1 - 0.35 * finicky)),
    what,
  };
}

/** How far a weight is from a window, as a ratio of 1 or more: how many times too light or too heavy. */
export const outside = (grams: number, { least, most }: Pick<Window, 'least' | 'most'>): number =>
  grams < least ? least / grams : grams > most ? grams / most : 1;

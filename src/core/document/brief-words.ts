/** The words a brief is told in. Their order is the order of the forms. */

export const WATERS = ['fresh', 'brackish', 'sea'] as const;
/** How far one sees in the water. */
export const CLARITIES = ['clear', 'stained', 'murky'] as const;
/** What lies on the bottom. */
export const BOTTOMS = [
  'flat clean',
  'gravel',
  'broken rock',
  'ledges',
  'stair-step',
  'shell',
  'clay',
  'sand',
  'mud',
  'slime',
  'weed bed',
] as const;
/** What a head must come through. */
export const COVERS = [
  'sparse weed',
  'grass or reeds',
  'matted weed',
  'brush and wood',
  'posts and docks',
] as const;
/** How dense the cover is. */
export const DENSITIES = ['thin', 'middling', 'thick'] as const;
/** Ways of fishing a head. */
export const RETRIEVES = [
  'drag',
  'crawl',
  'wind on the bottom',
  'hop',
  'stroke',
  'shake',
  'swim',
  'twitch',
  'snap',
  'slow troll',
  'drift',
  'vertical',
  'pendulum',
  'pitch',
  'skip',
  'punch',
] as const;
/** Materials of line. */
export const LINES = ['nylon', 'fluorocarbon', 'braid'] as const;
/** What the fish are like that day. */
export const MOODS = ['willing', 'wary', 'short-striking', 'aggressive', 'seen it all'] as const;
/** How large the fish are. */
export const FISH_SIZES = ['panfish', 'medium', 'large'] as const;
/** Whether many fish are wanted or the largest. */
export const WANTS = ['numbers', 'largest'] as const;
/** Where one fishes from. */
export const PLACES = ['bank', 'boat at rest', 'drifting boat', 'moving boat', 'kayak'] as const;
/** How the wind blows. */
export const WINDS = ['calm', 'breeze', 'strong'] as const;
/** How far down a rod bends. */
export const ROD_ACTIONS = ['soft', 'moderate', 'fast'] as const;

/** Words of a brief that the trade says otherwise than they are stored. */
const SAID_OTHERWISE: Readonly<Record<string, string>> = {
  middling: 'moderate',
  'wind on the bottom': 'slow-roll on the bottom',
  willing: 'active',
  'seen it all': 'pressured',
};

/** How a word of a brief is said to a person. */
export const wordName = (word: string): string => SAID_OTHERWISE[word] ?? word;

/** How far one sees, as a brief stores it. */
export type Clarity = (typeof CLARITIES)[number];
/** A bottom, as a brief stores it. */
export type Bottom = (typeof BOTTOMS)[number];
/** A cover, as a brief stores it. */
export type Cover = (typeof COVERS)[number];
/** A way of fishing, as a brief stores it. */
export type Retrieve = (typeof RETRIEVES)[number];

/** What a head is asked for a brief, in the order it is read. */
export const QUESTION_KEYS = [
  'depth',
  'hold',
  'rest',
  'cover',
  'point',
  'cracks',
  'eye',
  'bait',
  'stays',
  'moves',
  'taken',
  'hooks',
  'lands',
  'tackle',
  'sounder',
  'cost',
] as const;
/** The key of a question. */
export type QuestionKey = (typeof QUESTION_KEYS)[number];

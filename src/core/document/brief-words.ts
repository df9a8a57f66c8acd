/** The words a brief is told in. Their order is the order of the forms. */

export const WATERS = ['fresh', 'brackish', 'sea'] as const;
export const CLARITIES = ['clear', 'stained', 'murky'] as const;
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
export const COVERS = [
  'sparse weed',
  'grass or reeds',
  'matted weed',
  'brush and wood',
  'posts and docks',
] as const;
export const DENSITIES = ['thin', 'middling', 'thick'] as const;
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
export const LINES = ['nylon', 'fluorocarbon', 'braid'] as const;
export const MOODS = ['willing', 'wary', 'short-striking', 'aggressive', 'seen it all'] as const;
export const FISH_SIZES = ['panfish', 'medium', 'large'] as const;
export const WANTS = ['numbers', 'largest'] as const;
export const PLACES = ['bank', 'boat at rest', 'drifting boat', 'moving boat', 'kayak'] as const;
export const WINDS = ['calm', 'breeze', 'strong'] as const;
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

export type Clarity = (typeof CLARITIES)[number];
export type Bottom = (typeof BOTTOMS)[number];
export type Cover = (typeof COVERS)[number];
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
export type QuestionKey = (typeof QUESTION_KEYS)[number];

import type { Brief } from '../../document/brief.ts';
import type { QuestionKey } from '../../document/brief-words.ts';
import { RODS } from '../../document/brief.ts';
import type { RodPower } from '../../behaviour/fishing.ts';
import type { RuleSet } from '../../document/rules.ts';
import type { LineKey } from '../../material/lines.ts';
import { withUsual } from '../../quantity/phrase.ts';
import { KILOGRAMS_PER_POUND } from '../../quantity/units.ts';
import type { Head } from './head.ts';
import { judgeFor } from './judge.ts';
import { NO, YES } from './marks.ts';
import { situationOf, usualRod } from './situation.ts';

/*
 * Tackle for a head is the brief’s own judgement with the head and the use fixed and line, leader and rod
 * free: what drives the point home, does not open the hook before the drag slips, and throws what is thrown.
 */

/** Lines as they are sold, lb test (common practice, no source). */
const TESTS = [2, 3, 4, 6, 8, 10, 12, 15, 17, 20, 25, 30, 40, 50, 65, 80] as const;
/** Braid weaker than this is seldom cast, lb. */
const LEAST_BRAID = 8;
/** Leaders as they go with braid, lb: main line and leader (common practice, no source). */
const LEADERS: readonly (readonly [main: number, leader: number])[] = [
  [8, 6],
  [10, 6],
  [10, 8],
  [15, 10],
  [20, 12],
  [30, 12],
  [30, 15],
  [50, 15],
  [50, 17],
  [65, 20],
];

/** What is usually fished so, in words: line, rod and reel (common practice, no source). */
export interface UsualTackle {
  readonly line: string;
  readonly rod: string;
  readonly reel: string;
}

const FINESSE: UsualTackle = {
  line: '{8 to 10 lb} braid to {2 to 4 ft} of {6 to 10 lb}',
  rod: '{7 ft to 7 ft 6 in}, medium, not lighter and not heavier',
  reel: 'spinning',
};

/** By use, the first that holds (common practice, no source). */
const USUAL: readonly {
  readonly holds: (brief: Brief, grams: number) => boolean;
  readonly tackle: UsualTackle;
}[] = [
  {
    holds: ({ cover, fishing }) => cover.kinds.includes('matted weed') || fishing.retrieve === 'punch',
    tackle: { line: 'straight braid of {65 lb} and more', rod: '{7 ft 6 in} heavy', reel: 'fast' },
  },
  {
    holds: ({ bait, fishing }) => bait.kind === 'micro' && fishing.retrieve === 'vertical',
    tackle: { line: '{2 to 3 lb} fluorocarbon', rod: 'a soft tip', reel: 'small' },
  },
  {
    holds: ({ bait }) => bait.kind === 'stubby',
    tackle: FINESSE,
  },
  {
    holds: ({ bait, cover }) => bait.length < 80 && cover.kinds.includes('brush and wood'),
    tackle: {
      line: '{8 lb} braid to {8 lb} fluorocarbon, {10 lb} about cover',
      rod: '{7 ft} medium, soft tip',
      reel: 'spinning',
    },
  },
  {
    holds: ({ bait }) => bait.kind === 'tube',
    tackle: {
      line: '{15 lb} braid to {10 lb}, a long leader: every new tube is a new knot',
      rod: '{7 ft 2 in} medium heavy',
      reel: 'spinning',
    },
  },
  {
    holds: ({ bait, fishing }) => bait.kind === 'hollow' && fishing.retrieve === 'drag',
    tackle: { line: '{20 lb} fluorocarbon', rod: '{7 ft 7 in} heavy', reel: '7.5:1' },
  },
  {
    holds: ({ fishing }) => fishing.retrieve === 'snap',
    tackle: {
      line: '{10 to 12 lb} leader, {7 to 8 lb} with the lightest heads',
      rod: '{6 ft 5 in} medium with give',
      reel: 'any',
    },
  },
  {
    holds: ({ fishing }) => fishing.retrieve === 'crawl' || fishing.retrieve === 'wind on the bottom',
    tackle: {
      line: '{40 to 65 lb} braid to {20 lb}, or {15 lb} straight',
      rod: '{7 ft 4 in} heavy that loads deep',
      reel: '7.5:1',
    },
  },
  {
    holds: ({ fishing, cover }) => fishing.retrieve === 'swim' && cover.kinds.length > 0,
    tackle: {
      line: '{30 to 40 lb} braid',
      rod: '{7 ft 3 in to 7 ft 6 in} with a light tip',
      reel: 'fast, to keep it high',
    },
  },
  {
    holds: ({ water, fishing }, grams) =>
      (water.temperature ?? 15) <= 8 && grams >= 7 && fishing.retrieve !== 'vertical',
    tackle: { line: '{30 lb} braid to {10 to 15 lb}', rod: 'a step lighter than in warm water', reel: 'any' },
  },
  {
    holds: ({ cover }, grams) => cover.kinds.length > 0 && grams >= 7,
    tackle: {
      line: '{50 to 65 lb} braid to {15 to 20 lb}',
      rod: '{7 ft 2 in to 7 ft 8 in}, moderate',
      reel: 'any',
    },
  },
  {
    holds: (_, grams) => grams >= 20,
    tackle: { line: '{15 to 20 lb}', rod: '{7 ft 4 in} heavy', reel: 'any' },
  },
  {
    holds: (_, grams) => grams >= 10,
    tackle: { line: '{15 to 20 lb}', rod: '{7 ft to 7 ft 3 in} medium heavy', reel: 'any' },
  },
  {
    holds: ({ fishing }) => fishing.from === 'kayak',
    tackle: { line: 'light braid', rod: '{8 ft} medium light, fast', reel: 'spinning' },
  },
];

/** The usual pairing for a use and a weight thrown, g: words with their quantities marked. */
export function usualTackle(brief: Brief, grams: number): UsualTackle {
  const { line, rod, reel } = USUAL.find(({ holds }) => holds(brief, grams))?.tackle ?? FINESSE;
  return { line: withUsual(line), rod: withUsual(rod), reel };
}

/** Lines of one sort that serve, from the weakest to the strongest. */
export interface TackleSpan {
  readonly line: LineKey;
  /** true where a fluorocarbon leader goes before it: then `from` and `to` are the leader’s */
  readonly hasLeader: boolean;
  /** kg */
  readonly from: number;
  readonly to: number;
  /** rods they serve on, from light to heavy */
  readonly rods: readonly RodPower[];
  /** yes where hook-up, landing and casting are all a yes at the best of them, else care */
  readonly mark: 'yes' | 'barely';
}

/** Lines and rods a head serves on. */
export interface TackleAdvice {
  /** what serves, by sort of line; empty where nothing does */
  readonly spans: readonly TackleSpan[];
  /**
   * the weakest line that drives the hook home, and the strongest at which the drag slips before the hook
   * opens, kg; undefined where none does
   */
  readonly drives: number | undefined;
  readonly bears: number | undefined;
  readonly usual: UsualTackle;
}

/** From this on a line goes well: where some do, those that merely do are not told. */
const GOOD = 0.8;

const ASKED: ReadonlySet<QuestionKey> = new Set(['hooks', 'lands', 'tackle']);

interface Tried {
  readonly line: LineKey;
  readonly test: number;
  readonly leader?: number;
  readonly power: RodPower;
  readonly score: number;
}

const kilograms = (pounds: number): number => pounds * KILOGRAMS_PER_POUND;

/** Every line and leader that is tried, kg. */
const LINES: readonly Pick<Tried, 'line' | 'test' | 'leader'>[] = [
  ...TESTS.map((pounds) => ({ line: 'fluorocarbon' as const, test: kilograms(pounds) })),
  ...TESTS.map((pounds) => ({ line: 'nylon' as const, test: kilograms(pounds) })),
  ...TESTS.filter((pounds) => pounds >= LEAST_BRAID).map((pounds) => ({
    line: 'braid' as const,
    test: kilograms(pounds),
  })),
  ...LEADERS.map(([main, leader]) => ({
    line: 'braid' as const,
    test: kilograms(main),
    leader: kilograms(leader),
  })),
];

/** Rods that go with what parts first: the usual one and those beside it. */
function rodsWith(strength: number): readonly RodPower[] {
  const at = RODS.indexOf(usualRod(strength));
  return RODS.slice(Math.max(0, at - 1), at + 2);
}

/** Lines of one sort as a span: those that are a yes, or where none is those that are barely one. */
function spanOf(tried: readonly Tried[]): TackleSpan[] {
  const best = Math.max(0, ...tried.map(({ score }) => score));
  const serve = tried.filter(({ score }) => score >= (best >= GOOD ? GOOD : best >= YES ? YES : NO));
  const [first] = serve;
  if (!first || best < NO) return [];
  const strengths = serve.map(({ leader, test }) => leader ?? test);
  return [
    {
      line: first.line,
      hasLeader: first.leader !== undefined,
      from: Math.min(...strengths),
      to: Math.max(...strengths),
      rods: RODS.filter((power) => serve.some((one) => one.power === power)),
      mark: best >= YES ? 'yes' : 'barely',
    },
  ];
}

/**
 * Line, leader and rod for a head with its bait in a use, by the same questions a brief asks, with the usual
 * pairing beside it. The head’s readings are the whole ones: without the hook’s opening load nothing is said
 * of what it bears.
 */
export function tackleFor(head: Head, brief: Brief, set: Pick<RuleSet, 'rules' | 'schools'>): TackleAdvice {
  const [drives, bears]: [number[], number[]] = [[], []];
  const tried = LINES.flatMap((one) => {
    const strength = one.leader ?? one.test;
    return rodsWith(strength).map((power): Tried => {
      const situation = situationOf({
        ...brief,
        line: { material: one.line, test: one.test },
        leader: one.leader === undefined ? undefined : { material: 'fluorocarbon', test: one.leader },
        rod: { ...brief.rod, power },
      });
      const { all } = judgeFor(situation, set.rules, set.schools, ASKED)(head);
      const found = all.flatMap((answer) => answer.found);
      const isYes = (by: string) => found.some((finding) => finding.by === by && finding.score >= YES);
      if (isYes('hook.penetration')) drives.push(strength);
      if (isYes('hook.openingLoad')) bears.push(strength);
      return { ...one, power, score: Math.min(...all.map(({ score = 1 }) => score)) };
    });
  });
  const sorts = [
    tried.filter(({ line }) => line === 'fluorocarbon'),
    tried.filter(({ line }) => line === 'nylon'),
    tried.filter(({ line, leader }) => line === 'braid' && leader === undefined),
    tried.filter(({ leader }) => leader !== undefined),
  ];
  return {
    spans: sorts.flatMap(spanOf).sort((a, b) => Number(b.mark === 'yes') - Number(a.mark === 'yes')),
    drives: drives.length > 0 ? Math.min(...drives) : undefined,
    bears: bears.length > 0 ? Math.max(...bears) : undefined,
    usual: usualTackle(brief, head.values['rig.mass'] ?? head.values['mass.total'] ?? 0),
  };
}

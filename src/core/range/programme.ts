import { itemAt } from '../numeric/at.ts';
/** One head that may hang on the wall. */
export interface Candidate {
  readonly id: string;
  readonly metal: string;
  readonly hook: string;
  /** what it is cast in; heads of one mould share it. Undefined for what is bought */
  readonly mould?: string | undefined;
  /** what stocking it takes: the packs that must be bought at once, in the shop's money */
  readonly outlay: number;
}

/** How a head serves a brief: not at all, with care, or well. */
export type Serving = 0 | 1 | 2;

/** What the wall may take; what is left out is not limited. */
export interface RangeLimits {
  readonly heads?: number | undefined;
  readonly moulds?: number | undefined;
  readonly metals?: number | undefined;
  readonly hooks?: number | undefined;
  readonly outlay?: number | undefined;
}

/** A wall to be found: which heads serve which briefs, what they take, and within which limits. */
export interface RangeProblem {
  readonly candidates: readonly Candidate[];
  /** by brief, by candidate */
  readonly serves: readonly (readonly Serving[])[];
  readonly limits: RangeLimits;
  /** places among the candidates that are always in it, and that never are */
  readonly keep?: readonly number[];
  readonly drop?: readonly number[];
}

/** What is sought, one after the other; each holds what those before it reached. */
export const AIMS = ['well', 'served', 'heads', 'outlay'] as const;
/** What a range is made least in. */
export type Aim = (typeof AIMS)[number];

/**
 * An integer programme: the sense, what each unknown counts in the aim, and rows over unknowns, by names of
 * them.
 */
export interface Programme {
  readonly sense: 'Maximize' | 'Minimize';
  readonly objective: readonly Term[];
  readonly rows: readonly Row[];
  readonly binaries: readonly string[];
}
type Term = readonly [factor: number, name: string];
interface Row {
  readonly terms: readonly Term[];
  readonly relation: '<=' | '>=';
  readonly bound: number;
}

const take = (i: number) => `x${i}`;
const well = (b: number) => `w${b}`;
const served = (b: number) => `s${b}`;
/** Relative slack on what an earlier aim reached in money, so that rounding leaves the next one possible. */
const SLACK = 1e-9;

/**
 * The programme of one aim. Unknowns: x (a head is taken), w and s (a brief is served well; served at all),
 * and one for each mould, metal and hook size used. A brief counts only where a head is taken that serves it.
 * `reached` are the values the aims before it came to.
 */
export function programmeFor(
  { candidates, serves, limits, keep = [], drop = [] }: RangeProblem,
  aim: Aim,
  reached: Readonly<Partial<Record<Aim, number>>>,
): Programme {
  const rows: Row[] = [];
  const binaries = candidates.map((_, i) => take(i));
  const most = (terms: readonly Term[], bound: number | undefined) => {
    if (bound !== undefined && terms.length > 0) rows.push({ terms, relation: '<=', bound });
  };
  const heads = candidates.map((_, i): Term => [1, take(i)]);
  const money = candidates.map(({ outlay }, i): Term => [outlay, take(i)]);
  serves.forEach((row, b) => {
    binaries.push(well(b), served(b));
    for (const [name, least] of [
      [well(b), 2],
      [served(b), 1],
    ] as const) {
      const who = row.flatMap((service, i): Term[] => (service >= least ? [[1, take(i)]] : []));
      rows.push({ terms: [...who, [-1, name]], relation: '>=', bound: 0 });
    }
  });
  most(heads, limits.heads);
  most(money, limits.outlay);
  for (const [key, limit] of [
    ['mould', limits.moulds],
    ['metal', limits.metals],
    ['hook', limits.hooks],
  ] as const) {
    if (limit === undefined) continue;
    const kinds = [...new Set(candidates.flatMap((candidate) => candidate[key] ?? []))];
    const names = kinds.map((_, k) => `${key}${k}`);
    binaries.push(...names);
    candidates.forEach((candidate, i) => {
      const k = kinds.indexOf(candidate[key] ?? '');
      if (k >= 0)
        rows.push({
          terms: [
            [1, itemAt(names, k)],
            [-1, take(i)],
          ],
          relation: '>=',
          bound: 0,
        });
    });
    most(
      names.map((name): Term => [1, name]),
      limit,
    );
  }
  for (const i of keep) rows.push({ terms: [[1, take(i)]], relation: '>=', bound: 1 });
  for (const i of drop) rows.push({ terms: [[1, take(i)]], relation: '<=', bound: 0 });
  const aims: Readonly<Record<Aim, readonly Term[]>> = {
    well: serves.map((_, b): Term => [1, well(b)]),
    served: serves.map((_, b): Term => [1, served(b)]),
    heads,
    outlay: money,
  };
  for (const earlier of AIMS) {
    const bound = reached[earlier];
    if (bound === undefined) continue;
    if (isCount(earlier)) rows.push({ terms: aims[earlier], relation: '>=', bound });
    else rows.push({ terms: aims[earlier], relation: '<=', bound: bound * (1 + SLACK) });
  }
  return { sense: isCount(aim) ? 'Maximize' : 'Minimize', objective: aims[aim], rows, binaries };
}

/** Whether more of it is better. */
const isCount = (aim: Aim): boolean => aim === 'well' || aim === 'served';

const written = (terms: readonly Term[]): string =>
  terms
    .filter(([factor]) => factor !== 0)
    .map(([factor, name]) => `${factor < 0 ? '-' : '+'} ${Math.abs(factor)} ${name}`)
    .join(' ');

/**
 * A programme in the LP file form that solvers read. An empty aim is written as nothing times the first
 * unknown.
 */
export function lpText({ sense, objective, rows, binaries }: Programme): string {
  const [first = 'none'] = binaries;
  return [
    sense,
    ` aim: ${written(objective) || `0 ${first}`}`,
    'Subject To',
    ...rows.flatMap(({ terms, relation, bound }, i) => {
      const text = written(terms);
      return text ? [` r${i}: ${text} ${relation} ${bound}`] : [];
    }),
    'Binaries',
    ` ${binaries.join(' ')}`,
    'End',
  ].join('\n');
}

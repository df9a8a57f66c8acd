import { itemAt } from '../core/numeric/index.ts';
import { fork } from 'node:child_process';
import { availableParallelism } from 'node:os';
import type { Brief, Design, RuleSet } from '../core/document/index.ts';
import type { Answers, ChangeFound, Matched, Matching } from '../core/match/index.ts';
import type { Plastic } from '../core/plastic/index.ts';
import { loadSolids } from '../core/head/index.ts';
import {
  groundsOf,
  groundText,
  matchingFor,
  matchSettled,
  placed,
  REFERENCE_RULES,
  shapeOf,
  smallestChange,
} from '../core/match/index.ts';
import { inUnits } from '../core/quantity/index.ts';
import { checkRuleSet } from '../contract/validate.ts';
import { accepted, BadInput, readJson } from './input.ts';
import type { Printed } from './printed.ts';
import { print } from './printed.ts';
import { checkBriefDocument } from '../contract/collections/briefs.ts';
import { checkDesignDocument } from '../contract/collections/designs.ts';
import { checkPlasticDocument } from '../contract/collections/plastics.ts';

/** Files and choices of `anvil match`. */
export interface MatchOptions {
  readonly plastics?: string | undefined;
  readonly rules?: string | undefined;
  readonly format?: Printed | undefined;
  /** which part of the designs to judge, as `1/2`: what the command asks of its own helpers */
  readonly part?: string | undefined;
}

/** A head as it is printed, before its place is known. */
interface Entry {
  readonly index: number;
  readonly name: string;
  readonly shape: string;
  readonly method: string | null;
  readonly plastic: string | null;
  readonly answers: readonly PrintedAnswer[];
  readonly standing: Matched['standing'];
}

interface Broken {
  readonly index: number;
  readonly name: string;
  readonly problems: readonly { readonly path: string; readonly message: string }[];
}

interface PrintedAnswer {
  readonly question: string;
  readonly grade: string;
  readonly decisive: boolean;
  readonly grounds: readonly { rule?: string; reading?: string; side: string; text: string }[];
}

interface Job {
  readonly brief: Brief;
  readonly designs: readonly Design[];
  readonly shelf: readonly Plastic[];
  readonly rules: RuleSet;
}

/**
 * Lists longer than this are judged by several processes, and changes are looked for only where they are
 * read.
 */
const LONG = 200;
/** Heads of a long list for which the smallest change is looked for, besides the best of each shape. */
const CHANGED = 40;

function jobOf(briefFile: string, designsFile: string, { plastics, rules }: MatchOptions): Job {
  const many = (file: string): readonly unknown[] => {
    const data = readJson(file);
    const items = Array.isArray(data) ? (data as unknown[]) : [data];
    if (items.length === 0) throw new BadInput(`${file}: holds nothing. Give at least one.`);
    return items;
  };
  return {
    brief: accepted(checkBriefDocument(readJson(briefFile)), briefFile),
    designs: many(designsFile).map((item, i) =>
      accepted(checkDesignDocument(item), `${designsFile}, design ${i + 1}`),
    ),
    shelf:
      plastics === undefined
        ? []
        : many(plastics).map((item, i) =>
            accepted(checkPlasticDocument(item), `${plastics}, plastic ${i + 1}`),
          ),
    rules: rules === undefined ? REFERENCE_RULES : accepted(checkRuleSet(readJson(rules)), rules),
  };
}

/** Answers as the terminal prints them, quantities in metric units. */
export function printedAnswers({ head, all }: Answers, { situation }: Matching): PrintedAnswer[] {
  return all.map((answer) => ({
    question: answer.question.key,
    grade: answer.mark,
    decisive: answer.isDecisive,
    grounds: groundsOf(answer, situation, head).map(({ by, from, side, text }) => ({
      [from]: by,
      side,
      text: groundText({ text }, 'metric'),
    })),
  }));
}

function entryOf(
  matching: Matching,
  design: Design,
  index: number,
): { entry: Entry | Broken; matched?: Matched } {
  const settled = matchSettled(matching, design);
  if (!settled.ok)
    return {
      entry: {
        index,
        name: design.name,
        problems: settled.problems.map(({ path, message }) => ({
          path,
          message: inUnits(message, 'metric'),
        })),
      },
    };
  const { matched } = settled;
  const { worn } = matched.answers.head;
  return {
    matched,
    entry: {
      index,
      name: design.name,
      shape: shapeOf(matched.answers.head),
      method: worn?.pairing.method ?? null,
      plastic: worn?.plastic.name ?? null,
      answers: printedAnswers(matched.answers, matching),
      standing: matched.standing,
    },
  };
}

/** Which of the designs a part takes: every nth, so that easy and hard ones are shared out. */
function partOf(part: string | undefined): (index: number) => boolean {
  if (part === undefined) return () => true;
  const [k, n] = part.split('/').map(Number);
  if (!(k !== undefined && n !== undefined && k >= 1 && k <= n))
    throw new BadInput(`--part: “${part}” is not a part such as 1/2.`);
  return (index) => index % n === k - 1;
}

const isBroken = (entry: Entry | Broken): entry is Broken => 'problems' in entry;

/** Judges designs for a brief and prints the order, equals sharing a place. */
export async function runMatch(briefFile: string, designsFile: string, options: MatchOptions): Promise<void> {
  const job = jobOf(briefFile, designsFile, options);
  await loadSolids();
  const matching = matchingFor(job.brief, job.rules, job.shelf);
  if (options.part !== undefined) {
    const takes = partOf(options.part);
    const entries = job.designs.flatMap((design, i) =>
      takes(i) ? [entryOf(matching, design, i).entry] : [],
    );
    process.send?.(entries);
    return;
  }
  const isLong = job.designs.length > LONG;
  const kept = new Map<number, Matched>();
  const entries = isLong
    ? await inParts(briefFile, designsFile, options)
    : job.designs.map((design, i) => {
        const { entry, matched } = entryOf(matching, design, i);
        if (matched) kept.set(i, matched);
        return entry;
      });
  const order = placed(
    entries.filter((entry): entry is Entry => !isBroken(entry)),
    ({ standing }) => standing,
  );
  const best = new Map<string, string>();
  const rows = order.map(({ place, item }, at) => {
    const { index, name, shape, method, plastic, answers } = item;
    const leader = best.get(shape);
    if (leader === undefined) best.set(shape, name);
    const isRead = !isLong || at < CHANGED || leader === undefined;
    const design = job.designs[index];
    const matched = kept.get(index) ?? (isRead && design ? settledAgain(matching, design) : undefined);
    return {
      place,
      name,
      shape,
      ...(leader === undefined ? {} : { bestOfShape: leader }),
      method,
      plastic,
      answers,
      change: isRead && matched && design ? changeText(smallestChange(matching, design, matched)) : null,
    };
  });
  const broken = entries.filter(isBroken).map(({ name, problems }) => ({ place: null, name, problems }));
  print(options.format ?? 'json', [...rows, ...broken], () => [
    ...rows.map(({ place, name, shape, method, plastic, answers, change }) => ({
      place,
      head: name,
      shape,
      rigged: method,
      plastic,
      ...Object.fromEntries(
        answers.map(({ question, grade }) => [question, grade === 'unsaid' ? '' : grade]),
      ),
      change: change?.says,
    })),
    ...broken.map(({ name, problems }) => ({
      head: name,
      change: problems.map(({ message }) => message).join(' '),
    })),
  ]);
}

function settledAgain(matching: Matching, design: Design): Matched | undefined {
  const settled = matchSettled(matching, design);
  return settled.ok ? settled.matched : undefined;
}

/**
 * The change as it is printed: what is changed, which answer it lifts; or that none helps; null where none is
 * needed.
 */
function changeText(found: ChangeFound) {
  if (found.kind === 'none needed') return null;
  if (found.kind === 'none helps')
    return {
      question: found.question.key,
      says: 'No single change helps here, and no pair of those that were tried.',
    };
  const { remedies, patch, method, question, from, to, remains } = found.change;
  return {
    question: question.key,
    from,
    to,
    says: remedies.map(({ says }) => inUnits(says, 'metric')).join('; '),
    // An ordered patch of the design (RFC 6902), to be applied as it stands.
    patch,
    ...(method === undefined ? {} : { method }),
    remains: remains ? { question: remains.question.key, mark: remains.mark } : null,
  };
}

/** The same command in as many processes as there are cores, each with its part. */
async function inParts(
  briefFile: string,
  designsFile: string,
  { plastics, rules }: MatchOptions,
): Promise<(Entry | Broken)[]> {
  if (briefFile === '-' || designsFile === '-')
    throw new BadInput(`-: more than ${LONG} designs are read from files. Name them.`);
  const parts = Math.max(1, availableParallelism());
  const answers = await Promise.all(
    Array.from({ length: parts }, (_, k) => {
      const named = (flag: string, file: string | undefined) => (file === undefined ? [] : [flag, file]);
      const args = [
        'match',
        briefFile,
        designsFile,
        ...named('--plastics', plastics),
        ...named('--rules', rules),
        '--part',
        `${k + 1}/${parts}`,
      ];
      return new Promise<(Entry | Broken)[]>((resolve, reject) => {
        const child = fork(itemAt(process.argv, 1), args, { execArgv: process.execArgv });
        let got: (Entry | Broken)[] | undefined;
        child.on('message', (entries) => {
          got = entries as (Entry | Broken)[];
        });
        child.on('error', reject);
        child.on('exit', (code) =>
          got ? resolve(got) : reject(new Error(`A part of the match ended with code ${code}.`)),
        );
      });
    }),
  );
  return answers.flat().sort((a, b) => a.index - b.index);
}

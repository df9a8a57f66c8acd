import type { ReadingId } from '../../../core/behaviour/index.ts';
import { READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { guardOf, keeperOf } from '../../../core/fitting/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { PLAIN_STYLE } from '../../../core/hook/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import type { useUnits } from '../../data/units.ts';
import { readingText } from '../bench/readings-panel.tsx';
import type { Row } from './laid.ts';
import type { Line } from './line-table.tsx';
import { IDS } from './line-table.tsx';
import type { useBait, useQuestions } from './use-compare.tsx';

/** Readings of the rig, which only a bait gives. */
const RIG_IDS: readonly ReadingId[] = READING_IDS.filter((id) => READINGS[id].behaviour === 'fit');

const MARKS = { yes: '● yes', barely: '◐ barely', no: '✕ no', unsaid: '· not said' } as const;
/** What a buyer reads last: leverage and inertia. */
const LATE: ReadonlySet<string> = new Set([
  'mass.rollInertia',
  'roll.factor',
  'throw.fixed',
  'throw.hinged',
  'mass.centreX',
  'mass.centreZ',
]);

const FIT_WORDS = { good: '✓ fits', tight: '▲ tight', bad: '✕ does not fit' } as const;

/** What some heads are compared by. */
export interface Compared extends Pick<ReturnType<typeof useUnits>, 'format' | 'say'> {
  readonly rows: readonly Row[];
  /** the heads with the same bait on, once that is worked out */
  readonly baited: ReturnType<typeof useBait>['baited'];
  /** whether a bait is on, or will be */
  readonly isBaited: boolean;
  readonly answers: ReturnType<typeof useQuestions>['answers'];
  /** place of the head that the others are told against; −1 for none */
  readonly pinned: number;
}

/** A line of words: it differs where not all say the same. */
const told = (key: string, name: string, texts: readonly string[]): Line => ({
  key,
  name,
  texts,
  spread: new Set(texts).size > 1 ? 1 : 0,
  least: -1,
  most: -1,
});

/** The line of a reading: its values, or how far they are off that of the pinned head. */
function figureLine(id: ReadingId, { rows, baited, isBaited, pinned, format }: Compared): Line {
  const values = rows.map(({ summary }, i) =>
    // What comes a moment later is that of the bare head; it is left out with a bait on.
    isBaited ? (baited?.[i]?.readings[id] ?? NaN) : summary?.ok ? (summary.readings[id] ?? NaN) : NaN,
  );
  const present = values.filter(Number.isFinite);
  const [low, high] = [Math.min(...present), Math.max(...present)];
  // Sure is what lies further apart than its own ranges.
  const ranges = rows.map(({ summary }, i): readonly [number, number] => {
    const value = values[i] ?? NaN;
    return (summary?.ok && !isBaited ? summary.ranges[id] : undefined) ?? [value, value];
  });
  const isSure = Math.max(...ranges.map(([from]) => from)) > Math.min(...ranges.map(([, to]) => to));
  const base0 = values[pinned];
  const against = (value: number, i: number) => {
    if (base0 === undefined || i === pinned || !Number.isFinite(base0)) return readingText(id, value, format);
    const off = value - base0;
    return `${off < 0 ? '−' : '+'}${readingText(id, Math.abs(off), format)}`;
  };
  // Angles are compared against a right angle: a share of a value near zero would mean nothing.
  const base = READINGS[id].quantity === 'angle' ? 90 : Math.max(Math.abs(low), Math.abs(high), 1e-9);
  return {
    key: id,
    name: READINGS[id].name,
    isSure,
    texts: values.map((value, i) => (Number.isFinite(value) ? against(value, i) : '–')),
    spread: present.length > 1 ? (high - low) / base : 0,
    least: values.indexOf(low),
    most: values.indexOf(high),
  };
}

/** The lines of the questions of a brief, those that are said of any head. */
function askedLines({ rows, answers, say }: Compared): Line[] {
  return QUESTIONS.flatMap(({ key, name }, q): Line[] => {
    const told = rows.map((_, i) => answers?.[i]?.answers[q]);
    if (!answers || told.every((answer) => !answer || answer.mark === 'unsaid')) return [];
    return [
      {
        key: `asked ${key}`,
        name: `${name}${told[0]?.isDecisive ? ' (decides)' : ''}`,
        texts: told.map((answer) =>
          answer
            ? `${MARKS[answer.mark]}${answer.grounds[0] ? `: ${say(answer.grounds[0].text)}` : ''}`
            : '–',
        ),
        spread: new Set(told.map((answer) => answer?.mark)).size > 1 ? 2 : 0,
        least: -1,
        most: -1,
        isAsked: true,
      },
    ];
  });
}

/** Differences first: what a brief asks, what lies surely apart, by how far; leverage and inertia last. */
const order = ({ isAsked, isSure, key, spread }: Line): number =>
  (isAsked ? 100 : 0) + (isSure === false ? 0 : 10) + (LATE.has(key) ? -20 : 0) + Math.min(5, spread);

/** All that some heads are compared by, line by line, differences first. */
export function comparedLines(of: Compared): Line[] {
  const { rows, baited, isBaited, format } = of;
  const words = (key: string, name: string, text: (design: Design) => string): Line =>
    told(
      key,
      name,
      rows.map(({ document }) => text(document)),
    );
  return [
    ...askedLines(of),
    ...(baited
      ? [
          told(
            'fit',
            'With the bait',
            rows.map((_, i) => FIT_WORDS[baited[i]?.verdict ?? 'bad']),
          ),
          told(
            'way',
            'Rigged',
            rows.map((_, i) => METHODS.find(({ key }) => key === baited[i]?.method)?.name ?? '–'),
          ),
        ]
      : []),
    words('metal', 'Metal', ({ head }) => METALS.find(({ key }) => key === head.metal)?.name ?? head.metal),
    words('family', 'Shape', ({ head }) => familyOf(head.family)?.name ?? head.family),
    words('hook', 'Hook', ({ hook }) => `${hook.size} ${hook.style ?? PLAIN_STYLE}, ${hook.grade}`),
    words('eye', 'Eye', ({ eye }) => `${format(eye.angle, 'angle')} ${eye.plane}`),
    words('keeper', 'Keeper', ({ keeper }) => keeperOf(keeper.kind).name),
    words('guard', 'Guard', ({ guard }) => guardOf(guard.kind).name),
    ...(isBaited ? [...IDS, ...RIG_IDS] : IDS).map((id) => figureLine(id, of)),
  ].sort((a, b) => order(b) - order(a));
}

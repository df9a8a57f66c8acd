import { useMemo } from 'react';
import type { Kept, RulesInForce } from '../../../contract/api.ts';
import type { Brief, Design } from '../../../core/document/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { questionOf, QUESTIONS, soldWithin, usualWindow } from '../../../core/match/index.ts';
import { useUnits } from '../../data/units.ts';
import { Panel } from '../../parts/panel.tsx';
import type { Asking, MatchRow } from '../../workers/match-rows.ts';
import { AnswerFilterBar, useAnswerFilter } from './answer-filter-bar.tsx';
import { isFiltering, passing } from './answer-filter.ts';
import { AnswerTable } from './answer.tsx';
import { idsOf } from './arrangement.ts';
import { CustomerCard } from './customer-card.tsx';
import type { useAnswer } from './use-answer.ts';

interface Props {
  readonly id: string;
  readonly brief: Brief;
  readonly at: Situation;
  readonly asking: Asking | undefined;
  readonly answer: ReturnType<typeof useAnswer>;
  readonly designs: readonly Kept<Design>[];
  readonly metals: readonly Metal[];
  readonly rules: RulesInForce;
}

/** Which head: in a line what decides, and every head with its marks. */
export function AnswerPanel({ id, brief, at, asking, answer, designs, metals, rules }: Props) {
  const { rows, shown, moved, settled, total, error, stop, rearrange, settle } = answer;
  const filter = useAnswerFilter();
  const found = useMemo(
    () =>
      isFiltering(filter)
        ? passing(designs, filter, (key) => metals.find((metal) => metal.key === key)?.isLead === true)
        : undefined,
    [filter, designs, metals],
  );
  return (
    <>
      <div className="ranking-head">
        <h2>Which head</h2>
        {settled < total ? (
          <span className="ranking-status">
            <progress value={settled} max={total} aria-label="Settling" /> {settled} of {total} settled{' '}
            <button type="button" className="btn btn-sm btn-quiet" onClick={stop}>
              Stop
            </button>
          </span>
        ) : (
          <span className="ranking-status" role="status">
            {rows.size > 0 || designs.length === 0
              ? `${rows.size} ${rows.size === 1 ? 'head' : 'heads'} answered`
              : '…'}
          </span>
        )}
        <CustomerCard id={id} brief={brief} heads={bestOf(shown, rows, found)} />
      </div>
      <Summary brief={brief} at={at} rows={idsOf(shown).flatMap((key) => rows.get(key) ?? [])} />
      {error && <p className="problems">■ {error}</p>}
      {rules.problems.length > 0 && (
        <p className="problems" role="status">
          ■ The shop’s own rules cannot be used, so the shipped rules judge: {rules.problems[0]?.message}
        </p>
      )}
      {designs.length === 0 && (
        <p>There are no heads on the Rack. Make one there first, or have one worked out.</p>
      )}
      <Panel what="The answer">
        <AnswerFilterBar filter={filter} designs={designs} metals={metals} />
        <div className="answer-place" data-ready={rows.size > 0 || designs.length === 0}>
          {asking && <AnswerTable {...{ rows, shown, designs, asking, at, found, settle }} />}
          <p className="answer-moved" role="status" hidden={moved === 0}>
            {moved} {moved === 1 ? 'head changes' : 'heads change'} place.{' '}
            <button type="button" className="btn btn-sm btn-brass" onClick={rearrange}>
              Show the new order
            </button>
          </p>
        </div>
      </Panel>
    </>
  );
}

/** Heads on a customer’s card. */
const ON_CARD = 3;

/** The first heads of an answer that are not out, each of another shape, among those a filter leaves. */
function bestOf(
  shown: Props['answer']['shown'],
  rows: ReadonlyMap<string, MatchRow>,
  found: ReadonlySet<string> | undefined,
): string[] {
  return shown
    .flatMap(({ heads }) => heads.find(({ id }) => found === undefined || found.has(id)) ?? [])
    .filter(({ id }) => rows.get(id)?.standing?.out === 0)
    .sort((a, b) => a.place - b.place)
    .slice(0, ON_CARD)
    .map(({ id }) => id);
}

/** In a few lines: the usual weights, what the line asks, what decides, and the mistake the first avoids. */
function Summary({
  brief,
  at,
  rows,
}: {
  readonly brief: Brief;
  readonly at: Situation;
  readonly rows: readonly MatchRow[];
}) {
  const { say, format } = useUnits();
  const window = useMemo(() => usualWindow(at), [at]);
  const [from, to] = soldWithin(window);
  const mistake = useMemo(() => mistakeIn(rows), [rows]);
  const held = rows[0]?.answers
    .find(({ key }) => key === 'hold')
    ?.grounds.find(({ by, text }) => by === 'retrieve.leastWeight' && !text.endsWith('to spare.'))?.text;
  return (
    <p className="answer-summary">
      Usual {window.what}: <b>{format(from, 'mass')}</b>
      {to > from && (
        <>
          {' '}
          to <b>{format(to, 'mass')}</b>
        </>
      )}
      .{held && ` By the line: ${say(held)}`} Decided by:{' '}
      {QUESTIONS.filter(
        (question) => question.isAsked(at) && (brief.decisive?.[question.key] ?? question.isDecisive(at)),
      )
        .map(({ name }) => name.toLowerCase())
        .join(', ')}
      .{mistake && ` The first choice avoids ${mistake}.`}
    </p>
  );
}

/** The mistake most of the others would be, which the first choice is not. */
function mistakeIn(rows: readonly MatchRow[]): string | undefined {
  const [best, ...others] = rows;
  if (!best?.standing || best.standing.out > 0) return undefined;
  let found: { says: string; heads: number } | undefined;
  best.answers.forEach(({ key, isDecisive }, i) => {
    if (!isDecisive) return;
    const heads = others.filter(({ answers }) => answers[i]?.mark === 'no').length;
    if (heads > (found?.heads ?? 0)) found = { says: questionOf(key).mistake, heads };
  });
  return found?.says;
}

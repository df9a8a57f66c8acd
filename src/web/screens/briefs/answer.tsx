import { useMemo, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { compareStandings, QUESTIONS } from '../../../core/match/index.ts';
import type { Asking, MatchRow } from '../../workers/match-rows.ts';
import { commonScale, HeadRow } from './answer-row.tsx';

/** Heads of a shape shown before the rest is unfolded, and shapes shown at once. */
const SHAPES = 12;

interface Group {
  readonly shape: string;
  readonly rows: readonly { readonly place: number; readonly entry: MatchRow }[];
}

/** Equals share a place. */
function places(rows: readonly MatchRow[]): { place: number; entry: MatchRow }[] {
  let place = 0;
  return rows.map((entry, i) => {
    const before = rows[i - 1];
    const isEqual =
      before?.standing && entry.standing && compareStandings(before.standing, entry.standing) === 0;
    if (!isEqual) place = i + 1;
    return { place, entry };
  });
}

/** The best of each shape first, its near variants under it. */
function grouped(rows: readonly MatchRow[]): Group[] {
  const groups = new Map<string, { place: number; entry: MatchRow }[]>();
  for (const one of places(rows)) {
    const key = `${(one.entry.standing?.out ?? 1) > 0 ? 'out ' : ''}${one.entry.shape}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups].map(([, group]) => ({ shape: group[0]?.entry.shape ?? '', rows: group }));
}

/** Heads × questions, to scan. */
export function AnswerTable({
  rows,
  designs,
  asking,
  at,
}: {
  readonly rows: readonly MatchRow[];
  readonly designs: readonly Kept<Design>[];
  readonly asking: Asking;
  readonly at: Situation;
}) {
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const byId = useMemo(() => new Map(designs.map((row) => [row.id, row])), [designs]);
  const k = useMemo(() => commonScale(designs), [designs]);
  const groups = useMemo(() => grouped(rows), [rows]);
  const columns = useMemo(() => QUESTIONS.flatMap((question, i) => (question.isAsked(at) ? [i] : [])), [at]);
  const shown = all ? groups : groups.slice(0, SHAPES);
  const flip = (key: string) =>
    setOpen((now) => {
      const next = new Set(now);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    <div className="answer-table" style={{ '--columns': columns.length } as React.CSSProperties}>
      <div className="answer-heads" aria-hidden="true">
        <span />
        <span />
        <span />
        <span className="answer-columns">
          {columns.map((i) => (
            <span key={QUESTIONS[i]?.key} title={QUESTIONS[i]?.asks}>
              {QUESTIONS[i]?.name}
            </span>
          ))}
        </span>
        <span />
      </div>
      <ol className="head-rows">
        {shown.flatMap(({ shape, rows: [first, ...variants] }) => {
          const row = first && byId.get(first.entry.id);
          if (!first || !row) return [];
          const key = first.entry.id;
          const isOpen = open.has(key);
          const common = { asking, columns, k };
          return [
            <HeadRow key={key} place={first.place} row={row} entry={first.entry} {...common} />,
            ...(variants.length > 0
              ? [
                  <li key={`${key} more`} className="head-more">
                    <button
                      type="button"
                      className="btn-link-brass"
                      aria-expanded={isOpen}
                      onClick={() => flip(key)}
                    >
                      {isOpen ? 'Fold' : `${variants.length} more`} of shape{' '}
                      {familyOf(shape)?.name.toLowerCase() ?? shape}
                    </button>
                  </li>,
                ]
              : []),
            ...(isOpen
              ? variants.flatMap(({ place, entry }) => {
                  const other = byId.get(entry.id);
                  return other
                    ? [
                        <HeadRow
                          key={entry.id}
                          place={place}
                          row={other}
                          entry={entry}
                          isVariant
                          {...common}
                        />,
                      ]
                    : [];
                })
              : []),
          ];
        })}
      </ol>
      {groups.length > SHAPES && (
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${groups.length} shapes`}
        </button>
      )}
    </div>
  );
}

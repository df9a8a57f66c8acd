import { useEffect, useMemo, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Situation } from '../../../core/match/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import type { Asking, MatchRow } from '../../workers/match-rows.ts';
import { commonScale, HeadRow } from './answer-row.tsx';
import type { Placed, ShapeGroup } from './arrangement.ts';

/** Shapes shown before the rest is unfolded. */
const SHAPES = 12;
/** Heads that are looked for by name, at once. */
const FOUND = 24;

interface Props {
  readonly rows: ReadonlyMap<string, MatchRow>;
  readonly shown: readonly ShapeGroup[];
  readonly designs: readonly Kept<Design>[];
  readonly asking: Asking;
  readonly at: Situation;
  /** the heads that are looked for; undefined where nothing is filtered */
  readonly found: ReadonlySet<string> | undefined;
  /** asks for heads that no answer has come for yet */
  readonly settle: (ids: readonly string[]) => Promise<void>;
}

/** Heads × questions, to scan. */
export function AnswerTable({ rows, shown, designs, asking, at, found, settle }: Props) {
  const columns = useMemo(() => QUESTIONS.flatMap((question, i) => (question.isAsked(at) ? [i] : [])), [at]);
  const byId = useMemo(() => new Map(designs.map((row) => [row.id, row])), [designs]);
  const k = useMemo(() => commonScale(designs), [designs]);
  const one = ({ id, place }: Placed, isVariant = false) => {
    const row = byId.get(id);
    const entry = rows.get(id);
    return row && entry ? (
      <HeadRow key={id} {...{ place, row, entry, asking, columns, k, isVariant }} />
    ) : null;
  };
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
      {found ? <Found {...{ shown, found, rows, settle, one }} /> : <ByShape shown={shown} one={one} />}
    </div>
  );
}

type Show = (placed: Placed, isVariant?: boolean) => React.ReactNode;

/** The best of each shape, its near variants folded under it. */
function ByShape({ shown, one }: { readonly shown: readonly ShapeGroup[]; readonly one: Show }) {
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const [all, setAll] = useState(false);
  const flip = (key: string) =>
    setOpen((now) => {
      const next = new Set(now);
      if (!next.delete(key)) next.add(key);
      return next;
    });
  return (
    <>
      <ol className="head-rows">
        {(all ? shown : shown.slice(0, SHAPES)).flatMap(({ shape, heads: [first, ...variants] }) => {
          if (!first) return [];
          const isOpen = open.has(first.id);
          return [
            one(first),
            variants.length > 0 && (
              <li key={`${first.id} more`} className="head-more">
                <button
                  type="button"
                  className="btn-link-brass"
                  aria-expanded={isOpen}
                  onClick={() => flip(first.id)}
                >
                  {isOpen ? 'Fold' : `${variants.length} more`} of shape{' '}
                  {familyOf(shape)?.name.toLowerCase() ?? shape}
                </button>
              </li>
            ),
            ...(isOpen ? variants.map((variant) => one(variant, true)) : []),
          ];
        })}
      </ol>
      {shown.length > SHAPES && (
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => setAll(!all)}>
          {all ? 'Show the first only' : `Show all ${shown.length} shapes`}
        </button>
      )}
    </>
  );
}

/** The heads that are looked for, each at its place among all; those no answer has come for are asked. */
function Found({
  shown,
  found,
  rows,
  settle,
  one,
}: Pick<Props, 'shown' | 'rows' | 'settle'> & { readonly found: ReadonlySet<string>; readonly one: Show }) {
  const placed = useMemo(
    () => shown.flatMap(({ heads }) => heads).filter(({ id }) => found.has(id)),
    [shown, found],
  );
  const missing = useMemo(() => {
    const known = new Set(placed.map(({ id }) => id));
    return [
      ...[...found].filter((id) => !known.has(id)),
      ...placed.flatMap(({ id }) => (rows.get(id)?.isSettled ? [] : [id])),
    ].slice(0, FOUND);
  }, [placed, found, rows]);
  const key = missing.join();
  useEffect(() => {
    // A person types on: what the first letters find is not worth the computing.
    const timer = setTimeout(() => void settle(key === '' ? [] : key.split(',')), 300);
    return () => clearTimeout(timer);
  }, [key, settle]);
  if (found.size === 0) return <p>No head on the Rack fits the filter.</p>;
  return (
    <>
      <ol className="head-rows">{placed.slice(0, FOUND).map((head) => one(head))}</ol>
      {placed.length > FOUND && (
        <p>{placed.length - FOUND} more fit the filter. Enter more of the name to see them.</p>
      )}
    </>
  );
}

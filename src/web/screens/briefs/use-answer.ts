import { messageOf } from '../../../core/kind/index.ts';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import { judgeWorker } from '../../workers/judge.ts';
import type { Asking, MatchRow } from '../../workers/match-rows.ts';
import type { ShapeGroup } from './arrangement.ts';
import { arrange, byStanding, idsOf, movesBetween, withLateComers } from './arrangement.ts';

/** Heads settled in one message. */
const AT_ONCE = 3;
/** Heads of a large Rack that are settled: the first by what is kept, and the best of each shape. */
const SETTLED = 120;

interface State {
  readonly asking: Asking | undefined;
  readonly rows: ReadonlyMap<string, MatchRow>;
  /** the order that is shown: it stays until another is asked for */
  readonly shown: readonly ShapeGroup[];
  readonly settled: number;
  readonly total: number;
  readonly error: string;
}
const NOTHING: State = { asking: undefined, rows: new Map(), shown: [], settled: 0, total: 0, error: '' };

/** Which heads are worth settling, in the order in which it matters. */
function worthSettling(rows: readonly MatchRow[]): string[] {
  const sorted = [...rows].sort(byStanding);
  const shapes = new Set<string>();
  return sorted
    .filter(({ shape }, i) => {
      const isFirst = !shapes.has(shape);
      shapes.add(shape);
      return i < SETTLED || isFirst;
    })
    .map(({ id }) => id);
}

/**
 * The heads of a shop as they stand to a brief: at once from the readings kept at save, then settled one
 * after the other, the best first, in the brief’s own water with the bait on. A change of brief or `stop`
 * ends what is under way. The order first shown stays while answers settle: how many heads would change place
 * is told, and `rearrange` moves them.
 */
export function useAnswer(asking: Asking | undefined, designs: readonly Kept<Design>[]) {
  const [state, setState] = useState<State>(NOTHING);
  const cancel = useRef<() => void>(() => undefined);
  /** Shows answers where they stand; a new question begins a new order. */
  const show = useCallback(
    (of: Asking, rows: ReadonlyMap<string, MatchRow>, settled: number, total: number) =>
      setState((now) => ({
        asking: of,
        rows,
        shown: now.asking === of ? withLateComers(now.shown, rows) : arrange(rows.values()),
        settled,
        total,
        error: '',
      })),
    [],
  );
  useEffect(() => {
    let isWanted = true;
    cancel.current = () => {
      isWanted = false;
    };
    if (!asking) return cancel.current;
    const byId = new Map(designs.map((row) => [row.id, row.document]));
    const work = async () => {
      const worker = judgeWorker('later');
      const kept = designs.flatMap(({ id, document, summary }) =>
        summary?.ok ? [{ id, design: document, values: summary.readings }] : [],
      );
      const first = await worker.matchFirst(asking, kept);
      if (!isWanted) return;
      const rows = new Map(first.map((row) => [row.id, row]));
      const left = designs.filter(({ summary }) => !summary?.ok).map(({ id }) => id);
      const wanted = [...worthSettling(first), ...left];
      let settled = 0;
      show(asking, new Map(rows), settled, wanted.length);
      let told = performance.now();
      for (let at = 0; at < wanted.length; at += AT_ONCE) {
        const some = wanted.slice(at, at + AT_ONCE).flatMap((id) => {
          const design = byId.get(id);
          return design ? [{ id, design }] : [];
        });
        const answers = await worker.matchWhole(asking, some);
        if (!isWanted) return;
        for (const row of answers) rows.set(row.id, row);
        settled += some.length;
        // Showing every single answer would cost more than computing it.
        if (performance.now() - told > 250 || settled >= wanted.length) {
          told = performance.now();
          show(asking, new Map(rows), settled, wanted.length);
        }
      }
    };
    work().catch((error: unknown) => setState((now) => ({ ...now, error: messageOf(error) })));
    return cancel.current;
  }, [asking, designs, show]);
  const { rows, shown } = state;
  const better = useMemo(() => arrange(rows.values()), [rows]);
  const moved = useMemo(() => movesBetween(idsOf(shown), idsOf(better)), [shown, better]);
  const stop = () => {
    cancel.current();
    setState((now) => ({ ...now, total: now.settled }));
  };
  const rearrange = () => setState((now) => ({ ...now, shown: arrange(now.rows.values()) }));
  /** Settles heads that are asked for by name, whatever their place. */
  const settle = useCallback(
    async (ids: readonly string[]) => {
      const some = designs.filter(({ id }) => ids.includes(id));
      if (!asking || some.length === 0) return;
      const answers = await judgeWorker('later').matchWhole(
        asking,
        some.map(({ id, document: design }) => ({ id, design })),
      );
      setState((now) => {
        if (now.asking !== asking) return now;
        const next = new Map([...now.rows, ...answers.map((row) => [row.id, row] as const)]);
        return { ...now, rows: next, shown: withLateComers(now.shown, next) };
      });
    },
    [asking, designs],
  );
  return { ...state, moved, stop, rearrange, settle };
}

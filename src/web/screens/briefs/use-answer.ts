import { useEffect, useMemo, useRef, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import { compareStandings } from '../../../core/match/index.ts';
import { judgeWorker } from '../../workers/judge.ts';
import type { Asking, MatchRow } from '../../workers/match-rows.ts';

/** Heads settled in one message. */
const AT_ONCE = 3;
/** Heads of a large Rack that are settled: the first by what is kept, and the best of each shape. */
const SETTLED = 120;

interface State {
  readonly rows: ReadonlyMap<string, MatchRow>;
  readonly settled: number;
  readonly total: number;
  readonly error: string;
}
const NOTHING: State = { rows: new Map(), settled: 0, total: 0, error: '' };

/** Best first; what cannot be built last. */
export const byStanding = (a: MatchRow, b: MatchRow): number =>
  a.standing && b.standing
    ? compareStandings(a.standing, b.standing)
    : Number(!a.standing) - Number(!b.standing);

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
 * The heads of a shop as they stand to a brief: at once from the readings kept at save, then settled one after the other, the best first, in
 * the brief’s own water with the bait on. A change of brief or `stop` ends what is under way.
 */
export function useAnswer(asking: Asking | undefined, designs: readonly Kept<Design>[]) {
  const [state, setState] = useState<State>(NOTHING);
  const cancel = useRef<() => void>(() => undefined);
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
      const show = () => setState({ rows: new Map(rows), settled, total: wanted.length, error: '' });
      show();
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
          show();
        }
      }
    };
    work().catch((error: unknown) =>
      setState((now) => ({ ...now, error: String((error as Error).message) })),
    );
    return cancel.current;
  }, [asking, designs]);
  const rows = useMemo(() => [...state.rows.values()].sort(byStanding), [state.rows]);
  const stop = () => {
    cancel.current();
    setState((now) => ({ ...now, total: now.settled }));
  };
  return { ...state, rows, stop };
}

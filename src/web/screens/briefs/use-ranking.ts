import { useEffect, useMemo, useRef, useState } from 'react';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, Metal, Rule, Surroundings } from '../../../core/index.ts';
import { compareStandings, surroundingsOfBrief } from '../../../core/index.ts';
import { judgeWorker } from '../../workers/judge.ts';
import type { Ranked } from '../../workers/judge.worker.ts';

interface Ranking {
  readonly ranked: readonly Ranked[];
  readonly done: number;
  readonly total: number;
  readonly error: string;
}

/** Designs asked for in one message: the rules travel with it. */
const AT_ONCE = 8;

/** Readings and standing of one design, kept while brief, design and metals are the same. */
const judgedBefore = new WeakMap<Design, { key: string; ranked: Ranked }>();

/** Ranks all designs for a brief in the worker, best so far first; a change of brief or `stop` ends the run under way. */
export function useRanking(
  brief: Brief,
  designs: readonly Kept<Design>[],
  metals: readonly Metal[],
  rules: readonly Rule[],
) {
  const [ranking, setRanking] = useState<Ranking>({ ranked: [], done: 0, total: designs.length, error: '' });
  const cancel = useRef<() => void>(() => undefined);
  const stop = () => {
    cancel.current();
    setRanking((now) => ({ ...now, total: now.done }));
  };
  useEffect(() => {
    let wanted = true;
    const end = () => {
      wanted = false;
    };
    cancel.current = end;
    const surroundings: Surroundings = { ...surroundingsOfBrief(brief), metals };
    const key = JSON.stringify([brief, metals.map(({ density }) => density), rules]);
    const work = async () => {
      const ranked: Ranked[] = [];
      let told = 0;
      for (let at = 0; at < designs.length; at += AT_ONCE) {
        const some = designs.slice(at, at + AT_ONCE);
        const asked = some.filter(({ document }) => judgedBefore.get(document)?.key !== key);
        const answers = await judgeWorker('later').rank(
          asked.map(({ id, document }) => ({ id, design: document })),
          brief,
          rules,
          surroundings,
        );
        if (!wanted) return;
        asked.forEach(({ document }, i) => {
          const answer = answers[i];
          if (answer) judgedBefore.set(document, { key, ranked: answer });
        });
        ranked.push(...some.flatMap(({ document }) => judgedBefore.get(document)?.ranked ?? []));
        // Showing every single answer would cost more than computing it.
        if (performance.now() - told > 120 || ranked.length === designs.length) {
          told = performance.now();
          setRanking({ ranked: [...ranked], done: ranked.length, total: designs.length, error: '' });
        }
      }
    };
    work().catch((error: unknown) =>
      setRanking((now) => ({ ...now, error: String((error as Error).message) })),
    );
    return end;
  }, [brief, designs, metals, rules]);
  const sorted = useMemo(
    () =>
      [...ranking.ranked].sort((a, b) =>
        a.standing && b.standing
          ? compareStandings(a.standing, b.standing)
          : Number(!a.standing) - Number(!b.standing),
      ),
    [ranking.ranked],
  );
  return { ...ranking, ranked: sorted, stop };
}

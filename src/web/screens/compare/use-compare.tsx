import { useMemo } from 'react';
import type { Surroundings } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { MethodKey } from '../../../core/rigging/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useAsking } from '../../data/asking.ts';
import { useList, useRules, useStores } from '../../data/queries.ts';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Asking } from '../../workers/match-rows.ts';
import type { Row } from './laid.ts';

interface BaitJob {
  readonly designs: readonly Design[];
  readonly plastic: Plastic;
  readonly method: MethodKey | undefined;
  readonly surroundings: Surroundings;
}
const runBaited = ({ designs, plastic, method, surroundings }: BaitJob) =>
  judgeWorker('later').baited(designs, plastic, surroundings, method);

/** The bait on every head of the tray, as the address keeps it, and what it makes of them. */
export function useBait(rows: readonly Row[]) {
  const { search, setAll } = useAddress();
  const plastics = useList('plastics');
  const metals = useStores().data?.metals;
  const kept = plastics.data?.find(({ id }) => id === search.get('plastic'));
  const method = METHODS.find(({ key }) => key === search.get('method'))?.key;
  const job = useMemo<BaitJob | undefined>(
    () =>
      kept && {
        designs: rows.map(({ document }) => document),
        plastic: kept.document,
        method,
        surroundings: metals ? { ...PLAIN_WATER, metals } : PLAIN_WATER,
      },
    [rows, kept, method, metals],
  );
  const { output, for: answered } = useJudged(job, runBaited);
  const choice = (
    <>
      <Choice
        label="Bait on all"
        value={kept?.id ?? ''}
        options={[
          ['', 'none'],
          ...(plastics.data ?? []).map(({ id, document }) => [id, document.name] as const),
        ]}
        onChange={(id) => setAll([['plastic', id]])}
      />
      {kept && (
        <Choice
          label="Rigged"
          value={method ?? ''}
          options={[['', 'on each as it goes best'], ...METHODS.map(({ key, name }) => [key, name] as const)]}
          onChange={(key) => setAll([['method', key]])}
        />
      )}
    </>
  );
  return { choice, baited: job && answered === job ? output : undefined, isBaited: kept !== undefined };
}

interface AnswerJob {
  readonly asking: Asking;
  readonly heads: readonly { readonly id: string; readonly design: Design }[];
}
const runAnswers = ({ asking, heads }: AnswerJob) => judgeWorker('later').matchWhole(asking, heads);

/** The questions of a brief, answered for every head of the tray; nothing where none is chosen. */
export function useQuestions(rows: readonly Row[]) {
  const { search, setAll } = useAddress();
  const briefs = useList('briefs').data ?? [];
  const rules = useRules().data;
  const metals = useStores().data?.metals;
  const chosen = briefs.find(({ id }) => id === search.get('brief'));
  const asking = useAsking(chosen?.document, rules, metals);
  const job = useMemo<AnswerJob | undefined>(
    () => asking && { asking, heads: rows.map(({ id, document }) => ({ id, design: document })) },
    [asking, rows],
  );
  const { output, for: answered } = useJudged(job, runAnswers);
  const choice = (
    <Choice
      label="In the brief"
      value={chosen?.id ?? ''}
      options={[['', 'none'] as const, ...briefs.map(({ id, document }) => [id, document.name] as const)]}
      onChange={(id) => setAll([['brief', id]])}
    />
  );
  return { choice, answers: job && answered === job ? output : undefined };
}

interface MetalsJob {
  readonly row: Row;
  readonly surroundings: Surroundings;
}
const runMetals = ({ row, surroundings }: MetalsJob) =>
  judgeWorker('later').twoMetals(row.document, surroundings);

/** The first head of the tray in lead and in tungsten, as rows like any others. */
export function useInMetals(rows: readonly Row[], isWanted: boolean): readonly Row[] | undefined {
  const metals = useStores().data?.metals;
  const job = useMemo<MetalsJob | undefined>(() => {
    const [row] = rows;
    return isWanted && row
      ? { row, surroundings: metals ? { ...PLAIN_WATER, metals } : PLAIN_WATER }
      : undefined;
  }, [rows, isWanted, metals]);
  const { output, for: answered } = useJudged(job, runMetals);
  return useMemo(() => {
    if (!job || answered !== job || !output) return undefined;
    return output.flatMap(({ design, judged }, i): Row[] => {
      if (!judged.ok) return [];
      const entries = Object.entries(judged.readings);
      return [
        {
          ...job.row,
          id: i === 0 ? job.row.id : `${job.row.id} ${i}`,
          document: design,
          summary: {
            ok: true,
            revision: 0,
            readings: Object.fromEntries(entries.map(([id, { value }]) => [id, value])),
            ranges: Object.fromEntries(entries.flatMap(([id, { range }]) => (range ? [[id, range]] : []))),
            drawing: judged.drawing,
          },
        },
      ];
    });
  }, [job, answered, output]);
}

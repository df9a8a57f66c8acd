import { useMemo } from 'react';
import { Link } from 'react-router';
import type { RulesInForce } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useFew, useRack, useRules, useStores } from '../../data/queries.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { PairRow } from '../../workers/pair-rows.ts';

/** Heads tried at most. */
const HEADS = 40;
/** Heads shown at most. */
const SHOWN = 8;

interface Job {
  readonly designs: readonly Design[];
  readonly plastic: Plastic;
  readonly rules: RulesInForce['document'];
  readonly metals: readonly Metal[] | undefined;
}
const run = ({ designs, plastic, rules, metals }: Job): Promise<PairRow[]> =>
  judgeWorker('later').heads(designs, plastic, rules, metals);

/** The heads of the Rack it goes on, best first. */
export function PlasticHeads({ plastic, id }: { readonly plastic: Plastic; readonly id: string }) {
  const rack = useRack();
  const metals = useStores().data?.metals;
  const rules = useRules().data?.document;
  const ids = useMemo(
    () =>
      (rack.data?.cards ?? [])
        .filter(({ archived, grams }) => !archived && grams !== null)
        .slice(0, HEADS)
        .map((card) => card.id),
    [rack.data],
  );
  const { rows: heads } = useFew(ids);
  const job = useMemo<Job | undefined>(
    () => rules && { designs: heads.map(({ document }) => document), plastic, rules, metals },
    [heads, plastic, rules, metals],
  );
  const { output } = useJudged(job, run);
  const fitting = (output ?? []).filter(({ verdict }) => verdict !== 'bad').slice(0, SHOWN);
  return (
    <section className="plastic-used" aria-label="Heads it fits">
      <h2>Heads it fits</h2>
      {fitting.length === 0 && (
        <p className="stores-note">{output ? 'None on the Rack, as they are.' : 'Trying …'}</p>
      )}
      <ul>
        {fitting.map(({ index, method, verdict, use, service }) => {
          const head = heads[index];
          return head ? (
            <li key={head.id}>
              <Link to={`/designs/${head.id}/rig?plastic=${id}&method=${method}`}>{head.document.name}</Link>{' '}
              <small>
                {verdict === 'good' ? '✓' : '▲'} {METHODS.find(({ key }) => key === method)?.name}.{' '}
                {service === 'serves' ? 'Serves' : service === 'with care' ? 'With care' : 'Not for'}: {use}.
              </small>
            </li>
          ) : null;
        })}
      </ul>
    </section>
  );
}

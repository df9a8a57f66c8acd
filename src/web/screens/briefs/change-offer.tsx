import { messageOf } from '../../../core/kind/index.ts';
import { useMemo } from 'react';
import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type { Design } from '../../../core/document/index.ts';
import { questionOf } from '../../../core/match/index.ts';
import { replace } from '../../data/api.ts';
import { refreshLists, useCreate } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Asking, ChangeRow } from '../../workers/match-rows.ts';

interface Job {
  readonly asking: Asking;
  readonly design: Design;
}
const run = ({ asking, design }: Job): Promise<ChangeRow> => judgeWorker('now').changeFor(asking, design);

/**
 * The smallest change that lifts a head’s worst answer, one or a pair, found by recomputing, with buttons
 * that make it.
 */
export function ChangeOffer({ asking, row }: { readonly asking: Asking; readonly row: Kept<Design> }) {
  const { say } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const navigate = useNavigate();
  const create = useCreate('designs');
  const job = useMemo<Job>(() => ({ asking, design: row.document }), [asking, row.document]);
  const { output, for: answered, error } = useJudged(job, run);
  if (error) return <p className="field-said">Couldn’t look for a change: {error}</p>;
  if (!output || answered !== job) return <p className="change-offer">Looking for the smallest change …</p>;
  if (output.kind === 'none needed') return null;
  if (output.kind === 'none helps')
    return (
      <p className="change-offer">
        No single change fixes “{questionOf(output.question).name.toLowerCase()}” without harm elsewhere, and
        no pair of those that were tried.
      </p>
    );
  const says = say(output.says);
  const named = `${row.document.name}, ${says}`.slice(0, 120);
  const inPlace = () =>
    void replace('designs', row.id, output.design, row.version).then(
      async () => {
        await refreshLists(client, 'designs');
        tell({ tone: 'good', text: `${row.document.name}: ${says}.` });
      },
      (cause: unknown) => tell({ tone: 'bad', text: messageOf(cause) }),
    );
  return (
    <div className="change-offer">
      <p>
        <b>{says}</b> lifts “{questionOf(output.question).name.toLowerCase()}” from {output.from} to{' '}
        {output.to === 'unsaid' ? 'nothing said against it' : output.to}.
        {output.remains &&
          ` What remains then: “${questionOf(output.remains.question).name.toLowerCase()}” is ${output.remains.mark}.`}
      </p>
      {output.method === undefined ? (
        <>
          <button
            type="button"
            className="btn btn-sm btn-fern"
            disabled={create.isPending}
            onClick={() =>
              create.mutate(
                { ...output.design, name: named },
                {
                  onSuccess: (kept) =>
                    tell({ tone: 'good', text: `${kept.document.name} added to the Rack.` }),
                },
              )
            }
          >
            Copy with this change
          </button>{' '}
          <button type="button" className="btn btn-sm btn-brass" onClick={inPlace}>
            Change this head
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => void navigate(`/designs/${row.id}/rig?method=${output.method ?? ''}`)}
        >
          Rig with this change
        </button>
      )}
    </div>
  );
}

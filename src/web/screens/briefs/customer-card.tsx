import { useState } from 'react';
import type { Brief } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { canSend, download, send } from '../exchange/download.ts';

interface Props {
  readonly id: string;
  readonly brief: Brief;
  /** the heads it shows, the best first */
  readonly heads: readonly string[];
}

/**
 * A card for the customer: the first heads of the answer with their reasons and how they are rigged, to print
 * or to send.
 */
export function CustomerCard({ id, brief, heads }: Props) {
  const { system } = useUnits();
  const { tell } = useNotices();
  const [isBusy, setBusy] = useState(false);
  const path = `/briefs/${encodeURIComponent(id)}/customer-card?${new URLSearchParams({ heads: heads.join(), units: system })}`;
  const act = async (work: typeof download) => {
    setBusy(true);
    await work(path, (text) => tell({ tone: 'bad', text }));
    setBusy(false);
  };
  return (
    <span className="customer-card">
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        disabled={isBusy || heads.length === 0}
        onClick={() => void act(download)}
      >
        Customer card (PDF)
      </button>
      {canSend() && (
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          disabled={isBusy || heads.length === 0}
          onClick={() => void act((from, fail) => send(from, brief.name, fail))}
        >
          Send
        </button>
      )}
    </span>
  );
}

import { messageOf } from '../../../core/kind/index.ts';
import { useState } from 'react';
import type { Cut, Mould } from '../../../core/document/index.ts';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import type { CutOffer } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { makeWorker } from '../../workers/make.ts';
import { OfferTable } from './offer-table.tsx';
import type { CavityFigure, Cutter } from './use-cutter.ts';
import { cutOf } from './use-cutter.ts';

/**
 * Cutters a small shop has, mm across, beside inches by eighths and sixteenths (common practice, no source).
 */
const USUAL = [3.175, 4, 4.7625, 5, 6, 6.35, 7.9375, 8, 9.525, 10, 12, 12.7];
/** What a cavity is brought to where nobody has typed a weight, of what it casts now. */
const FIRST_TARGET = 1.1;

interface Props {
  readonly mould: Mould;
  readonly place: number;
  readonly figure: CavityFigure;
  readonly cutter: Cutter;
  readonly metals: readonly Metal[];
  readonly onCut: (cut: Cut) => void;
}

/** Which cutter of the shop, how deep, brings the cavity to a weight of metal. */
export function CutToWeight({ mould, place, figure, cutter: { tool, at }, metals, onCut }: Props) {
  const [target, setTarget] = useState<number | undefined>(undefined);
  const [found, setFound] = useState<
    { readonly for: Mould; readonly offers: readonly CutOffer[] } | undefined
  >(undefined);
  const [status, setStatus] = useState('');
  const grams = target ?? figure.metal * FIRST_TARGET;
  const look = async () => {
    setStatus('Looking …');
    try {
      const cuts = [...new Set([tool.diameter, ...USUAL])].map((diameter) =>
        cutOf(tool, at, { depth: 1, diameter }),
      );
      const offers = await makeWorker().offers(mould, place, grams, cuts, metals);
      setFound({ for: mould, offers });
      setStatus(
        offers.length === 0
          ? 'No cutter of the shop reaches that weight here. Ask for another, or aim elsewhere.'
          : '',
      );
    } catch (error) {
      setStatus(messageOf(error));
    }
  };
  return (
    <>
      <h3>Cut to a weight</h3>
      <div className="shop-row">
        <QuantityField
          label="Target metal weight"
          kind="mass"
          value={grams}
          min={HEAD_RANGES.grams[0]}
          max={HEAD_RANGES.grams[1]}
          onCommit={setTarget}
        />
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => void look()}>
          Which cutter, how deep?
        </button>
      </div>
      {status && <p role="status">{status}</p>}
      {found?.for === mould && found.offers.length > 0 && (
        <OfferTable kind={tool.cutter} offers={found.offers} onCut={onCut} />
      )}
    </>
  );
}

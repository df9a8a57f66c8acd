import { cutterOf } from '../../../core/cutter/index.ts';
import type { Cut } from '../../../core/document/index.ts';
import type { CutOffer } from '../../../core/make/index.ts';
import { useUnits } from '../../data/units.ts';
import { Scrolls } from '../../parts/sheet.tsx';

interface Props {
  readonly kind: Cut['cutter'];
  readonly offers: readonly CutOffer[];
  readonly onCut: (cut: Cut) => void;
}

/** How deep each cutter goes for the weight, and what a tenth of a millimetre too deep adds. */
export function OfferTable({ kind, offers, onCut }: Props) {
  const { format } = useUnits();
  return (
    <Scrolls label="Depths of the cutter">
      <table className="shop-table">
        <thead>
          <tr>
            <th scope="col">{cutterOf(kind).name}</th>
            <th scope="col" className="num">
              Deep
            </th>
            <th scope="col" className="num">
              Metal
            </th>
            <th scope="col" className="num">
              {format(0.1, 'size')} too deep
            </th>
            <td />
          </tr>
        </thead>
        <tbody>
          {offers.map((offer) => (
            <tr key={offer.cut.diameter}>
              <td>{format(offer.cut.diameter, 'size')}</td>
              <td className="num">{format(offer.cut.depth, 'size')}</td>
              <td className="num">{format(offer.metal, 'mass')}</td>
              <td className="num">+{format(offer.perTenth, 'mass')}</td>
              <td>
                <button type="button" className="btn btn-sm btn-quiet" onClick={() => onCut(offer.cut)}>
                  Cut this deep
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Scrolls>
  );
}

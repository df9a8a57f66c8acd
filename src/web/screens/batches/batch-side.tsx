import { Link } from 'react-router';
import type { Batch, Problem } from '../../../core/document/index.ts';
import { BATCH_RANGES } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface Props {
  readonly batch: Batch;
  /** what the head weighs by its drawing, g, once that is worked out */
  readonly weighed: { readonly metal: number; readonly total: number } | undefined;
  readonly problems: readonly Problem[];
  readonly edit: (change: (batch: Batch) => Batch) => void;
}

/** What was poured, from what, and what its pieces should weigh. */
export function BatchSide({ batch, weighed, problems, edit }: Props) {
  const { format, say } = useUnits();
  const off = weighed ? Math.abs(weighed.total - batch.wanted.target) : 0;
  return (
    <aside className="shop-side" aria-label="The batch">
      <NameInPlace
        label="Name of the batch"
        name={batch.name}
        onCommit={(name) => edit((now) => ({ ...now, name }))}
      />
      <p>
        Poured from <b>{batch.design.name}</b>
        {batch.ofVersion !== undefined && `, version ${batch.ofVersion}`}. This batch keeps the version it was
        poured from.
      </p>
      {batch.of && (
        <div className="shop-row">
          <Link className="btn btn-sm btn-quiet" to={`/designs/${batch.of}`}>
            Open the head
          </Link>
          <Link className="btn btn-sm btn-quiet" to={`/designs/${batch.of}/mould`}>
            Its mould
          </Link>
        </div>
      )}
      <QuantityField
        label="Cavities"
        kind="count"
        value={batch.cavities}
        min={Math.max(1, ...batch.weighings.map(({ cavity }) => cavity))}
        max={BATCH_RANGES.cavities[1]}
        step={1}
        onCommit={(cavities) => edit((now) => ({ ...now, cavities: Math.round(cavities) }))}
      />
      <QuantityField
        label="Target weight, with hook"
        kind="mass"
        value={batch.wanted.target}
        min={BATCH_RANGES.grams[0]}
        max={BATCH_RANGES.grams[1]}
        onCommit={(target) => edit((now) => ({ ...now, wanted: { ...now.wanted, target } }))}
      />
      <QuantityField
        label="Tolerance (±)"
        kind="mass"
        value={batch.wanted.room}
        min={BATCH_RANGES.room[0]}
        max={BATCH_RANGES.room[1]}
        step={0.01}
        onCommit={(room) => edit((now) => ({ ...now, wanted: { ...now.wanted, room } }))}
      />
      {weighed && (
        <p className="shop-note">
          Calculated weight {format(weighed.total, 'mass')} with its hook, {format(weighed.metal, 'mass')} of
          it metal.
          {off > batch.wanted.room && ' The target is farther from that than the room allowed.'}
        </p>
      )}
      <label>
        Notes
        <textarea
          rows={3}
          maxLength={8000}
          defaultValue={batch.notes ?? ''}
          key={batch.notes ?? ''}
          onBlur={(event) => {
            const notes = event.currentTarget.value;
            if (notes !== (batch.notes ?? '')) edit((now) => ({ ...now, notes }));
          }}
        />
      </label>
      {problems.map(({ message }) => (
        <p key={message} className="field-said" role="alert">
          {say(message)}
        </p>
      ))}
    </aside>
  );
}

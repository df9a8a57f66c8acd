import type { Kept } from '../../../contract/api.ts';
import type { Design, Mould } from '../../../core/document/index.ts';
import { MOST_CAVITIES, MOULD_RANGES } from '../../../core/document/index.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface OwnSizeProps {
  readonly of: 'gate' | 'sprue';
  readonly label: string;
  /** size it begins with, mm */
  readonly initial: number;
  readonly mould: Mould;
  readonly edit: (change: (mould: Mould) => Mould) => void;
}

/** A size that goes by the metal until it is given one of its own. */
export function OwnSize({ of: key, label, initial, mould, edit }: OwnSizeProps) {
  const set = (value: number) => edit((now) => ({ ...now, [key]: value }));
  return mould[key] === undefined ? (
    <div className="qf">
      <span>{label}</span>
      <button type="button" className="btn btn-sm btn-quiet" onClick={() => set(initial)}>
        by the metal
      </button>
    </div>
  ) : (
    <>
      <QuantityField
        label={label}
        kind="size"
        value={mould[key]}
        min={MOULD_RANGES[key][0]}
        max={MOULD_RANGES[key][1]}
        step={0.1}
        onCommit={(value) => set(value)}
      />
      <button
        type="button"
        className="btn-link-brass"
        onClick={() =>
          edit((now) => {
            const { [key]: _, ...rest } = now;
            return rest;
          })
        }
      >
        {label} by the metal again
      </button>
    </>
  );
}

interface ButtonsProps {
  readonly mould: Mould;
  readonly design: Kept<Design>;
  readonly edit: (change: (mould: Mould) => Mould) => void;
}

/** More cavities: one of this head, or all rungs of its ladder. */
export function CavityButtons({ mould, design, edit }: ButtonsProps) {
  const rungs = design.document.ladder?.rungs ?? [];
  return (
    <div className="shop-row">
      <button
        type="button"
        className="btn btn-sm btn-quiet"
        disabled={mould.cavities.length >= MOST_CAVITIES}
        onClick={() =>
          edit((now) => ({
            ...now,
            cavities: [...now.cavities, { design: design.document, of: design.id, cuts: [] }],
          }))
        }
      >
        + One more of this head
      </button>
      {rungs.length > 0 && (
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() =>
            edit((now) => ({
              ...now,
              cavities: rungs.slice(0, MOST_CAVITIES).map(({ grams, hook }) => ({
                of: design.id,
                cuts: [],
                design: {
                  ...design.document,
                  head: {
                    ...design.document.head,
                    target: { of: design.document.head.target?.of ?? 'metal', grams },
                  },
                  hook: hook ? { ...design.document.hook, size: hook } : design.document.hook,
                },
              })),
            }))
          }
        >
          Its ladder’s rungs in a row
        </button>
      )}
    </div>
  );
}

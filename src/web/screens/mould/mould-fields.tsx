import type { Kept } from '../../../contract/api.ts';
import type { Design, Mould, Problem } from '../../../core/document/index.ts';
import { MOST_CAVITIES, MOULD_RANGES } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { Segments } from '../../parts/choice.tsx';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

interface Props {
  readonly mould: Mould;
  readonly design: Kept<Design>;
  readonly edit: (change: (mould: Mould) => Mould) => void;
  readonly problems: readonly Problem[];
}

const SIZES = [
  ['wall', 'Wall'],
  ['between', 'Between cavities'],
  ['pin', 'Locating pins'],
] as const;

/** What a mould is laid out by. */
export function MouldFields({ mould, design, edit, problems }: Props) {
  const { say } = useUnits();
  const set = (change: Partial<Mould>) => edit((now) => ({ ...now, ...change }));
  const said = (path: string) => {
    const problem = problems.find((one) => one.path === path);
    return problem && say(problem.message);
  };
  const own = (key: 'gate' | 'sprue', label: string, initial: number) =>
    mould[key] === undefined ? (
      <div className="qf">
        <span>{label}</span>
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => set({ [key]: initial })}>
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
          onCommit={(value) => set({ [key]: value })}
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
  const rungs = design.document.ladder?.rungs ?? [];
  return (
    <>
      <NameInPlace label="Name of the mould" name={mould.name} onCommit={(name) => set({ name })} />
      <Segments
        label="Made by"
        value={mould.making}
        options={[
          ['pour', 'pouring'],
          ['press', 'pressing'],
        ]}
        onChange={(making) => set({ making })}
      />
      <QuantityField
        label={mould.making === 'pour' ? 'Shrinks as it cools' : 'Shrinks as it sinters'}
        kind="number"
        value={mould.shrink}
        min={MOULD_RANGES.shrink[0]}
        max={MOULD_RANGES.shrink[1]}
        step={0.1}
        note="Per cent of length: the cavity is that much larger. The metal’s data sheet says how much."
        problem={said('/shrink')}
        onCommit={(shrink) => set({ shrink })}
      />
      {SIZES.map(([key, label]) => (
        <QuantityField
          key={key}
          label={label}
          kind="size"
          value={mould[key]}
          min={MOULD_RANGES[key][0]}
          max={MOULD_RANGES[key][1]}
          step={0.5}
          problem={said(`/${key}`)}
          onCommit={(value) => set({ [key]: value })}
        />
      ))}
      {mould.making === 'pour' && (
        <>
          {own('gate', 'Gate', 2)}
          {own('sprue', 'Sprue', 4)}
        </>
      )}
      <QuantityField
        label="Minimum draft"
        kind="angle"
        value={mould.draft}
        min={MOULD_RANGES.draft[0]}
        max={MOULD_RANGES.draft[1]}
        step={0.5}
        note="Slope that lets a casting release from a deep wall."
        problem={said('/draft')}
        onCommit={(draft) => set({ draft })}
      />
      <h2>Cavities</h2>
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
      <p className="shop-note">
        The halves meet at the plane of the hook. Each cavity is the head as it is cast, larger by what it
        shrinks; steel lies in its channels as it is.
      </p>
      <p className="shop-care">
        {mould.making === 'pour'
          ? 'Molten metal: dry, warm moulds, goggles, gloves, air. Water or a wet hook under it bursts. Local rules and the makers’ instructions decide.'
          : 'Pressing and sintering want a licensed works: fine metal dust burns and is bad to breathe. Local rules and the makers’ instructions decide.'}
      </p>
    </>
  );
}

import type { Kept } from '../../../contract/api.ts';
import type { Design, Mould, Problem } from '../../../core/document/index.ts';
import { MOULD_RANGES } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { Segments } from '../../parts/choice.tsx';
import { NameInPlace } from '../../parts/name-in-place.tsx';
import { CavityButtons, OwnSize } from './mould-parts.tsx';
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
          <OwnSize of="gate" label="Gate" initial={2} mould={mould} edit={edit} />
          <OwnSize of="sprue" label="Sprue" initial={4} mould={mould} edit={edit} />
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
      <CavityButtons mould={mould} design={design} edit={edit} />
      <p className="shop-note">
        The halves meet at the plane of the hook. Each cavity is the head as it is cast, larger by what it
        shrinks; steel lies in its channels as it is.
      </p>
      <p className="shop-care">
        {mould.making === 'pour'
          ? 'Molten metal: dry, warm moulds, goggles, gloves, air. Water or a wet hook under it ' +
            'bursts. Local rules and the makers’ instructions decide.'
          : 'Pressing and sintering want a licensed works: fine metal dust burns and is bad to ' +
            'breathe. Local rules and the makers’ instructions decide.'}
      </p>
    </>
  );
}

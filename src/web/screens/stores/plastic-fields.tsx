import type { Plastic } from '../../../core/plastic/index.ts';
import { COLOUR_CLASSES, PLASTIC_KINDS, plasticKindOf, TOUGHNESS } from '../../../core/plastic/index.ts';
import { Choice } from '../../parts/choice.tsx';
import { PlasticSizes } from './plastic-sizes.tsx';

const plain = <T extends string>(values: readonly T[]) => values.map((value) => [value, value] as const);
const FLAGS = [
  ['spot', 'Bright spot'],
  ['scent', 'Scent'],
  ['rattle', 'Rattle'],
  ['skirt', 'Skirt'],
] as const;

/** A plastic, and what changes it. */
export interface FieldsProps {
  readonly plastic: Plastic;
  readonly set: (change: Partial<Plastic>) => void;
}

/** A plastic of another kind: one of an own outline begins with the stations of its kind. */
function ofKind(plastic: Plastic, key: Plastic['kind']): Partial<Plastic> {
  const { isOwn, stations } = plasticKindOf(key);
  if (!isOwn || plastic.stations) return { kind: key };
  return { kind: key, stations: stations.map(([at, height, breadth]) => ({ at, height, breadth })) };
}

/** The fields of a plastic. */
export function PlasticFields({ plastic, set }: FieldsProps) {
  return (
    <div className="plastic-fields">
      <Choice
        label="Kind"
        value={plastic.kind}
        options={PLASTIC_KINDS.map(({ key, name }) => [key, name] as const)}
        onChange={(next) => set(ofKind(plastic, next))}
      />
      <PlasticSizes plastic={plastic} set={set} />
      <Choice
        label="Toughness"
        value={plastic.toughness}
        options={plain(TOUGHNESS)}
        onChange={(toughness) => set({ toughness })}
      />
      <label className="qf">
        <span className="qf-name">Colour</span>
        <span className="qf-box">
          <input
            key={plastic.colour ?? ''}
            defaultValue={plastic.colour ?? ''}
            maxLength={60}
            onBlur={(event) => {
              const colour = event.currentTarget.value.trim();
              if (colour !== (plastic.colour ?? '')) set({ colour: colour || undefined });
            }}
          />
        </span>
      </label>
      <Choice
        label="Colour class"
        value={plastic.colourClass ?? ''}
        options={[['', 'not said'], ...plain(COLOUR_CLASSES)]}
        onChange={(next) => set({ colourClass: COLOUR_CLASSES.find((one) => one === next) })}
      />
      <fieldset className="plastic-flags">
        <legend className="visually-hidden">Extras</legend>
        {FLAGS.map(([key, text]) => (
          <label key={key}>
            <input
              type="checkbox"
              checked={plastic[key] ?? false}
              onChange={(event) => set({ [key]: event.currentTarget.checked || undefined })}
            />{' '}
            {text}
          </label>
        ))}
      </fieldset>
    </div>
  );
}

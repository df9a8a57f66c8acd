import { DRAWN_FAMILIES, HEAD_RANGES } from '../../../core/head/index.ts';
import { EYE_ANGLES, HOOK_CHART } from '../../../core/hook/index.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { OptionalField } from './optional-field.tsx';
import type { Measured } from './use-measured.ts';

/** What caliper, scale and packet say of a head. */
export function Measurements({ of }: { readonly of: Measured }) {
  const { family, name, grams, metals, metalKey, claimed, hook, eye, measured, sizes, set } = of;
  return (
    <aside className="shop-side" aria-label="Measurements">
      <label className="qf qf-wide">
        Name
        <span className="qf-box">
          <input
            value={name}
            maxLength={120}
            placeholder="what the packet says"
            onChange={(event) => of.setName(event.currentTarget.value)}
          />
        </span>
      </label>
      <Choice
        label="Shape"
        value={family.key}
        options={DRAWN_FAMILIES.map(({ key, name: title }) => [key, title] as const)}
        onChange={of.setShape}
      />
      <QuantityField
        label="Total weight, with hook"
        kind="mass"
        value={grams}
        min={HEAD_RANGES.grams[0]}
        max={HEAD_RANGES.grams[1]}
        onCommit={(value) => set('grams', String(value))}
      />
      <Choice
        label="Sold as"
        value={metalKey}
        options={metals.map(({ key, name: title }) => [key, title] as const)}
        onChange={(key) => set('metal', key)}
      />
      <OptionalField
        label="Density on the packet"
        kind="density"
        value={claimed}
        initial={metals.find(({ key }) => key === metalKey)?.density ?? 11.34}
        min={HEAD_RANGES.density[0]}
        max={HEAD_RANGES.density[1]}
        onChange={(value) => set('density', value === undefined ? '' : String(value))}
      />
      <Choice
        label="Hook"
        value={hook}
        options={HOOK_CHART.map(({ size }) => [size, size] as const)}
        onChange={(size) => set('hook', size)}
      />
      <QuantityField
        label="Eye"
        kind="angle"
        value={eye}
        min={EYE_ANGLES[0]}
        max={EYE_ANGLES[1]}
        step={5}
        onCommit={(value) => set('eye', String(value))}
      />
      <h2>Measured</h2>
      <p className="shop-note">Enter what the caliper reads. Sizes left empty are solved from the weight.</p>
      {family.dimensions.map(({ key, name: title, kind, min, max }) => (
        <OptionalField
          key={`${family.key} ${key}`}
          label={title}
          kind={kind}
          value={measured[key]}
          initial={sizes[key] ?? min}
          min={min}
          max={max}
          onChange={(value) => set(`m.${key}`, value === undefined ? '' : String(value))}
        />
      ))}
    </aside>
  );
}

import type { Kept } from '../../../contract/api.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { WATERS } from '../../../core/document/index.ts';
import { LINE_KINDS } from '../../../core/material/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { Choice } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { TankConditions } from './use-conditions.ts';
import { RANGES } from './use-conditions.ts';
import { WaterColumn } from './water-column.tsx';

const FIELDS: readonly (readonly [
  key: keyof typeof RANGES,
  label: string,
  kind: QuantityKind,
  step: number,
])[] = [
  ['depth', 'Depth', 'depth', 0.25],
  ['speed', 'Speed', 'speed', 0.05],
  ['current', 'Current', 'speed', 0.05],
  ['lineOut', 'Line out', 'depth', 1],
  ['test', 'Line test', 'lineTest', 0.25],
  ['friction', 'Friction', 'number', 0.05],
];

/** What the heads are fished with: bait, water, line and rod. */
export function Conditions({
  conditions,
  plastics,
}: {
  readonly conditions: TankConditions;
  readonly plastics: readonly Kept<Plastic>[];
}) {
  const { address, water, line, rod, rods, method, plasticId, values } = conditions;
  const put = (key: keyof typeof RANGES, value: number) =>
    address.set(key, String(Math.round(value * 1e4) / 1e4));
  return (
    <aside className="tank-conditions" aria-label="What it is fished with">
      <WaterColumn conditions={conditions} put={put} />
      <Choice
        label="Plastic"
        value={plasticId}
        options={[['', 'none'], ...plastics.map(({ id, document }) => [id, document.name] as const)]}
        onChange={(value) => address.set('plastic', value)}
      />
      {plasticId && (
        <Choice
          label="Put on"
          value={method}
          options={METHODS.map(({ key, name }) => [key, name] as const)}
          onChange={(value) => address.set('method', value, 'threaded')}
        />
      )}
      <Choice
        label="Water"
        value={water}
        options={WATERS.map((value) => [value, value] as const)}
        onChange={(value) => address.set('water', value, 'fresh')}
      />
      {FIELDS.map(([key, label, kind, step]) => (
        <QuantityField
          key={key}
          label={label}
          kind={kind}
          value={values[key]}
          min={RANGES[key][0]}
          max={RANGES[key][1]}
          step={step}
          onCommit={(value) => put(key, value)}
        />
      ))}
      <Choice
        label="Line"
        value={line}
        options={LINE_KINDS.map(({ key, name }) => [key, name] as const)}
        onChange={(value) => address.set('line', value)}
      />
      <Choice
        label="Rod"
        value={rod}
        options={rods.map((key) => [key, key] as const)}
        onChange={(value) => address.set('rod', value)}
      />
    </aside>
  );
}

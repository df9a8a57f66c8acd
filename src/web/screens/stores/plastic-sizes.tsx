import { MADE, PLASTIC_RANGES, plasticKindOf, wallOf } from '../../../core/plastic/index.ts';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { FieldsProps } from './plastic-fields.tsx';

/** Sizes, density and weight of a plastic. */
export function PlasticSizes({ plastic, set }: FieldsProps) {
  const hasWall = MADE[plasticKindOf(plastic.kind).make].wall;
  return (
    <>
      {(['length', 'breadth', 'height'] as const).map((key) => (
        <QuantityField
          key={key}
          label={key.charAt(0).toUpperCase() + key.slice(1)}
          kind="size"
          value={plastic[key]}
          min={PLASTIC_RANGES[key][0]}
          max={PLASTIC_RANGES[key][1]}
          step={0.5}
          onCommit={(value) => set({ [key]: value })}
        />
      ))}
      <QuantityField
        label="Cut off the nose"
        kind="size"
        value={plastic.cut ?? 0}
        min={PLASTIC_RANGES.cut[0]}
        max={Math.min(PLASTIC_RANGES.cut[1], plastic.length * 0.7)}
        step={1}
        onCommit={(value) => set({ cut: value > 0 ? value : undefined })}
      />
      {hasWall && (
        <QuantityField
          label="Wall"
          kind="size"
          value={wallOf(plastic)}
          min={PLASTIC_RANGES.wall[0]}
          max={PLASTIC_RANGES.wall[1]}
          step={0.1}
          onCommit={(wall) => set({ wall })}
        />
      )}
      <QuantityField
        label="Density"
        kind="density"
        value={plastic.density}
        min={PLASTIC_RANGES.density[0]}
        max={PLASTIC_RANGES.density[1]}
        step={0.01}
        disabled={plastic.weighed !== undefined}
        onCommit={(density) => set({ density })}
      />
      <QuantityField
        label="Measured weight"
        kind="mass"
        value={plastic.weighed ?? 0}
        min={0}
        max={PLASTIC_RANGES.weighed[1]}
        step={0.1}
        note="As bought, on a scale; it goes before the density. 0 where it was not weighed."
        onCommit={(value) => set({ weighed: value >= PLASTIC_RANGES.weighed[0] ? value : undefined })}
      />
    </>
  );
}

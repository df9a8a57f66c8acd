import type { Axis, Placement, SolidUnit } from '../../../core/exchange/import-solid.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';

// Written out here: what reads solids is loaded with them, not with the form.
const AXES: readonly Axis[] = ['+x', '-x', '+y', '-y', '+z', '-z'];
const UNITS: readonly SolidUnit[] = ['mm', 'cm', 'in', 'm'];

interface Props {
  readonly placement: Placement;
  readonly onSet: (change: Partial<Placement>) => void;
}

/** How a solid from a file is set on the shank. */
export function PlacementFields({ placement, onSet }: Props) {
  return (
    <>
      <Segments
        label="The file counts in"
        value={placement.unit}
        options={UNITS.map((unit) => [unit, unit] as const)}
        onChange={(unit) => onSet({ unit })}
      />
      <Choice
        label="Nose points to"
        value={placement.nose}
        options={AXES.map((axis) => [axis, axis] as const)}
        onChange={(nose) => onSet({ nose })}
      />
      <Choice
        label="Hook point is to"
        value={placement.up}
        options={AXES.map((axis) => [axis, axis] as const)}
        onChange={(up) => onSet({ up })}
      />
      <QuantityField
        label="Shank from the belly"
        kind="share"
        value={placement.level}
        min={0.05}
        max={0.95}
        step={0.01}
        note="Where the hook’s shank runs through it, as a share of its height."
        onLive={(level) => onSet({ level })}
        onCommit={(level) => onSet({ level })}
      />
      <QuantityField
        label="Shank from the right"
        kind="share"
        value={placement.side}
        min={0.05}
        max={0.95}
        step={0.01}
        note="As a share of its breadth; the middle for a head that is alike on both sides."
        onLive={(side) => onSet({ side })}
        onCommit={(side) => onSet({ side })}
      />
    </>
  );
}

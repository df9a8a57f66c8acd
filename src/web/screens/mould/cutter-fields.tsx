import { CUTTERS, cutterOf } from '../../../core/cutter/index.ts';
import type { Cut } from '../../../core/document/index.ts';
import { HALVES, MOULD_RANGES } from '../../../core/document/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { Cutter } from './use-cutter.ts';
import { cutOf, USUAL_TIP } from './use-cutter.ts';

interface Props {
  readonly cutter: Cutter;
  /** whether the cavity takes no more cuts */
  readonly isFull: boolean;
  readonly onCut: (cut: Cut) => void;
}

/** The cutter in hand: its end, size, half, depth and place, and the cut itself. */
export function CutterFields({ cutter: { tool, at, depth, set, toFloor }, isFull, onCut }: Props) {
  const { format } = useUnits();
  return (
    <>
      <Choice
        label="Cutter"
        value={tool.cutter}
        options={CUTTERS.map(({ key, name }) => [key, name] as const)}
        onChange={(cutter) => set({ cutter })}
      />
      <QuantityField
        label="Across"
        kind="size"
        value={tool.diameter}
        min={MOULD_RANGES.diameter[0]}
        max={MOULD_RANGES.diameter[1]}
        step={0.1}
        onCommit={(diameter) => set({ diameter })}
      />
      {cutterOf(tool.cutter).hasTip && (
        <QuantityField
          label="Point"
          kind="angle"
          value={tool.tip ?? USUAL_TIP}
          min={MOULD_RANGES.tip[0]}
          max={MOULD_RANGES.tip[1]}
          step={5}
          onCommit={(tip) => set({ tip })}
        />
      )}
      <Segments
        label="Half to cut"
        value={tool.side}
        options={HALVES.map((key) => [key, key] as const)}
        onChange={(side) => set({ side })}
      />
      <QuantityField
        label="Below the face"
        kind="size"
        value={depth}
        min={0.05}
        max={MOULD_RANGES.depth[1]}
        step={0.05}
        onCommit={(next) => set({ depth: next })}
      />
      <div className="shop-row">
        <span>
          At {format(at.x, 'size')} along the shank, {format(at.z, 'size')} towards the point
        </span>
        <button type="button" className="btn btn-sm btn-quiet" onClick={() => void toFloor()}>
          Down to the floor as made
        </button>
        <button
          type="button"
          className="btn btn-sm btn-fern"
          disabled={isFull}
          onClick={() => onCut(cutOf(tool, at, { depth }))}
        >
          Cut here
        </button>
      </div>
    </>
  );
}

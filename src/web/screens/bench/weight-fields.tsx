import { useRef } from 'react';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import { fractionGrams, GRAMS_PER_OUNCE, nearestOunceFraction } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { Segments } from '../../parts/choice.tsx';
import { HeldSign } from '../../parts/icons.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';

type Props = Pick<StagesProps, 'design' | 'grams' | 'onTarget' | 'onHold' | 'onWeighed'> & {
  readonly problem: string | undefined;
};

/** The weight: typed, slid, held, and what it is the weight of. */
export function WeightFields({ design, grams, problem, onTarget, onHold, onWeighed }: Props) {
  const { head } = design;
  const held = head.target !== undefined;
  const of = head.target?.of ?? 'metal';
  const weight = head.target?.grams ?? grams;
  return (
    <>
      <div className="weight-row" data-held={held}>
        <QuantityField
          label="Weight"
          kind="mass"
          value={weight}
          min={HEAD_RANGES.grams[0]}
          max={HEAD_RANGES.grams[1]}
          step={Math.max(0.02, weight / 60)}
          problem={problem}
          note="Typing or dragging a weight scales the unlocked sizes until it is met."
          onLive={(next) => onTarget(next, true)}
          onCommit={(next) => onTarget(next, false)}
        />
        <button
          type="button"
          className="btn btn-sm btn-hold"
          aria-pressed={held}
          onClick={onHold}
          title="Hold the weight while sizes change (H)"
        >
          {held && <HeldSign size={13} />} {held ? 'Held' : 'Hold'}
        </button>
      </div>
      <WeightSlider grams={weight} onTarget={onTarget} />
      {held && (
        <Segments
          label="The weight is that of"
          value={of}
          options={[
            ['metal', 'the metal'],
            ['total', 'head with hook'],
            ['submerged', 'in water'],
          ]}
          onChange={onWeighed}
        />
      )}
    </>
  );
}

/** Span of the weight slider, ounces: from a pip to a heavy deep head. It runs by ratio, as packets do. */
const SLIDER = { least: 1 / 64, most: 3, steps: 240 };

function WeightSlider({
  grams,
  onTarget,
}: {
  readonly grams: number;
  readonly onTarget: StagesProps['onTarget'];
}) {
  const { format } = useUnits();
  const last = useRef<number | undefined>(undefined);
  const span = Math.log(SLIDER.most / SLIDER.least);
  const gramsAt = (step: number) => SLIDER.least * GRAMS_PER_OUNCE * Math.exp((span * step) / SLIDER.steps);
  const step =
    (SLIDER.steps * Math.log(Math.max(grams / GRAMS_PER_OUNCE, SLIDER.least) / SLIDER.least)) / span;
  const settle = () => {
    if (last.current !== undefined) onTarget(last.current, false);
    last.current = undefined;
  };
  return (
    <input
      type="range"
      className="weight-slider"
      aria-label="Target weight"
      aria-valuetext={format(grams, 'mass')}
      min={0}
      max={SLIDER.steps}
      step={1}
      value={Math.round(step)}
      onChange={(event) => {
        const wanted = gramsAt(Number(event.currentTarget.value));
        // The slider catches at packet weights, which is what a designer aims at.
        const packet = nearestOunceFraction(wanted);
        last.current = Math.abs(packet.error) < 0.012 ? fractionGrams(packet) : wanted;
        onTarget(last.current, true);
      }}
      onPointerUp={settle}
      onKeyUp={settle}
      onBlur={settle}
    />
  );
}

import { useRef, useState } from 'react';
import { Anchor, Lock, LockOpen } from 'lucide-react';
import type { Design } from '../../../core/index.ts';
import {
  completeDimensions,
  familyOf,
  fractionGrams,
  GRAMS_PER_OUNCE,
  inUnits,
  nearestOunceFraction,
  solveTarget,
  weightOf,
} from '../../../core/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { ShapePicker } from '../../parts/shape-picker.tsx';
import { StationList } from './station-list.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';
import { finder } from './stage-kit.ts';

/** Shape, weight, sizes and metal. */
export function HeadStage({
  design,
  built,
  grams,
  total,
  metals,
  problems,
  edit,
  onDimension,
  onTarget,
  onHold,
}: StagesProps) {
  const problemAt = finder(problems);
  const [picking, setPicking] = useState(false);
  const { system } = useUnits();
  const { head } = design;
  const family = familyOf(head.family);
  const metal = metals.find(({ key }) => key === head.metal);
  const held = head.target !== undefined;
  const of = head.target?.of ?? 'metal';
  const weight = head.target?.grams ?? grams;
  const setHead = (change: Partial<Design['head']>) =>
    edit((now) => ({ ...now, head: { ...now.head, ...change } }));
  const toggleLock = (key: string) => {
    const locks = head.locks ?? [];
    setHead({ locks: locks.includes(key) ? locks.filter((other) => other !== key) : [...locks, key] });
  };
  return (
    <section className="stage" aria-labelledby="stage-head">
      <h3 id="stage-head">Head</h3>
      <div className="qf" data-bad={Boolean(problemAt('/head/family'))}>
        <span className="qf-name" id="shape-name">
          Shape
        </span>
        <button
          type="button"
          className="btn btn-sm btn-quiet shape-button"
          aria-describedby="shape-name"
          onClick={() => setPicking(true)}
        >
          {family?.name ?? head.family} …
        </button>
      </div>
      {problemAt('/head/family', '/head/solid') && (
        <p className="field-said">{inUnits(problemAt('/head/family', '/head/solid') ?? '', system)}</p>
      )}
      <ShapePicker
        show={picking}
        title="Change the shape"
        chosen={head.family}
        onHide={() => setPicking(false)}
        onPick={(key) => {
          setPicking(false);
          edit((now) => withFamily(now, key));
        }}
      />
      {family && (
        <p className="stage-purpose">
          <b>Good:</b> {family.purpose} <b>Bad:</b> {family.badAt}
        </p>
      )}
      <div className="weight-row" data-held={held}>
        <QuantityField
          label="Weight"
          kind="mass"
          value={weight}
          min={0.1}
          max={500}
          step={Math.max(0.02, weight / 60)}
          problem={problemAt('/head/target')}
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
          {held && <Anchor size={13} aria-hidden />} {held ? 'Held' : 'Hold'}
        </button>
      </div>
      <WeightSlider grams={weight} onTarget={onTarget} />
      {held && (
        <Segments
          label="The weight is that of"
          value={of}
          options={[
            ['metal', 'the metal'],
            ['total', 'all, as weighed'],
            ['submerged', 'all, in water'],
          ]}
          onChange={(next) => {
            // What it weighs so now is what is held from here on.
            const solved = solveTarget(design, metals);
            const now = solved.ok ? weightOf(solved.rig, next) : next === 'total' ? total : grams;
            if (now > 0) setHead({ target: { grams: now, of: next } });
          }}
        />
      )}
      {family?.dimensions.map((spec) => {
        const locked = head.locks?.includes(spec.key) ?? false;
        return (
          <div key={spec.key} className="dim-row">
            <QuantityField
              label={spec.name}
              kind={spec.kind}
              value={built[spec.key] ?? spec.initial}
              min={spec.min}
              max={spec.max}
              step={spec.kind === 'size' ? 0.1 : spec.kind === 'angle' ? 1 : 0.01}
              note={spec.note}
              problem={problemAt(`/head/dimensions/${spec.key}`)}
              onLive={(next) => onDimension(spec.key, next, true)}
              onCommit={(next) => onDimension(spec.key, next, false)}
            />
            {spec.scales && held && family.dimensions.filter(({ scales }) => scales).length > 1 && (
              <button
                type="button"
                className="lock"
                aria-pressed={locked}
                aria-label={`Lock ${spec.name}`}
                title={locked ? 'Locked: the weight does not change it' : 'Free: the weight may change it'}
                onClick={() => toggleLock(spec.key)}
              >
                {locked ? <Lock size={14} aria-hidden /> : <LockOpen size={14} aria-hidden />}
              </button>
            )}
          </div>
        );
      })}
      {family?.hasStations && (
        <StationList design={design} edit={edit} problem={problemAt('/head/stations')} />
      )}
      {problemAt('/head/dimensions', '/head/locks') &&
        family?.dimensions.every(({ key }) => !problemAt(`/head/dimensions/${key}`)) && (
          <p className="field-said">{inUnits(problemAt('/head/dimensions', '/head/locks') ?? '', system)}</p>
        )}
      <Choice
        label="Metal"
        value={head.metal}
        options={metals.map(({ key, name }) => [key, name] as const)}
        problem={problemAt('/head/metal')}
        onChange={(key) => setHead({ metal: key, density: undefined })}
      />
      <QuantityField
        label="Density"
        kind="density"
        value={head.density ?? metal?.density ?? 1}
        min={1}
        max={23}
        step={0.05}
        note={
          metal ? `${metal.name}: ${metal.densityRange[0]} to ${metal.densityRange[1]}. ${metal.source}.` : ''
        }
        problem={problemAt('/head/density')}
        onCommit={(density) => setHead({ density })}
      />
      {metal && <p className="stage-caution">▲ {metal.caution}</p>}
    </section>
  );
}

/** A design with another shape: sizes the two share are carried over within the new one's range; the weight target does the rest. */
function withFamily(now: Design, key: string): Design {
  const next = familyOf(key);
  if (!next) return now;
  const shared = Object.fromEntries(
    next.dimensions.flatMap((spec) => {
      const value = now.head.dimensions[spec.key];
      return value === undefined ? [] : [[spec.key, Math.min(spec.max, Math.max(spec.min, value))]];
    }),
  );
  const { solid: _solid, stations, ...head } = now.head;
  return {
    ...now,
    head: {
      ...head,
      family: key,
      dimensions: completeDimensions(next, shared),
      locks: [],
      ...(next.hasStations ? { stations: stations ?? [...(next.start?.stations ?? [])] } : {}),
    },
  };
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

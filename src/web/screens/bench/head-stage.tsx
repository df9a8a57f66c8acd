import { useState } from 'react';
import type { Design } from '../../../core/document/index.ts';
import { withFamily } from '../../../core/document/index.ts';
import { HEAD_RANGES, familyOf } from '../../../core/head/index.ts';
import { inUnits } from '../../../core/quantity/index.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { FreeSign, LockedSign } from '../../parts/icons.tsx';
import { ShapePicker } from '../../parts/shape-picker.tsx';
import { StationList } from './station-list.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';
import { finder } from './stage-kit.ts';
import { WeightFields } from './weight-fields.tsx';

/** Shape, weight, sizes and metal. */
export function HeadStage({
  design,
  built,
  grams,
  metals,
  problems,
  edit,
  onDimension,
  onTarget,
  onHold,
  onWeighed,
}: StagesProps) {
  const problemAt = finder(problems);
  const { system } = useUnits();
  const { head } = design;
  const family = familyOf(head.family);
  const metal = metals.find(({ key }) => key === head.metal);
  const held = head.target !== undefined;
  const setHead = (change: Partial<Design['head']>) =>
    edit((now) => ({ ...now, head: { ...now.head, ...change } }));
  const toggleLock = (key: string) => {
    const locks = head.locks ?? [];
    setHead({ locks: locks.includes(key) ? locks.filter((other) => other !== key) : [...locks, key] });
  };
  return (
    <section className="stage" aria-labelledby="stage-head">
      <h3 id="stage-head">Head</h3>
      <ShapeField design={design} problemAt={problemAt} edit={edit} />
      {family && (
        <p className="stage-purpose">
          <b>Good:</b> {family.purpose} <b>Bad:</b> {family.badAt}
        </p>
      )}
      <WeightFields
        design={design}
        grams={grams}
        problem={problemAt('/head/target')}
        onTarget={onTarget}
        onHold={onHold}
        onWeighed={onWeighed}
      />
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
                {locked ? <LockedSign size={14} /> : <FreeSign size={14} />}
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
        min={HEAD_RANGES.density[0]}
        max={HEAD_RANGES.density[1]}
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

/** The shape, and the picker it is changed by. */
function ShapeField({
  design: { head },
  problemAt,
  edit,
}: Pick<StagesProps, 'design' | 'edit'> & { readonly problemAt: ReturnType<typeof finder> }) {
  const [picking, setPicking] = useState(false);
  const { system } = useUnits();
  return (
    <>
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
          {familyOf(head.family)?.name ?? head.family} ▾
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
    </>
  );
}

import { memo } from 'react';
import type { Design } from '../../../core/document/index.ts';
import {
  JOINT_SIZES,
  chartIndex,
  GRADES,
  HOOK_CHART,
  hookMeasures,
  jointOf,
  JOINTS,
  PLAIN_STYLE,
  STYLES,
} from '../../../core/hook/index.ts';
import { useList } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { Choice } from '../../parts/choice.tsx';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import type { StagesProps } from './stage-kit.ts';
import { EyeFields } from './eye-fields.tsx';
import { alike, finder } from './stage-kit.ts';

/** Hook and eye on the Bench. */
export const HookStage = memo(
  function HookStage({ design, problems, edit }: StagesProps) {
    const problemAt = finder(problems);
    const { format } = useUnits();
    const own = useList('hooks').data ?? [];
    const { hook } = design;
    const index = chartIndex(hook.size);
    const setHook = (change: Partial<Design['hook']>) =>
      edit((now) => ({ ...now, hook: { ...now.hook, ...change } }));
    const step = (by: number) => {
      const next = HOOK_CHART[index + by];
      if (next) setHook({ size: next.size, measured: undefined });
    };
    const measures = hookMeasures(hook);
    const style = STYLES.find(({ key }) => key === (hook.style ?? PLAIN_STYLE));
    const chosen = own.find(
      ({ document: { name, gap, shank, wire } }) =>
        hook.measured?.name === name &&
        hook.measured.gap === gap &&
        hook.measured.shank === shank &&
        hook.measured.wire === wire,
    );
    return (
      <section className="stage" aria-labelledby="stage-hook">
        <h3 id="stage-hook">Hook and eye</h3>
        <div className="hook-row">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() => step(-1)}
            disabled={index <= 0}
            aria-label="Smaller hook"
          >
            −
          </button>
          <HookSizeField
            value={hook.size}
            problem={problemAt('/hook/size')}
            onChange={(size) => setHook({ size, measured: undefined })}
          />
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() => step(1)}
            disabled={index >= HOOK_CHART.length - 1}
            aria-label="Larger hook"
          >
            +
          </button>
        </div>
        <Choice
          label="Style"
          value={hook.style ?? PLAIN_STYLE}
          options={STYLES.map(({ key }) => [key, key] as const)}
          problem={problemAt('/hook/style')}
          onChange={(key) => setHook({ style: key })}
        />
        <Choice
          label="Wire"
          term="gauge"
          value={hook.grade}
          options={GRADES.map((grade) => [grade, grade] as const)}
          onChange={(grade) => setHook({ grade, measured: undefined })}
        />
        {(own.length > 0 || hook.measured) && (
          <Choice
            label="Measured hook"
            value={chosen?.id ?? (hook.measured ? 'other' : '')}
            options={[
              ['', 'none: from the chart'],
              ...(hook.measured && !chosen
                ? [['other', hook.measured.name ?? 'as written in the design'] as const]
                : []),
              ...own.map(({ id, document: { name } }) => [id, name] as const),
            ]}
            onChange={(id) => {
              const picked = own.find((candidate) => candidate.id === id)?.document;
              if (!picked) setHook({ measured: undefined });
              else {
                const { size, style: shape, name, gap, shank, wire } = picked;
                setHook({ size, style: shape, measured: { gap, shank, wire, name } });
              }
            }}
          />
        )}
        {measures && (
          <p className="stage-purpose">
            {style?.does} Gap {format(measures.gap, 'size')}, shank {format(measures.shank, 'size')}, wire{' '}
            {format(measures.wire, 'size')}
            {hook.measured ? ', measured' : ', from the chart'}.
          </p>
        )}
        <Choice
          label="Hinge"
          value={hook.joint?.kind ?? 'fixed'}
          options={[['fixed', 'none: fixed hook'], ...JOINTS.map(({ key, name }) => [key, name] as const)]}
          problem={problemAt('/hook/joint')}
          onChange={(kind) => {
            const joint = JOINTS.find(({ key }) => key === kind);
            setHook({ joint: joint && { kind: joint.key, size: hook.joint?.size ?? 4 } });
          }}
        />
        {hook.joint && (
          <QuantityField
            label={jointOf(hook.joint.kind).sizeLabel}
            kind="size"
            value={hook.joint.size}
            min={JOINT_SIZES[0]}
            max={JOINT_SIZES[1]}
            step={0.1}
            note="Inner diameter. Loop and ring are alike."
            onCommit={(size) => setHook({ joint: hook.joint && { ...hook.joint, size } })}
          />
        )}
        <EyeFields design={design} problems={problems} edit={edit} />
      </section>
    );
  },
  alike('hook', 'eye'),
);

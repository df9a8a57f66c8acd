import { memo } from 'react';
import type { FeatureSpec } from '../../../core/head/index.ts';
import { HEAD_RANGES, completeDimensions, familyOf, FEATURES } from '../../../core/head/index.ts';
import { initialValues } from '../../../core/kind/index.ts';
import { Segments } from '../../parts/choice.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SpecFields } from './spec-fields.tsx';
import type { StagesProps } from './stage-kit.ts';
import { alike, finder } from './stage-kit.ts';

/** What paint begins as, mm and g/cm³: one cured coat of powder (from memory; a shop measures its own). */
const PAINT = { thickness: 0.12, density: 1.4 };

/** Cuts and joins that any head can be given, and paint. */
export const FeatureStage = memo(function FeatureStage({ design, problems, edit, metals }: StagesProps) {
  const problemAt = finder(problems);
  const { head } = design;
  const family = familyOf(head.family);
  const inborn = family?.features?.(completeDimensions(family, head.dimensions)) ?? {};
  const setFeatures = (change: Partial<FeatureSpec>) =>
    edit((now) => {
      const next = Object.fromEntries(
        Object.entries({ ...now.head.features, ...change }).filter(([, value]) => value !== undefined),
      ) as FeatureSpec;
      return { ...now, head: { ...now.head, features: Object.keys(next).length > 0 ? next : undefined } };
    });
  const sintered = metals.find(({ key }) => key === head.metal)?.making === 'sintered';
  return (
    <section className="stage" aria-labelledby="stage-features">
      <h3 id="stage-features">Cut and joined</h3>
      {FEATURES.map(({ key, name, does, fields }) => {
        const given = head.features?.[key];
        const isInborn = key in inborn;
        return (
          <div key={key} className="feature" data-on={given !== undefined || isInborn}>
            <label>
              <input
                type="checkbox"
                checked={given !== undefined || isInborn}
                disabled={isInborn && given === undefined}
                onChange={() =>
                  setFeatures({ [key]: given === undefined ? initialValues(fields) : undefined })
                }
              />
              <b>{name}</b>{' '}
              <small>{isInborn && given === undefined ? 'belongs to the shape, see its sizes' : does}</small>
            </label>
            {given && (
              <SpecFields
                fields={fields}
                values={given}
                path={`/head/features/${key}`}
                problemAt={problemAt}
                onSet={(change) => setFeatures({ [key]: { ...given, ...change } })}
              />
            )}
          </div>
        );
      })}
      <div className="feature" data-on={head.paint !== undefined}>
        <label>
          <input
            type="checkbox"
            checked={head.paint !== undefined}
            onChange={() =>
              edit((now) => ({
                ...now,
                head: { ...now.head, paint: now.head.paint ? undefined : PAINT },
              }))
            }
          />
          <b>Paint</b> <small>Counts in the weight on the scale.</small>
        </label>
        {head.paint && (
          <>
            <QuantityField
              label="Paint thickness"
              kind="size"
              value={head.paint.thickness}
              min={HEAD_RANGES.paint.thickness[0]}
              max={HEAD_RANGES.paint.thickness[1]}
              step={0.01}
              onCommit={(thickness) =>
                edit((now) => ({
                  ...now,
                  head: { ...now.head, paint: { ...PAINT, ...now.head.paint, thickness } },
                }))
              }
            />
            <QuantityField
              label="Paint density"
              kind="density"
              value={head.paint.density}
              min={HEAD_RANGES.paint.density[0]}
              max={HEAD_RANGES.paint.density[1]}
              step={0.05}
              onCommit={(density) =>
                edit((now) => ({
                  ...now,
                  head: { ...now.head, paint: { ...PAINT, ...now.head.paint, density } },
                }))
              }
            />
          </>
        )}
      </div>
      {sintered && (
        <Segments
          label="Pressed in"
          value={String(head.pieces ?? 1)}
          options={[
            ['1', 'one piece'],
            ['2', 'two, glued'],
          ]}
          onChange={(pieces) =>
            edit((now) => ({ ...now, head: { ...now.head, pieces: pieces === '2' ? 2 : 1 } }))
          }
        />
      )}
    </section>
  );
}, alike('head'));

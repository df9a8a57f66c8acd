import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { HEAD_RANGES } from '../../../core/head/index.ts';
import type { Design } from '../../../core/document/index.ts';
import type { TakenIn as Taken } from '../../../core/make/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import type { QuantityKind } from '../../../core/quantity/index.ts';
import { starterDesign, withFamily } from '../../../core/document/index.ts';
import { completeDimensions, DRAWN_FAMILIES, familyOf } from '../../../core/head/index.ts';
import { EYE_ANGLES, HOOK_CHART } from '../../../core/hook/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { clamp } from '../../../core/numeric/index.ts';
import { useCreate, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { useAddress } from '../../parts/address.ts';
import { Choice } from '../../parts/choice.tsx';
import { Panel } from '../../parts/panel.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { Judged } from '../../workers/judge.worker.ts';
import { makeWorker } from '../../workers/make.ts';
import '../../parts/workshop.css';
import './take-in.css';

interface Job {
  readonly design: Design;
  readonly measured: Readonly<Record<string, number>>;
  readonly grams: number;
  readonly metals: readonly Metal[];
}
const run = ({ design, measured, grams, metals }: Job): Promise<Taken> =>
  makeWorker().take({ design, measured, grams }, metals);
const draw = (design: Design): Promise<Judged> =>
  judgeWorker('later').judge(design, { ...PLAIN_WATER, isShort: true });

/** A number that stands in the address; undefined where it does not or is none. */
const given = (text: string | null): number | undefined => {
  const value = text === null ? NaN : Number(text);
  return Number.isFinite(value) && value > 0 ? value : undefined;
};

/** Take in: a bought or old head in the hand, a caliper and a scale; the sizes that agree are found, and what does not add up is said. */
export function TakeIn() {
  const stores = useStores();
  const create = useCreate('designs');
  const navigate = useNavigate();
  const { search, set, setAll } = useAddress();
  const { format, say } = useUnits();
  const [name, setName] = useState('');
  const family = familyOf(search.get('shape') ?? 'ball') ?? familyOf('ball');
  const metals: readonly Metal[] = stores.data?.metals ?? METALS;
  const metalKey = metals.find(({ key }) => key === search.get('metal'))?.key ?? 'lead';
  const hook = search.get('hook') ?? '3/0';
  const eye = clamp(given(search.get('eye')) ?? 90, ...EYE_ANGLES);
  const claimed = given(search.get('density'));
  const grams = given(search.get('grams')) ?? 10;
  const measured = useMemo(
    () =>
      Object.fromEntries(
        (family?.dimensions ?? []).flatMap(({ key }) => {
          const value = given(search.get(`m.${key}`));
          return value === undefined ? [] : [[key, value]];
        }),
      ),
    [family, search],
  );
  const design = useMemo<Design | undefined>(() => {
    if (!family) return undefined;
    const base = starterDesign(family, name.trim() || `${family.name} taken in`);
    return {
      ...base,
      head: { ...base.head, metal: metalKey, ...(claimed === undefined ? {} : { density: claimed }) },
      hook: { ...base.hook, size: hook },
      eye: { ...base.eye, angle: eye },
      keeper: { kind: 'none' },
      guard: { kind: 'none' },
    };
  }, [family, name, metalKey, claimed, hook, eye]);
  const job = useMemo<Job | undefined>(
    () => design && { design, measured, grams, metals },
    [design, measured, grams, metals],
  );
  const { output, error } = useJudged(job, run);
  const taken = output?.ok ? output : undefined;
  const { output: judged } = useJudged(taken?.design, draw);
  if (!family || !design) return <Loading what="the shapes" />;
  const usual = completeDimensions(family, {});
  const found = taken?.design.head.dimensions ?? usual;
  const onRack = () => {
    if (taken) create.mutate(taken.design, { onSuccess: (kept) => void navigate(`/designs/${kept.id}`) });
  };
  const fromPhoto = () =>
    create.mutate(
      withFamily(
        {
          ...design,
          name: name.trim() || 'Own profile from a photograph',
          head: { ...design.head, target: { grams, of: 'total' } },
        },
        'own',
      ),
      { onSuccess: (kept) => void navigate(`/designs/${kept.id}?panel=photo`) },
    );
  const drawing = judged?.ok ? judged.drawing : undefined;
  const points = drawing
    ? [...drawing.side, ...drawing.hook, [drawing.eye.at[0], drawing.eye.top] as const]
    : [];
  const [left, right] = [Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x))];
  const [low, high] = [Math.min(...points.map(([, z]) => z)), Math.max(...points.map(([, z]) => z))];
  const scale = Math.min(600 / (right - left + 4), 190 / (high - low + 4));
  return (
    <div className="shop">
      <div className="shop-head">
        <h1>
          Take in <small>a head in the hand</small>
        </h1>
        <span className="spring" />
        <Link className="btn btn-sm btn-quiet" to="/">
          Back to the Rack
        </Link>
      </div>
      <aside className="shop-side" aria-label="What was measured">
        <label className="qf qf-wide">
          Name
          <span className="qf-box">
            <input
              value={name}
              maxLength={120}
              placeholder="what the packet says"
              onChange={(event) => setName(event.currentTarget.value)}
            />
          </span>
        </label>
        <Choice
          label="Shape"
          value={family.key}
          options={DRAWN_FAMILIES.map(({ key, name: title }) => [key, title] as const)}
          onChange={(key) =>
            setAll([
              ['shape', key, 'ball'],
              ...family.dimensions.map(({ key: old }) => [`m.${old}`, ''] as const),
            ])
          }
        />
        <QuantityField
          label="As weighed, with hook"
          kind="mass"
          value={grams}
          min={HEAD_RANGES.grams[0]}
          max={HEAD_RANGES.grams[1]}
          onCommit={(value) => set('grams', String(value), '10')}
        />
        <Choice
          label="Said to be"
          value={metalKey}
          options={metals.map(({ key, name: title }) => [key, title] as const)}
          onChange={(key) => set('metal', key, 'lead')}
        />
        <Optional
          label="Density the packet names"
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
          onChange={(size) => set('hook', size, '3/0')}
        />
        <QuantityField
          label="Eye"
          kind="angle"
          value={eye}
          min={EYE_ANGLES[0]}
          max={EYE_ANGLES[1]}
          step={5}
          onCommit={(value) => set('eye', String(value), '90')}
        />
        <h2>Measured</h2>
        <p className="shop-note">Put in what the caliper says; what stays empty is found from the weight.</p>
        {family.dimensions.map(({ key, name: title, kind, min, max }) => (
          <Optional
            key={`${family.key} ${key}`}
            label={title}
            kind={kind}
            value={measured[key]}
            initial={found[key] ?? usual[key] ?? min}
            min={min}
            max={max}
            onChange={(value) => set(`m.${key}`, value === undefined ? '' : String(value))}
          />
        ))}
      </aside>
      <div className="shop-sheet" data-ready={output !== undefined}>
        {error && <p className="problems">■ {error}</p>}
        {output && !output.ok && (
          <ul className="problems" role="alert">
            {output.problems.map(({ path, message }) => (
              <li key={path + message}>■ {say(message)}</li>
            ))}
          </ul>
        )}
        {taken && (
          <Panel what="What adds up">
            {drawing && (
              <svg
                className="shop-svg take-figure"
                viewBox="0 0 640 220"
                role="img"
                aria-label={`${family.name} as taken in`}
              >
                <SideFigure
                  drawing={drawing}
                  k={scale}
                  metal={taken.design.head.metal}
                  place={([x, z]) => [
                    320 + (x - (left + right) / 2) * scale,
                    110 - (z - (low + high) / 2) * scale,
                  ]}
                />
              </svg>
            )}
            <section aria-label="What adds up">
              <h2>What adds up</h2>
              {taken.says.map((text) => (
                <p key={text} role="status">
                  {say(text)}
                </p>
              ))}
              <table className="shop-table">
                <thead>
                  <tr>
                    <th scope="col">If it were</th>
                    <th scope="col">Agrees</th>
                    <th scope="col" className="num">
                      Sizes not measured, of usual
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {taken.metals.map(({ metal, verdict, factor }) => (
                    <tr key={metal.key} aria-current={metal.key === metalKey}>
                      <th scope="row">
                        {metal.name} <small>{format(metal.density, 'density')}</small>
                      </th>
                      <td>
                        <span
                          className={`state-${verdict === 'agrees' ? 'good' : verdict === 'nearly' ? 'care' : 'bad'}`}
                        >
                          {verdict === 'agrees'
                            ? '● agrees'
                            : verdict === 'nearly'
                              ? '◐ nearly'
                              : '✕ does not'}
                        </span>
                      </td>
                      <td className="num">{factor === undefined ? '–' : `${Math.round(100 * factor)}%`}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              {taken.found.length > 0 && (
                <p>
                  Found:{' '}
                  {taken.found
                    .map((key) => {
                      const spec = family.dimensions.find((one) => one.key === key);
                      return spec ? `${spec.name.toLowerCase()} ${format(found[key] ?? 0, spec.kind)}` : key;
                    })
                    .join(', ')}
                  .
                </p>
              )}
              <div className="shop-row">
                <button type="button" className="btn btn-fern" onClick={onRack} disabled={create.isPending}>
                  Onto the Rack
                </button>
                <button
                  type="button"
                  className="btn btn-quiet"
                  onClick={fromPhoto}
                  disabled={create.isPending}
                >
                  Draw it from a photograph instead
                </button>
              </div>
            </section>
          </Panel>
        )}
        {!output && !error && <Loading what="the head" />}
      </div>
    </div>
  );
}

/** A size that may be left unmeasured. */
function Optional({
  label,
  kind,
  value,
  initial,
  min,
  max,
  onChange,
}: {
  readonly label: string;
  readonly kind: QuantityKind;
  readonly value: number | undefined;
  readonly initial: number;
  readonly min: number;
  readonly max: number;
  readonly onChange: (value: number | undefined) => void;
}) {
  const { format } = useUnits();
  if (value === undefined)
    return (
      <div className="qf">
        <span>{label}</span>
        <button
          type="button"
          className="btn btn-sm btn-quiet"
          onClick={() => onChange(Math.round(initial * 100) / 100)}
        >
          <span className="visually-hidden">{label}, measured: </span>
          {format(initial, kind)} ?
        </button>
      </div>
    );
  return (
    <div className="take-measured">
      <QuantityField label={label} kind={kind} value={value} min={min} max={max} onCommit={onChange} />
      <button
        type="button"
        className="btn-x"
        aria-label={`${label}: not measured`}
        onClick={() => onChange(undefined)}
      >
        ×
      </button>
    </div>
  );
}

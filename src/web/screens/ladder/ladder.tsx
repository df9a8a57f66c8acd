import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../../contract/api.ts';
import type { Design, LadderSpec, Metal } from '../../../core/index.ts';
import { GRAMS_PER_OUNCE, HOOK_RULES, METALS, PLAIN_WATER, starterLadder } from '../../../core/index.ts';
import { createSeries } from '../../data/api.ts';
import { useDraft } from '../../data/draft.ts';
import { refreshLists, useOne, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { Segments } from '../../parts/choice.tsx';
import { HookSizeField } from '../../parts/hook-size-field.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { QuantityField } from '../../parts/quantity-field.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Heads } from '../../parts/sheet.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import type { RungFigure } from '../../workers/judge.worker.ts';
import './ladder.css';

const RULES: Readonly<Record<(typeof HOOK_RULES)[number], string>> = {
  keep: 'kept on every rung',
  step: 'one size up for each doubling',
  proportion: 'in proportion to the head',
};

/** The weight ladder: one design in a series of weights, drawn as a family to one scale. */
export function Ladder() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const stores = useStores();
  if (design.isPending || stores.isPending) return <Loading what="the ladder" />;
  if (design.isError) return <Failed error={design.error} retry={() => void design.refetch()} />;
  return <LadderOf key={design.data.id} kept={design.data} metals={stores.data?.metals ?? METALS} />;
}

interface Job {
  readonly design: Design;
  readonly ladder: LadderSpec;
  readonly metals: readonly Metal[];
}
const run = ({ design, ladder, metals }: Job): Promise<RungFigure[]> =>
  judgeWorker('now').ladder(design, ladder, { ...PLAIN_WATER, metals });

function LadderOf({ kept, metals }: { readonly kept: Kept<Design>; readonly metals: readonly Metal[] }) {
  const draft = useDraft('designs', kept);
  const { document, edit } = draft;
  const { format, say } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const navigate = useNavigate();
  const ladder = useMemo(() => document.ladder ?? starterLadder(), [document.ladder]);
  const job = useMemo<Job>(() => ({ design: document, ladder, metals }), [document, ladder, metals]);
  const { output: rungs, error } = useJudged(job, run);
  const put = (change: Partial<LadderSpec>) =>
    edit((now) => ({ ...now, ladder: { ...(now.ladder ?? starterLadder()), ...change } }));
  const putRung = (i: number, change: Partial<LadderSpec['rungs'][number]>) =>
    put({ rungs: ladder.rungs.map((rung, k) => (k === i ? { ...rung, ...change } : rung)) });
  const good = rungs?.filter(({ judged }) => judged.ok) ?? [];
  const hang = useMutation({
    mutationFn: () =>
      createSeries(
        good.map(({ made, judged }) => ({ ...made, head: judged.ok ? judged.design.head : made.head })),
      ),
    onSuccess: async (made) => {
      await refreshLists(client, 'designs');
      tell({
        tone: 'good',
        text: `${made.length} heads hang on the Rack.`,
        action: {
          label: 'Show them',
          run: () =>
            void navigate(
              `/?q=${encodeURIComponent(sharedWords(made.map(({ document: { name } }) => name)))}`,
            ),
        },
      });
    },
    onError: (failed) => tell({ tone: 'bad', text: failed.message }),
  });
  const add = () => {
    const last = ladder.rungs.at(-1)?.grams ?? GRAMS_PER_OUNCE / 8;
    put({ rungs: [...ladder.rungs, { grams: Math.min(2000, last * Math.SQRT2) }] });
  };
  return (
    <div className="ladder">
      <div className="ladder-head">
        <h1>
          Ladder of <Link to={`/designs/${kept.id}`}>{document.name}</Link>
        </h1>
        <SaveBadge state={draft.state} />
        <Segments
          label="Hook"
          value={ladder.rule}
          options={HOOK_RULES.map((rule) => [rule, RULES[rule]] as const)}
          onChange={(rule) => put({ rule })}
        />
        <div className="ladder-tools">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={add}
            disabled={ladder.rungs.length >= 24}
          >
            + Rung
          </button>
          <button type="button" className="btn btn-sm btn-quiet" onClick={() => put(starterLadder())}>
            1/16 to 1 oz
          </button>
          <button
            type="button"
            className="btn btn-sm btn-fern"
            disabled={good.length === 0 || hang.isPending}
            onClick={() => hang.mutate()}
          >
            Hang {good.length} on the Rack
          </button>
        </div>
      </div>
      {error && <p className="problems">■ The computation stopped: {error}</p>}
      {rungs ? <Family rungs={rungs} /> : <Loading what="the ladder" />}
      <div className="ladder-table" tabIndex={0} role="region" aria-label="Rungs">
        <table>
          <Heads
            of={[
              'Weight',
              'Hook',
              'Name',
              'Length × breadth × height',
              'As weighed',
              'Falls',
              'Bite above eye',
              '',
            ]}
          />
          <tbody>
            {ladder.rungs.map((rung, i) => {
              // While the worker is at it a row keeps what was last known of it.
              const figure = rungs?.[i];
              const readings = figure?.judged.ok ? figure.judged.readings : undefined;
              const value = (
                id:
                  | 'head.length'
                  | 'head.breadth'
                  | 'head.height'
                  | 'mass.total'
                  | 'fall.speed'
                  | 'hook.biteAboveEye',
              ) => readings?.[id]?.value ?? NaN;
              return (
                <tr key={i} data-bad={figure && !figure.judged.ok}>
                  <td>
                    <QuantityField
                      label={`Weight of rung ${i + 1}`}
                      bare
                      kind="mass"
                      value={rung.grams}
                      min={0.1}
                      max={500}
                      step={rung.grams / 50}
                      onCommit={(grams) => putRung(i, { grams })}
                    />
                  </td>
                  <td className="ladder-hook">
                    <HookSizeField
                      label={`Hook of rung ${i + 1}`}
                      value={rung.hook ?? figure?.hook ?? document.hook.size}
                      problem={undefined}
                      onChange={(hook) => putRung(i, { hook })}
                    />
                    {rung.hook && (
                      <button
                        type="button"
                        className="btn-link-brass"
                        onClick={() => putRung(i, { hook: undefined })}
                      >
                        by rule
                      </button>
                    )}
                  </td>
                  <td>
                    <input
                      key={rung.name ?? figure?.name ?? ''}
                      aria-label={`Name of rung ${i + 1}`}
                      defaultValue={rung.name ?? figure?.name ?? ''}
                      maxLength={120}
                      onBlur={(event) => {
                        const name = event.currentTarget.value.trim();
                        if (name !== (rung.name ?? figure?.name ?? ''))
                          putRung(i, { name: name || undefined });
                      }}
                    />
                  </td>
                  {figure && !figure.judged.ok ? (
                    <td colSpan={4} className="field-said">
                      {say(figure.judged.problems[0]?.message ?? '')}
                    </td>
                  ) : (
                    <>
                      <td>
                        {format(value('head.length'), 'size')} × {format(value('head.breadth'), 'size')} ×{' '}
                        {format(value('head.height'), 'size')}
                      </td>
                      <td>{format(value('mass.total'), 'mass')}</td>
                      <td>{format(value('fall.speed'), 'speed')}</td>
                      <td>{format(value('hook.biteAboveEye'), 'size')}</td>
                    </>
                  )}
                  <td>
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      aria-label={`Take out rung ${i + 1}`}
                      onClick={() => put({ rungs: ladder.rungs.filter((_, k) => k !== i) })}
                    >
                      ×
                    </button>
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
        {ladder.rungs.length === 0 && <p>No rung yet. Add one, or begin with the usual series.</p>}
      </div>
      <StaleDraft collection="designs" draft={draft} />
    </div>
  );
}

/** Words at the start of all names. */
function sharedWords(names: readonly string[]): string {
  const [first = '', ...rest] = names;
  const words = first.split(' ');
  const count = words.findIndex((word, i) => rest.some((name) => name.split(' ')[i] !== word));
  return words.slice(0, count < 0 ? words.length : count).join(' ');
}

const BOX = { width: 1240, highest: 250, foot: 50, gap: 14 };

/** All rungs side by side, to one scale. */
function Family({ rungs }: { readonly rungs: readonly RungFigure[] }) {
  const { format } = useUnits();
  const drawn = rungs.flatMap(({ judged, made, grams, hook }) =>
    judged.ok ? [{ drawing: judged.drawing, metal: made.head.metal, grams, hook }] : [],
  );
  if (drawn.length === 0)
    return <p className="ladder-none">None of the rungs can be built: see why below.</p>;
  const boxes = drawn.map(({ drawing }) => {
    const points = [
      ...drawing.side,
      ...drawing.hook,
      [drawing.eye.at[0] + drawing.eye.radius, drawing.eye.top] as const,
    ];
    const us = points.map(([u]) => u);
    const vs = points.map(([, v]) => v);
    return {
      left: Math.min(...us) - 1,
      right: Math.max(...us) + 1,
      low: Math.min(...vs) - 1,
      high: Math.max(...vs) + 1,
    };
  });
  const wide = boxes.reduce((sum, { left, right }) => sum + right - left, 0);
  const [low, high] = [Math.min(...boxes.map((box) => box.low)), Math.max(...boxes.map((box) => box.high))];
  const k = Math.min(
    (BOX.width - BOX.gap * (drawn.length + 1)) / wide,
    (BOX.highest - BOX.foot) / (high - low),
  );
  const height = (high - low) * k + BOX.foot;
  const starts = boxes.reduce<number[]>(
    (all, { left, right }) => [...all, (all.at(-1) ?? 0) + (right - left) * k + BOX.gap],
    [BOX.gap],
  );
  return (
    <svg
      className="ladder-family"
      viewBox={`0 0 ${BOX.width} ${height}`}
      role="img"
      aria-label={`${drawn.length} weights to one scale`}
    >
      {drawn.map(({ drawing, metal, grams, hook }, i) => {
        const box = boxes[i];
        const start = starts[i] ?? 0;
        return (
          box && (
            <g key={i}>
              <SideFigure
                drawing={drawing}
                k={k}
                metal={metal}
                place={([u, v]) => [start + (u - box.left) * k, 12 + (high - v) * k]}
              />
              <text
                className="ladder-weight"
                x={start + ((box.right - box.left) * k) / 2}
                y={height - 20}
                textAnchor="middle"
              >
                {format(grams, 'mass')}
              </text>
              <text
                className="ladder-size"
                x={start + ((box.right - box.left) * k) / 2}
                y={height - 5}
                textAnchor="middle"
              >
                {hook}
              </text>
            </g>
          )
        );
      })}
    </svg>
  );
}

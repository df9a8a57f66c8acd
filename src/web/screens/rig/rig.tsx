import { useMemo, useState } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type {
  Design,
  Drawing,
  Fit,
  FitCheck,
  Metal,
  Plastic,
  RigMethod,
  Surroundings,
  Vec2,
} from '../../../core/index.ts';
import { METALS, PLAIN_WATER, RIG_METHODS, SALINITY, WATERS } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useOne, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { pathOf } from '../../drawing/path.ts';
import { SideFigure } from '../../drawing/side-figure.tsx';
import { Segments } from '../../parts/choice.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { PX_PER_MM } from '../bench/plate-layout.ts';

/** The Rig: a plastic on the hook, to scale, with every point of the fit judged. */
export function RigScreen() {
  const { id = '' } = useParams();
  const design = useOne('designs', id);
  const plastics = useList('plastics');
  const stores = useStores();
  if (design.isPending || plastics.isPending || stores.isPending) return <Loading what="the rig" />;
  if (design.isError) return <Failed error={design.error} retry={() => void design.refetch()} />;
  if (plastics.isError) return <Failed error={plastics.error} retry={() => void plastics.refetch()} />;
  if (plastics.data.length === 0) {
    return (
      <Empty title="No plastics in the stores">
        <p>Put a plastic into the stores first: its kind, length, breadth and height are enough.</p>
        <Link className="btn btn-fern" to="/stores?shelf=plastics">
          To the plastics
        </Link>
      </Empty>
    );
  }
  return (
    <RigOf
      key={design.data.id}
      kept={design.data}
      plastics={plastics.data}
      metals={stores.data?.metals ?? METALS}
    />
  );
}

interface Job {
  readonly design: Design;
  readonly plastic: Plastic;
  readonly method: RigMethod;
  readonly surroundings: Surroundings;
}
const runRig = ({ design, plastic, method, surroundings }: Job) =>
  judgeWorker('now').rig(design, plastic, method, surroundings);

const METHOD_WORDS: Readonly<Record<RigMethod, string>> = {
  threaded: 'threaded, point bare',
  buried: 'weedless, point buried',
};
const SIGN: Readonly<Record<Fit['verdict'], string>> = {
  good: '✓ fits',
  tight: '▲ tight',
  bad: '✕ does not fit',
};

interface Props {
  readonly kept: Kept<Design>;
  readonly plastics: readonly Kept<Plastic>[];
  readonly metals: readonly Metal[];
}

function RigOf({ kept, plastics, metals }: Props) {
  const { document, edit, state } = useDraft('designs', kept);
  const { format, say } = useUnits();
  const [search, setSearch] = useSearchParams();
  const chosen = plastics.find(({ id }) => id === search.get('plastic')) ?? plastics[0];
  const [find, setFind] = useState('');
  const found = plastics.filter(({ document: { name, kind } }) =>
    `${name} ${kind}`.toLowerCase().includes(find.toLowerCase()),
  );
  const method = RIG_METHODS.find((candidate) => candidate === search.get('method')) ?? 'threaded';
  const water = WATERS.find((candidate) => candidate === search.get('water')) ?? 'fresh';
  const set = (key: string, value: string) =>
    setSearch(
      (now) => {
        const next = new URLSearchParams(now);
        next.set(key, value);
        return next;
      },
      { replace: true },
    );
  const plastic = chosen?.document;
  const job = useMemo<Job | undefined>(
    () =>
      plastic && {
        design: document,
        plastic,
        method,
        surroundings: { ...PLAIN_WATER, water: { ...PLAIN_WATER.water, salinity: SALINITY[water] }, metals },
      },
    [document, plastic, method, water, metals],
  );
  const { output, for: answered, error } = useJudged(job, runRig);
  const goTo = (fix: string): string | undefined => /Go to (#\d+|\d+\/0)/.exec(fix)?.[1];
  return (
    <div className="rig">
      <div className="rig-head">
        <h1>
          <Link to={`/designs/${kept.id}`}>{document.name}</Link> <small>rigged</small>
        </h1>
        <SaveBadge state={state} />
      </div>
      <aside className="rig-choices" aria-label="What it is rigged with">
        <h2>Plastic</h2>
        <input
          type="search"
          aria-label="Search the plastics"
          placeholder="Search"
          value={find}
          onChange={(event) => setFind(event.currentTarget.value)}
        />
        <ul className="rig-plastics">
          {found.map(({ id, document: { name, kind, length } }) => (
            <li key={id}>
              <button type="button" aria-pressed={id === chosen?.id} onClick={() => set('plastic', id)}>
                <b>{name}</b>
                <small>
                  {kind}, {format(length, 'size')}
                </small>
              </button>
            </li>
          ))}
        </ul>
        <Segments
          label="Rigged"
          value={method}
          options={RIG_METHODS.map((value) => [value, METHOD_WORDS[value]] as const)}
          onChange={(value) => set('method', value)}
        />
        <Segments
          label="Water"
          value={water}
          options={WATERS.map((value) => [value, value] as const)}
          onChange={(value) => set('water', value)}
        />
        <p className="stage-caution">
          ▲ Hooks pierce: rig with the point away from the hand that holds the bait.
        </p>
      </aside>
      <section className="rig-sheet" aria-label="The rig, drawn to scale">
        {error && <p className="problems">■ {error}</p>}
        {output?.judged.ok && output.fit && answered ? (
          <RigDrawing drawing={output.judged.drawing} fit={output.fit} metal={answered.design.head.metal} />
        ) : output && !output.judged.ok ? (
          <ul className="problems" role="alert">
            {output.judged.problems.map(({ message }) => (
              <li key={message}>■ {say(message)}</li>
            ))}
          </ul>
        ) : (
          <Loading what="the rig" />
        )}
      </section>
      {output?.fit && (
        <aside className="rig-verdict" aria-label="Does it fit">
          <p className={`verdict verdict-${output.fit.verdict}`} data-verdict={output.fit.verdict}>
            {SIGN[output.fit.verdict]}
          </p>
          <ul className="checks">
            {output.fit.checks.map((check) => (
              <CheckRow
                key={check.id}
                check={check}
                apply={goTo(check.fix)}
                onApply={(size) =>
                  edit((now) => ({ ...now, hook: { ...now.hook, size, measured: undefined } }))
                }
              />
            ))}
          </ul>
          <dl className="rig-facts">
            <div>
              <dt>Head and plastic</dt>
              <dd>{format(output.fit.geometry.mass, 'mass')}</dd>
            </div>
            <div>
              <dt>In {water} water</dt>
              <dd>
                {output.fit.geometry.submerged > 0
                  ? format(output.fit.geometry.submerged, 'force')
                  : 'it floats'}
              </dd>
            </div>
          </dl>
          <p className="rig-source">
            Limits are common practice, no source. Geometry is exact from the shapes.
          </p>
        </aside>
      )}
    </div>
  );
}

function CheckRow({
  check,
  apply,
  onApply,
}: {
  readonly check: FitCheck;
  readonly apply: string | undefined;
  readonly onApply: (size: string) => void;
}) {
  const { format, say } = useUnits();
  const { name, value, quantity, good, verdict, says, fix } = check;
  const limit = Number.isFinite(good[1])
    ? `${format(good[0], quantity)} to ${format(good[1], quantity)}`
    : `${format(good[0], quantity)} or more`;
  return (
    <li className={`check check-${verdict}`} data-check={check.id}>
      <p className="check-head">
        <b>{name}</b>
        <span>{Number.isNaN(value) ? 'nowhere' : format(value, quantity)}</span>
      </p>
      <p className="check-says">
        <span className="check-sign">{verdict === 'good' ? '✓' : verdict === 'tight' ? '▲' : '✕'}</span>{' '}
        {says}
      </p>
      <small>good: {limit}</small>
      {fix && (
        <p className="check-fix">
          → {say(fix)}{' '}
          {apply && (
            <button type="button" className="btn-link-brass" onClick={() => onApply(apply)}>
              Do it: {apply}
            </button>
          )}
        </p>
      )}
    </li>
  );
}

/** Sheet size the rig is drawn on, px; the drawing scales with the frame. */
const SHEET = { width: 640, height: 380, margin: 28 };

function RigDrawing({
  drawing,
  fit,
  metal,
}: {
  readonly drawing: Drawing;
  readonly fit: Fit;
  readonly metal: string;
}) {
  const { format } = useUnits();
  const { geometry } = fit;
  const { body } = geometry;
  const tail = body.at(-1)?.at[0] ?? 0;
  const tops = body.map(({ at, halfHeight }) => at[1] + halfHeight);
  const bottoms = body.map(({ at, halfHeight }) => at[1] - halfHeight);
  const [up, down] = [
    Math.max(...tops, drawing.tip[1] + 2, drawing.eye.top),
    Math.min(...bottoms, -drawing.drop),
  ];
  const right = Math.max(drawing.length, drawing.eye.at[0] + drawing.eye.radius) + 2;
  const k = Math.min(
    (SHEET.width - 2 * SHEET.margin) / (right - tail),
    (SHEET.height * 0.5) / (up - down),
    6 * PX_PER_MM,
  );
  const spare = (SHEET.width - 2 * SHEET.margin - (right - tail) * k) / 2;
  const x0 = SHEET.margin + spare - tail * k;
  const y0 = SHEET.margin + 40 + up * k;
  const place = ([x, z]: Vec2): Vec2 => [x0 + x * k, y0 - z * k];
  const outline: Vec2[] = [
    ...body.map(({ at, halfHeight }): Vec2 => [at[0], at[1] + halfHeight]),
    ...body.map(({ at, halfHeight }): Vec2 => [at[0], at[1] - halfHeight]).reverse(),
  ];
  const yTop =
    y0 - down * k + 70 + Math.max(...body.map(({ halfBreadth }) => halfBreadth), drawing.breadth / 2) * k;
  const above = ([x, y]: Vec2): Vec2 => [x0 + x * k, yTop - y * k];
  const plan: Vec2[] = [
    ...body.map(({ at, halfBreadth }): Vec2 => [at[0], halfBreadth]),
    ...body.map(({ at, halfBreadth }): Vec2 => [at[0], -halfBreadth]).reverse(),
  ];
  const exit = Number.isNaN(geometry.exit) ? undefined : place([-geometry.exit, drawing.tip[1] / 2]);
  const height = yTop + Math.max(...body.map(({ halfBreadth }) => halfBreadth), drawing.breadth / 2) * k + 34;
  return (
    <svg
      viewBox={`0 0 ${SHEET.width} ${Math.max(SHEET.height, height)}`}
      className="rig-svg"
      role="img"
      aria-label="Head, hook and plastic from the side and from above"
    >
      <path d={pathOf(outline, place)} className="plastic" />
      <SideFigure drawing={drawing} place={place} k={k} metal={metal} />
      <path d={pathOf(outline, place)} className="plastic-edge" />
      {exit && (
        <g className="dims">
          <line className="dim-ext" x1={exit[0]} y1={exit[1]} x2={exit[0]} y2={SHEET.margin + 22} />
          <line
            className="dim-ext"
            x1={place([0, 0])[0]}
            y1={place([0, 0])[1]}
            x2={place([0, 0])[0]}
            y2={SHEET.margin + 22}
          />
          <line
            className="dim-line"
            x1={exit[0]}
            y1={SHEET.margin + 26}
            x2={place([0, 0])[0]}
            y2={SHEET.margin + 26}
          />
          <text
            className="dim-text"
            x={(exit[0] + place([0, 0])[0]) / 2}
            y={SHEET.margin + 14}
            textAnchor="middle"
          >
            out at {format(geometry.exit, 'size')} · {format(geometry.exitShare, 'share')}
          </text>
        </g>
      )}
      <path d={pathOf(plan, above)} className="plastic" />
      <path d={pathOf(drawing.top, above)} className={`fig-metal metal-${metal.split('-')[0]}`} />
      <path d={pathOf(plan, above)} className="plastic-edge" />
      <text
        className="view-name"
        x={SHEET.margin}
        y={yTop - 4 - Math.max(...body.map(({ halfBreadth }) => halfBreadth)) * k}
      >
        from above
      </text>
      <text className="view-name" x={SHEET.margin} y={SHEET.margin - 8}>
        from the side
      </text>
      <g className="scale-bar">
        <path
          d={`M${SHEET.margin} ${height - 16}V${height - 12}H${SHEET.margin + 25.4 * k}V${height - 16}`}
        />
        <text x={SHEET.margin + 25.4 * k + 8} y={height - 12}>
          {format(25.4, 'size')}
        </text>
      </g>
    </svg>
  );
}

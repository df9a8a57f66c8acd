import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { Kept } from '../../../contract/api.ts';
import type {
  Design,
  Fit,
  FitCheck,
  Metal,
  MethodKey,
  Plastic,
  ReadingId,
  Surroundings,
} from '../../../core/index.ts';
import { METALS, METHODS, PLAIN_WATER, SALINITY, WATERS } from '../../../core/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useList, useOne, useStores } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useAddress } from '../../parts/address.ts';
import { Segments } from '../../parts/choice.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { RigDrawing } from './rig-drawing.tsx';
import { Panel } from '../../parts/panel.tsx';
import './rig.css';

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
  readonly method: MethodKey;
  readonly surroundings: Surroundings;
}
const runRig = ({ design, plastic, method, surroundings }: Job) =>
  judgeWorker('now').rig(design, plastic, method, surroundings);

interface ListJob extends Omit<Job, 'plastic'> {
  readonly plastics: readonly Plastic[];
}
const runVerdicts = ({ design, plastics, method, surroundings }: ListJob) =>
  judgeWorker('later').verdicts(design, plastics, method, surroundings);

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
  const { search, set } = useAddress();
  const chosen = plastics.find(({ id }) => id === search.get('plastic')) ?? plastics[0];
  const [find, setFind] = useState('');
  const found = plastics.filter(({ document: { name, kind } }) =>
    `${name} ${kind}`.toLowerCase().includes(find.toLowerCase()),
  );
  const method = METHODS.find(({ key }) => key === search.get('method'))?.key ?? 'threaded';
  const water = WATERS.find((candidate) => candidate === search.get('water')) ?? 'fresh';
  const plastic = chosen?.document;
  const job = useMemo<Job | undefined>(
    () =>
      plastic && {
        design: document,
        plastic,
        method,
        surroundings: {
          ...PLAIN_WATER,
          water: { ...PLAIN_WATER.water, salinity: SALINITY[water] },
          metals,
          isShort: true,
        },
      },
    [document, plastic, method, water, metals],
  );
  const { output, for: answered, error } = useJudged(job, runRig);
  const listJob = useMemo<ListJob | undefined>(
    () =>
      job && {
        design: job.design,
        plastics: plastics.map((kept) => kept.document),
        method,
        surroundings: job.surroundings,
      },
    [job, plastics, method],
  );
  const { output: verdicts } = useJudged(listJob, runVerdicts);
  const verdictOf = (id: string) => verdicts?.[plastics.findIndex((kept) => kept.id === id)];
  const value = (id: ReadingId) => (output?.judged.ok ? (output.judged.readings[id]?.value ?? NaN) : NaN);
  const submerged = value('rig.submerged');
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
                {verdictOf(id) && (
                  <span className={`plastic-verdict plastic-${verdictOf(id)}`}>
                    {SIGN[verdictOf(id) ?? 'bad']}
                  </span>
                )}
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
          options={METHODS.map(({ key, name }) => [key, name] as const)}
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
          <Panel what="The drawing">
            <RigDrawing drawing={output.judged.drawing} fit={output.fit} metal={answered.design.head.metal} />
          </Panel>
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

                onApply={(size) =>
                  edit((now) => ({ ...now, hook: { ...now.hook, size, measured: undefined } }))
                }
              />
            ))}
          </ul>
          <dl className="rig-facts">
            <div>
              <dt>Head and plastic</dt>
              <dd>{format(value('rig.mass'), 'mass')}</dd>
            </div>
            <div>
              <dt>In {water} water</dt>
              <dd>{submerged > 0 ? format(submerged, 'force') : 'it floats'}</dd>
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
  onApply,
}: {
  readonly check: FitCheck;
  readonly onApply: (size: string) => void;
}) {
  const { format, say } = useUnits();
  const { name, value, quantity, good, verdict, says, fix, remedies } = check;
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
          {remedies.map((remedy) =>
            remedy.kind === 'hook' ? (
              <button
                key={remedy.size}
                type="button"
                className="btn-link-brass"
                onClick={() => onApply(remedy.size)}
              >
                Do it: {remedy.size}
              </button>
            ) : null,
          )}
        </p>
      )}
    </li>
  );
}

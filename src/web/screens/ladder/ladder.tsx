import { useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import type { Kept } from '../../../contract/api.ts';
import type { Design, LadderSpec } from '../../../core/document/index.ts';
import type { Metal } from '../../../core/material/index.ts';
import { designDifferences, HOOK_RULES } from '../../../core/document/index.ts';
import { PLAIN_WATER } from '../../../core/judge/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { GRAMS_PER_OUNCE } from '../../../core/quantity/index.ts';
import { starterLadder } from '../../../core/series/index.ts';
import { createSeries } from '../../data/api.ts';
import { useDraft } from '../../data/draft.ts';
import { useUnits } from '../../data/units.ts';
import { useDraftSteps } from '../../parts/keys.ts';
import { refreshLists, useOne, useStores } from '../../data/queries.ts';
import { Segments } from '../../parts/choice.tsx';
import { useNotices } from '../../parts/notices.tsx';
import { SaveBadge } from '../../parts/save-badge.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Failed, Loading } from '../../parts/states.tsx';
import { Working } from '../../parts/working.tsx';
import type { GoesOn } from '../../workers/in-parts.ts';
import { judgeWorker } from '../../workers/judge.ts';
import { useParts } from '../../workers/use-parts.ts';
import type { RungFigure } from '../../workers/judge.worker.ts';
import { Panel } from '../../parts/panel.tsx';
import { useTitle } from '../../parts/title.ts';
import { Family } from './family.tsx';
import { RungTable } from './rung-table.tsx';
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
  if (design.isError)
    return (
      <Failed error={design.error} retry={() => void design.refetch()} of={{ collection: 'designs', id }} />
    );
  return <LadderOf key={design.data.id} kept={design.data} metals={stores.data?.metals ?? METALS} />;
}

interface Job {
  readonly design: Design;
  readonly ladder: LadderSpec;
  readonly metals: readonly Metal[];
}
const run = ({ design, ladder, metals }: Job, goesOn: GoesOn<RungFigure>): Promise<RungFigure[]> =>
  judgeWorker('now').ladder(design, ladder, { ...PLAIN_WATER, metals, isShort: true }, goesOn);

function LadderOf({ kept, metals }: { readonly kept: Kept<Design>; readonly metals: readonly Metal[] }) {
  const draft = useDraft('designs', kept);
  useDraftSteps(draft.step);
  const { document, edit } = draft;
  useTitle(document.name);
  const { tell } = useNotices();
  const { system } = useUnits();
  const client = useQueryClient();
  const navigate = useNavigate();
  const ladder = useMemo(() => document.ladder ?? starterLadder(system), [document.ladder, system]);
  const job = useMemo<Job>(() => ({ design: document, ladder, metals }), [document, ladder, metals]);
  const work = useParts(job, run);
  const { error } = work;
  // While rungs are worked out anew those before stay on screen. The first fill the table as they are done;
  // the family is drawn when all are there, since each would change the scale of the others.
  const rungs = work.output;
  const put = (change: Partial<LadderSpec>) =>
    edit((now) => ({ ...now, ladder: { ...(now.ladder ?? starterLadder(system)), ...change } }));
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
        text: `${made.length} heads added to the Rack.`,
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
          <button type="button" className="btn btn-sm btn-quiet" onClick={() => put(starterLadder(system))}>
            Usual weights
          </button>
          <button
            type="button"
            className="btn btn-sm btn-fern"
            disabled={good.length === 0 || hang.isPending || work.progress !== undefined}
            onClick={() => hang.mutate()}
          >
            Add {good.length} to the Rack
          </button>
        </div>
      </div>
      {error && <p className="problems">■ The computation stopped: {error}</p>}
      <div className="ladder-picture">
        <Working what="rungs built" of={work} isLate />
        {rungs ? (
          <Panel what="The drawing">
            <Family rungs={rungs} />
          </Panel>
        ) : (
          <Loading what="the ladder" />
        )}
      </div>
      <Panel what="The rungs">
        <RungTable ladder={ladder} rungs={rungs ?? work.parts} own={document.hook.size} put={put} />
      </Panel>
      <StaleDraft collection="designs" draft={draft} compare={designDifferences} />
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

import { Problems } from '../../parts/problems.tsx';
import type { Kept } from '../../../contract/api.ts';
import type { Brief, Design, RangePlan, RuleSet } from '../../../core/document/index.ts';
import type { Plastic } from '../../../core/plastic/index.ts';
import { useDraft } from '../../data/draft.ts';
import { useUnits } from '../../data/units.ts';
import { useNotices } from '../../parts/notices.tsx';
import { Panel } from '../../parts/panel.tsx';
import { StaleDraft } from '../../parts/stale-dialog.tsx';
import { Working } from '../../parts/working.tsx';
import { download } from '../exchange/download.ts';
import { Adds } from './adds.tsx';
import { Coverage } from './coverage.tsx';
import { Gaps } from './gaps.tsx';
import { Least } from './least.tsx';
import { MixPlan } from './mix-plan.tsx';
import { Offers } from './offers.tsx';
import { useTitle } from '../../parts/title.ts';
import { RangeFields } from './range-fields.tsx';
import { RangeHead } from './range-head.tsx';
import { useServing } from './use-serving.ts';

interface Props {
  readonly kept: Kept<RangePlan>;
  readonly others: readonly Kept<RangePlan>[];
  readonly designs: readonly Kept<Design>[];
  readonly briefs: readonly Kept<Brief>[];
  readonly plastics: readonly Kept<Plastic>[];
  readonly rules: RuleSet;
  readonly onChoose: (id: string) => void;
  readonly onNew: () => void;
}

/** One plan: the matrix of heads and briefs, the least range, gaps, mix, prices, and the wall to print. */
export function RangeOf({ kept, others, designs, briefs, plastics, rules, onChoose, onNew }: Props) {
  const draft = useDraft('ranges', kept);
  const { tell } = useNotices();
  const { system } = useUnits();
  const plan = draft.document;
  const { heads, wanted, serves, work } = useServing(plan, { designs, briefs, rules });
  useTitle(plan.name);
  const taken = heads.flatMap(({ id }, i) => (plan.wall.includes(id) ? [i] : []));
  // Before anything hangs, all that may.
  const hung = taken.length > 0 ? taken.flatMap((i) => heads[i] ?? []) : heads;
  const nameOf = (i: number) => heads[i]?.design.name ?? '';
  const briefOf = (b: number) => wanted[b]?.document.name ?? '';
  const toggle = (id: string) =>
    draft.edit((now) => ({
      ...now,
      wall: now.wall.includes(id) ? now.wall.filter((one) => one !== id) : [...now.wall, id],
    }));
  const printWall = async () => {
    if (!(await draft.flush()))
      return tell({ tone: 'bad', text: 'The plan could not be saved yet. Try again.' });
    await download(`/ranges/${kept.id}/wall.pdf?units=${system}`, (text) => tell({ tone: 'bad', text }));
  };
  return (
    <div className="shop">
      <RangeHead
        kept={kept}
        others={others}
        draft={draft}
        onChoose={onChoose}
        onNew={onNew}
        onPrint={() => void printWall()}
      />
      <aside className="shop-side" aria-label="The plan">
        <Panel what="The plan">
          <RangeFields plan={plan} briefs={briefs} edit={draft.edit} />
        </Panel>
      </aside>
      <div className="shop-sheet" data-ready={serves !== undefined}>
        <Problems of={draft.problems} />
        {work.error && <p className="problems">■ {work.error}</p>}
        <Working what="briefs asked who serves them" of={work} />
        {serves && (
          <>
            <Panel what="The smallest range">
              <Least plan={plan} heads={heads} serves={serves} edit={draft.edit} />
            </Panel>
            <Coverage heads={heads} wanted={wanted} serves={serves} wall={plan.wall} onToggle={toggle} />
            {taken.length > 0 && <Adds serves={serves} taken={taken} nameOf={nameOf} briefOf={briefOf} />}
            <Panel what="The ladders">
              <Gaps heads={hung} />
            </Panel>
            <Panel what="The mix">
              <MixPlan plan={plan} heads={hung} plastics={plastics} edit={draft.edit} />
            </Panel>
            <Panel what="The prices">
              <Offers plan={plan} heads={heads} edit={draft.edit} />
            </Panel>
          </>
        )}
      </div>
      <StaleDraft collection="ranges" draft={draft} />
    </div>
  );
}

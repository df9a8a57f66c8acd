import { useState } from 'react';
import { useList, useCreate, useRules } from '../../data/queries.ts';
import { MOST_BRIEFS, MOST_CANDIDATES, newRange } from '../../../core/document/index.ts';
import { useAddress } from '../../parts/address.ts';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { RangeOf } from './range-of.tsx';
import '../../parts/workshop.css';
import './range.css';

/** Range: which heads hang on the wall, what they cover, what is doubled and what is missing. */
export function RangeScreen() {
  const ranges = useList('ranges');
  const designs = useList('designs');
  const briefs = useList('briefs');
  const plastics = useList('plastics');
  const rules = useRules();
  const create = useCreate('ranges');
  const { search, set } = useAddress();
  const [name, setName] = useState('Our wall');
  if (ranges.isPending || designs.isPending || briefs.isPending || rules.isPending || plastics.isPending)
    return <Loading what="the range" />;
  for (const query of [ranges, designs, briefs, rules, plastics])
    if (query.isError) return <Failed error={query.error} retry={() => void query.refetch()} />;
  if (!ranges.data || !designs.data || !briefs.data || !rules.data || !plastics.data) return null;
  const chosen = ranges.data.find(({ id }) => id === search.get('plan')) ?? ranges.data[0];
  const begin = () => {
    const heads = designs.data
      .filter(({ archived, summary }) => !archived && summary?.ok)
      .slice(0, MOST_CANDIDATES);
    create.mutate(
      {
        ...newRange(name.trim() || 'Our wall'),
        offers: heads.map(({ id }) => ({ design: id })),
        // What hangs there today, as far as the shop keeps its stock here.
        wall: heads.filter(({ document }) => (document.article?.stock ?? 0) > 0).map(({ id }) => id),
        briefs: briefs.data.slice(0, MOST_BRIEFS).map(({ id }) => id),
      },
      { onSuccess: (kept) => set('plan', kept.id) },
    );
  };
  if (!chosen)
    return (
      <Empty title="No range planned yet" whole>
        <p>
          {designs.data.length === 0
            ? 'Put heads on the Rack first; then plan which of them go on the wall.'
            : 'Begin with every head of the Rack and every brief; then say what the wall may take, and ' +
              'find the smallest range that covers the briefs.'}
        </p>
        <div className="shop-row" style={{ justifyContent: 'center' }}>
          <label>
            Name{' '}
            <input value={name} maxLength={120} onChange={(event) => setName(event.currentTarget.value)} />
          </label>
          <button
            type="button"
            className="btn btn-fern"
            onClick={begin}
            disabled={create.isPending || designs.data.length === 0}
          >
            Plan a range
          </button>
        </div>
      </Empty>
    );
  return (
    <RangeOf
      key={chosen.id}
      kept={chosen}
      others={ranges.data}
      designs={designs.data}
      briefs={briefs.data}
      plastics={plastics.data}
      rules={rules.data.document}
      onChoose={(id) => set('plan', id)}
      onNew={begin}
    />
  );
}

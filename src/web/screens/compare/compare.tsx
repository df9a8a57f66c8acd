import { keysOf } from '../../../core/kind/index.ts';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useAddress } from '../../parts/address.ts';
import { useKeys } from '../../parts/keys.ts';
import { CompareCharts } from './charts.tsx';
import { useFew } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { Segments } from '../../parts/choice.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { Panel } from '../../parts/panel.tsx';
import type { Align, Row } from './laid.ts';
import { ALIGN } from './laid.ts';
import { LineTable } from './line-table.tsx';
import { Overlay } from './overlay.tsx';
import { comparedLines } from './compared-lines.ts';
import { CompareTools } from './compare-tools.tsx';
import { useBait, useInMetals, useQuestions } from './use-compare.tsx';
import './compare.css';
import '../../styles/tables.css';

/** Two to six designs side by side, differences first. */
export function Compare() {
  const { ids } = useTray();
  const { rows, isPending, error, refetch } = useFew(ids);
  if (isPending) return <Loading what="the designs" />;
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (rows.length < 2) {
    return (
      <Empty title="Two heads or more, please" whole>
        <p>
          Put two to six heads into the tray: press <kbd>T</kbd> on a head on the Rack.{' '}
          {rows.length === 1 ? 'One is there already.' : ''}
        </p>
        <Link className="btn btn-fern" to="/">
          To the Rack
        </Link>
      </Empty>
    );
  }
  return <CompareRows rows={rows} />;
}

/** The heads of the tray, or the first of them in two metals by one key. */
function CompareRows({ rows }: { readonly rows: readonly Row[] }) {
  const { search, set } = useAddress();
  const isInMetals = search.get('metals') === 'both';
  const inMetals = useInMetals(rows, isInMetals);
  const onMetals = useMemo(() => () => set('metals', isInMetals ? '' : 'both'), [set, isInMetals]);
  useKeys(useMemo(() => ({ m: onMetals }), [onMetals]));
  return (
    <CompareOf rows={isInMetals && inMetals ? inMetals : rows} isInMetals={isInMetals} onMetals={onMetals} />
  );
}

function CompareOf({
  rows,
  isInMetals,
  onMetals,
}: {
  readonly rows: readonly Row[];
  readonly isInMetals: boolean;
  readonly onMetals: () => void;
}) {
  const { format, say } = useUnits();
  const [align, setAlign] = useState<Align>('seat');
  const { choice, baited, isBaited } = useBait(rows);
  const questions = useQuestions(rows);
  const { answers } = questions;
  const { search, set } = useAddress();
  const pin = search.get('pin') ?? '';
  const pinned = rows.findIndex(({ id }) => id === pin);
  const lines = useMemo(
    () =>
      comparedLines({ rows, baited: isBaited ? baited : undefined, isBaited, answers, pinned, format, say }),
    [rows, format, say, baited, isBaited, answers, pinned],
  );
  return (
    <div className="compare">
      <div className="compare-head">
        <h1>Side by side</h1>
        <Segments
          label="Outlines laid over each other at the"
          value={align}
          options={keysOf(ALIGN).map((key) => [key, ALIGN[key]] as const)}
          onChange={setAlign}
        />
        {choice}
        {questions.choice}
        <CompareTools rows={rows} lines={lines} isInMetals={isInMetals} onMetals={onMetals} />
      </div>
      <Panel what="The drawing">
        <Overlay rows={rows} align={align} />
      </Panel>
      <Panel what="The charts">
        <CompareCharts rows={rows} />
      </Panel>
      <Panel what="The table">
        <LineTable rows={rows} lines={lines} pinned={pin} onPin={(id) => set('pin', id)} />
      </Panel>
    </div>
  );
}

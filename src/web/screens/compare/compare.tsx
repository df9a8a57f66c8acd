import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Design, MethodKey, Plastic, ReadingId, Surroundings } from '../../../core/index.ts';
import {
  familyOf,
  guardOf,
  keeperOf,
  METALS,
  METHODS,
  PLAIN_STYLE,
  PLAIN_WATER,
  READING_IDS,
  READINGS,
} from '../../../core/index.ts';
import { judgeWorker, useJudged } from '../../workers/judge.ts';
import { useAddress } from '../../parts/address.ts';
import { useFew, useList, useStores } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { Choice, Segments } from '../../parts/choice.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { readingText } from '../bench/readings-panel.tsx';
import { Panel } from '../../parts/panel.tsx';
import type { Align, Row } from './laid.ts';
import { ALIGN } from './laid.ts';
import type { Line } from './line-table.tsx';
import { IDS, LineTable } from './line-table.tsx';
import { Overlay } from './overlay.tsx';
import './compare.css';
import '../../styles/tables.css';

/** Readings of the rig, which only a bait gives. */
const RIG_IDS: readonly ReadingId[] = READING_IDS.filter((id) => READINGS[id].behaviour === 'fit');

/** Two to six designs side by side, differences first. */
export function Compare() {
  const { ids } = useTray();
  const { rows, isPending, error, refetch } = useFew(ids);
  if (isPending) return <Loading what="the designs" />;
  if (error) return <Failed error={error} retry={() => void refetch()} />;
  if (rows.length < 2) {
    return (
      <Empty title="Two heads or more, please">
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
  return <CompareOf rows={rows} />;
}

interface BaitJob {
  readonly designs: readonly Design[];
  readonly plastic: Plastic;
  readonly method: MethodKey | undefined;
  readonly surroundings: Surroundings;
}
const runBaited = ({ designs, plastic, method, surroundings }: BaitJob) =>
  judgeWorker('later').baited(designs, plastic, surroundings, method);

/** The bait on every head of the tray, as the address keeps it, and what it makes of them. */
function useBait(rows: readonly Row[]) {
  const { search, setAll } = useAddress();
  const plastics = useList('plastics');
  const metals = useStores().data?.metals;
  const kept = plastics.data?.find(({ id }) => id === search.get('plastic'));
  const method = METHODS.find(({ key }) => key === search.get('method'))?.key;
  const job = useMemo<BaitJob | undefined>(
    () =>
      kept && {
        designs: rows.map(({ document }) => document),
        plastic: kept.document,
        method,
        surroundings: metals ? { ...PLAIN_WATER, metals } : PLAIN_WATER,
      },
    [rows, kept, method, metals],
  );
  const { output, for: answered } = useJudged(job, runBaited);
  const choice = (
    <>
      <Choice
        label="Bait on all"
        value={kept?.id ?? ''}
        options={[
          ['', 'none'],
          ...(plastics.data ?? []).map(({ id, document }) => [id, document.name] as const),
        ]}
        onChange={(id) => setAll([['plastic', id]])}
      />
      {kept && (
        <Choice
          label="Rigged"
          value={method ?? ''}
          options={[['', 'on each as it goes best'], ...METHODS.map(({ key, name }) => [key, name] as const)]}
          onChange={(key) => setAll([['method', key]])}
        />
      )}
    </>
  );
  return { choice, baited: job && answered === job ? output : undefined, isBaited: kept !== undefined };
}

const FIT_WORDS = { good: '✓ fits', tight: '▲ tight', bad: '✕ does not fit' } as const;

function CompareOf({ rows }: { readonly rows: readonly Row[] }) {
  const { format } = useUnits();
  const [align, setAlign] = useState<Align>('seat');
  const { choice, baited, isBaited } = useBait(rows);
  const lines = useMemo<Line[]>(() => {
    const told = (key: string, name: string, of: (index: number) => string): Line => {
      const texts = rows.map((_, i) => of(i));
      return { key, name, texts, spread: new Set(texts).size > 1 ? 1 : 0, least: -1, most: -1 };
    };
    const words = (key: string, name: string, of: (design: Design) => string): Line =>
      told(key, name, (i) => (rows[i] ? of(rows[i].document) : ''));
    const figures = (isBaited ? [...IDS, ...RIG_IDS] : IDS).map((id): Line => {
      const values = rows.map(({ summary }, i) =>
        // What comes a moment later is that of the bare head; it is left out with a bait on.
        isBaited ? (baited?.[i]?.readings[id] ?? NaN) : summary?.ok ? (summary.readings[id] ?? NaN) : NaN,
      );
      const present = values.filter(Number.isFinite);
      const [low, high] = [Math.min(...present), Math.max(...present)];
      // Angles are compared against a right angle: a share of a value near zero would mean nothing.
      const base = READINGS[id].quantity === 'angle' ? 90 : Math.max(Math.abs(low), Math.abs(high), 1e-9);
      return {
        key: id,
        name: READINGS[id].name,
        texts: values.map((value) => (Number.isFinite(value) ? readingText(id, value, format) : '–')),
        spread: present.length > 1 ? (high - low) / base : 0,
        least: values.indexOf(low),
        most: values.indexOf(high),
      };
    });
    return [
      ...(baited
        ? [
            told('fit', 'With the bait', (i) => FIT_WORDS[baited[i]?.verdict ?? 'bad']),
            told('way', 'Rigged', (i) => METHODS.find(({ key }) => key === baited[i]?.method)?.name ?? '–'),
          ]
        : []),
      words('metal', 'Metal', ({ head }) => METALS.find(({ key }) => key === head.metal)?.name ?? head.metal),
      words('family', 'Shape', ({ head }) => familyOf(head.family)?.name ?? head.family),
      words('hook', 'Hook', ({ hook }) => `${hook.size} ${hook.style ?? PLAIN_STYLE}, ${hook.grade}`),
      words('eye', 'Eye', ({ eye }) => `${format(eye.angle, 'angle')} ${eye.plane}`),
      words('keeper', 'Keeper', ({ keeper }) => keeperOf(keeper.kind).name),
      words('guard', 'Guard', ({ guard }) => guardOf(guard.kind).name),
      ...figures,
    ].sort((a, b) => b.spread - a.spread);
  }, [rows, format, baited, isBaited]);
  return (
    <div className="compare">
      <div className="compare-head">
        <h1>Side by side</h1>
        <Segments
          label="Outlines laid over each other at the"
          value={align}
          options={Object.entries(ALIGN).map(([key, text]) => [key as Align, text] as const)}
          onChange={setAlign}
        />
        {choice}
      </div>
      <Panel what="The drawing">
        <Overlay rows={rows} align={align} />
      </Panel>
      <Panel what="The table">
        <LineTable rows={rows} lines={lines} />
      </Panel>
    </div>
  );
}

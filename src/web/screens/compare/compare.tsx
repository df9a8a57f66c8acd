import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { ReadingId } from '../../../core/behaviour/index.ts';
import type { Design } from '../../../core/document/index.ts';
import { READING_IDS, READINGS } from '../../../core/behaviour/index.ts';
import { guardOf, keeperOf } from '../../../core/fitting/index.ts';
import { familyOf } from '../../../core/head/index.ts';
import { PLAIN_STYLE } from '../../../core/hook/index.ts';
import { QUESTIONS } from '../../../core/match/index.ts';
import { METALS } from '../../../core/material/index.ts';
import { METHODS } from '../../../core/rigging/index.ts';
import { useAddress } from '../../parts/address.ts';
import { useKeys } from '../../parts/keys.ts';
import { useNotices } from '../../parts/notices.tsx';
import { keepFile } from '../exchange/download.ts';
import { CompareCharts } from './charts.tsx';
import { useFew } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { Segments } from '../../parts/choice.tsx';
import { Empty, Failed, Loading } from '../../parts/states.tsx';
import { readingText } from '../bench/readings-panel.tsx';
import { Panel } from '../../parts/panel.tsx';
import type { Align, Row } from './laid.ts';
import { ALIGN } from './laid.ts';
import type { Line } from './line-table.tsx';
import { IDS, LineTable } from './line-table.tsx';
import { Overlay } from './overlay.tsx';
import { csvText, tableText } from './table-out.ts';
import { useBait, useInMetals, useQuestions } from './use-compare.tsx';
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

const MARKS = { yes: '● yes', barely: '◐ barely', no: '✕ no', unsaid: '· not said' } as const;
/** What a buyer reads last: leverage and inertia. */
const LATE: ReadonlySet<string> = new Set([
  'mass.rollInertia',
  'roll.factor',
  'throw.fixed',
  'throw.hinged',
  'mass.centreX',
  'mass.centreZ',
]);

const FIT_WORDS = { good: '✓ fits', tight: '▲ tight', bad: '✕ does not fit' } as const;

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
  const { format } = useUnits();
  const [align, setAlign] = useState<Align>('seat');
  const { choice, baited, isBaited } = useBait(rows);
  const questions = useQuestions(rows);
  const { answers } = questions;
  const { search, set } = useAddress();
  const { tell } = useNotices();
  const { say } = useUnits();
  const pin = search.get('pin') ?? '';
  const pinned = rows.findIndex(({ id }) => id === pin);
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
      // Sure is what lies further apart than its own ranges.
      const ranges = rows.map(({ summary }, i): readonly [number, number] => {
        const value = values[i] ?? NaN;
        return (summary?.ok && !isBaited ? summary.ranges[id] : undefined) ?? [value, value];
      });
      const isSure = Math.max(...ranges.map(([from]) => from)) > Math.min(...ranges.map(([, to]) => to));
      const base0 = values[pinned];
      const against = (value: number, i: number) => {
        if (base0 === undefined || i === pinned || !Number.isFinite(base0))
          return readingText(id, value, format);
        const off = value - base0;
        return `${off < 0 ? '−' : '+'}${readingText(id, Math.abs(off), format)}`;
      };
      // Angles are compared against a right angle: a share of a value near zero would mean nothing.
      const base = READINGS[id].quantity === 'angle' ? 90 : Math.max(Math.abs(low), Math.abs(high), 1e-9);
      return {
        key: id,
        name: READINGS[id].name,
        isSure,
        texts: values.map((value, i) => (Number.isFinite(value) ? against(value, i) : '–')),
        spread: present.length > 1 ? (high - low) / base : 0,
        least: values.indexOf(low),
        most: values.indexOf(high),
      };
    });
    const asked: Line[] = QUESTIONS.flatMap(({ key, name }, q): Line[] => {
      const told = rows.map((_, i) => answers?.[i]?.answers[q]);
      if (!answers || told.every((answer) => !answer || answer.mark === 'unsaid')) return [];
      return [
        {
          key: `asked ${key}`,
          name: `${name}${told[0]?.isDecisive ? ' (decides)' : ''}`,
          texts: told.map((answer) =>
            answer
              ? `${MARKS[answer.mark]}${answer.grounds[0] ? `: ${say(answer.grounds[0].text)}` : ''}`
              : '–',
          ),
          spread: new Set(told.map((answer) => answer?.mark)).size > 1 ? 2 : 0,
          least: -1,
          most: -1,
          isAsked: true,
        },
      ];
    });
    const order = ({ isAsked, isSure, key, spread }: Line) =>
      (isAsked ? 100 : 0) + (isSure === false ? 0 : 10) + (LATE.has(key) ? -20 : 0) + Math.min(5, spread);
    return [
      ...asked,
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
    ].sort((a, b) => order(b) - order(a));
  }, [rows, format, say, baited, isBaited, answers, pinned]);
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
        {questions.choice}
        <div className="compare-tools">
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            aria-pressed={isInMetals}
            title="The first head in lead and in tungsten (M)"
            onClick={onMetals}
          >
            Lead · tungsten
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              void navigator.clipboard.writeText(tableText(rows, lines, '\t')).then(
                () => tell({ tone: 'good', text: 'The table is copied.' }),
                () => tell({ tone: 'bad', text: 'The browser does not let it be copied. Take the CSV.' }),
              )
            }
          >
            Copy
          </button>
          <button
            type="button"
            className="btn btn-sm btn-quiet"
            onClick={() =>
              keepFile('side by side.csv', new Blob([csvText(rows, lines)], { type: 'text/csv' }))
            }
          >
            CSV
          </button>
          <button type="button" className="btn btn-sm btn-quiet" onClick={() => print()}>
            Print
          </button>
        </div>
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

import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Design } from '../../../core/index.ts';
import { familyOf, guardOf, keeperOf, METALS, PLAIN_STYLE, READINGS } from '../../../core/index.ts';
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

function CompareOf({ rows }: { readonly rows: readonly Row[] }) {
  const { format } = useUnits();
  const [align, setAlign] = useState<Align>('seat');
  const lines = useMemo<Line[]>(() => {
    const words = (key: string, name: string, of: (design: Design) => string): Line => {
      const texts = rows.map(({ document }) => of(document));
      return { key, name, texts, spread: new Set(texts).size > 1 ? 1 : 0, least: -1, most: -1 };
    };
    const figures = IDS.map((id): Line => {
      const values = rows.map(({ summary }) => (summary?.ok ? (summary.readings[id] ?? NaN) : NaN));
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
      words('metal', 'Metal', ({ head }) => METALS.find(({ key }) => key === head.metal)?.name ?? head.metal),
      words('family', 'Shape', ({ head }) => familyOf(head.family)?.name ?? head.family),
      words('hook', 'Hook', ({ hook }) => `${hook.size} ${hook.style ?? PLAIN_STYLE}, ${hook.grade}`),
      words('eye', 'Eye', ({ eye }) => `${format(eye.angle, 'angle')} ${eye.plane}`),
      words('keeper', 'Keeper', ({ keeper }) => keeperOf(keeper.kind).name),
      words('guard', 'Guard', ({ guard }) => guardOf(guard.kind).name),
      ...figures,
    ].sort((a, b) => b.spread - a.spread);
  }, [rows, format]);
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

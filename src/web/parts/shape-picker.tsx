import { useMemo } from 'react';
import type { Family } from '../../core/head/index.ts';
import type { Vec2 } from '../../core/numeric/index.ts';
import { DRAWN_FAMILIES, familyOutlines, FAMILY_GROUPS } from '../../core/head/index.ts';
import { Sheet } from './sheet.tsx';
import { pathOf } from '../drawing/path.ts';
import './shape-picker.css';

/** What the choice of a shape needs to know. */
export interface ShapePickerProps {
  readonly show: boolean;
  readonly title: string;
  readonly chosen?: string;
  readonly onPick: (key: string) => void;
  readonly onHide: () => void;
}

const GROUP_TITLES: Readonly<Record<(typeof FAMILY_GROUPS)[number], string>> = {
  bottom: 'On the bottom',
  cover: 'Through cover',
  swimming: 'Swimming',
  vertical: 'Up and down',
  'inside the bait': 'Inside the bait',
  own: 'Your own',
};

/** Every shape there is, drawn, with what it is good and bad for. */
export function ShapePicker({ show, title, chosen, onPick, onHide }: ShapePickerProps) {
  return (
    <Sheet title={title} show={show} size="xl" onHide={onHide}>
      {FAMILY_GROUPS.map((group) => (
        <section key={group} className="shapes">
          <h3>{GROUP_TITLES[group]}</h3>
          <div>
            {DRAWN_FAMILIES.filter((family) => family.group === group).map((family) => (
              <button
                key={family.key}
                type="button"
                className="shape-card"
                aria-pressed={family.key === chosen}
                onClick={() => onPick(family.key)}
              >
                <ShapeFigure family={family} />
                <b>{family.name}</b>
                <span>{family.purpose}</span>
                <small>Bad at: {family.badAt}</small>
              </button>
            ))}
          </div>
        </section>
      ))}
    </Sheet>
  );
}

const BOX = { width: 150, height: 58, gap: 12 };

/** A family at its first sizes, from the side and from the nose. */
function ShapeFigure({ family }: { readonly family: Family }) {
  const { side, front } = useMemo(() => familyOutlines(family), [family]);
  const span = (points: readonly Vec2[], axis: 0 | 1) => {
    const values = points.map((point) => point[axis]);
    return [Math.min(...values), Math.max(...values)] as const;
  };
  const [s0, s1] = span(side, 0);
  const [f0, f1] = span(front, 0);
  const [low, high] = span([...side, ...front], 1);
  const k = Math.min((BOX.width - BOX.gap) / (s1 - s0 + f1 - f0), (BOX.height - 4) / (high - low));
  const y = (v: number) => BOX.height / 2 + ((high + low) / 2 - v) * k;
  const left = (BOX.width - (s1 - s0 + f1 - f0) * k - BOX.gap) / 2;
  return (
    <svg width={BOX.width} height={BOX.height} aria-hidden="true" focusable="false">
      <path className="fig-metal metal-lead" d={pathOf(side, ([u, v]) => [left + (u - s0) * k, y(v)])} />
      <path
        className="fig-metal metal-lead"
        d={pathOf(front, ([u, v]) => [left + (s1 - s0) * k + BOX.gap + (u - f0) * k, y(v)])}
      />
    </svg>
  );
}

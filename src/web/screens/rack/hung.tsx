import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import type { KeyboardEvent } from 'react';
import { useVirtualizer } from '@tanstack/react-virtual';
import type { RackCard, RackNames } from '../../../contract/api.ts';
import { useTray } from '../../data/tray.ts';
import { useContentBox } from '../../parts/content-box.ts';
import { Card, DROP, useCardActs } from './rack-card.tsx';
import { useNarrow } from '../../parts/narrow.ts';
import { boxOfReach } from '../../drawing/hanging-head.tsx';

/** Gap between two bars, px. */
const GAP = 18;
/**
 * Room of a card, px: height under the head, and least width. On a phone its three buttons stand in a row
 * under the label, as wide as thumbs.
 */
const ROOM = {
  desk: { label: 66, narrowest: 132 },
  phone: { label: 66 + 48, narrowest: 150 },
} as const;

interface Place {
  readonly index: number;
  readonly left: number;
  readonly width: number;
}
interface Row {
  readonly height: number;
  readonly places: readonly Place[];
}

/**
 * Puts cards into rows, each as wide as its head asks for and all to one scale; a row is as high as its
 * longest head. What is left over is shared out.
 */
function pack(cards: readonly RackCard[], wide: number, k: number, narrowest: number): Row[] {
  const rows: Row[] = [];
  let row: { index: number; width: number }[] = [];
  let [used, height] = [0, 0];
  const close = (isLast: boolean) => {
    // The last row keeps its cards as they are: two heads stretched over a whole bar would look lost.
    const spare = isLast ? Math.min(24, (wide - used) / row.length) : (wide - used) / row.length;
    let left = 0;
    rows.push({
      height,
      places: row.map(({ index, width }) => {
        const place = { index, left, width: width + spare };
        left += place.width;
        return place;
      }),
    });
    row = [];
    [used, height] = [0, 0];
  };
  cards.forEach(({ reach }, index) => {
    const box = boxOfReach(reach, 1.2, k);
    const width = Math.min(wide, Math.ceil(Math.max(narrowest, box.right - box.left + 10)));
    if (row.length > 0 && used + width > wide) close(false);
    row.push({ index, width });
    used += width;
    height = Math.max(height, Math.ceil(box.bottom + 6 + DROP), 70);
  });
  if (row.length > 0) close(true);
  return rows;
}

interface Props {
  readonly cards: readonly RackCard[];
  readonly names: RackNames;
  /** px per mm */
  readonly k: number;
}

/** Heads on their bars, row under row; only the rows on screen, and a few about them, are there. */
export function Hung({ cards, names, k }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const { width: wide } = useContentBox(frame, { width: 1200, height: 600 });
  const [at, setAt] = useState(0);
  const { label, narrowest } = ROOM[useNarrow() ? 'phone' : 'desk'];
  const rows = useMemo(() => pack(cards, wide, k, narrowest), [cards, wide, k, narrowest]);
  // Its functions are called anew in every drawing and never remembered, which is what the rule warns of.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: useCallback((i: number) => (rows[i]?.height ?? 100) + label + GAP, [rows, label]),
    overscan: 1,
  });
  // Other cards, another width or scale are other heights for every row.
  useLayoutEffect(() => virtual.measure(), [virtual, rows]);
  const stop = Math.min(at, cards.length - 1);
  const { ids } = useTray();
  const act = useCardActs();

  /** The card above or below one: that of the next row which hangs nearest to it. */
  const beside = (index: number, by: 1 | -1): number => {
    const here = rows.findIndex(
      ({ places }) => index >= (places[0]?.index ?? 0) && index <= (places.at(-1)?.index ?? -1),
    );
    const place = rows[here]?.places.find((candidate) => candidate.index === index);
    const middle = (place?.left ?? 0) + (place?.width ?? 0) / 2;
    const next = rows[here + by]?.places;
    if (!next) return index;
    const off = (candidate: Place) => Math.abs(candidate.left + candidate.width / 2 - middle);
    return next.reduce((best, candidate) => (off(candidate) < off(best) ? candidate : best)).index;
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (!document.activeElement?.matches('a.rack-link')) return;
    const moves: Record<string, () => number> = {
      ArrowRight: () => stop + 1,
      ArrowLeft: () => stop - 1,
      ArrowDown: () => beside(stop, 1),
      ArrowUp: () => beside(stop, -1),
      PageDown: () => [1, 2, 3].reduce((index) => beside(index, 1), stop),
      PageUp: () => [1, 2, 3].reduce((index) => beside(index, -1), stop),
      Home: () => 0,
      End: () => cards.length - 1,
    };
    const move = moves[event.key];
    if (move === undefined) return;
    event.preventDefault();
    const next = Math.min(cards.length - 1, Math.max(0, move()));
    setAt(next);
    virtual.scrollToIndex(rows.findIndex(({ places }) => next <= (places.at(-1)?.index ?? -1)));
    // The row may only now come to be: its head takes the focus once it is there.
    const focus = (tries: number) => {
      const link = frame.current?.querySelector<HTMLAnchorElement>(`a.rack-link[data-index="${next}"]`);
      if (link) link.focus({ preventScroll: true });
      else if (tries > 0) requestAnimationFrame(() => focus(tries - 1));
    };
    focus(30);
  };
  return (
    <div className="rack-scroll" ref={frame} onKeyDown={onKeyDown}>
      <ol
        className="rack-grid"
        style={{ height: virtual.getTotalSize() }}
        aria-label={`${cards.length} heads`}
      >
        {virtual.getVirtualItems().flatMap((item) => {
          const row = rows[item.index];
          return (row?.places ?? []).flatMap(({ index, left, width }) => {
            const card = cards[index];
            if (!card || !row) return [];
            return [
              <li
                key={card.id}
                className="rack-card"
                aria-setsize={cards.length}
                aria-posinset={index + 1}
                style={{
                  transform: `translate(${left}px, ${item.start}px)`,
                  width,
                  height: row.height + label,
                }}
              >
                <Card
                  card={card}
                  metal={names.metal[card.metal] ?? card.metal}
                  index={index}
                  k={k}
                  width={width}
                  height={row.height}
                  isStop={index === stop}
                  inTray={ids.includes(card.id)}
                  onFocus={setAt}
                  onAct={act}
                />
              </li>,
            ];
          });
        })}
      </ol>
    </div>
  );
}

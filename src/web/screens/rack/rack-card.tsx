import { memo, useCallback } from 'react';
import type { KeyboardEvent } from 'react';
import { Link } from 'react-router';
import type { RackCard } from '../../../contract/api.ts';
import { useOutline } from '../../data/outlines.ts';
import { useArchive, useDuplicate, useRemove } from '../../data/queries.ts';
import { useTray } from '../../data/tray.ts';
import { useUnits } from '../../data/units.ts';
import { HangingHead } from '../../drawing/hanging-head.tsx';

/** Line above the eye, px. */
export const DROP = 18;

/** What a key does to a card of the Rack. */
export type Act = 't' | 'd' | 'a' | 'Delete';

/**
 * What can be done to a head on the Rack, by key or button: one hand for all cards, since thousands of them
 * may come by.
 */
export function useCardActs(): (act: Act, card: RackCard) => void {
  const { toggle } = useTray();
  const { mutate: duplicate } = useDuplicate();
  const { mutate: remove } = useRemove('designs');
  const { mutate: putAway } = useArchive();
  return useCallback(
    (act, { id, name, archived, version }) => {
      if (act === 't') toggle(id);
      if (act === 'd') duplicate(id);
      if (act === 'a') putAway({ id, name, away: !archived, version });
      if (act === 'Delete') remove({ id, name, version });
    },
    [toggle, duplicate, remove, putAway],
  );
}

interface CardProps {
  readonly card: RackCard;
  /** name of its metal */
  readonly metal: string;
  readonly index: number;
  readonly k: number;
  readonly width: number;
  readonly height: number;
  readonly isStop: boolean;
  readonly inTray: boolean;
  readonly onFocus: (index: number) => void;
  readonly onAct: (act: Act, card: RackCard) => void;
}

const ACTS: readonly Act[] = ['t', 'd', 'a', 'Delete'];

/** A head hanging on the Rack, with what can be done to it. */
export const Card = memo(function Card({
  card,
  metal,
  index,
  k,
  width,
  height,
  isStop,
  inTray,
  onFocus,
  onAct,
}: CardProps) {
  const { id, name, archived } = card;
  const { format, say } = useUnits();
  const onKeyDown = (event: KeyboardEvent) => {
    const act = ACTS.find((key) => key === event.key);
    if (event.ctrlKey || event.metaKey || event.altKey || !act) return;
    onAct(act, card);
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <>
      <Link
        to={`/designs/${id}`}
        className="rack-link"
        data-in-tray={inTray}
        data-index={index}
        tabIndex={isStop ? 0 : -1}
        onFocus={() => onFocus(index)}
        onKeyDown={onKeyDown}
      >
        {card.grams === null && !card.pending ? (
          <span className="rack-broken" style={{ height }}>
            ■ {say(card.problem ?? 'This design cannot be built.')}
          </span>
        ) : (
          <Outline card={card} k={k} width={width} height={height} />
        )}
        <span className="rack-label">
          <b>{name}</b>
          <span>
            {card.grams !== null
              ? format(card.grams, 'mass')
              : card.pending
                ? 'weight to come'
                : 'cannot be built'}{' '}
            · {card.hook} · {format(card.angle, 'angle')}
          </span>
          <small>
            {metal}
            {card.hinged ? ' · hinged' : ''}
            {card.pending ? ' · ▲ being worked out' : card.isStale ? ' · ▲ figures being made anew' : ''}
          </small>
        </span>
      </Link>
      <button
        type="button"
        className="rack-tray"
        tabIndex={-1}
        aria-pressed={inTray}
        onClick={() => onAct('t', card)}
        aria-label={inTray ? `Remove ${name} from the tray` : `Put ${name} into the tray`}
      >
        {inTray ? '✓ tray' : '+ tray'}
      </button>
      <button
        type="button"
        className="rack-away"
        tabIndex={-1}
        aria-label={archived ? `Unarchive ${name}` : `Archive ${name}`}
        onClick={() => onAct('a', card)}
      >
        {archived ? 'unarchive' : 'archive'}
      </button>
      <button
        type="button"
        className="rack-delete"
        tabIndex={-1}
        aria-label={`Delete ${name}`}
        onClick={() => onAct('Delete', card)}
      >
        ×
      </button>
    </>
  );
});

/** The outline, once it is there; until then the line it hangs from. */
const Outline = memo(function Outline({
  card,
  k,
  width,
  height,
}: Pick<CardProps, 'card' | 'k' | 'width' | 'height'>) {
  const { data } = useOutline(card);
  if (!data) {
    return (
      <svg width={width} height={height} className="hanging" aria-hidden="true">
        <line className="hang-line" x1={width / 2} y1={0} x2={width / 2} y2={DROP} />
      </svg>
    );
  }
  return (
    <HangingHead
      drawing={data}
      attitude={card.hang}
      k={k}
      metal={card.metal}
      drop={DROP}
      width={width}
      height={height}
    />
  );
});

import { useRef, useState } from 'react';
import type { PointerEvent, KeyboardEvent } from 'react';
import './handle.css';
import type { Vec2 } from '../../core/numeric/index.ts';

interface HandleProps {
  readonly at: Vec2;
  readonly label: string;
  readonly valueText: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly disabled?: boolean;
  /** the value for a pointer at this place on the sheet, given where it went down */
  readonly valueAt: (pointer: Vec2, down: { readonly pointer: Vec2; readonly value: number }) => number;
  readonly onStart: () => void;
  readonly onLive: (value: number) => void;
  readonly onEnd: () => void;
  readonly round?: boolean;
  /** one of many: drawn smaller */
  readonly small?: boolean;
}

/**
 * A brass grip on the drawing: pulled with the pointer or stepped with the arrow keys, as a slider to
 * assistive technology.
 */
export function Handle(props: HandleProps) {
  const {
    at,
    label,
    valueText,
    value,
    min,
    max,
    step,
    disabled = false,
    valueAt,
    onStart,
    onLive,
    onEnd,
    round = false,
    small = false,
  } = props;
  const [active, setActive] = useState(false);
  const pending = useRef<number | undefined>(undefined);
  if (disabled) return null;
  const within = (next: number) => Math.min(max, Math.max(min, next));

  const onPointerDown = (event: PointerEvent<SVGGElement>) => {
    if (event.button !== 0) return;
    const svg = event.currentTarget.ownerSVGElement;
    const target = event.currentTarget;
    if (!svg) return;
    event.preventDefault();
    target.focus();
    const box = svg.getBoundingClientRect();
    const sheet = (e: { clientX: number; clientY: number }): Vec2 => [
      e.clientX - box.left,
      e.clientY - box.top,
    ];
    const down = { pointer: sheet(event), value };
    target.setPointerCapture(event.pointerId);
    setActive(true);
    onStart();
    const move = (next: globalThis.PointerEvent) => onLive(within(valueAt(sheet(next), down)));
    const stop = () => {
      target.removeEventListener('pointermove', move);
      setActive(false);
      onEnd();
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', stop, { once: true });
    target.addEventListener('pointercancel', stop, { once: true });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const ways: Record<string, number> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };
    const way = ways[event.key];
    if (way === undefined) return;
    event.preventDefault();
    if (pending.current === undefined) onStart();
    pending.current = within((pending.current ?? value) + way * step * (event.shiftKey ? 10 : 1));
    onLive(pending.current);
  };
  const settle = () => {
    if (pending.current === undefined) return;
    pending.current = undefined;
    onEnd();
  };
  return (
    <g
      className="handle"
      data-active={active}
      role="slider"
      tabIndex={0}
      aria-label={label}
      aria-valuenow={value}
      aria-valuemin={min}
      aria-valuemax={max}
      aria-valuetext={valueText}
      onPointerDown={onPointerDown}
      onKeyDown={onKeyDown}
      onKeyUp={settle}
      onBlur={settle}
    >
      <title>{`${label}: ${valueText}. Pull, or use the arrow keys.`}</title>
      <rect
        x={at[0] - (small ? 7 : 12)}
        y={at[1] - (small ? 7 : 12)}
        width={small ? 14 : 24}
        height={small ? 14 : 24}
        className="handle-reach"
      />
      {round ? (
        <circle cx={at[0]} cy={at[1]} r={5.5} className="handle-grip" />
      ) : small ? (
        <path d={`M${at[0]} ${at[1] - 4.5}l4.5 4.5l-4.5 4.5l-4.5 -4.5Z`} className="handle-grip" />
      ) : (
        <rect x={at[0] - 4.5} y={at[1] - 4.5} width={9} height={9} className="handle-grip" />
      )}
    </g>
  );
}

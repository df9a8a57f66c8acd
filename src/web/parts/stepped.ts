import { useRef, useState } from 'react';
import type { PointerEvent } from 'react';

/** Pixels a pointer goes before it is a drag and not a press. */
const PRESS = 3;

interface Stepped {
  readonly value: number;
  /** what one step changes */
  readonly step: number;
  /** the nearest value that may be */
  readonly within: (value: number) => number;
  readonly disabled: boolean;
  readonly onLive: ((value: number) => void) | undefined;
  readonly onCommit: (value: number) => void;
}

/**
 * A value that is stepped by keys or dragged sideways: shown live, and committed when the key or the hand is
 * lifted.
 */
export function useStepped({ value, step, within, disabled, onLive, onCommit }: Stepped) {
  const live = useRef<number | undefined>(undefined);
  const [dragging, setDragging] = useState(false);
  const stepBy = (steps: number) => {
    const next = within((live.current ?? value) + steps * step);
    live.current = next;
    (onLive ?? onCommit)(next);
  };
  const settle = () => {
    if (live.current !== undefined) onCommit(live.current);
    live.current = undefined;
  };
  const startDrag = (event: PointerEvent<HTMLLabelElement>) => {
    if (disabled || event.button !== 0) return;
    const from = { x: event.clientX, value };
    const target = event.currentTarget;
    let moved = false;
    const move = (next: globalThis.PointerEvent) => {
      const pixels = next.clientX - from.x;
      if (!moved && Math.abs(pixels) < PRESS) return;
      if (!moved) {
        moved = true;
        setDragging(true);
        target.setPointerCapture(event.pointerId);
      }
      const wanted = within(from.value + pixels * step * 0.5);
      live.current = wanted;
      (onLive ?? onCommit)(wanted);
    };
    const stop = () => {
      target.removeEventListener('pointermove', move);
      setDragging(false);
      if (moved) settle();
    };
    target.addEventListener('pointermove', move);
    target.addEventListener('pointerup', stop, { once: true });
    target.addEventListener('pointercancel', stop, { once: true });
  };
  return { dragging, stepBy, settle, startDrag };
}

import type { RefObject } from 'react';
import { useLayoutEffect, useState } from 'react';

interface Box {
  readonly width: number;
  readonly height: number;
}

/**
 * The room inside an element's padding, px, kept up to date. It is measured before the first picture is
 * painted and not only when the observer first calls: what is drawn at a guessed size jumps away from under
 * the hand that goes for it. `until` stands for the one drawing that is never shown.
 */
export function useContentBox(frameRef: RefObject<HTMLElement | null>, until: Box): Box {
  const [box, setBox] = useState(until);
  useLayoutEffect(() => {
    const element = frameRef.current;
    if (!element) return;
    const style = getComputedStyle(element);
    const padding = (...sides: readonly string[]) =>
      sides.reduce((sum, side) => sum + (parseFloat(style.getPropertyValue(side)) || 0), 0);
    // To fractions of a pixel, as the observer tells it; borders and scroll bars are whole ones.
    const whole = element.getBoundingClientRect();
    const { offsetWidth, clientWidth, offsetHeight, clientHeight } = element;
    setBox({
      width: whole.width - (offsetWidth - clientWidth) - padding('padding-left', 'padding-right'),
      height: whole.height - (offsetHeight - clientHeight) - padding('padding-top', 'padding-bottom'),
    });
    const observer = new ResizeObserver(([entry]) => {
      if (entry) setBox({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, [frameRef]);
  return box;
}

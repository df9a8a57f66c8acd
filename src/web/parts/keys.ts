import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { useSingleKeys } from '../data/single-keys.ts';

/** Whether a key press belongs to a field rather than to the screen. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable ||
      target.matches('input:not([type=checkbox]):not([type=radio]), textarea, select'))
  );
}

/**
 * Keys that do something on this screen, while no field is being typed in and no dialog is open. Letters, digits and signs do so only where
 * they are not turned off.
 */
export function useKeys(keys: Readonly<Record<string, (event: KeyboardEvent) => void>>): void {
  const [isOn] = useSingleKeys();
  useEffect(() => {
    const told = Object.entries(keys).filter(([key]) => isOn || key.length > 1);
    const guarded = told.flatMap(([key, action]) => {
      const press = (event: KeyboardEvent) => {
        if (event.defaultPrevented || isTyping(event.target)) return;
        if (document.querySelector('[role=dialog].show')) return;
        event.preventDefault();
        action(event);
      };
      // Signs such as ? need Shift on many keyboards and not on others.
      return /^[a-z]+$/i.test(key)
        ? [[key, press] as const]
        : [[key, press] as const, [`Shift+${key}`, press] as const];
    });
    return tinykeys(window, Object.fromEntries(guarded));
  }, [keys, isOn]);
}

import { useEffect } from 'react';
import { tinykeys } from 'tinykeys';
import { isTyping, isUndo } from './presses.ts';
import { useSingleKeys } from '../data/single-keys.ts';

/** Undo and redo by key of a document that keeps no history: the edits of this visit. */
export function useDraftSteps(step: (by: 1 | -1) => boolean): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!isUndo(event) || event.defaultPrevented || isTyping(event.target)) return;
      if (document.querySelector('[role=dialog].show')) return;
      if (step(event.shiftKey ? 1 : -1)) event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [step]);
}

/** Text that is being typed, which has an undo of its own; a field of a quantity says whether it is. */
const TYPED = 'textarea, input[type=text]:not([data-editing=false]), [data-editing=true]';

/** Undo and redo by key of a document whose steps the server keeps. */
export function useUndoKeys(step: (by: 1 | -1) => unknown): void {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (!isUndo(event) || document.querySelector('[role=dialog].show')) return;
      if (event.target instanceof HTMLElement && event.target.matches(TYPED)) return;
      event.preventDefault();
      void step(event.shiftKey ? 1 : -1);
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [step]);
}

/**
 * Keys that do something on this screen, while no field is being typed in and no dialog is open. Letters,
 * digits and signs do so only where they are not turned off.
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

import { useCallback } from 'react';
import { useLocal } from './local.ts';

/** As many designs as can be held side by side. */
export const TRAY_SIZE = 6;

const isTray = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((id) => typeof id === 'string') && value.length <= TRAY_SIZE;

/** The tray: up to six designs in the order the person put them, kept across screens, tabs and reloads. */
export function useTray() {
  const [ids, setIds] = useLocal<string[]>('fern-anvil.tray', [], isTray);
  const toggle = useCallback(
    (id: string): 'added' | 'removed' | 'full' => {
      const now = ids.includes(id) ? 'removed' : ids.length >= TRAY_SIZE ? 'full' : 'added';
      if (now === 'added') setIds([...ids, id]);
      if (now === 'removed') setIds(ids.filter((other) => other !== id));
      return now;
    },
    [ids, setIds],
  );
  return { ids, setIds, toggle };
}

import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { useNotices } from '../parts/notices.tsx';
import { useLocal } from './local.ts';
import { isDeleted } from './queries.ts';

/** As many designs as can be held side by side. */
export const TRAY_SIZE = 6;

const isTray = (value: unknown): value is string[] =>
  Array.isArray(value) && value.every((id) => typeof id === 'string') && value.length <= TRAY_SIZE;

/** The tray: up to six designs in the order the person put them, kept across screens, tabs and reloads. */
export function useTray() {
  const [ids, setIds] = useLocal<string[]>('fern-anvil.tray', [], isTray);
  const { tell } = useNotices();
  const client = useQueryClient();
  const toggle = useCallback(
    (id: string): void => {
      if (ids.includes(id)) return setIds(ids.filter((other) => other !== id));
      // A deleted head's place is kept for its undoing, but only until another head wants it.
      const held = ids.length < TRAY_SIZE ? ids : ids.filter((other) => !isDeleted(client, other));
      if (held.length < TRAY_SIZE) setIds([...held, id]);
      else tell({ tone: 'bad', text: `The tray holds ${TRAY_SIZE}. Remove one first.` });
    },
    [ids, setIds, client, tell],
  );
  return { ids, setIds, toggle };
}

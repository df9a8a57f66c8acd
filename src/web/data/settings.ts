import type { Arrangement } from '../../core/plate/index.ts';
import { ARRANGEMENTS } from '../../core/plate/index.ts';
import { useLocal } from './local.ts';

/** How this browser draws plates. */
export interface Settings {
  readonly arrangement: Arrangement;
  /** dimensions in both unit systems */
  readonly dual: boolean;
}

const isSettings = (value: unknown): value is Settings => {
  const settings = value as Settings | null;
  return (
    typeof settings === 'object' &&
    settings !== null &&
    ARRANGEMENTS.includes(settings.arrangement) &&
    typeof settings.dual === 'boolean'
  );
};

const PLAIN: Settings = { arrangement: 'third', dual: false };

/** Returns what this browser has set for itself, and what sets it. */
export function useSettings() {
  const [settings, setSettings] = useLocal<Settings>('fern-anvil.settings', PLAIN, isSettings);
  return { ...settings, set: (change: Partial<Settings>) => setSettings((now) => ({ ...now, ...change })) };
}

import type { Rig } from '../assembly/rig.ts';
import type { Surroundings } from './behaviour.ts';

/**
 * What is found of a rig in its surroundings, kept for as long as both are the same: readings and flags of
 * one judgement, and several behaviours, ask for it.
 */
export function oncePer<T>(
  find: (rig: Rig, around: Surroundings) => T,
): (rig: Rig, around: Surroundings) => T {
  const kept = new WeakMap<Rig, { readonly around: Surroundings; readonly found: T }>();
  return (rig, around) => {
    const known = kept.get(rig);
    if (known?.around === around) return known.found;
    const found = find(rig, around);
    kept.set(rig, { around, found });
    return found;
  };
}

import { useLocal } from './local.ts';

const isFlag = (value: unknown): value is boolean => typeof value === 'boolean';

/**
 * Returns whether single letters, digits and signs do something in this browser, and what sets it: who
 * dictates, or rests a hand on the keyboard, turns them off (WCAG 2.2, 2.1.4).
 */
export const useSingleKeys = () => useLocal('fern-anvil.single-keys', true, isFlag);

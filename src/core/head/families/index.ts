import type { Family } from '../family.ts';
import { ball } from './ball.ts';
import { football } from './football.ts';
import { pointed } from './pointed.ts';

/** Every head family; a new one is one file and one line here. */
export const FAMILIES: readonly Family[] = [ball, football, pointed];

/** The family of a key, or undefined. */
export function familyOf(key: string): Family | undefined {
  return FAMILIES.find((family) => family.key === key);
}

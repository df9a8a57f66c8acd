import type { Design } from '../../core/index.ts';
import { ball, familyOf, starterDesign } from '../../core/index.ts';

/** A new head of a family, as it begins. Loaded when one is picked, since it knows every family. */
export function newHead(key: string): Design {
  const family = familyOf(key) ?? ball;
  return starterDesign(family, `New ${family.name.toLowerCase()}`);
}

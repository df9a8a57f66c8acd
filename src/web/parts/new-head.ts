import type { Design } from '../../core/document/index.ts';
import { starterDesign } from '../../core/document/index.ts';
import { ball, familyOf } from '../../core/head/index.ts';

/** A new head of a family, as it begins. Loaded when one is picked, since it knows every family. */
export function newHead(key: string): Design {
  const family = familyOf(key) ?? ball;
  return starterDesign(family, `New ${family.name.toLowerCase()}`);
}

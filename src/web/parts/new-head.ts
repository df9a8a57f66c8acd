import type { Design } from '../../core/document/index.ts';
import { starterDesign } from '../../core/document/index.ts';
import { ball, familyOf } from '../../core/head/index.ts';

/** A new head of a family, as it begins. Loaded when one is picked, since it knows every family. */
export function newHead(key: string): Design {
  const family = familyOf(key) ?? ball;
  return starterDesign(family, `New ${family.name.toLowerCase()}`);
}

/** Shapes that a new shop is offered as examples. */
const EXAMPLES = ['ball', 'football', 'standup', 'mushroom', 'swimmer', 'tube'] as const;

/** Heads to look at and to change, of the commonest shapes as each is usually made. */
export const exampleHeads = (): Design[] =>
  EXAMPLES.flatMap((key) => {
    const family = familyOf(key);
    return family ? [starterDesign(family, `Example: ${family.name.toLowerCase()}`)] : [];
  });

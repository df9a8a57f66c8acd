import type { Surroundings } from '../behaviour/behaviour.ts';
import type { Design } from '../document/design.ts';
import { PLAIN_WATER } from '../judge/evaluate.ts';
import { ball } from '../head/families/ball.ts';
import { familyOf } from '../head/families/index.ts';
import { starterDesign } from '../document/starter.ts';

/** Changes to a sample design, part by part. */
export type SampleChange = { readonly [K in keyof Design]?: Partial<Design[K]> };

/**
 * A sound design for tests: the starter of a family, with changes laid over its parts and no weight target
 * unless one is given.
 */
export function sampleDesign(family: string, change: SampleChange = {}): Design {
  const base = starterDesign(familyOf(family) ?? ball, 'Sample');
  return {
    ...base,
    head: { ...base.head, target: undefined, ...change.head },
    hook: { ...base.hook, ...change.hook },
    eye: { ...base.eye, ...change.eye },
    keeper: (change.keeper as Design['keeper'] | undefined) ?? base.keeper,
    guard: (change.guard as Design['guard'] | undefined) ?? base.guard,
  };
}

/**
 * Plain water, and of the readings those alone that are there at once: for tests of shapes and files, which
 * ask for nothing else.
 */
export const AT_ONCE: Surroundings = { ...PLAIN_WATER, isShort: true };

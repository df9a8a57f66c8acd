import type { Design } from '../../core/document/index.ts';
import { starterDesign } from '../../core/document/index.ts';
import { guardOf, keeperOf } from '../../core/fitting/index.ts';
import type { Family } from '../../core/head/index.ts';
import { ball, familyOf } from '../../core/head/index.ts';
import type { Fields } from '../../core/kind/index.ts';
import type { UnitSystem } from '../../core/quantity/index.ts';
import { roundIn } from '../../core/quantity/index.ts';

/** A keeper or a guard with its sizes round in the reader’s unit, within their ranges. */
function rounded<S extends object>(spec: S, fields: Fields, system: UnitSystem): S {
  const sizes = Object.entries(fields).flatMap(([key, field]) => {
    const value = (spec as Readonly<Record<string, unknown>>)[key];
    if (field.type !== 'number' || field.quantity !== 'size' || typeof value !== 'number') return [];
    const round = roundIn(value, 'size', system);
    return round >= field.min && round <= field.max ? [[key, round] as const] : [];
  });
  return { ...spec, ...Object.fromEntries(sizes) };
}

/** A sound head of a family, its weight and the sizes of its fittings round in the reader’s unit. */
function begun(family: Family, name: string, system: UnitSystem): Design {
  const design = starterDesign(family, name);
  const { target } = design.head;
  return {
    ...design,
    head: {
      ...design.head,
      ...(target ? { target: { ...target, grams: roundIn(target.grams, 'mass', system) } } : {}),
    },
    keeper: rounded(design.keeper, keeperOf(design.keeper.kind).fields, system),
    guard: rounded(design.guard, guardOf(design.guard.kind).fields, system),
  };
}

/** A new head of a family, as it begins. Loaded when one is picked, since it knows every family. */
export function newHead(key: string, system: UnitSystem): Design {
  const family = familyOf(key) ?? ball;
  return begun(family, `New ${family.name.toLowerCase()}`, system);
}

/** Shapes that a new shop is offered as examples. */
const EXAMPLES = ['ball', 'football', 'standup', 'mushroom', 'swimmer', 'tube'] as const;

/** Heads to look at and to change, of the commonest shapes as each is usually made. */
export const exampleHeads = (system: UnitSystem): Design[] =>
  EXAMPLES.flatMap((key) => {
    const family = familyOf(key);
    return family ? [begun(family, `Example: ${family.name.toLowerCase()}`, system)] : [];
  });

import { assemble } from '../../assembly/assemble.ts';
import { headMass, metalPart } from '../../assembly/rig.ts';
import { starterDesign } from '../../document/starter.ts';
import { familyOf } from '../../head/families/index.ts';
import { HEAD_RANGES } from '../../head/schema.ts';
import { buildSound } from '../../assembly/sound.ts';
import type { Design } from '../../document/design.ts';
import { takeIn } from '../../make/take-in.ts';
import type { Metal } from '../../material/metals/metal.ts';
import { METALS } from '../../material/metals/index.ts';
import { buildLadder } from '../../series/ladder.ts';
import type { HeadRow } from './read-heads.ts';
import { spoken } from './recognise.ts';

/** A head of a table as it can be put on the Rack, or why it cannot. */
export type HeadBuilt = Omit<HeadRow, 'design'> & {
  /** built to its weight; undefined where it cannot be */
  readonly design: Design | undefined;
  /** what it may be a double of: the name of a head on the Rack, or a line of the table */
  readonly doubleOf: string | undefined;
};

/** What is known of a head that is there already. */
export interface KnownHead {
  readonly name: string;
  readonly number?: string | undefined;
  readonly ean?: string | undefined;
}

/** Returns the chart’s hook for a weight of a shape, in proportion to what the shape is usually made as. */
function hookFor({ head, hook }: Design, grams: number, metals: readonly Metal[]): string {
  const family = familyOf(head.family);
  if (!family) return hook.size;
  const [rung] = buildLadder(
    starterDesign(family, family.name),
    { rule: 'proportion', rungs: [{ grams }] },
    metals,
  );
  return rung?.hook ?? hook.size;
}

/** A row that tells no hook, with one that suits its weight. */
function withHook<T extends HeadRow & { readonly design: Design }>(row: T, metals: readonly Metal[]): T {
  const { design, grams, guessed } = row;
  const size = hookFor(design, grams, metals);
  return {
    ...row,
    design: { ...design, hook: { ...design.hook, size } },
    guessed: [...guessed, `hook ${size}`],
  };
}

/**
 * Builds a head of a table: by the sizes it tells as “Measure a head” does, by its shape’s proportions where
 * it tells none, to its weight. What cannot be built says why.
 */
export function buildHead(told: HeadRow, metals: readonly Metal[] = METALS): Omit<HeadBuilt, 'doubleOf'> {
  if (!told.design) return told;
  const whole = { ...told, design: told.design };
  const row = whole.isHookOpen ? withHook(whole, metals) : whole;
  const { design, measured, grams, odd } = row;
  if (Object.keys(measured).length > 0) {
    // A packet names the metal’s weight; on the scale the hook and the fittings lie with it.
    const rig = assemble({ ...design, head: { ...design.head, target: undefined } }, metals);
    const taken = takeIn({ design, measured, grams: grams + headMass(rig) - metalPart(rig).mass }, metals);
    if (!taken.ok) return { ...row, design: undefined, problem: taken.problems[0]?.message };
    const [least, most] = HEAD_RANGES.density;
    if (taken.density < least || taken.density > most)
      return {
        ...row,
        design: undefined,
        problem: `${taken.says[0] ?? ''} No metal is so. Check sizes and weight.`,
      };
    const doesNot = taken.metals.some(
      ({ metal, verdict }) => metal.key === design.head.metal && verdict === 'does not',
    );
    return {
      ...row,
      design: taken.design,
      odd: doesNot ? [...odd, ...taken.says.slice(0, 1)] : odd,
    };
  }
  const sound = buildSound(design, metals);
  if (!sound.ok) return { ...row, design: undefined, problem: sound.problems[0]?.message };
  return { ...row, design: sound.design };
}

const keysOf = ({ name, number, ean }: KnownHead): string[] => [
  `name ${spoken(name)}`,
  ...(number === undefined ? [] : [`number ${spoken(number)}`]),
  ...(ean === undefined ? [] : [`ean ${ean}`]),
];

/** Heads that are there, by everything they are known by. */
export type KnownHeads = ReadonlyMap<string, string>;

/** Returns heads that are there by everything they are known by: made once for a shop, which may be large. */
export function knownHeads(heads: readonly KnownHead[]): KnownHeads {
  const known = new Map<string, string>();
  for (const head of heads) for (const key of keysOf(head)) if (!known.has(key)) known.set(key, head.name);
  return known;
}

/**
 * Returns a look-up of what a head is a double of: the same EAN, article number or name as one that is there,
 * or as an earlier line.
 */
export function doubleFinder(known: KnownHeads): (row: Omit<HeadBuilt, 'doubleOf'>) => string | undefined {
  const earlier = new Map<string, string>();
  return ({ line, name, design }) => {
    const keys = keysOf({ name, number: design?.article?.number, ean: design?.article?.ean });
    const found = keys.flatMap((key) => known.get(key) ?? earlier.get(key) ?? [])[0];
    for (const key of keys) if (!earlier.has(key)) earlier.set(key, `line ${line}`);
    return found;
  };
}

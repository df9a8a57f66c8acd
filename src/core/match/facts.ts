import type { Readings } from '../behaviour/index.ts';
import { READING_IDS, READINGS } from '../behaviour/index.ts';
import type { Brief } from '../document/brief.ts';
import { BOTTOMS, CLARITIES, COVERS, LINES, MOODS, RETRIEVES, WATERS } from '../document/brief.ts';
import type { Design } from '../document/design.ts';
import { GUARDS, guardOf } from '../fitting/guards/index.ts';
import { KEEPERS } from '../fitting/keepers/index.ts';
import { FAMILIES } from '../head/families/index.ts';
import { GRADES, HOOK_CHART } from '../hook/chart.ts';
import { JOINTS } from '../hook/joints/index.ts';
import { EYE_PLANES } from '../hook/schema.ts';
import { PLAIN_STYLE, STYLES } from '../hook/styles/index.ts';
import { METALS } from '../material/metals/index.ts';
import { PLASTIC_KINDS } from '../plastic/kinds/index.ts';
import { formatQuantity } from '../quantity/format.ts';
import { hookRank } from '../quantity/hook-size.ts';
import type { QuantityKind, UnitSystem } from '../quantity/units.ts';

export type Fact = string | number;
export type Facts = Readonly<Record<string, Fact>>;

/** What a match is judged from: a brief, and a head as evaluated. */
export interface Subject {
  readonly design: Design;
  readonly readings: Readings;
}

interface FactBase {
  readonly name: string;
  /** what it is, in words */
  readonly words: string;
  /** where it comes from */
  readonly about: 'brief' | 'design' | 'reading';
}

/** A fact that is one of some words. */
export interface ChoiceFact extends FactBase {
  readonly choices: readonly string[];
}

/** A fact that is a number, in the quantity's stored unit. */
export interface NumberFact extends FactBase {
  readonly quantity: QuantityKind;
}

export type FactSpec = ChoiceFact | NumberFact;

type Reader = (brief: Brief, subject: Subject) => Fact | undefined;
type Entry = readonly [spec: FactSpec, read: Reader];

const keysOf = (kinds: readonly { readonly key: string }[]) => kinds.map(({ key }) => key);

const inBrief = (
  name: string,
  words: string,
  kind: QuantityKind | readonly string[],
  read: (brief: Brief) => Fact,
): Entry => [
  typeof kind === 'string'
    ? { name, words, about: 'brief', quantity: kind }
    : { name, words, about: 'brief', choices: kind },
  read,
];
const inDesign = (
  name: string,
  words: string,
  kind: QuantityKind | readonly string[],
  read: (design: Design) => Fact,
): Entry => [
  typeof kind === 'string'
    ? { name, words, about: 'design', quantity: kind }
    : { name, words, about: 'design', choices: kind },
  (_brief, { design }) => read(design),
];

/** Whatever the words for it, a metal of the shop's own stores is one too: rules name those of the reference list. */
const ENTRIES: readonly Entry[] = [
  inBrief('water.kind', 'Salt in the water', WATERS, ({ water }) => water.kind),
  inBrief('water.temperature', 'Temperature of the water', 'temperature', ({ water }) => water.temperature),
  inBrief('water.depth', 'Depth', 'depth', ({ water }) => water.depth),
  inBrief('water.current', 'Current', 'speed', ({ water }) => water.current),
  inBrief('water.clarity', 'How far one sees', CLARITIES, ({ water }) => water.clarity),
  inBrief('bottom.kind', 'What lies below', BOTTOMS, ({ bottom }) => bottom.kind),
  inBrief('bottom.slope', 'Slope of the bottom', 'angle', ({ bottom }) => bottom.slope),
  inBrief('cover', 'What the head must come through', COVERS, ({ cover }) => cover),
  inBrief('retrieve', 'How it is fished', RETRIEVES, ({ retrieve }) => retrieve),
  inBrief('line.material', 'Line', LINES, ({ line }) => line.material),
  inBrief('line.test', 'Strength of the line', 'lineTest', ({ line }) => line.test),
  inBrief('bait.kind', 'Body shape of the plastic', keysOf(PLASTIC_KINDS), ({ bait }) => bait.kind),
  inBrief('bait.length', 'Length of the plastic', 'size', ({ bait }) => bait.length),
  inBrief('mood', 'How the fish take', MOODS, ({ mood }) => mood),
  inDesign('family', 'Shape', keysOf(FAMILIES), ({ head }) => head.family),
  inDesign('metal', 'Metal', keysOf(METALS), ({ head }) => head.metal),
  inDesign(
    'hook.rank',
    'Hook size as a number: 3/0 is 3, #2 is −1',
    'count',
    ({ hook }) => hookRank(hook.size) ?? 0,
  ),
  inDesign(
    'hook.size',
    'Hook size',
    HOOK_CHART.map(({ size }) => size),
    ({ hook }) => hook.size,
  ),
  inDesign('hook.grade', 'Wire grade', GRADES, ({ hook }) => hook.grade),
  inDesign('hook.style', 'Hook style', keysOf(STYLES), ({ hook }) => hook.style ?? PLAIN_STYLE),
  inDesign('joint', 'Hinge', ['none', ...keysOf(JOINTS)], ({ hook }) => hook.joint?.kind ?? 'none'),
  inDesign('eye.plane', 'Plane of the eye', EYE_PLANES, ({ eye }) => eye.plane),
  inDesign('eye.setback', 'Eye behind the nose', 'share', ({ eye }) => eye.setback),
  inDesign('keeper', 'Keeper', keysOf(KEEPERS), ({ keeper }) => keeper.kind),
  inDesign('guard', 'Guard', keysOf(GUARDS), ({ guard }) => guard.kind),
  inDesign(
    'guard.trim',
    'Ends of the guard',
    ['none', 'trimmed', 'as bought'],
    ({ guard }) => guardOf(guard.kind).trim?.(guard) ?? 'none',
  ),
  ...READING_IDS.map((id): Entry => {
    const { name, quantity } = READINGS[id];
    return [
      { name: id, words: name, about: 'reading', quantity },
      (_brief, { readings }) => readings[id]?.value,
    ];
  }),
];

/** Every fact a rule can ask for. */
export const FACTS: readonly FactSpec[] = ENTRIES.map(([spec]) => spec);

const byName = new Map(FACTS.map((spec) => [spec.name, spec]));

/** The fact of a name, or undefined. */
export const factOf = (name: string): FactSpec | undefined => byName.get(name);

/** Every fact of a head in a brief; one that does not apply is absent. */
export function factsOf(brief: Brief, subject: Subject): Facts {
  const facts: Record<string, Fact> = {};
  for (const [{ name }, read] of ENTRIES) {
    const fact = read(brief, subject);
    if (fact !== undefined) facts[name] = fact;
  }
  return facts;
}

/** A fact in the reader's units. */
export function factText(name: string, fact: Fact | undefined, system: UnitSystem): string {
  if (fact === undefined) return '–';
  if (typeof fact === 'string') return fact;
  const spec = byName.get(name);
  return spec && 'quantity' in spec && spec.quantity !== 'count'
    ? formatQuantity(fact, spec.quantity, system)
    : String(fact);
}

import { READING_IDS, READINGS } from '../../behaviour/registry.ts';
import { RODS } from '../../document/brief.ts';
import {
  BOTTOMS,
  CLARITIES,
  COVERS,
  DENSITIES,
  FISH_SIZES,
  LINES,
  MOODS,
  PLACES,
  RETRIEVES,
  ROD_ACTIONS,
  WANTS,
  WATERS,
  WINDS,
} from '../../document/brief-words.ts';
import type { Design } from '../../document/design.ts';
import { GUARDS, guardOf } from '../../fitting/guards/index.ts';
import { KEEPERS } from '../../fitting/keepers/index.ts';
import { FAMILIES } from '../../head/families/index.ts';
import { GRADES, HOOK_CHART } from '../../hook/chart.ts';
import { JOINTS } from '../../hook/joints/index.ts';
import { EYE_PLANES } from '../../hook/schema.ts';
import { PLAIN_STYLE, STYLES } from '../../hook/styles/index.ts';
import { METALS } from '../../material/metals/index.ts';
import { waterDensity } from '../../material/water.ts';
import { plasticDensity } from '../../plastic/body.ts';
import { PLASTIC_KINDS } from '../../plastic/kinds/index.ts';
import { formatQuantity } from '../../quantity/format.ts';
import { hookRank } from '../../quantity/hook-size.ts';
import type { QuantityKind, UnitSystem } from '../../quantity/units.ts';
import { METHODS } from '../../rigging/methods/index.ts';
import type { Head } from './head.ts';
import { methodWorn, pointState } from './head.ts';
import { shapeOf } from './shapes.ts';
import type { Situation } from './situation.ts';
import { waterOf } from './situation.ts';

/** A word, several words of which any will do, or a number. */
export type Fact = string | number | readonly string[];

interface FactBase {
  readonly name: string;
  /** what it is, in words */
  readonly words: string;
  /** where it comes from */
  readonly about: 'brief' | 'head' | 'reading';
}

/** A fact that is one of some words. */
export interface ChoiceFact extends FactBase {
  readonly choices: readonly string[];
}

/** A fact that is a number, in the quantity's stored unit. */
export interface NumberFact extends FactBase {
  readonly quantity: QuantityKind;
}

/** A fact a rule may ask about. */
export type FactSpec = ChoiceFact | NumberFact;

interface OfBrief {
  readonly about: 'brief';
  readonly read: (situation: Situation) => Fact | undefined;
}
interface OfHead {
  readonly about: 'head' | 'reading';
  readonly read: (head: Head, situation: Situation) => Fact | undefined;
}
type Entry = { readonly spec: FactSpec } & (OfBrief | OfHead);

const keysOf = (kinds: readonly { readonly key: string }[]) => kinds.map(({ key }) => key);
type Sort = QuantityKind | readonly string[];
const spec = (name: string, words: string, about: FactBase['about'], sort: Sort): FactSpec =>
  typeof sort === 'string' ? { name, words, about, quantity: sort } : { name, words, about, choices: sort };

const inBrief = (name: string, words: string, sort: Sort, read: OfBrief['read']): Entry => ({
  spec: spec(name, words, 'brief', sort),
  about: 'brief',
  read,
});
const ofHead = (name: string, words: string, sort: Sort, read: OfHead['read']): Entry => ({
  spec: spec(name, words, 'head', sort),
  about: 'head',
  read,
});
const inDesign = (name: string, words: string, sort: Sort, read: (design: Design) => Fact | undefined) =>
  ofHead(name, words, sort, ({ design }) => read(design));

/**
 * Every fact, in the order a person is shown them. Whatever the words for it, a metal of the shop's own
 * stores is one too.
 */
const ENTRIES: readonly Entry[] = [
  inBrief('water.kind', 'Salt in the water', WATERS, ({ water }) => water.kind),
  inBrief('water.depth', 'Depth', 'depth', ({ water }) => water.depth),
  inBrief('water.temperature', 'Temperature of the water', 'temperature', ({ water }) => water.temperature),
  inBrief('water.current', 'Current', 'speed', ({ water }) => water.current),
  inBrief('water.sight', 'How far one sees', 'depth', ({ water }) => water.sight),
  inBrief('clarity', 'Clear or not', CLARITIES, ({ clarity }) => clarity),
  inBrief('bottom', 'Bottom type', BOTTOMS, ({ bottoms }) => bottoms),
  inBrief('bottom.slope', 'Slope of the bottom', 'angle', ({ slope }) => slope),
  inBrief('bottom.crack', 'Cracks in the stone', 'size', ({ crack }) => crack),
  inBrief('bottom.stone', 'Size of the stones', 'size', ({ stone }) => stone),
  inBrief('cover', 'What the head must come through', ['none', ...COVERS], ({ covers }) =>
    covers.length === 0 ? 'none' : covers,
  ),
  inBrief('cover.density', 'Cover density', DENSITIES, ({ density, covers }) =>
    covers.length === 0 ? undefined : density,
  ),
  inBrief('cover.stem', 'Stems and branches', 'size', ({ stem }) => stem),
  inBrief('retrieve', 'How it is fished', RETRIEVES, ({ retrieve }) => retrieve),
  inBrief('touches', 'On the bottom', ['yes', 'no'], ({ touches }) => (touches ? 'yes' : 'no')),
  inBrief('rests', 'Lies still', ['none', 'short', 'long'], ({ rests }) => rests),
  inBrief('rest', 'How long it lies still', 'time', ({ rest }) => rest),
  inBrief('speed', 'Speed over the ground', 'speed', ({ speed }) => speed),
  inBrief('cast', 'Length of a cast', 'depth', ({ cast }) => cast),
  inBrief('from', 'Where it is fished from', PLACES, ({ from }) => from),
  inBrief('wind', 'Wind on the cast', WINDS, ({ wind }) => wind),
  inBrief('sounder', 'Watched on a sounder', ['yes', 'no'], ({ sounder }) => (sounder ? 'yes' : 'no')),
  inBrief('line.material', 'Line', LINES, ({ line }) => line.material),
  inBrief('line.test', 'Strength of the line', 'lineTest', ({ line }) => line.test),
  inBrief('leader.material', 'Leader', LINES, ({ brief }) => brief.leader?.material),
  inBrief('leader.test', 'Strength of line or leader', 'lineTest', ({ hookTest }) => hookTest),
  inBrief('rod.power', 'Power of the rod', RODS, ({ rod }) => rod),
  inBrief('rod.action', 'Action of the rod', ROD_ACTIONS, ({ action }) => action),
  inBrief('rod.length', 'Length of the rod', 'depth', ({ rodLength }) => rodLength),
  inBrief('bait.kind', 'Body shape of the plastic', keysOf(PLASTIC_KINDS), ({ bait }) => bait.kind),
  inBrief('bait.length', 'Length of the plastic', 'size', ({ bait }) => bait.length),
  inBrief('bait.skirt', 'Behind a skirt', ['yes', 'no'], ({ bait }) => (bait.skirt ? 'yes' : 'no')),
  inBrief('mood', 'How the fish take', MOODS, ({ mood }) => mood),
  inBrief('fish.size', 'What is fished for', FISH_SIZES, ({ size }) => size),
  inBrief('fish.wants', 'Many, or the largest', WANTS, ({ wants }) => wants),
  inBrief('lead', 'Lead is allowed', ['yes', 'no'], ({ lead }) => (lead ? 'yes' : 'no')),
  inBrief('price', 'The most a lost head may cost', 'number', ({ price }) => price),
  ofHead('shape', 'Shape, or the one it resembles', keysOf(FAMILIES), shapeOf),
  inDesign('family', 'Family', keysOf(FAMILIES), ({ head }) => head.family),
  inDesign('metal', 'Metal', keysOf(METALS), ({ head }) => head.metal),
  inDesign('pieces', 'Pieces glued', 'count', ({ head }) => head.pieces ?? 1),
  inDesign(
    'hook.rank',
    'Hook size as a number: 3/0 is 3, #2 is −1',
    'count',
    // As it is spoken: an aught is its own number, so #1 stands at nothing.
    ({ hook }) => {
      const rank = hookRank(hook.size);
      return rank === undefined ? undefined : rank + 1;
    },
  ),
  inDesign(
    'hook.size',
    'Hook size',
    HOOK_CHART.map(({ size }) => size),
    ({ hook }) => hook.size,
  ),
  inDesign('hook.grade', 'Wire grade', GRADES, ({ hook }) => hook.grade),
  inDesign('hook.style', 'Hook style', keysOf(STYLES), ({ hook }) => hook.style ?? PLAIN_STYLE),
  inDesign('hinged', 'Hinged', ['yes', 'no'], ({ hook }) => (hook.joint ? 'yes' : 'no')),
  inDesign('joint', 'Hinge', ['none', ...keysOf(JOINTS)], ({ hook }) => hook.joint?.kind ?? 'none'),
  inDesign('eye.plane', 'Plane of the eye', EYE_PLANES, ({ eye }) => eye.plane),
  inDesign('eye.setback', 'Eye behind the nose', 'share', ({ eye }) => eye.setback),
  inDesign('eye.recess', 'Eye set into the head', 'size', ({ eye }) => eye.recess ?? 0),
  inDesign('keeper', 'Keeper', keysOf(KEEPERS), ({ keeper }) => keeper.kind),
  inDesign('guard', 'Guard', keysOf(GUARDS), ({ guard }) => guard.kind),
  inDesign(
    'guard.trim',
    'Ends of the guard',
    ['none', 'trimmed', 'as bought'],
    ({ guard }) => guardOf(guard.kind).trim?.(guard) ?? 'none',
  ),
  inDesign('skirted', 'Carries a skirt', ['yes', 'no'], ({ skirt }) => (skirt ? 'yes' : 'no')),
  ofHead('point', 'The point is', ['bare', 'guarded', 'buried'], pointState),
  ofHead('method', 'Rigged by', keysOf(METHODS), methodWorn),
  ofHead('bait.floats', 'The plastic floats', ['yes', 'no'], ({ worn }, { water }) =>
    worn ? (1000 * plasticDensity(worn.plastic) < waterDensity(waterOf(water)) ? 'yes' : 'no') : undefined,
  ),
  ofHead(
    'bait.colour',
    'Colour of the plastic',
    ['natural', 'dark', 'bright', 'reactive', 'matched'],
    ({ worn }) => worn?.plastic.colourClass,
  ),
  ofHead('bait.rattle', 'The plastic rattles', ['yes', 'no'], ({ worn }) =>
    worn ? (worn.plastic.rattle ? 'yes' : 'no') : undefined,
  ),
  ofHead(
    'bait.tough',
    'Toughness of the plastic',
    ['soft', 'standard', 'stretchy'],
    ({ worn }) => worn?.plastic.toughness,
  ),
  ...READING_IDS.map((id): Entry => {
    const { name, quantity } = READINGS[id];
    return {
      spec: { name: id, words: name, about: 'reading', quantity },
      about: 'reading',
      read: ({ values }) => values[id],
    };
  }),
];

/** Every fact a rule can ask for. */
export const FACTS: readonly FactSpec[] = ENTRIES.map(({ spec: one }) => one);

const byName = new Map(ENTRIES.map((entry) => [entry.spec.name, entry]));

/** The fact of a name, or undefined. */
export const factOf = (name: string): FactSpec | undefined => byName.get(name)?.spec;

/** What reads a fact; undefined for a name nobody knows. */
export const readerOf = (name: string): Entry | undefined => byName.get(name);

/** A fact of a head in a situation; undefined where it does not apply. */
export function factFor(name: string, situation: Situation, head: Head): Fact | undefined {
  const entry = byName.get(name);
  if (!entry) return undefined;
  return entry.about === 'brief' ? entry.read(situation) : entry.read(head, situation);
}

/** A fact in the reader's units. */
export function factText(name: string, fact: Fact | undefined, system: UnitSystem): string {
  if (fact === undefined) return '–';
  if (typeof fact === 'string') return fact;
  if (typeof fact !== 'number') return fact.join(' and ');
  const known = byName.get(name)?.spec;
  return known && 'quantity' in known && known.quantity !== 'count'
    ? formatQuantity(fact, known.quantity, system)
    : String(fact);
}

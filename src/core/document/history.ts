import { shortened } from '../quantity/text.ts';
import { differences } from './differences.ts';
import { FEATURES } from '../head/features/index.ts';
import type { Fields } from '../kind/field.ts';
import { guardOf, GUARDS } from '../fitting/guards/index.ts';
import { keeperOf, KEEPERS } from '../fitting/keepers/index.ts';
import type { Design } from './design.ts';
import { familyOf } from '../head/families/index.ts';
import { METALS } from '../material/metals/index.ts';
import type { QuantityKind } from '../quantity/units.ts';
import { marked } from '../quantity/phrase.ts';

/** Names of fields as a history tells them, by their last part; what is not here is told by its own name. */
const NAMES: Readonly<Record<string, readonly [name: string, kind?: QuantityKind]>> = {
  'head.family': ['Shape'],
  'head.metal': ['Metal'],
  'head.density': ['Density', 'density'],
  'head.target.grams': ['Weight', 'mass'],
  'head.target.of': ['Weight counted as'],
  'head.target': ['Held weight'],
  'head.locks': ['Locks'],
  'head.stations': ['Stations', 'count'],
  'head.solid': ['Solid'],
  'head.paint': ['Paint'],
  'head.paint.thickness': ['Paint thickness', 'size'],
  'head.paint.density': ['Paint density', 'density'],
  'head.pieces': ['Pieces', 'count'],
  'head.symmetric': ['Symmetry'],
  'hook.size': ['Hook'],
  'hook.grade': ['Wire'],
  'hook.style': ['Hook style'],
  'hook.joint': ['Hinge'],
  'hook.joint.kind': ['Hinge'],
  'hook.joint.size': ['Hinge size', 'size'],
  'hook.measured': ['Measured hook'],
  'hook.measured.name': ['Measured hook'],
  'hook.measured.gap': ['Measured gap', 'size'],
  'hook.measured.shank': ['Measured shank', 'size'],
  'hook.measured.wire': ['Measured wire', 'size'],
  'eye.angle': ['Eye angle', 'angle'],
  'eye.plane': ['Eye plane'],
  'eye.setback': ['Eye behind the nose', 'share'],
  'eye.size': ['Eye inside', 'size'],
  'eye.recess': ['Eye recess', 'size'],
  'keeper.kind': ['Keeper'],
  'guard.kind': ['Guard'],
  'guard.lean': ['Guard lean', 'angle'],
  'guard.fan': ['Guard fan', 'angle'],
  'guard.setback': ['Guard place', 'share'],
  'guard.trimmed': ['Fibres trimmed'],
  skirt: ['Skirt'],
  'skirt.length': ['Skirt length', 'size'],
  'skirt.uneven': ['Skirt uneven by', 'size'],
  photo: ['Photograph'],
  drag: ['Measured drag'],
  'drag.factor': ['Measured drag'],
  'drag.low': ['Measured drag, least'],
  'drag.high': ['Measured drag, most'],
  'drag.count': ['Drops measured', 'count'],
  name: ['Name'],
  notes: ['Notes'],
  ladder: ['Ladder'],
  article: ['Article'],
  'article.number': ['Article number'],
  'article.ean': ['EAN'],
  'article.price': ['Price', 'money'],
  'article.pack': ['Heads in a pack', 'count'],
  'article.supplier': ['Supplier'],
  'article.stock': ['Stock', 'count'],
  'article.photo': ['Product photograph'],
};

interface Change {
  readonly path: string;
  readonly before: unknown;
  readonly after: unknown;
}

/** Leaves in which two designs differ: stations one by one, and each feature by itself, the first one too. */
function changes(before: Design, after: Design): Change[] {
  // What was never touched are the shape's own.
  const own = familyOf(after.head.family)?.start?.stations;
  const full = ({ head, ...rest }: Design) => ({
    ...rest,
    head: { ...head, features: head.features ?? {}, stations: after.head.stations && (head.stations ?? own) },
  });
  const [was, is] = [full(before), full(after)];
  const isAlike = was.head.stations?.length === is.head.stations?.length;
  const found = differences(was, is, {
    isWhole: (path) => WHOLE.has(path.join('.')),
    isOpen: (path) => isAlike && path.join('.') === 'head.stations',
  });
  return found.map(({ path, ...values }) =>
    path.join('.') === 'head.stations'
      ? { path: 'head.stations', before: was.head.stations?.length, after: is.head.stations?.length }
      : { path: path.join('.'), ...values },
  );
}

/** Parts of a design that are told whole. */
const WHOLE: ReadonlySet<string> = new Set(['ladder', 'head.solid']);

/** What a field is called and counted in: as its form calls it. */
function nameOf(path: string, design: Design): readonly [name: string, kind?: QuantityKind] {
  const [part = '', group, ...rest] = path.split('.');
  const key = rest.at(-1) ?? group ?? part;
  const known = NAMES[path];
  if (known) return known;
  const capital = (text: string) => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
  const among = (fields: Fields): readonly [string, QuantityKind?] | undefined => {
    const field = Object.hasOwn(fields, key) ? fields[key] : undefined;
    return field && (field.type === 'number' ? [field.label, field.quantity] : [field.label]);
  };
  if (group === 'dimensions') {
    const spec = familyOf(design.head.family)?.dimensions.find((candidate) => candidate.key === key);
    return [spec?.name ?? key, spec?.kind];
  }
  if (group === 'stations') {
    const what = key === 'at' ? 'Place' : capital(key);
    return [rest.length > 0 ? `${what} of station ${Number(rest[0]) + 1}` : 'Stations', 'share'];
  }
  if (group === 'features') {
    const feature = FEATURES.find((kind) => kind.key === rest[0]);
    if (!feature || rest.length === 1) return [capital(feature?.key ?? key)];
    return among(feature.fields) ?? [capital(`${feature.key} ${key}`)];
  }
  const fields =
    part === 'keeper'
      ? keeperOf(design.keeper.kind).fields
      : part === 'guard'
        ? guardOf(design.guard.kind).fields
        : {};
  return among(fields) ?? [capital(part === 'head' ? key : `${part} ${key}`)];
}

/** What a chosen word stands for, as the forms put it. */
const WORDS: Readonly<Record<string, (value: string) => string | undefined>> = {
  'head.family': (key) => familyOf(key)?.name.toLowerCase(),
  'head.metal': (key) => METALS.find((metal) => metal.key === key)?.name.toLowerCase(),
  'keeper.kind': (kind) => KEEPERS.find(({ key }) => key === kind)?.name,
  'guard.kind': (kind) => GUARDS.find(({ key }) => key === kind)?.name,
};

/** What a field holds, in words, its quantities marked for the reader's units; undefined where it is no value. */
function valueOf(path: string, value: unknown, kind: QuantityKind | undefined): string | undefined {
  if (typeof value === 'string') return WORDS[path]?.(value) ?? shortened(value, 40);
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  if (typeof value !== 'number') return undefined;
  return kind && kind !== 'number' ? marked(value, kind) : String(Number(value.toPrecision(4)));
}

/** A field in which two states of a document differ: its name, and what it holds in each, in words. */
export interface NamedDifference {
  readonly name: string;
  /** empty where it holds nothing there */
  readonly before: string;
  readonly after: string;
}

/** Returns the fields in which two states of a design differ, quantities marked for the reader's units. */
export const designDifferences = (before: Design, after: Design): NamedDifference[] =>
  changes(before, after).map((change) => {
    // A field that is gone has its name where it still is.
    const [name, kind] = nameOf(change.path, change.after === undefined ? before : after);
    const told = (value: unknown) =>
      valueOf(change.path, value, kind) ?? (value === undefined || value === null ? '' : 'set');
    return { name, before: told(change.before), after: told(change.after) };
  });

/** A change in words, its quantities marked for the reader's units. */
function inWords({ path, before, after }: Change, design: Design): string {
  const [name, kind] = nameOf(path, design);
  if (path === 'head.target') return after ? 'Weight held' : 'Weight released';
  if (path === 'name') return `Name: ${shortened(String(after), 60)}`;
  const [was, is] = [valueOf(path, before, kind), valueOf(path, after, kind)];
  if (was !== undefined && is !== undefined) return `${name}: ${was} → ${is}`;
  if (is !== undefined) return `${name}: ${is}`;
  if (after === undefined) return `${name} taken away`;
  return before === undefined ? `${name} added` : `${name} changed`;
}

/** Most changes told one by one. */
const TOLD = 2;

/**
 * What happened between two states of a design, in words. Sizes that merely follow a held weight are left out
 * when something else was changed with them. An empty string when nothing differs.
 */
export function describeChange(before: Design, after: Design): string {
  const all = changes(before, after);
  const isSize = ({ path }: Change) => path.startsWith('head.dimensions.');
  const others = all.filter((change) => !isSize(change));
  // A changed shape, weight or metal carries sizes with it; a size pulled under a held weight shows as
  // several sizes, the first leads.
  const led = others.length > 0 ? others : all;
  const kindOf = (part: 'keeper' | 'guard') => others.find(({ path }) => path === `${part}.kind`);
  const told = led.filter(({ path }) => {
    if (path.startsWith('keeper.') && kindOf('keeper')) return path === 'keeper.kind';
    if (path.startsWith('guard.') && kindOf('guard')) return path === 'guard.kind';
    // With symmetry the drops follow, when it is put on or a rise is pulled.
    if (/^head\.stations\.\d+\.drop$/.test(path) && after.head.symmetric)
      return !others.some(
        (other) => other.path === 'head.symmetric' || other.path === path.replace('drop', 'rise'),
      );
    return true;
  });
  const words = told.slice(0, TOLD).map((change) => inWords(change, after));
  const rest = told.length - words.length;
  return rest > 0 ? `${words.join('; ')} and ${rest} more` : words.join('; ');
}

import type { Design } from './design.ts';
import { familyOf } from './head/families/index.ts';
import type { QuantityKind } from './quantity/units.ts';
import { marked } from './quantity/phrase.ts';

/** Names of fields as a history tells them, by their last part; what is not here is told by its own name. */
const NAMES: Readonly<Record<string, readonly [name: string, kind?: QuantityKind]>> = {
  'head.family': ['Shape'],
  'head.metal': ['Metal'],
  'head.density': ['Density', 'density'],
  'head.target.grams': ['Weight', 'mass'],
  'head.target.of': ['Weight counted as'],
  'head.target': ['Held weight'],
  'head.locks': ['Locks'],
  'head.stations': ['Stations'],
  'head.solid': ['Solid'],
  'head.paint': ['Paint'],
  'head.pieces': ['Pieces', 'count'],
  'head.symmetric': ['Symmetry'],
  'hook.size': ['Hook'],
  'hook.grade': ['Wire'],
  'hook.style': ['Hook style'],
  'hook.joint': ['Hinge'],
  'hook.measured': ['Measured hook'],
  'eye.angle': ['Eye angle', 'angle'],
  'eye.plane': ['Eye plane'],
  'eye.setback': ['Eye behind the nose', 'share'],
  'eye.size': ['Eye', 'size'],
  'eye.recess': ['Eye recess', 'size'],
  'keeper.kind': ['Keeper'],
  'guard.kind': ['Guard'],
  'guard.lean': ['Guard lean', 'angle'],
  'guard.fan': ['Guard fan', 'angle'],
  'guard.setback': ['Guard place', 'share'],
  'guard.count': ['Fibres', 'count'],
  name: ['Name'],
  notes: ['Notes'],
  ladder: ['Ladder'],
};

interface Change {
  readonly path: string;
  readonly before: unknown;
  readonly after: unknown;
}

const isPlain = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Leaves in which two documents differ; lists count whole. */
function changes(before: unknown, after: unknown, path = ''): Change[] {
  if (JSON.stringify(before) === JSON.stringify(after)) return [];
  if (!isPlain(before) || !isPlain(after) || path === 'ladder' || path === 'head.solid')
    return [{ path, before, after }];
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((key) =>
    changes(before[key], after[key], path ? `${path}.${key}` : key),
  );
}

/** A change in words, its quantities marked for the reader's units; undefined for what only follows from others. */
function inWords({ path, before, after }: Change, design: Design): string {
  const parts = path.split('.');
  const key = parts.at(-1) ?? path;
  let [name, kind] = NAMES[path] ?? [];
  if (parts[1] === 'dimensions') {
    const spec = familyOf(design.head.family)?.dimensions.find((candidate) => candidate.key === key);
    [name, kind] = [spec?.name ?? key, spec?.kind];
  }
  if (parts[1] === 'features' && parts.length === 3) name = `${key.charAt(0).toUpperCase()}${key.slice(1)}`;
  name ??=
    `${parts[0] === 'head' ? '' : `${parts[0] ?? ''} `}${parts[1] === 'features' ? `${parts[2] ?? ''} ` : ''}${key}`.trim();
  name = name.charAt(0).toUpperCase() + name.slice(1);
  if (path === 'head.target') return after ? 'Weight held' : 'Weight let go';
  if (path === 'name') return `Name: ${String(after).slice(0, 60)}`;
  const told = (value: unknown): string | undefined => {
    if (typeof value === 'string')
      return path === 'head.family' ? (familyOf(value)?.name ?? value).toLowerCase() : value.slice(0, 40);
    if (typeof value === 'boolean') return value ? 'on' : 'off';
    if (typeof value !== 'number') return undefined;
    return kind && kind !== 'number' ? marked(value, kind) : String(Number(value.toPrecision(4)));
  };
  const [was, is] = [told(before), told(after)];
  if (was !== undefined && is !== undefined) return `${name}: ${was} → ${is}`;
  if (is !== undefined) return `${name}: ${is}`;
  if (after === undefined) return `${name} taken away`;
  return before === undefined ? `${name} added` : `${name} changed`;
}

/** Most changes told one by one. */
const TOLD = 2;

/**
 * What happened between two states of a design, in words. Sizes that merely follow a held weight are left out when something else was
 * changed with them. An empty string when nothing differs.
 */
export function describeChange(before: Design, after: Design): string {
  const all = changes(before, after);
  const isSize = ({ path }: Change) => path.startsWith('head.dimensions.');
  const others = all.filter((change) => !isSize(change));
  // A changed shape, weight or metal carries sizes with it; a size pulled under a held weight shows as several sizes, the first leads.
  const led = others.length > 0 ? others : all;
  const kindOf = (part: 'keeper' | 'guard') => others.find(({ path }) => path === `${part}.kind`);
  const told = led.filter(({ path }) => {
    if (path.startsWith('keeper.') && kindOf('keeper')) return path === 'keeper.kind';
    if (path.startsWith('guard.') && kindOf('guard')) return path === 'guard.kind';
    return true;
  });
  const words = told.slice(0, TOLD).map((change) => inWords(change, after));
  const rest = told.length - words.length;
  return rest > 0 ? `${words.join('; ')} and ${rest} more` : words.join('; ');
}

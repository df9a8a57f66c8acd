import { keysOf } from '../../kind/keys.ts';
import { spoken } from './recognise.ts';
import type { QuantityKind } from '../../quantity/units.ts';
import { UNITS, unitSpelled } from '../../quantity/units.ts';

/**
 * What a table of heads can tell of each, and how its column may be headed (common practice of price lists,
 * no source).
 */
export const HEAD_FIELDS = {
  name: {
    title: 'Name',
    kind: 'text',
    alsoCalled: ['product', 'description', 'title', 'item', 'head', 'model', 'article name'],
  },
  shape: {
    title: 'Shape',
    kind: 'text',
    alsoCalled: ['head shape', 'head style', 'head type', 'family', 'type'],
  },
  weight: { title: 'Weight', kind: 'mass', alsoCalled: ['head weight', 'wt', 'mass'] },
  metal: { title: 'Metal', kind: 'text', alsoCalled: ['material', 'alloy'] },
  hook: { title: 'Hook size', kind: 'text', alsoCalled: ['hook', 'size of hook', 'hook no'] },
  style: { title: 'Hook style', kind: 'text', alsoCalled: ['hook type', 'hook model', 'bend'] },
  wire: { title: 'Wire', kind: 'text', alsoCalled: ['gauge', 'wire grade', 'hook gauge', 'hook wire'] },
  eye: { title: 'Eye angle', kind: 'angle', alsoCalled: ['eye', 'line tie', 'tie angle'] },
  keeper: { title: 'Keeper', kind: 'text', alsoCalled: ['bait keeper', 'trailer keeper', 'bait holder'] },
  guard: { title: 'Weed guard', kind: 'text', alsoCalled: ['guard', 'weedguard', 'weed'] },
  length: { title: 'Head length', kind: 'size', alsoCalled: ['length', 'long'] },
  breadth: {
    title: 'Head breadth',
    kind: 'size',
    alsoCalled: ['breadth', 'width', 'wide', 'diameter', 'head diameter'],
  },
  height: { title: 'Head height', kind: 'size', alsoCalled: ['height', 'depth', 'high'] },
  price: {
    title: 'Price',
    kind: 'money',
    alsoCalled: ['retail price', 'rrp', 'price per pack', 'sale price', 'cost'],
  },
  pack: {
    title: 'Heads in a pack',
    kind: 'count',
    alsoCalled: ['pack', 'pack size', 'pieces', 'pcs', 'qty per pack', 'count'],
  },
  number: {
    title: 'Article number',
    kind: 'text',
    alsoCalled: ['article', 'article no', 'art no', 'sku', 'code', 'part number', 'item no'],
  },
  ean: { title: 'EAN', kind: 'text', alsoCalled: ['ean13', 'gtin', 'barcode', 'bar code', 'upc'] },
  supplier: { title: 'Supplier', kind: 'text', alsoCalled: ['vendor', 'maker', 'manufacturer', 'brand'] },
  stock: {
    title: 'Packs in stock',
    kind: 'count',
    alsoCalled: ['stock', 'in stock', 'on hand', 'inventory', 'quantity', 'qty'],
  },
  notes: { title: 'Notes', kind: 'text', alsoCalled: ['note', 'remark', 'remarks', 'comment', 'comments'] },
} as const satisfies Readonly<
  Record<string, { title: string; kind: QuantityKind | 'text'; alsoCalled: readonly string[] }>
>;

/** Something a table of heads can tell. */
export type HeadField = keyof typeof HEAD_FIELDS;
/** Everything a table of heads can tell, in the order in which a template has it. */
export const HEAD_FIELD_KEYS = keysOf(HEAD_FIELDS);

/**
 * A column of a table: its heading, what it tells (undefined: passed over), and the unit of its bare numbers.
 */
export interface HeadColumn {
  readonly heading: string;
  readonly field: HeadField | undefined;
  /** a key of the field’s units; undefined where it has none, or the heading names none */
  readonly unit: string | undefined;
  /** what is wrong with the heading */
  readonly problem?: string;
}

/** Returns the units a field’s numbers can be in: key and label; none for words and counts. */
export function unitsOf(field: HeadField): readonly (readonly [key: string, label: string])[] {
  const { kind } = HEAD_FIELDS[field];
  return kind === 'text'
    ? []
    : Object.entries(UNITS[kind]).flatMap(([key, { label }]) =>
        label === '' ? [] : [[key, label] as const],
      );
}

/**
 * How well a heading names a field: 3 by its own title, 2 by another word for it, 1 where it holds one of
 * them, 0 not at all.
 */
function naming(name: string, field: HeadField): number {
  const titles = [field, HEAD_FIELDS[field].title].map(spoken);
  const words = [...titles, ...HEAD_FIELDS[field].alsoCalled.map(spoken)];
  if (titles.includes(name)) return 3;
  if (words.includes(name)) return 2;
  return words.some((word) => word.length > 3 && ` ${name} `.includes(` ${word} `)) ? 1 : 0;
}

/**
 * Returns what each column of a table tells, by its heading: a field belongs to the column that names it
 * best, and to one alone. A unit in brackets is heeded; one that is not known is a problem of the column, and
 * none is guessed for it.
 */
export function guessColumns(headings: readonly string[]): HeadColumn[] {
  const read = headings.map((heading) => {
    const [, name = '', unit] = /^(.*?)\s*(?:[([]\s*(.*?)\s*[)\]])?$/s.exec(heading.trim()) ?? [];
    return { heading, name: spoken(name), unit };
  });
  const claims = read
    .flatMap(({ name }, column) =>
      HEAD_FIELD_KEYS.map((field) => ({ column, field, score: naming(name, field) })),
    )
    .filter(({ score }) => score > 0)
    .sort((a, b) => b.score - a.score || a.column - b.column);
  const fields = new Map<number, HeadField>();
  for (const { column, field } of claims)
    if (!fields.has(column) && ![...fields.values()].includes(field)) fields.set(column, field);
  return read.map(({ heading, unit }, column) => {
    const field = fields.get(column);
    if (field === undefined || unit === undefined || unit === '') return { heading, field, unit: undefined };
    const { kind } = HEAD_FIELDS[field];
    const known = kind === 'text' ? undefined : Object.entries(UNITS[kind]);
    const found = kind === 'text' ? undefined : unitSpelled(kind, unit);
    const key = known?.find(([, definition]) => definition === found)?.[0];
    if (known === undefined || key !== undefined) return { heading, field, unit: key };
    return {
      heading,
      field,
      unit: undefined,
      problem: `“${unit.slice(0, 20)}” is not a unit for ${HEAD_FIELDS[field].title.toLowerCase()}. Choose ${
        known
          .map(([, { label }]) => label)
          .filter(Boolean)
          .join(' or ') || 'none'
      }.`,
    };
  });
}

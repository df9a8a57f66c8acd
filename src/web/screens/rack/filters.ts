import type { RackCard } from '../../../contract/api.ts';
import { hookRank } from '../../../core/quantity/index.ts';

/** What a Rack can be filtered by, each as its address names it. */
export const FILTERS = [
  'family',
  'metal',
  'from',
  'to',
  'hook',
  'eye',
  'keeper',
  'guard',
  'stock',
  'supplier',
  'away',
] as const;
/** The key of a filter of the Rack. */
export type FilterKey = (typeof FILTERS)[number];
/** Filters of the Rack that are set. */
export type Filters = Readonly<Partial<Record<FilterKey, string>>>;

/** Orders of the Rack. */
export const SORTS = {
  weight: { text: 'weight', of: (card: RackCard) => card.grams ?? Infinity },
  name: { text: 'name', of: (card: RackCard) => card.name.toLowerCase() },
  hook: { text: 'hook size', of: (card: RackCard) => hookRank(card.hook) ?? 0 },
  fall: { text: 'fall', of: (card: RackCard) => card.fall ?? Infinity },
  shape: { text: 'shape', of: (card: RackCard) => card.shape },
  price: { text: 'price', of: (card: RackCard) => card.article?.price ?? Infinity },
} as const;
/** The key of an order of the Rack. */
export type SortKey = keyof typeof SORTS;

/** Eyes as a filter tells them apart. */
export const EYES = [
  ['0-20', 'out of the nose, to 20°'],
  ['20-50', '20° to 50°'],
  ['50-75', '50° to 75°'],
  ['75-90', 'square, from 75°'],
  ['in line', 'plane in line'],
  ['crosswise', 'plane crosswise'],
] as const;

function eyeFits(card: RackCard, wanted: string): boolean {
  const [low, high] = wanted.split('-').map(Number);
  if (low === undefined || high === undefined || Number.isNaN(low)) return card.plane === wanted;
  return card.angle >= low && (card.angle < high || high === 90);
}

/** Whether the shop counts at least one pack of it. */
const isInStock = ({ article }: RackCard): boolean => (article?.stock ?? 0) > 0;

const haystacks = new WeakMap<RackCard, string>();

/** Text a search looks through. */
function haystack(card: RackCard): string {
  let text = haystacks.get(card);
  if (text === undefined) {
    const { name, notes, family, shape, metal, hook, style, plane, keeper, guard, angle, hinged, article } =
      card;
    text = [
      name,
      notes,
      shape,
      family,
      metal,
      hook,
      style,
      plane,
      keeper,
      guard,
      `${angle}°`,
      hinged ? 'hinged' : '',
      article?.number ?? '',
      article?.ean ?? '',
      article?.supplier ?? '',
    ]
      .join(' ')
      .toLowerCase();
    haystacks.set(card, text);
  }
  return text;
}

/** Cards that answer to a search and filters, in order. `from` and `to` are grams. */
export function pick(
  cards: readonly RackCard[],
  search: string,
  filters: Filters,
  sort: SortKey,
): RackCard[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const { family, metal, hook, eye, keeper, guard, stock, supplier, away } = filters;
  const [from, to] = [Number(filters.from ?? 0), Number(filters.to ?? Infinity)];
  const by = SORTS[sort].of;
  return cards
    .filter(
      (card) =>
        card.archived === (away === 'yes') &&
        (!family || card.family === family) &&
        (!metal || card.metal === metal) &&
        (!hook || card.hook === hook) &&
        (!keeper || card.keeper === keeper) &&
        (!guard || card.guard === guard) &&
        (!eye || eyeFits(card, eye)) &&
        (!stock || isInStock(card) === (stock === 'yes')) &&
        (!supplier || card.article?.supplier === supplier) &&
        // A hair of room, so that a quarter ounce is within "to a quarter ounce".
        (filters.from === undefined || (card.grams ?? -1) >= from * 0.998) &&
        (filters.to === undefined || (card.grams ?? Infinity) <= to * 1.002) &&
        words.every((word) => haystack(card).includes(word)),
    )
    .map((card) => ({ card, key: by(card) }))
    .sort((a, b) => (a.key < b.key ? -1 : a.key > b.key ? 1 : a.card.name < b.card.name ? -1 : 1))
    .map(({ card }) => card);
}

import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { and, asc, gt, inArray, isNull, sql } from 'drizzle-orm';
import type { DesignSummary, RackCard, RackNames } from '../contract/api.ts';
import type { Metal } from '../core/material/index.ts';
import type { Drawing } from '../core/plate/index.ts';
import { GUARDS, KEEPERS } from '../core/fitting/index.ts';
import { METALS } from '../core/material/index.ts';
import type { Database } from './database.ts';
import { designs } from './schema.ts';
import { isStale } from './stale.ts';
import type { MetalStore } from './stores.ts';
import type { CardBody, CardDesign } from './summary.ts';
import { pendingCard } from './summary.ts';

const pack = promisify(gzip) as (text: string, options: { level: number }) => Promise<Buffer>;

const named = (kinds: readonly { readonly key: string; readonly name: string }[]) =>
  Object.fromEntries(kinds.map(({ key, name }) => [key, name]));
/** What the Rack calls metals and fittings. */
const NAMES: RackNames = { metal: named(METALS), keeper: named(KEEPERS), guard: named(GUARDS) };

/** Heads whose outlines come along with the cards: the first screen, in the order the Rack begins in. */
const FIRST = 90;

/** What is kept of a card between two looks at the Rack. */
interface KeptCard {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly grams: number | null;
  readonly isStale: boolean;
}

/** The Rack as it goes out, and the heads of its first screen whose figures are out of date. */
export interface RackBody {
  readonly text: string;
  readonly packed: Buffer;
  readonly stale: readonly string[];
}

/** The Rack as it was at a moment. */
interface Look {
  /** the oldest transaction that was still open then: what it and later ones wrote is read anew */
  readonly since: string;
  readonly cards: ReadonlyMap<string, KeptCard>;
  readonly metals: string;
  readonly body: RackBody;
}

/**
 * Every card of the Rack with the outlines of its first screen, as JSON text and packed. What another process
 * wrote meanwhile counts as what this one did: the database is asked which rows transactions wrote that were
 * not over at the last look.
 */
export function rackReader(db: Database, metals: MetalStore): () => Promise<RackBody> {
  let last: Look | undefined;
  const look = async (): Promise<RackBody> => {
    const known = await metals.metals();
    const metalsNow = JSON.stringify(known.map(({ key, density, price }) => [key, density, price]));
    // Asked before the rows: what is written between the two is read twice, and never missed.
    const { since, count } = await moment(db);
    const before = last?.metals === metalsNow && isLater(last.since, since) ? last : undefined;
    const rows = await written(db, known, before?.since);
    if (before && rows.length === 0 && before.cards.size === count) return before.body;
    let cards = new Map(before?.cards);
    for (const row of rows) {
      cards.delete(row.id);
      if (row.card) cards.set(row.id, keptCard(row, 'shape' in row.card ? row.card : pendingCard(row.card)));
    }
    if (cards.size !== count && before) {
      // Rows are gone that nothing told of.
      last = undefined;
      return look();
    }
    cards = new Map([...cards.values()].sort(byName).map((card) => [card.id, card]));
    const kept = [...cards.values()];
    const lightest = kept
      .filter(({ grams }) => grams !== null)
      .sort((a, b) => (a.grams ?? 0) - (b.grams ?? 0))
      .slice(0, FIRST);
    const outlines = JSON.stringify(
      await outlinesOf(
        db,
        lightest.map(({ id }) => id),
      ),
    );
    const figures = { done: kept.filter(({ isStale: stale }) => !stale).length, of: kept.length };
    const text = `{"names":${JSON.stringify(NAMES)},"figures":${JSON.stringify(figures)},"cards":[${kept.map((card) => card.text).join()}],"outlines":${outlines}}`;
    const body = {
      text,
      packed: await pack(text, { level: 1 }),
      stale: lightest.filter(({ isStale: stale }) => stale).map(({ id }) => id),
    };
    last = { since, cards, metals: metalsNow, body };
    return body;
  };
  return look;
}

/**
 * Transactions are counted in 32 bits on rows and in more in a snapshot: past a turn of the count everything
 * is read anew.
 */
const TURN = 2n ** 32n;
const isLater = (before: string, now: string): boolean =>
  BigInt(before) / TURN === BigInt(now) / TURN && BigInt(before) <= BigInt(now);

async function moment(db: Database): Promise<{ since: string; count: number }> {
  const [row] = await db
    .select({
      since: sql<string>`pg_snapshot_xmin(pg_current_snapshot())::text`,
      count: sql<number>`count(*)::int`,
    })
    .from(designs)
    .where(isNull(designs.deletedAt));
  return row ?? { since: '0', count: 0 };
}

/**
 * Rows written by transactions from `since` on, the deleted ones without their card; every one that is there
 * without `since`.
 */
async function written(db: Database, metals: readonly Metal[], since: string | undefined) {
  const isTold =
    since === undefined
      ? isNull(designs.deletedAt)
      : sql`${designs}.xmin::text::bigint >= ${String(BigInt(since) % TURN)}::bigint`;
  const read = (after: string) =>
    db
      .select({
        id: designs.id,
        version: designs.version,
        archivedAt: designs.archivedAt,
        // A design of a shop that was kept before there were cards is named all the same.
        card: sql<
          CardBody | CardDesign | null
        >`case when ${designs.deletedAt} is null then coalesce(${designs.card}, ${DESCRIBED}) end`,
        isStale: isStale(metals),
      })
      .from(designs)
      .where(and(isTold, gt(designs.id, after)))
      .orderBy(asc(designs.id))
      .limit(AT_ONCE);
  // Some at a time: others are answered between.
  let some = await read('');
  const rows = some;
  while (some.length === AT_ONCE) {
    some = await read(some.at(-1)?.id ?? '');
    rows.push(...some);
  }
  return rows;
}

/**
 * What of a document stands on a card that has no figures: a solid from outside, which may be large, stays
 * where it is.
 */
const DESCRIBED = sql`jsonb_build_object(
  'name', ${designs.document} -> 'name', 'notes', ${designs.document} -> 'notes',
  'hook', ${designs.document} -> 'hook', 'eye', ${designs.document} -> 'eye',
  'head', jsonb_build_object('family', ${designs.document} #> '{head,family}', 'metal', ${designs.document} #> '{head,metal}'),
  'keeper', jsonb_build_object('kind', ${designs.document} #> '{keeper,kind}'),
  'guard', jsonb_build_object('kind', ${designs.document} #> '{guard,kind}'),
  'article', coalesce(${designs.document} -> 'article', '{}'::jsonb))`;

/** Cards read in one go. */
const AT_ONCE = 1000;

function keptCard(
  { id, version, archivedAt, isStale: stale }: Omit<Awaited<ReturnType<typeof written>>[number], 'card'>,
  body: CardBody,
): KeptCard {
  const card: RackCard = { id, version, archived: archivedAt !== null, isStale: stale, ...body };
  return {
    id,
    name: body.name,
    text: JSON.stringify(card),
    grams: card.archived ? null : card.grams,
    isStale: stale,
  };
}

const byName = (a: KeptCard, b: KeptCard): number =>
  a.name < b.name ? -1 : a.name > b.name ? 1 : a.id < b.id ? -1 : 1;

/** Outlines of designs by id; those that cannot be built, or are not there, are left out. */
export async function outlinesOf(db: Database, ids: readonly string[]): Promise<Record<string, Drawing>> {
  if (ids.length === 0) return {};
  const rows = await db
    .select({ id: designs.id, summary: designs.summary })
    .from(designs)
    .where(and(inArray(designs.id, [...ids]), isNull(designs.deletedAt)));
  return Object.fromEntries(
    rows.flatMap(({ id, summary }) => {
      const made = summary as DesignSummary | { ok: false } | null;
      return made?.ok ? [[id, made.drawing]] : [];
    }),
  );
}

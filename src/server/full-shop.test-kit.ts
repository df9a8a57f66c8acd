import { readFileSync } from 'node:fs';
import { sql } from 'drizzle-orm';
import type { RunningApp } from './app.test-kit.ts';
import { version } from './app.test-kit.ts';
import type { Queryable } from './pieces.ts';
import { audit, namedVersions, passkeys, people, steps } from './schema.ts';
import { TABLES } from './tables.ts';
import { COLLECTIONS, WITH_HISTORY } from '../contract/collections/index.ts';
import type { Collection } from '../contract/collections/index.ts';

/**
 * A letter of every general category of Unicode that text here can hold, marks that end a line for some
 * readers among them.
 */
export const EVERY_CATEGORY =
  'Aa\u01c5\u02b0あ\u0301\u0903\u20dd1\u2160½_-()«»!+$^© \u2028\u2029\u200e\ue000\u0378💥';

/** Documents of the demo workshop, a collection each. */
const shipped = (
  collection: Collection,
): readonly { readonly document: Readonly<Record<string, unknown>> }[] =>
  collection === 'photos'
    ? [
        {
          document: {
            format: 'fern-anvil/photo',
            version: 1,
            name: 'Under the plate',
            media: 'image/png',
            width: 40,
            height: 30,
            data: Buffer.from('not much of a picture').toString('base64'),
          },
        },
      ]
    : (JSON.parse(readFileSync(new URL(`../../demo/${collection}.json`, import.meta.url), 'utf8')) as never);

/**
 * Fills a shop so that every table has rows and every column of them a value: documents of every collection,
 * with steps, named versions, what is archived and what is deleted, names of every category of Unicode, a
 * price, rules and settings.
 */
export async function fillShop(app: RunningApp): Promise<void> {
  // Before there are figures that it would make out of date.
  await must(app.send('PUT', '/stores/metals/lead', { price: 4.5 }, { 'If-Match': '*' }));
  for (const collection of COLLECTIONS) {
    const [one] = shipped(collection);
    if (!one) throw new Error(`the demo holds no ${collection}`);
    const named = { ...one.document, name: `${collection} ${EVERY_CATEGORY}` };
    const made = await app.ask<{ id: string }>('POST', `/${collection}`, named);
    const at = `/${collection}/${made.id}`;
    for (const i of [1, 2, 3])
      await must(app.send('PUT', at, { ...named, name: `${named.name} ${i}` }, version(i)));
    if ((WITH_HISTORY as readonly string[]).includes(collection)) {
      await must(app.send('POST', `${at}/versions`, { name: `As sold ${EVERY_CATEGORY}` }));
      await must(app.send('PUT', `${at}/step`, { step: 1 }, version(4)));
    }
    const away = await app.ask<{ id: string }>('POST', `/${collection}`, { ...named, name: 'Archived' });
    await must(app.send('POST', `/${collection}/${away.id}/archive`, undefined, version(1)));
    const gone = await app.ask<{ id: string }>('POST', `/${collection}`, { ...named, name: 'Gone' });
    await must(app.send('DELETE', `/${collection}/${gone.id}`, undefined, version(1)));
  }
  const { document } = await app.ask<{ document: unknown }>('GET', '/rules');
  await must(app.send('PUT', '/rules', document, version(0)));
  await must(app.send('PUT', '/backups', { isOn: false }, { 'If-Match': '*' }));
  // People are there only where accounts are asked for, and what they did with them.
  const { db } = app.database;
  await db.insert(people).values({
    id: 'keeper',
    name: `Keeper ${EVERY_CATEGORY}`,
    mail: 'keeper@skarnholm.example',
    role: 'owner',
    password: '$argon2id$v=19$m=19456,t=2,p=1$c2FsdHNhbHQ$aGFzaGhhc2hoYXNo',
  });
  await db.insert(passkeys).values({
    id: 'key',
    personId: 'keeper',
    name: 'Bench phone',
    publicKey: 'pQECAyYgASFYIA',
    counter: 4,
    transports: ['internal'],
    usedAt: new Date(),
  });
  await db
    .insert(audit)
    .values({ id: 'one', personId: 'keeper', act: 'signed in', what: 'by passkey', address: '192.0.2.7' });
  await db.update(steps).set({ by: 'keeper' });
  await db.update(namedVersions).set({ by: 'keeper' });
  // Columns that only designs use hold something in the others too: nothing of a table is left to chance.
  for (const { name, columns } of TABLES)
    if (columns.includes('summary') && name !== 'designs')
      await app.database.db.execute(
        sql`update ${sql.identifier(name)} set summary = '{"ok":false}', card = '{"name":"x"}', revision = 7, metal = 'tin'`,
      );
}

async function must(response: Promise<Response>): Promise<void> {
  const answer = await response;
  if (!answer.ok) throw new Error(`${answer.url} answered ${answer.status}: ${await answer.text()}`);
}

/** Every row of every table that the database itself knows, all columns of it, as sorted text. */
export async function everything(db: Queryable): Promise<Record<string, string[]>> {
  const all: Record<string, string[]> = {};
  const { rows: tables } = await db.execute<{ name: string }>(
    sql`select tablename as name from pg_tables where schemaname = 'public' order by 1`,
  );
  for (const { name } of tables) {
    const { rows } = await db.execute<{ row: string }>(
      sql`select to_jsonb(t)::text as row from ${sql.identifier(name)} t`,
    );
    all[name] = rows.map(({ row }) => row).sort();
  }
  return all;
}

/** Rows that only one of two databases holds, shortened; none where they are the same. */
export const apart = (a: Record<string, string[]>, b: Record<string, string[]>): string[] =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])].flatMap((table) => {
    const [ours, theirs] = [new Set(a[table]), new Set(b[table])];
    return [
      ...[...ours].filter((row) => !theirs.has(row)).map((row) => `${table} - ${row.slice(0, 200)}`),
      ...[...theirs].filter((row) => !ours.has(row)).map((row) => `${table} + ${row.slice(0, 200)}`),
      ...(ours.size === a[table]?.length && theirs.size === b[table]?.length
        ? []
        : [`${table} holds rows twice`]),
    ];
  });

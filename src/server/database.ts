import { causeOf, messageOf } from '../core/kind/index.ts';
import {
  chmodSync,
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
} from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { PGlite } from '@electric-sql/pglite';
import type { SQL } from 'drizzle-orm';
import { sql } from 'drizzle-orm';
import type { PgliteDatabase } from 'drizzle-orm/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import type { DatabaseClient } from './database-client.ts';
import { openClient } from './database-client.ts';
import { built } from './database-connection.ts';
import { syncPath, settleTree } from './durable-fs.ts';
import { lockFolder } from './folder-lock.ts';
import { isDiskFull } from './guards.ts';
import * as schema from './schema.ts';
import type { Queryable } from './pieces.ts';
import type { StoredTable } from './stored-table.ts';
import { TABLES } from './tables.ts';

/** The shop’s database through its mapper. */
export type Database = PgliteDatabase<typeof schema> & { readonly $client: DatabaseClient };

/** A database that was begun and is filled, by a backup say. */
export interface FreshDatabase extends Pick<Database, 'execute'> {
  /** to be called after every some megabytes: shortens the log of an embedded database */
  readonly checkpoint: () => Promise<void>;
}

/** Puts something into a database that was begun for it. */
export type Filling = (fresh: FreshDatabase) => Promise<void>;

/** A database that is open, and what closes it. */
export interface OpenDatabase {
  readonly db: Database;
  readonly close: () => Promise<void>;
}

/** The folder of the migrations. */
export const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url));

/**
 * Opens the shop's data in a folder and brings it to the newest form. What is committed is on the device, a
 * first start is there whole or not at all, and nobody else on the machine can read it. One process at a
 * time: a second one is refused with a sentence, while the lock of a process that was killed is taken over.
 * `fill` puts something into a database that is begun by this, all of it or nothing; there must be none yet
 * then. Throws with a sentence when the data are of a newer version than this program.
 */
export async function openDatabase(folder: string, fill?: Filling): Promise<OpenDatabase> {
  // From the first byte: the database's files are made with this in force too.
  process.umask(0o077);
  const release = await held(folder).catch((cause: unknown) => {
    const { code } = cause as NodeJS.ErrnoException;
    if (isDiskFull(cause)) throw damaged(folder, cause);
    if (code === 'EROFS' || code === 'EACCES' || code === 'EPERM')
      throw new Error(
        `Nothing can be written in ${folder} (${code}). Make it writable for this user, or choose ` +
          'another folder with --data.',
        { cause },
      );
    throw cause;
  });
  let client: DatabaseClient | undefined;
  try {
    await createWhole(folder, fill);
    const opened = await openClient({ path: join(folder, 'postgres') }).catch((cause: unknown) => {
      throw damaged(folder, cause);
    });
    client = opened;
    const db = mapped(opened);
    await refuseNewer(db, `in ${folder}`, 'choose another folder with --data');
    await refuseDamaged(db, folder);
    try {
      await migrate(db, { migrationsFolder: MIGRATIONS });
      await tidy(db);
    } catch (cause) {
      throw isDiskFull(cause) ? damaged(folder, cause) : cause;
    }
    return {
      db,
      close: async () => {
        await opened.close();
        await release();
      },
    };
  } catch (error) {
    // A database that could not be closed either is ended with its thread.
    await client?.close().catch(() => undefined);
    await release();
    throw error;
  }
}

/** Makes the folder this user's alone and takes it for this process; what gives it back. */
async function held(folder: string): Promise<() => Promise<void>> {
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  chmodSync(folder, 0o700);
  return lockFolder(folder, (reason) => {
    // Another process may be writing here now: going on could only do harm.
    console.error(`The data in ${folder} is no longer held by this server (${reason.message}). It stops.`);
    process.exit(1);
  });
}

const damaged = (folder: string, cause: unknown): Error =>
  isDiskFull(cause)
    ? new Error(
        `The disk that ${folder} lies on is full, so its data cannot be opened. Make room and start again.`,
        { cause },
      )
    : new Error(
        `The database in ${folder} is damaged (${messageOf(cause).slice(0, 200)}). Nothing was ` +
          'changed. Give a backup back into another folder: npm start -- --data FOLDER --restore ' +
          'FILE.',
        { cause },
      );

/**
 * Reads every row of the documents by way of its index: a table that lost a part shows fewer rows and no
 * error when it is read from end to end, while its index still names what is gone. Throws with a sentence.
 */
async function refuseDamaged(db: Database, folder: string): Promise<void> {
  /** A number for each table, in one statement: each by itself costs more than what it finds. */
  const counted = async (
    asked: Queryable,
    tables: readonly StoredTable[],
    of: (table: StoredTable) => SQL,
  ): Promise<ReadonlyMap<string, number>> => {
    const { rows } = await asked.execute<{ name: string; n: number }>(
      sql.join(
        tables.map((table) => sql`select ${table.name}::text as name, (${of(table)})::int as n`),
        sql` union all `,
      ),
    );
    return new Map(rows.map(({ name, n }) => [name, n]));
  };
  try {
    await db.transaction(async (tx) => {
      // An older shop does not have them all yet.
      const there = await counted(
        tx,
        TABLES,
        ({ name }) => sql`select count(*) where to_regclass(${name}) is not null`,
      );
      const tables = TABLES.filter(({ name }) => there.get(name) === 1);
      await tx.execute(ONLY_BY('indexscan'));
      const byIndex = await counted(tx, tables, ({ name, columns, primaryKey }) => {
        const key = sql.identifier(primaryKey[0] ?? 'id');
        const read = columns.includes('document') ? sql.identifier('document') : key;
        return sql`select count(${read} is null) from (select ${read} from ${sql.identifier(name)} where ${key} >= '' order by ${key}) as rows`;
      });
      await tx.execute(ONLY_BY('seqscan'));
      const whole = await counted(
        tx,
        tables,
        ({ name }) => sql`select count(*) from ${sql.identifier(name)}`,
      );
      const table = tables.find(({ name }) => byIndex.get(name) !== whole.get(name))?.name;
      if (table !== undefined)
        throw new Error(
          `${table} holds ${whole.get(table)} rows where its index names ${byIndex.get(table)}`,
        );
    });
  } catch (cause) {
    throw damaged(folder, causeOf(cause));
  }
}

/** Makes the planner read tables in one way alone, until the transaction ends. */
const ONLY_BY = (way: 'seqscan' | 'indexscan'): SQL =>
  sql`select ${sql.join(
    ['seqscan', 'indexscan', 'bitmapscan', 'indexonlyscan'].map(
      (one) => sql`set_config(${`enable_${one}`}, ${one === way ? 'on' : 'off'}, true)`,
    ),
    sql`, `,
  )}`;

/**
 * Takes back the room of rows that were replaced, and counts what is there, which the choice of ways to it
 * hangs on. A server does so of itself.
 */
export async function tidy(db: Database): Promise<void> {
  if (db.$client.isShared) return;
  const tables = TABLES.map(({ name }) => sql.identifier(name));
  await db.execute(sql`vacuum (analyze) ${sql.join(tables, sql`, `)}`);
}

/**
 * The mapper over a database in its thread. Of the database's own class it calls only what the client has.
 */
export const mapped = (client: DatabaseClient): Database =>
  drizzle(client as DatabaseClient & PGlite, { schema });

/**
 * Makes an empty database where there is none: beside its place, and moved there when all of it is on the
 * device.
 */
async function createWhole(folder: string, fill?: Filling): Promise<void> {
  const [place, beside] = [join(folder, 'postgres'), join(folder, 'postgres.new')];
  // What a first start that was cut short has left.
  rmSync(beside, { recursive: true, force: true });
  if (existsSync(join(place, 'PG_VERSION'))) {
    if (fill)
      throw new Error(
        `--restore: there is a shop in ${folder} already, and nothing of it is overwritten. Name ` +
          'an empty folder with --data.',
      );
    return;
  }
  // Something is there that is no database any more: nothing of it is thrown away, and nothing empty served
  // in its place.
  if (existsSync(place) && readdirSync(place).length > 0) {
    throw new Error(
      `The database in ${place} is damaged: its version mark is gone. Nothing was changed. Put ` +
        'a backup in its place, or move the folder away to begin anew.',
    );
  }
  try {
    // The empty shop that was made when the program was built, with every migration of this version in it.
    cpSync(built('empty-shop'), beside, { recursive: true });
    if (fill) await filled(beside, fill);
  } catch (cause) {
    rmSync(beside, { recursive: true, force: true });
    throw isDiskFull(cause) ? damaged(folder, cause) : cause;
  }
  settleTree(beside);
  rmSync(place, { recursive: true, force: true });
  renameSync(beside, place);
  syncPath(folder);
}

/** Fills a database that is nobody's yet. */
async function filled(path: string, fill: Filling): Promise<void> {
  const client = await openClient({ path });
  try {
    const db = mapped(client);
    await fill({ execute: db.execute.bind(db), checkpoint: client.checkpoint });
  } finally {
    await client.close();
  }
}

interface Journal {
  readonly entries: readonly { readonly when: number }[];
}

/**
 * Refuses data that a newer version of this program has changed: what it does not know it could only spoil.
 */
export async function refuseNewer(
  db: Pick<Database, 'execute'>,
  where: string,
  otherwise: string,
): Promise<void> {
  const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as Journal;
  const known = Math.max(...journal.entries.map(({ when }) => when));
  const there = await db.execute<{ exists: boolean }>(
    sql`select to_regclass('drizzle.__drizzle_migrations') is not null as "exists"`,
  );
  if (!there.rows[0]?.exists) return;
  const { rows } = await db.execute<{ newest: string | null }>(
    sql`select max(created_at) as newest from drizzle.__drizzle_migrations`,
  );
  if (Number(rows[0]?.newest ?? 0) > known) {
    throw new Error(
      `The data ${where} was written by a newer version of Fern Anvil. Start that version, or ${otherwise}.`,
    );
  }
}

import { createHash } from 'node:crypto';
import pg from 'pg';
import type { Filling, OpenDatabase } from './database.ts';
import { openDatabase } from './database.ts';
import { openServerDatabase } from './server-database.ts';

/** The PostgreSQL server that tests run on; undefined where they run on the embedded database. */
export const postgresUrl = (): string | undefined => process.env['FERN_ANVIL_TEST_POSTGRES'];

/** Whether tests run on the embedded database, which has a folder to itself. */
export const isEmbedded = (): boolean => postgresUrl() === undefined;

/** Connections of one test's application: fewer than people have, so that waiting for one is tried too. */
const CONNECTIONS = 5;

/** The demo workshop on the tests' server, where browser tests run on one: each begins from a copy. */
export const DEMO_DATABASE = 'fern_anvil_demo';

/**
 * The address of a database on the tests' server, which is made where there is none of that name, as a copy
 * of `template` or empty.
 */
export async function databaseNamed(name: string, template = 'template0'): Promise<string> {
  const url = new URL(postgresUrl() ?? '');
  const client = new pg.Client({ connectionString: url.href });
  await client.connect();
  try {
    const { rowCount } = await client.query('select from pg_database where datname = $1', [name]);
    if (rowCount === 0) await client.query(`create database ${name} template ${template}`);
  } finally {
    await client.end();
  }
  url.pathname = name;
  return url.href;
}

/** The address of the database that stands for a folder: the same one for the same folder. */
export const databaseFor = (folder: string, template?: string): Promise<string> =>
  databaseNamed(`shop_${createHash('sha256').update(folder).digest('hex').slice(0, 16)}`, template);

/**
 * Opens the shop of a folder on the engine that is tested: on a server a folder stands for a database, which
 * is there again when the same folder is opened again.
 */
export async function openTestDatabase(folder: string, fill?: Filling): Promise<OpenDatabase> {
  if (isEmbedded()) return openDatabase(folder, fill);
  return openServerDatabase(await databaseFor(folder), CONNECTIONS, fill);
}

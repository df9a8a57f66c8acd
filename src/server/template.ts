/**
 * Makes the empty shop that every new one begins as, when the program is built: making a database from
 * nothing takes seconds.
 */
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';

const here = (name: string): string => fileURLToPath(new URL(name, import.meta.url));

const client = await PGlite.create(here('./empty-shop'));
await migrate(drizzle(client), { migrationsFolder: here('./migrations') });
await client.exec('checkpoint');
await client.close();

/** Makes the empty shop that every new one begins as, when the program is built: making a database from nothing takes seconds. */
import { writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';

const here = (name: string): string => fileURLToPath(new URL(name, import.meta.url));

const client = await PGlite.create();
await migrate(drizzle(client), { migrationsFolder: here('./migrations') });
await client.exec('checkpoint');
const packed = await client.dumpDataDir('gzip');
await client.close();
writeFileSync(here('./empty-shop.tar.gz'), Buffer.from(await packed.arrayBuffer()));

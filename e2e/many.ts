import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { pino } from 'pino';
import { root } from './root.ts';
import { createApp } from '../src/server/app.ts';
import { openTestDatabase } from '../src/server/database.test-kit.ts';
import { loadDemo } from '../src/server/demo.ts';

/** Fills a data folder with so many designs: the demo workshop's, copied with their readings and outlines. */
export async function hangMany(folder: string, count: number): Promise<void> {
  const { db, close } = await openTestDatabase(folder);
  const {
    koa: _,
    end,
    ...stores
  } = createApp(db, { web: join(root, 'dist/web'), data: folder }, pino({ level: 'silent' }));
  await loadDemo(db, stores, join(root, 'demo'), folder);
  const [{ n = 1 } = {}] = (await db.execute<{ n: number }>(sql`select count(*)::int as n from designs`))
    .rows;
  const copies = Math.ceil(count / n) - 1;
  await db.execute(sql`
    insert into designs (id, name, document, summary, card, revision, metal)
    select id || '-' || k, name || ' ' || k, jsonb_set(document, '{name}', to_jsonb(name || ' ' || k)), summary, jsonb_set(card, '{name}', to_jsonb(name || ' ' || k)), revision, metal
    from designs, generate_series(1, ${sql.raw(String(copies))}) k`);
  await end();
  await close();
}

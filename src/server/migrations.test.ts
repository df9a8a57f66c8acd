import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { afterAll, describe, expect, it } from 'vitest';
import { isWhole } from '../core/test-kit/runs.ts';
import { openDatabase } from './database.ts';
import { DURABLE_START, DurableFS } from './durable-fs.ts';

/*
 * Changes of the data's form, in the order the library takes them: it goes by the times in the journal, and
 * what is older than the newest that was done is never done. A shop of any earlier version must come to the
 * present form.
 */

const MIGRATIONS = fileURLToPath(new URL('./migrations', import.meta.url));
interface Entry {
  readonly idx: number;
  readonly when: number;
  readonly tag: string;
}
const journal = JSON.parse(readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as {
  readonly entries: readonly Entry[];
};
const place = mkdtempSync(join(tmpdir(), 'fern-anvil-forms-'));
afterAll(() => rmSync(place, { recursive: true, force: true }));

describe('the journal', () => {
  it('rises in time from one change to the next, and names every file once', () => {
    journal.entries.forEach(({ idx, when, tag }, i) => {
      expect(idx).toBe(i);
      expect(tag.startsWith(String(i).padStart(4, '0'))).toBe(true);
      const before = journal.entries[i - 1]?.when ?? 0;
      expect([tag, when > before]).toEqual([tag, true]);
    });
    const files = readdirSync(MIGRATIONS).filter((name) => name.endsWith('.sql'));
    expect(files.sort()).toEqual(journal.entries.map(({ tag }) => `${tag}.sql`));
  });
});

describe('a shop of an earlier version', () => {
  const earlier = journal.entries.slice(0, -1).map(({ tag }, i) => [tag, i + 1] as const);
  // The first and the last ones always; of those between a few, drawn by the seed, where all is run.
  const [first, ...between] = earlier.slice(0, -2);
  const drawn = between.filter((_, i) => (i + Number(process.env['SEED'] ?? 0)) % 3 === 0);
  it.each(isWhole && first ? [first, ...drawn, ...earlier.slice(-2)] : earlier.slice(-2))(
    'as it was after %s comes to the present form, and keeps what it holds',
    { timeout: 120_000 },
    async (tag, count) => {
      const forms = join(place, `forms-${count}`);
      mkdirSync(join(forms, 'meta'), { recursive: true });
      for (const entry of journal.entries.slice(0, count))
        cpSync(join(MIGRATIONS, `${entry.tag}.sql`), join(forms, `${entry.tag}.sql`));
      writeFileSync(
        join(forms, 'meta/_journal.json'),
        JSON.stringify({ ...journal, entries: journal.entries.slice(0, count) }),
      );
      const folder = join(place, `shop-${count}`);
      mkdirSync(folder);
      const client = await PGlite.create({
        fs: new DurableFS(join(folder, 'postgres')),
        startParams: DURABLE_START,
      });
      const old = drizzle(client);
      await migrate(old, { migrationsFolder: forms });
      await old.execute(sql`insert into designs (id, name, document) values ('kept', 'Kept', '{}')`);
      await client.close();
      const { db, close } = await openDatabase(folder);
      try {
        for (const table of [
          'designs',
          'plastics',
          'briefs',
          'moulds',
          'batches',
          'ranges',
          'trials',
          'photos',
        ]) {
          const { rows } = await db.execute<{ there: boolean }>(
            sql`select to_regclass(${table}) is not null as "there"`,
          );
          expect([tag, table, rows[0]?.there]).toEqual([tag, table, true]);
        }
        const { rows } = await db.execute<{ name: string }>(sql`select name from designs`);
        expect(rows.map(({ name }) => name)).toContain('Kept');
        const done = await db.execute<{ n: number }>(
          sql`select count(*)::int as n from drizzle.__drizzle_migrations`,
        );
        expect(done.rows[0]?.n).toBe(journal.entries.length);
      } finally {
        await close();
      }
    },
  );
});

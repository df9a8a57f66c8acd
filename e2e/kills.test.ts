import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { afterEach, describe, expect, it } from 'vitest';
import { DURABLE_START, DurableFS } from '../src/server/durable-fs.ts';
import { usualPlastic } from '../src/core/plastic/usual.ts';
import { isWhole } from '../src/core/test-kit/runs.ts';
import type { RunningServer } from './server.ts';
import { root } from './root.ts';
import { dataFolder, startServer } from './server.ts';

/*
 * The process is killed with no warning in the middle of what writes much at once: a shop file that is being
 * taken in, and data of an earlier version that are being brought to the present form. Either is there whole
 * or not at all, and nothing that was there before is gone.
 */

const endings: (() => Promise<void> | void)[] = [];
afterEach(async () => {
  for (const end of endings.splice(0).reverse()) await end();
});
function folder(holds?: 'demo'): string {
  const data = dataFolder(holds);
  endings.push(data.remove);
  return data.path;
}
async function started(path: string, options: { demo?: boolean } = {}): Promise<RunningServer> {
  const server = await startServer(path, options);
  endings.push(() =>
    server.process.exitCode === null && server.process.signalCode === null
      ? server.end('SIGKILL')
      : undefined,
  );
  return server;
}

let seed = Number(process.env['SEED'] ?? 20261127);
/** The minimal standard generator (Park & Miller 1988). */
const chance = (): number => (seed = (seed * 48271) % 2147483647) / 2147483647;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function idsOf(server: RunningServer, collection: string): Promise<string[]> {
  const ids: string[] = [];
  for (let after = ''; ;) {
    const page = (await (await fetch(`${server.url}/api/${collection}?limit=500${after}`)).json()) as {
      items: { id: string }[];
      next?: string;
    };
    ids.push(...page.items.map(({ id }) => id));
    if (page.next === undefined) return ids.sort();
    after = `&after=${encodeURIComponent(page.next)}`;
  }
}

describe('killed in the middle', () => {
  it(
    'of taking a shop file in: all of it is there, or none, and what was there before is',
    { timeout: 600_000 },
    async () => {
      const path = folder();
      const server = await started(path);
      const before = await idsOf(server, 'plastics');
      await server.end();
      let expected = before;
      for (let round = 0; round < (isWhole ? 3 : 1); round++) {
        const killed = await started(path);
        const ids = Array.from({ length: 400 }, (_, i) => `import-${round}-${String(i).padStart(3, '0')}`);
        const file = {
          format: 'fern-anvil/shop',
          version: 1,
          plastics: ids.map((id) => ({ id, document: usualPlastic('stick', 4, { name: id }) })),
        };
        const answer = fetch(`${killed.url}/api/shop`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(file),
        }).then(
          ({ status }) => status,
          () => 0,
        );
        await pause(20 + 900 * chance());
        await killed.end('SIGKILL');
        const status = await answer;
        const again = await started(path);
        const there = await idsOf(again, 'plastics');
        await again.end();
        const added = there.filter((id) => !expected.includes(id));
        expect(there.filter((id) => expected.includes(id))).toEqual(expected);
        expect([0, 400]).toContain(added.length);
        // What was answered for is there.
        if (status === 200) expect(added).toEqual(ids);
        expected = there;
      }
    },
  );

  it(
    'of bringing earlier data to the present form: the next start does, and nothing is lost',
    { timeout: 600_000 },
    async () => {
      const path = folder('demo');
      const first = await started(path, { demo: true });
      const kept = {
        designs: await idsOf(first, 'designs'),
        plastics: await idsOf(first, 'plastics'),
        briefs: await idsOf(first, 'briefs'),
      };
      expect(kept.designs.length).toBeGreaterThan(10);
      await first.end();
      for (let round = 0; round < (isWhole ? 3 : 1); round++) {
        // As the data were before the last two changes of form.
        const client = await PGlite.create({
          fs: new DurableFS(join(path, 'postgres')),
          startParams: DURABLE_START,
        });
        await client.exec('drop schema passing cascade; drop table people, passkeys, audit');
        for (const table of ['steps', 'named_versions'])
          await client.exec(`alter table ${table} drop column "by"`);
        await client.exec(
          'delete from drizzle.__drizzle_migrations where created_at in (select created_at from drizzle.__drizzle_migrations order by created_at desc limit 2)',
        );
        await client.close();
        const child = spawn(process.execPath, ['dist/node/server.js', '--data', path, '--port', '0'], {
          cwd: root,
          stdio: 'ignore',
        });
        const gone = new Promise<void>((resolve) => child.once('exit', () => resolve()));
        await pause(300 + 3_000 * chance());
        child.kill('SIGKILL');
        await gone;
        const again = await started(path);
        for (const [collection, ids] of Object.entries(kept))
          expect(await idsOf(again, collection)).toEqual(ids);
        // The tables of the present form are there and can be written to.
        const [design = ''] = kept.designs;
        const named = await fetch(`${again.url}/api/designs/${design}/versions`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ name: `Kept in round ${round}` }),
        });
        expect([round, named.status]).toEqual([round, 201]);
        await again.end();
      }
    },
  );
});

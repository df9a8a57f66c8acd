/** What only a shop on a PostgreSQL server has: several processes at once, and a server that goes away. */
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import { afterEach, describe, expect, it } from 'vitest';
import type { Intake, Kept, RackIndex } from '../contract/api.ts';
import type { Plastic } from '../core/plastic/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, version } from './app.test-kit.ts';
import type { OpenDatabase } from './database.ts';
import { openDatabase } from './database.ts';
import { databaseNamed } from './database.test-kit.ts';
import { apart, everything, fillShop } from './full-shop.test-kit.ts';
import { moveShop } from './move.ts';
import { openServerDatabase } from './server-database.ts';
import { TABLES } from './tables.ts';
import type { RunningServer } from '../../e2e/server.ts';
import { dataFolder, startServer } from '../../e2e/server.ts';
import {
  freePort,
  makeCluster,
  makeReplica,
  promote,
  startServer as startCluster,
} from '../../scripts/postgres.mjs';

const [{ document: plastic } = { document: undefined }] = JSON.parse(
  readFileSync(new URL('../../demo/plastics.json', import.meta.url), 'utf8'),
) as { readonly document: Plastic }[];
if (!plastic) throw new Error('the demo holds no plastics');
const plasticNamed = (name: string): Plastic => ({ ...plastic, name });

/** What is closed after a test, the last first. */
const open: (() => unknown)[] = [];
afterEach(async () => {
  for (const close of open.splice(0).reverse()) await close();
});
const kept = async <T extends { readonly close: () => Promise<void> }>(opened: Promise<T>): Promise<T> => {
  const one = await opened;
  open.push(() => one.close());
  return one;
};

let count = 0;
/** The address of a database that holds nothing yet. */
const fresh = (): Promise<string> => databaseNamed(`fresh_${process.pid}_${++count}`);

/** Several applications over one database, as several servers are. */
async function apps(n: number): Promise<readonly RunningApp[]> {
  const folder = mkdtempSync(join(tmpdir(), 'fern-anvil-shared-'));
  const all: RunningApp[] = [];
  for (let i = 0; i < n; i++) {
    const app = await runApp(folder);
    all.push(app);
    open.push(() => app.end());
  }
  return all;
}

describe('several servers on one database', () => {
  it('begin it at once, and it is begun once', async () => {
    const url = await fresh();
    const opened = await Promise.all(Array.from({ length: 5 }, () => kept(openServerDatabase(url, 2))));
    const journal = JSON.parse(
      readFileSync(new URL('./migrations/meta/_journal.json', import.meta.url), 'utf8'),
    ) as { readonly entries: readonly unknown[] };
    for (const { db } of opened) {
      const { rows } = await db.execute<{ n: number }>(
        sql`select count(*)::int as n from drizzle.__drizzle_migrations`,
      );
      expect(rows[0]?.n).toBe(journal.entries.length);
      expect(await db.$count(sql`plastics`)).toBeGreaterThan(0);
    }
  });

  it('of saves from the same version one wins, fifty times over, and every other is told', async () => {
    const [one, two] = (await apps(2)) as [RunningApp, RunningApp];
    const made = await one.ask<Kept<Plastic>>('POST', '/plastics', plasticNamed('Held by two'));
    for (let at = 1; at <= 50; at++) {
      const answers = await Promise.all(
        [one, two].map((app, i) =>
          app.send('PUT', `/plastics/${made.id}`, plasticNamed(`Save ${at} of ${i}`), version(at)),
        ),
      );
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 412]);
    }
    const last = await two.ask<Kept<Plastic>>('GET', `/plastics/${made.id}`);
    expect(last.version).toBe(51);
  });

  it('a head that was saved through one is in the Rack of the other at once', async () => {
    const [one, two] = (await apps(2)) as [RunningApp, RunningApp];
    for (let i = 0; i < 4; i++) {
      const [saver, reader] = i % 2 === 0 ? [one, two] : [two, one];
      const { id } = await saver.made({ ...sampleDesign('ball'), name: `Seen ${i}` });
      const { cards } = await reader.ask<RackIndex>('GET', '/rack');
      expect(cards.find((card) => card.id === id)?.name).toBe(`Seen ${i}`);
    }
  });

  it('shop files that are taken in at once over the same heads never fail: one is kept, or it is told', async () => {
    const [one, two] = (await apps(2)) as [RunningApp, RunningApp];
    const shop = JSON.parse(await (await one.send('GET', '/shop.json')).text()) as Record<string, unknown>;
    const ids = Array.from({ length: 12 }, (_, i) => `at-once-${i}`);
    const fileOf = (name: string, order: readonly string[]) => ({
      ...shop,
      plastics: order.map((id) => ({ id, document: plasticNamed(`${name} ${id}`) })),
    });
    for (let round = 0; round < 6; round++) {
      const answers = await Promise.all(
        [one, two, one, two].map((app, i) =>
          app.send('POST', '/shop', fileOf(`Round ${round} of ${i}`, i % 2 === 0 ? ids : ids.toReversed())),
        ),
      );
      const statuses = answers.map(({ status }) => status);
      for (const status of statuses) expect([200, 409, 412]).toContain(status);
      const took = (await Promise.all(
        answers.filter(({ ok }) => ok).map((answer) => answer.json()),
      )) as Intake[];
      expect(took.length).toBeGreaterThan(0);
      // What stands is one file whole, never a mixture.
      const stands = await Promise.all(ids.map((id) => one.ask<Kept<Plastic>>('GET', `/plastics/${id}`)));
      expect(new Set(stands.map(({ document }) => document.name.replace(/ at-once.*/, ''))).size).toBe(1);
    }
  });

  it('make figures that are out of date between them', async () => {
    const [one, two] = (await apps(2)) as [RunningApp, RunningApp];
    for (let i = 0; i < 4; i++) await one.made({ ...sampleDesign('ball'), name: `Priced ${i}` });
    expect((await one.send('PUT', '/stores/metals/lead', { price: 9.5 }, { 'If-Match': '*' })).status).toBe(
      200,
    );
    for (const app of [one, two])
      await expect
        .poll(
          async () => {
            const { figures } = await app.ask<RackIndex>('GET', '/rack');
            return figures && figures.done === figures.of;
          },
          { timeout: 120_000 },
        )
        .toBe(true);
  });

  it('share one simulated scale, whatever else is said on their channel', async () => {
    const [one, two] = (await apps(2)) as [RunningApp, RunningApp];
    for (const odd of ['no news', '{"topic":7}', 'null'])
      await one.database.db.execute(sql`select pg_notify('fern_anvil', ${odd})`);
    expect((await one.send('POST', '/scale', { act: 'put', grams: 7.25 })).status).toBe(204);
    await expect
      .poll(async () => (await two.send('GET', '/scale/lines?seconds=2')).text(), { timeout: 60_000 })
      .toMatch(/7\.2\d/);
  });
});

describe('a connection that is lost', () => {
  it('is made anew: who reads does not notice, and who saves is told or has saved', async () => {
    const [app] = (await apps(1)) as [RunningApp];
    const { db } = app.database;
    const made = await app.ask<Kept<Plastic>>('POST', '/plastics', plasticNamed('Cut off'));
    for (let round = 0; round < 5; round++) {
      await db
        .execute(
          sql`select pg_terminate_backend(pid) from pg_stat_activity where datname = current_database() and application_name = 'fern-anvil' and pid <> pg_backend_pid()`,
        )
        .catch(() => undefined);
      const read = await app.send('GET', `/plastics/${made.id}`);
      expect(read.status).toBe(200);
      const { version: at } = (await read.json()) as Kept<Plastic>;
      const saved = await app.send(
        'PUT',
        `/plastics/${made.id}`,
        plasticNamed(`Round ${round}`),
        version(at),
      );
      expect([200, 503]).toContain(saved.status);
      if (saved.status === 503) expect((await problem(saved)).detail).toContain('look');
      else
        expect((await app.ask<Kept<Plastic>>('GET', `/plastics/${made.id}`)).document.name).toBe(
          `Round ${round}`,
        );
    }
  });
});

/** A server process on a database, on a free port. */
async function startProcess(database: string): Promise<RunningServer> {
  const { path, remove } = dataFolder();
  const server = await startServer(path, { database });
  open.push(async () => {
    await server.end('SIGKILL');
    remove();
  });
  return server;
}

/** Saves new plastics through some servers until it is told to stop; what was answered for, by its id. */
function saver(bases: readonly string[]) {
  const acknowledged = new Map<string, string>();
  let isStopped = false;
  const one = async (base: string, who: number): Promise<void> => {
    for (let i = 0; !isStopped; i++) {
      const name = `Kept ${who}-${i}`;
      const answer = await fetch(`${base}/api/plastics`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(plasticNamed(name)),
      }).catch(() => undefined);
      // A server that is gone answers nothing: the next look finds it gone again, or back.
      if (answer?.status === 201) acknowledged.set(((await answer.json()) as Kept<Plastic>).id, name);
      else await new Promise((resolve) => setTimeout(resolve, 20));
    }
  };
  const done = Promise.all(bases.map(one));
  return {
    acknowledged,
    stop: async () => {
      isStopped = true;
      await done;
    },
  };
}

/** Names of plastics in a database, by id. */
async function plasticsOf(opened: OpenDatabase): Promise<ReadonlyMap<string, string>> {
  const { rows } = await opened.db.execute<{ id: string; name: string }>(sql`select id, name from plastics`);
  return new Map(rows.map(({ id, name }) => [id, name]));
}

const more = (of: ReadonlyMap<string, string>, than: number) =>
  expect.poll(() => of.size, { timeout: 120_000 }).toBeGreaterThan(than);

describe('nothing that was answered for is lost', () => {
  it('when one of three servers is killed among saves; the others go on', async () => {
    const url = await fresh();
    const servers = await Promise.all([1, 2, 3].map(() => startProcess(url)));
    const saves = saver(servers.map(({ url }) => url));
    await more(saves.acknowledged, 30);
    servers[0]?.process.kill('SIGKILL');
    await more(saves.acknowledged, saves.acknowledged.size + 30);
    await saves.stop();
    const there = await plasticsOf(await kept(openServerDatabase(url, 2)));
    for (const [id, name] of saves.acknowledged) expect([id, there.get(id)]).toEqual([id, name]);
  });

  it('when the database is killed among saves and started anew; the server goes on by itself', async () => {
    const cluster = makeCluster();
    const port = await freePort();
    let database = await startCluster(cluster, port, ['fsync=on']);
    open.push(async () => {
      await database.stop('SIGKILL');
      database.remove();
    });
    const url = database.url();
    const { url: base } = await startProcess(url);
    const saves = saver([base, base]);
    for (let round = 0; round < 3; round++) {
      await more(saves.acknowledged, saves.acknowledged.size + 10);
      await database.stop('SIGKILL');
      database = await startCluster(cluster, port, ['fsync=on']);
    }
    await more(saves.acknowledged, saves.acknowledged.size + 10);
    await saves.stop();
    const opened = await openServerDatabase(url, 2);
    const there = await plasticsOf(opened);
    await opened.close();
    for (const [id, name] of saves.acknowledged) expect([id, there.get(id)]).toEqual([id, name]);
  });

  it('when the leading database is lost and its replica takes over', async () => {
    const leader = await startCluster(makeCluster(), await freePort(), ['fsync=on', 'wal_level=replica']);
    open.push(async () => {
      await leader.stop('SIGKILL');
      leader.remove();
    });
    const standby = makeReplica(leader.port);
    const replica = await startCluster(standby, await freePort(), [
      'fsync=on',
      'hot_standby=on',
      'wal_retrieve_retry_interval=100ms',
    ]);
    open.push(async () => {
      await replica.stop('SIGKILL');
      replica.remove();
    });
    const admin = await kept(openServerDatabase(leader.url(), 2));
    // From here on a save is answered for when the replica has it too.
    await admin.db.execute(sql`alter system set synchronous_standby_names = '*'`);
    await admin.db.execute(sql`select pg_reload_conf()`);
    await expect
      .poll(
        async () =>
          (
            await admin.db.execute<{ sync_state: string }>(
              sql`select sync_state from pg_stat_replication where sync_state = 'sync'`,
            )
          ).rows.length,
        { timeout: 120_000 },
      )
      .toBe(1);
    const both = `postgres://shop@127.0.0.1:${leader.port},127.0.0.1:${replica.port}/postgres`;
    const { url: base } = await startProcess(both);
    const saves = saver([base, base]);
    await more(saves.acknowledged, 20);
    await leader.stop('SIGKILL');
    promote(standby.data);
    await more(saves.acknowledged, saves.acknowledged.size + 20);
    await saves.stop();
    const opened = await openServerDatabase(replica.url(), 2);
    const there = await plasticsOf(opened);
    await opened.close();
    for (const [id, name] of saves.acknowledged) expect([id, there.get(id)]).toEqual([id, name]);
  });
});

describe('a shop that is carried over', () => {
  it('into a server and back is the same, row by row, and where it came from stays as it was', async () => {
    const [app] = (await apps(1)) as [RunningApp];
    await fillShop(app);
    const before = await everything(app.database.db);
    for (const { name } of TABLES) expect(before[name]?.length).toBeGreaterThan(0);
    const folder = join(mkdtempSync(join(tmpdir(), 'fern-anvil-moved-')), 'shop');
    const rows = await moveShop(app.database.db, (fill) => openDatabase(folder, fill));
    expect(rows).toBe(Object.values(before).flat().length);
    const embedded = await kept(openDatabase(folder));
    expect(apart(before, await everything(embedded.db))).toEqual([]);
    const url = await fresh();
    await moveShop(embedded.db, (fill) => openServerDatabase(url, 2, fill));
    const back = await kept(openServerDatabase(url, 2));
    expect(apart(before, await everything(back.db))).toEqual([]);
    expect(apart(before, await everything(app.database.db))).toEqual([]);
    // A second time: there is a shop now.
    await expect(moveShop(embedded.db, (fill) => openServerDatabase(url, 2, fill))).rejects.toThrow(
      /^--move-to: there is a shop at/,
    );
  });

  it('while it is changed is refused, and nothing of it is kept', async () => {
    const [app] = (await apps(1)) as [RunningApp];
    const { db } = app.database;
    const url = await fresh();
    const moving = moveShop(db, async (fill) =>
      openServerDatabase(url, 2, async (begun) => {
        await app.ask('POST', '/plastics', plasticNamed('Meanwhile'));
        await fill(begun);
      }),
    );
    await expect(moving).rejects.toThrow(/--move-to: Its plastics .* changed .*Stop every server/s);
    const after = await kept(openServerDatabase(url, 2));
    expect(await after.db.$count(sql`designs`)).toBe(0);
  });
});

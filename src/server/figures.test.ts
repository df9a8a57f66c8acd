import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { DesignSummary } from '../contract/api.ts';
import { METALS } from '../core/material/index.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import { isEmbedded, openTestDatabase } from './database.test-kit.ts';
import type { OpenDatabase } from './database.ts';
import type { Made } from './saving.ts';
import { DocumentStore } from './documents.ts';
import { PLAIN } from './saving.ts';
import { designMaker } from './designs-made.ts';
import { openFigures } from './figures.ts';
import { openPool } from './pool.ts';
import { HttpProblem } from './problem.ts';
import { cardOf, pendingCard, revisionFor } from './summary.ts';

const data = mkdtempSync(join(tmpdir(), 'fern-anvil-figures-'));
let opened: OpenDatabase;
beforeAll(async () => {
  opened = await openTestDatabase(data);
});
afterAll(async () => {
  await opened.close();
  rmSync(data, { recursive: true, force: true });
});

const metals = () => Promise.resolve(METALS);
const log = pino({ level: 'silent' });
const lead = METALS.find(({ key }) => key === 'lead');
/** Figures that count as up to date, without having been worked out. */
const done = (name: string): Made => {
  const summary = {
    ok: true,
    revision: revisionFor(lead),
    readings: {},
    ranges: {},
  } as unknown as DesignSummary;
  return {
    summary,
    card: { ...pendingCard({ ...sampleDesign('ball'), name }), grams: 1 },
    revision: revisionFor(lead),
    metal: 'lead',
  };
};

describe('figures that are out of date', () => {
  it('are made in the order of what is on a screen, then of the rest, and counted meanwhile', async () => {
    const store = new DocumentStore(opened.db, 'designs');
    for (const name of ['a', 'b', 'c', 'd', 'e'])
      await store.create({ ...sampleDesign('ball'), name }, `order-${name}`);
    const order: string[] = [];
    let goOn = (): void => undefined;
    const first = new Promise<void>((resolve) => (goOn = resolve));
    const figures = openFigures(
      opened.db,
      metals,
      async ({ name }) => {
        order.push(name);
        // The first few wait until something is looked at.
        await first;
        return done(name);
      },
      log,
    );
    expect(await figures.progress()).toEqual({ done: 0, of: 5 });
    figures.wake();
    await expect.poll(() => order.length).toBeGreaterThan(0);
    const begun = order.length;
    await figures.first(['order-e', 'order-d', 'nobody']);
    goOn();
    await figures.settled();
    expect(order.slice(begun, begun + 2).sort()).toEqual(['d', 'e']);
    expect([...order].sort()).toEqual(['a', 'b', 'c', 'd', 'e']);
    expect(await figures.progress()).toEqual({ done: 5, of: 5 });
    await figures.end();
  });

  it('that could not be had are no property of the head: it is named, and tried again until they can', async () => {
    const store = new DocumentStore(opened.db, 'designs');
    const { id } = await store.create({ ...sampleDesign('ball'), name: 'slow' });
    let tries = 0;
    const figures = openFigures(
      opened.db,
      metals,
      ({ name }) =>
        Promise.resolve(
          ++tries < 3
            ? { ...PLAIN, card: pendingCard({ ...sampleDesign('ball'), name }), metal: 'lead' }
            : done(name),
        ),
      log,
      { first: 5, longest: 20 },
    );
    figures.wake();
    await figures.settled();
    expect(tries).toBe(1);
    // Of itself, after its rest.
    await expect.poll(() => tries).toBe(3);
    await figures.settled();
    expect((await store.read(id)).summary?.ok).toBe(true);
    await figures.end();
  });

  it('are made once each where two servers share a database, by whichever is first', async () => {
    // On a server by a connection of its own; the embedded database has but one process, which asks it twice.
    const other = isEmbedded() ? undefined : await openTestDatabase(data);
    const store = new DocumentStore(opened.db, 'designs');
    const names = Array.from({ length: 12 }, (_, i) => `shared ${i}`);
    for (const name of names) await store.create({ ...sampleDesign('ball'), name });
    const made: string[] = [];
    const both = [opened.db, other?.db ?? opened.db].map((db) =>
      openFigures(
        db,
        metals,
        async ({ name }) => {
          made.push(name);
          // Long enough that the other one comes by.
          await new Promise((resolve) => setTimeout(resolve, 5));
          return done(name);
        },
        log,
        { first: 5, longest: 20 },
      ),
    );
    for (const figures of both) figures.wake();
    await expect
      .poll(async () => {
        const progress = await both[0]?.progress();
        return progress && progress.of - progress.done;
      })
      .toBe(0);
    for (const figures of both) await figures.end();
    const ours = made.filter((name) => name.startsWith('shared'));
    expect(ours.toSorted()).toEqual(names.toSorted());
    await other?.close();
  });

  it('are not written over those a save has made meanwhile', async () => {
    const store = new DocumentStore(opened.db, 'designs', (all) =>
      Promise.resolve(all.map(({ name }) => done(name))),
    );
    const plain = new DocumentStore(opened.db, 'designs');
    const { id, document } = await plain.create({ ...sampleDesign('ball'), name: 'before' });
    const figures = openFigures(
      opened.db,
      metals,
      async ({ name }) => {
        await store.replace(id, { ...document, name: 'saved meanwhile' }, undefined);
        return done(`made of ${name}`);
      },
      log,
    );
    figures.wake();
    await figures.settled();
    const [row] = await store.few([id]);
    expect(row?.document.name).toBe('saved meanwhile');
    expect((await store.read(id)).version).toBe(2);
    await figures.end();
  });
});

describe('a save whose figures take too long', () => {
  it('is kept with its name and no figures, which are asked for again', async () => {
    let asked = 0;
    const make = designMaker(
      {
        run: () => Promise.reject(new HttpProblem(503, 'Took too long', 'later')),
        close: () => Promise.resolve(),
      },
      metals,
      () => asked++,
    );
    const [made] = await make([sampleDesign('ball')]);
    expect(made).toMatchObject({
      summary: null,
      revision: 0,
      metal: 'lead',
      card: { name: 'Sample', grams: null, pending: true },
    });
    expect(asked).toBe(1);
  });
});

describe('the lanes of threads', () => {
  it('count a bound from when the work begins, serve what is waited for first, and files beside figures', async () => {
    const pool = openPool();
    const many = Array.from({ length: 24 }, () => sampleDesign('football'));
    const one = [sampleDesign('football')];
    const began = performance.now();
    const order: string[] = [];
    const note = (name: string) => (value: unknown) => {
      order.push(name);
      return value;
    };
    // Both threads are busy, and some more waits that nobody asked for.
    const busy = [many, many].map((some) => pool.run('summaries', [some, METALS], { seconds: 600 }));
    const anew = [1, 2].map(() =>
      pool.run('summaries', [many, METALS], { seconds: 600, isAwaited: false }).then(note('anew')),
    );
    const awaited = pool.run('summaries', [one, METALS], { seconds: 600 }).then(note('awaited'));
    const file = pool
      .run(
        'export',
        [sampleDesign('ball'), 'json', METALS, { shrink: 0, units: 'metric', arrangement: 'third' }],
        { seconds: 600 },
      )
      .then(note('file'));
    await file;
    expect(order).toEqual(['file']);
    await Promise.all(busy);
    const took = (performance.now() - began) / 1000;
    // It waits longer than it may take, and takes far less.
    const late = pool.run('summaries', [one, METALS], { seconds: Math.max(1, took / 2) });
    await awaited;
    expect(order).toEqual(['file', 'awaited']);
    await Promise.all(anew);
    expect(await late).toHaveLength(1);
    await pool.close();
  });
});

it('a card without figures says so, one that cannot be built says why', () => {
  expect(pendingCard(sampleDesign('ball'))).toMatchObject({ grams: null, pending: true });
  const broken = cardOf(sampleDesign('ball'), {
    ok: false,
    revision: 1,
    problems: [{ path: '', message: 'no room' }],
  });
  expect(broken).toMatchObject({ grams: null, problem: 'no room' });
  expect(broken.pending).toBeUndefined();
});

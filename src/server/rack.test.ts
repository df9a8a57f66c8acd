import { request } from 'node:http';
import { gunzipSync } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Kept, NamedVersion, RackCard, RackIndex, Stores } from '../contract/api.ts';
import type { Design } from '../core/document/index.ts';
import type { Drawing } from '../core/plate/index.ts';
import { OUTLINES_AT_ONCE } from '../contract/requests.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { problem, runApp, version } from './app.test-kit.ts';

let app: RunningApp;
beforeAll(async () => {
  app = await runApp();
});
afterAll(() => app.end());

const rack = () => app.ask<RackIndex>('GET', '/rack');
const cardOf = async (id: string): Promise<RackCard | undefined> =>
  (await rack()).cards.find((card) => card.id === id);
const renamed = (design: Design, name: string): Design => ({ ...design, name });
const sample = (name: string) => renamed(sampleDesign('ball'), name);

// The index is kept as text between writes: every way a design can change has to reach it at once.
describe('the Rack’s index follows', () => {
  it('a new design, a save, a deletion and its undoing', async () => {
    const before = (await rack()).cards.length;
    const { id, document } = await app.made(sample('One'));
    expect(await cardOf(id)).toMatchObject({ name: 'One', version: 1, metal: 'lead' });
    await app.send('PUT', `/designs/${id}`, renamed(document, 'Two'), version(1));
    expect(await cardOf(id)).toMatchObject({ name: 'Two', version: 2 });
    await app.send('DELETE', `/designs/${id}`, undefined, { 'If-Match': '*' });
    expect(await cardOf(id)).toBeUndefined();
    await app.send('POST', `/designs/${id}/restore`, undefined, version(3));
    expect(await cardOf(id)).toMatchObject({ name: 'Two' });
    expect((await rack()).cards.length).toBe(before + 1);
  });

  it('putting away and taking out', async () => {
    const { id } = await app.made(sample('Away'));
    await app.send('POST', `/designs/${id}/archive`, undefined, version(1));
    expect(await cardOf(id)).toMatchObject({ archived: true });
    await app.send('POST', `/designs/${id}/unarchive`, undefined, version(2));
    expect(await cardOf(id)).toMatchObject({ archived: false });
  });

  it('a copy and a series', async () => {
    const { id } = await app.made(sample('Copied'));
    const copy = await app.ask<Kept<Design>>('POST', `/designs/${id}/duplicate`);
    expect(await cardOf(copy.id)).toMatchObject({ name: 'Copied (copy)' });
    const series = await app.ask<Kept<Design>[]>('POST', '/designs/series', [sample('S1'), sample('S2')]);
    for (const one of series) expect(await cardOf(one.id)).toMatchObject({ name: one.document.name });
  });

  it('a step back, and a named version brought back', async () => {
    const { id, document } = await app.made(sample('First'));
    const named = await app.ask<NamedVersion>('POST', `/designs/${id}/versions`, { name: 'Kept' });
    await app.send('PUT', `/designs/${id}`, renamed(document, 'Second'), version(1));
    await app.send('PUT', `/designs/${id}/step`, { step: 0 }, version(2));
    expect(await cardOf(id)).toMatchObject({ name: 'First', version: 3 });
    await app.send('PUT', `/designs/${id}/step`, { step: 1 }, version(3));
    expect(await cardOf(id)).toMatchObject({ name: 'Second', version: 4 });
    await app.send('POST', `/designs/${id}/versions/${named.id}/restore`, undefined, version(4));
    expect(await cardOf(id)).toMatchObject({ name: 'First', version: 5 });
  });

  it('a shop that is read in', async () => {
    const { id, document } = await app.made(sample('Out'));
    const shop = await app.ask<{ designs: { id: string; document: Design }[] }>('GET', '/shop.json');
    expect(shop.designs.map((one) => one.document.name)).toContain('Out');
    await app.send('PUT', `/designs/${id}`, renamed(document, 'Changed'), version(1));
    expect((await app.send('POST', '/shop?trial=true', shop)).status).toBe(200);
    expect(await cardOf(id)).toMatchObject({ name: 'Changed' });
    expect((await app.send('POST', '/shop', shop)).ok).toBe(true);
    expect(await cardOf(id)).toMatchObject({ name: 'Out' });
  });

  it('another density of its metal', async () => {
    // Without a weight to meet, the weight follows the density.
    const { id } = await app.made(sampleDesign('ball', { head: { metal: 'bismuth-tin' } }));
    const before = (await cardOf(id))?.grams ?? NaN;
    const metal = (await app.ask<Stores>('GET', '/stores')).metals.find(({ key }) => key === 'bismuth-tin');
    if (!metal) throw new Error('the stores hold no bismuth-tin');
    await app.send(
      'PUT',
      '/stores/metals/bismuth-tin',
      { density: metal.density * 1.1 },
      version(metal.version),
    );
    await expect
      .poll(async () => (await cardOf(id))?.grams, { timeout: 30_000 })
      .toBeCloseTo(before * 1.1, 6);
    expect((await rack()).figures.of).toBe((await rack()).cards.length);
  });

  it('writes that come while it is read', async () => {
    const { id, document } = await app.made(sample('Race 0'));
    for (let round = 1; round <= 6; round++) {
      const [, answer] = await Promise.all([
        rack(),
        app.send('PUT', `/designs/${id}`, renamed(document, `Race ${round}`), version(round)),
        rack(),
      ]);
      expect(answer.status).toBe(200);
      // Whoever asks after the save was answered sees it.
      expect(await cardOf(id)).toMatchObject({ name: `Race ${round}` });
    }
  });
});

describe('what it says', () => {
  it('cards hold what the design says, and nothing of what cannot be built', async () => {
    const sound = await app.made(sampleDesign('dart', { eye: { angle: 45, plane: 'crosswise' } }));
    const broken = await app.made(sampleDesign('ball', { head: { dimensions: { breadth: 900 } } }));
    expect(await cardOf(sound.id)).toMatchObject({
      family: 'dart',
      angle: 45,
      plane: 'crosswise',
      hook: sound.document.hook.size,
      keeper: sound.document.keeper.kind,
      hinged: false,
    });
    expect(await cardOf(broken.id)).toMatchObject({ family: 'ball', grams: null, fall: null });
    expect(Object.keys((await rack()).outlines)).not.toContain(broken.id);
  });

  it('packed and plain it is the same', async () => {
    const raw = (encoding: string) =>
      new Promise<{ packed: string | undefined; vary: string; body: Buffer }>((resolve, reject) => {
        const asked = request(
          `${app.base}/api/rack`,
          { headers: { 'Accept-Encoding': encoding } },
          (answer) => {
            const parts: Buffer[] = [];
            answer.on('data', (part: Buffer) => parts.push(part));
            answer.on('end', () =>
              resolve({
                packed: answer.headers['content-encoding'],
                vary: String(answer.headers['vary']),
                body: Buffer.concat(parts),
              }),
            );
          },
        );
        asked.on('error', reject);
        asked.end();
      });
    const [packed, plain] = [await raw('gzip'), await raw('identity')];
    expect([packed.packed, plain.packed]).toEqual(['gzip', undefined]);
    expect(packed.vary).toContain('Accept-Encoding');
    expect(gunzipSync(packed.body).equals(plain.body)).toBe(true);
    expect(packed.body.length).toBeLessThan(plain.body.length / 3);
  });

  it('brings the outlines of the lightest that hang, the same as those asked for', async () => {
    const { cards, outlines } = await rack();
    const hanging = cards.filter(({ archived, grams }) => !archived && grams !== null);
    expect(Object.keys(outlines).sort()).toEqual(hanging.map(({ id }) => id).sort());
    const ids = Object.keys(outlines).slice(0, 3);
    const asked = await app.ask<Record<string, Drawing>>('GET', `/rack/outlines?ids=${ids.join(',')}`);
    for (const id of ids) expect(asked[id]).toEqual(outlines[id]);
  });

  it('gives so many outlines at once, leaves out unknown ids, and refuses none at all', async () => {
    const { cards } = await rack();
    const known = cards[0]?.id ?? '';
    const many = [...Array.from({ length: OUTLINES_AT_ONCE }, (_, i) => `nobody-${i}`), known];
    expect(await app.ask('GET', `/rack/outlines?ids=${many.slice(1).join(',')}`)).toHaveProperty(known);
    expect(await app.ask('GET', `/rack/outlines?ids=${many.join(',')}`)).toEqual({});
    const none = await app.send('GET', '/rack/outlines');
    expect(none.status).toBe(422);
    expect((await problem(none)).errors?.length).toBeGreaterThan(0);
  });

  it('is in the order of names', async () => {
    const names = (await rack()).cards.map(({ name }) => name);
    expect(names).toEqual([...names].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)));
  });
});

describe('another writer', () => {
  it('is seen at the next look: a row written, and one taken out, past the application', async () => {
    const { id } = await app.made(sample('Theirs'));
    const { cards } = await rack();
    await app.database.db.execute(
      `update designs set name = 'Their own', card = jsonb_set(card, '{name}', '"Their own"') where id = '${id}'`,
    );
    const mine = await rack();
    expect(mine.cards.length).toBe(cards.length);
    expect(mine.cards.find((card) => card.id === id)?.name).toBe('Their own');
    await app.database.db.execute(`delete from designs where id = '${id}'`);
    expect((await rack()).cards.length).toBe(cards.length - 1);
  });

  it('is told of in the order of names', async () => {
    for (const name of ['Zeta', 'Alpha', 'Mid']) await app.made(sample(name));
    const names = (await rack()).cards.map(({ name }) => name);
    expect(names).toEqual([...names].sort());
  });
});

import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Kept, UsedIn } from '../contract/api.ts';
import { COLLECTIONS, kindOf } from '../contract/collections/index.ts';
import { namedBy, pointersIn } from '../contract/collections/pointers.ts';
import type { Design } from '../core/document/index.ts';
import { newBatch, newMould, newRange, newTrial, freshRig } from '../core/document/index.ts';
import { plainBrief } from '../core/test-kit/brief.test-kit.ts';
import { sampleDesign } from '../core/test-kit/sample.test-kit.ts';
import type { RunningApp } from './app.test-kit.ts';
import { runApp } from './app.test-kit.ts';

let app: RunningApp;
let head: Kept<Design>;
let other: Kept<Design>;
beforeAll(async () => {
  app = await runApp();
  head = await app.made({ ...sampleDesign('ball'), name: 'Wanted' });
  other = await app.made({ ...sampleDesign('ball'), name: 'Other', notes: head.id });
});
afterAll(() => app.end());

const create = <T>(collection: string, document: T) => app.ask<Kept<T>>('POST', `/${collection}`, document);
const used = async (id: string, collection = 'designs') =>
  (await app.ask<{ items: UsedIn[] }>('GET', `/${collection}/${id}/used`)).items;

describe('what names a document', () => {
  it('is told, of every collection that can, by noun and name', async () => {
    expect(await used(head.id)).toEqual([]);
    const { id, document, version } = head;
    await create('moulds', { ...newMould(head.document, head.id, 'pour'), name: 'Its mould' });
    await create('batches', {
      ...newBatch(document, { id, version }, '2026-11-30', { target: 7, at: 370 }),
      name: 'Its batch',
    });
    await create('ranges', { ...newRange('Its range'), offers: [{ design: id }] });
    await create('trials', {
      ...newTrial('Its day', '2026-11-30'),
      rigs: [{ ...freshRig('Wanted', 0), design: id }],
    });
    const told = await used(id);
    expect(told.map(({ noun, name }) => `${noun} ${name}`)).toEqual([
      'mould Its mould',
      'batch Its batch',
      'range Its range',
      'day Its day',
    ]);
    // Its id in somebody's notes is no use of it.
    expect(told.map((row) => row.id)).not.toContain(other.id);
    expect(await used(other.id)).toEqual([]);
  });

  it('leaves out what is deleted, and is not told of what there is not', async () => {
    const [first] = await used(head.id);
    if (!first) throw new Error('the mould is gone');
    await app.send('DELETE', `/${first.collection}/${first.id}`, undefined, { 'If-Match': '"v1"' });
    expect((await used(head.id)).map(({ name }) => name)).not.toContain(first.name);
    expect((await app.send('GET', '/designs/none/used')).status).toBe(404);
  });

  it('of a plastic is the brief that asks for it', async () => {
    const plastics = await app.ask<{ items: { id: string }[] }>('GET', '/plastics?limit=1');
    const [plastic] = plastics.items;
    if (!plastic) throw new Error('there is no plastic');
    const asked = plainBrief();
    const made = await create('briefs', { ...asked, bait: { ...asked.bait, plastic: plastic.id } });
    expect((await used(plastic.id, 'plastics')).map(({ id }) => id)).toContain(made.id);
  });

  it('is read off the schemas: each names collections there are, and a batch its mould', () => {
    const named = Object.fromEntries(
      COLLECTIONS.map((key) => [key, [...namedBy(kindOf(key).schema)].sort()]),
    );
    expect(named).toEqual({
      designs: ['photos'],
      plastics: [],
      briefs: ['plastics'],
      hooks: [],
      moulds: ['designs', 'photos'],
      batches: ['designs', 'moulds', 'photos'],
      ranges: ['briefs', 'designs', 'plastics'],
      trials: ['designs'],
      photos: [],
    });
    const batch = {
      ...newBatch(head.document, { id: head.id, version: 1 }, '2026-11-30', { target: 7, at: 370 }),
      mould: 'the-mould',
    };
    expect(pointersIn(kindOf('batches').schema, batch)).toEqual(
      expect.arrayContaining([
        { to: 'designs', id: head.id },
        { to: 'moulds', id: 'the-mould' },
      ]),
    );
  });
});

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Kept } from '../../contract/api.ts';
import type { Design } from '../../core/document/index.ts';
import { sampleDesign } from '../../core/test-kit/sample.test-kit.ts';
import { openDraft } from './draft.ts';
import { allBegunHere, beginHere, begunHere } from './unsent.ts';

/** A stand-in for the server: one document with versions, as the real one keeps them. */
function fakeServer() {
  const state = {
    version: 1,
    document: sampleDesign('ball'),
    away: false,
    refuse: false,
    broken: false,
    lose: false,
    asked: 0,
    saves: [] as string[],
    deleted: [] as string[],
  };
  const answer = (status: number, body: unknown) =>
    ({ ok: status < 400, status, json: () => Promise.resolve(body) }) as Response;
  const kept = (): Kept<Design> => ({
    id: 'one',
    version: state.version,
    updatedAt: '2026-01-01T00:00:00Z',
    document: state.document,
  });
  const serve = (_path: string, init: RequestInit = {}): Promise<Response> => {
    if (state.away) return Promise.reject(new TypeError('fetch failed'));
    const seen = (init.headers as Record<string, string> | undefined)?.['If-Match'];
    if (init.method === 'DELETE') {
      state.deleted.push(seen ?? '');
      return Promise.resolve(answer(204, undefined));
    }
    if (init.method !== 'PUT') return Promise.resolve(answer(200, kept()));
    state.asked++;
    if (state.broken)
      return Promise.resolve(
        answer(500, { type: 'x', title: 'Failed', status: 500, detail: 'Something went wrong here.' }),
      );
    if (state.refuse) {
      const errors = [{ path: '/name', message: 'Name: is too long.' }];
      return Promise.resolve(
        answer(422, { type: 'x', title: 'Not valid', status: 422, detail: 'Name: is too long.', errors }),
      );
    }
    const isFirst = (init.headers as Record<string, string>)['If-None-Match'] === '*';
    if (isFirst ? state.version > 0 : seen !== `"v${state.version}"`) {
      return Promise.resolve(
        answer(412, { type: 'x', title: 'Changed elsewhere', status: 412, detail: 'changed' }),
      );
    }
    state.document = JSON.parse(String(init.body)) as Design;
    state.version++;
    state.saves.push(state.document.name);
    if (state.lose) {
      state.lose = false;
      return Promise.reject(new TypeError('fetch failed'));
    }
    return Promise.resolve(answer(200, kept()));
  };
  return { state, kept, serve };
}

let server: ReturnType<typeof fakeServer>;
const store = new Map<string, string>();

beforeEach(() => {
  vi.useFakeTimers();
  server = fakeServer();
  store.clear();
  vi.stubGlobal('fetch', server.serve);
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => void store.set(key, value),
    removeItem: (key: string) => void store.delete(key),
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const open = () => openDraft('designs', server.kept(), () => undefined);
const named = (name: string) => (design: Design) => ({ ...design, name });
const settle = () => vi.advanceTimersByTimeAsync(3_000);

describe('a save that the server can never take', () => {
  it('is told once, kept in the browser, and not sent for ever; the next edit tries anew', async () => {
    server.state.broken = true;
    const draft = open();
    draft.edit(named('never'));
    for (let i = 0; i < 10; i++) await settle();
    expect(draft.view().state).toBe('refused');
    expect(draft.view().problems[0]?.message).toContain('kept in this browser');
    expect([...store.values()].some((text) => text.includes('never'))).toBe(true);
    const { asked } = server.state;
    for (let i = 0; i < 10; i++) await settle();
    expect(server.state.asked).toBe(asked);
    server.state.broken = false;
    draft.edit(named('again'));
    await settle();
    expect(draft.view().state).toBe('saved');
    expect(server.state.document.name).toBe('again');
  });
});

describe('a save whose answer is lost on the way', () => {
  it('is known for its own when it is sent again, not taken for somebody else’s', async () => {
    server.state.lose = true;
    const draft = open();
    draft.edit(named('kept already'));
    for (let i = 0; i < 4; i++) await settle();
    expect(server.state.saves).toEqual(['kept already']);
    expect(draft.view()).toMatchObject({ state: 'saved', version: 2, theirs: undefined });
    draft.edit(named('and on'));
    await settle();
    expect(draft.view()).toMatchObject({ state: 'saved', version: 3 });
  });

  it('nor when the page was loaded anew in the middle of it, with a later edit on top', async () => {
    const before = server.kept();
    const draft = open();
    draft.edit(named('sent'));
    server.state.lose = true;
    await vi.advanceTimersByTimeAsync(400);
    server.state.away = true;
    draft.edit(named('sent, and more'));
    await settle();
    expect(server.state).toMatchObject({ version: 2, document: { name: 'sent' } });
    // The page comes back with what it had read before the save; the one before it is gone with its timers.
    vi.clearAllTimers();
    server.state.away = false;
    const reloaded = openDraft('designs', before, () => undefined);
    await settle();
    expect(reloaded.view()).toMatchObject({ state: 'saved', version: 3, theirs: undefined });
    expect(server.state.document.name).toBe('sent, and more');
  });

  it('and what somebody else saved meanwhile is still told apart', async () => {
    const draft = open();
    draft.edit(named('sent'));
    server.state.lose = true;
    await vi.advanceTimersByTimeAsync(400);
    server.state.document = named('theirs')(server.state.document);
    server.state.version++;
    draft.edit(named('mine'));
    await settle();
    expect(draft.view()).toMatchObject({ state: 'stale', theirs: { document: { name: 'theirs' } } });
  });
});

describe('a draft', () => {
  it('saves itself after a pause, once for a run of edits, and always the newest', async () => {
    const draft = open();
    for (const name of ['a', 'ab', 'abc']) draft.edit(named(name));
    expect(draft.view().state).toBe('waiting');
    await settle();
    expect(server.state.saves).toEqual(['abc']);
    expect(draft.view()).toMatchObject({ state: 'saved', version: 2 });
    expect(store.size).toBe(0);
  });

  it('an edit that comes while a save is under way is saved after it', async () => {
    const draft = open();
    draft.edit(named('first'));
    await vi.advanceTimersByTimeAsync(400);
    draft.edit(named('second'));
    await settle();
    expect(server.state.document.name).toBe('second');
    expect(draft.view().state).toBe('saved');
  });

  it('says the one thing for as long as the server is away, however often it tries and whatever is edited', async () => {
    const draft = open();
    server.state.away = true;
    draft.edit(named('first'));
    await vi.advanceTimersByTimeAsync(500);
    const said: string[] = [];
    draft.subscribe(() => said.push(draft.view().state));
    await vi.advanceTimersByTimeAsync(6_100);
    draft.edit(named('second'));
    await vi.advanceTimersByTimeAsync(4_100);
    expect(new Set(said)).toEqual(new Set(['away']));
    server.state.away = false;
    await vi.advanceTimersByTimeAsync(2_100);
    expect(draft.view()).toMatchObject({ state: 'saved', document: { name: 'second' } });
  });
  it('keeps trying while the server is away, and keeps the edit for a reload', async () => {
    const draft = open();
    server.state.away = true;
    draft.edit(named('away'));
    await settle();
    expect(draft.view().state).toBe('away');
    expect(store.size).toBe(1);
    // A reload finds the edit, although the server still holds the old one.
    server.state.away = false;
    const reloaded = open();
    expect(reloaded.view().document.name).toBe('away');
    await settle();
    expect(server.state.document.name).toBe('away');
    expect(store.size).toBe(0);
  });

  it('when stale overwrites nothing; keeping mine then saves over theirs', async () => {
    const draft = open();
    server.state.document = named('theirs')(server.state.document);
    server.state.version = 7;
    draft.edit(named('mine'));
    await settle();
    expect(draft.view()).toMatchObject({
      state: 'stale',
      theirs: { version: 7, document: { name: 'theirs' } },
    });
    expect(server.state.saves).toEqual([]);
    // Further edits wait for the choice.
    draft.edit(named('mine, still'));
    await settle();
    expect(server.state.saves).toEqual([]);
    draft.keepMine();
    await settle();
    expect(server.state.saves).toEqual(['mine, still']);
    expect(draft.view()).toMatchObject({ state: 'saved', version: 8 });
  });

  it('taking theirs drops mine', async () => {
    const draft = open();
    server.state.document = named('theirs')(server.state.document);
    server.state.version = 3;
    draft.edit(named('mine'));
    await settle();
    draft.takeTheirs();
    expect(draft.view()).toMatchObject({ state: 'saved', version: 3, document: { name: 'theirs' } });
    expect(store.size).toBe(0);
  });

  it('a refused save keeps what was typed and says which field is wrong', async () => {
    const draft = open();
    server.state.refuse = true;
    draft.edit(named('x'.repeat(500)));
    await settle();
    expect(draft.view()).toMatchObject({ state: 'refused', problems: [{ path: '/name' }] });
    expect(draft.view().document.name.length).toBe(500);
    server.state.refuse = false;
    draft.edit(named('short'));
    await settle();
    expect(draft.view()).toMatchObject({ state: 'saved', problems: [] });
  });

  it('takes up a newer version while nothing is unsaved, and not otherwise', async () => {
    const draft = open();
    draft.refresh({ ...server.kept(), version: 5, document: named('newer')(server.state.document) });
    expect(draft.view()).toMatchObject({ version: 5, document: { name: 'newer' } });
    draft.edit(named('mine'));
    draft.refresh({ ...server.kept(), version: 6, document: named('newest')(server.state.document) });
    expect(draft.view().document.name).toBe('mine');
    await settle();
  });
});

describe('a document begun where nobody answers', () => {
  const begin = () => openDraft('designs', begunHere('designs', 'one') as Kept<Design>, () => undefined);
  beforeEach(() => {
    server.state.version = 0;
    server.state.away = true;
    vi.stubGlobal(
      'localStorage',
      new Proxy(localStorage, {
        ownKeys: () => [...store.keys()],
        getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }),
      }),
    );
  });

  it('is kept here, found again by a page opened anew, and made once a server is there', async () => {
    expect(begunHere('designs', 'one')).toBeUndefined();
    expect(beginHere('designs', sampleDesign('ball'), 'one')).toBe('one');
    expect(allBegunHere('designs').map(({ id }) => id)).toEqual(['one']);
    const before = begin();
    before.edit(named('Counted'));
    await settle();
    expect(before.view()).toMatchObject({ state: 'away', version: 0 });
    // The page is gone; what it waited with goes with it.
    vi.clearAllTimers();
    const draft = begin();
    expect(draft.view().document.name).toBe('Counted');
    server.state.away = false;
    await settle();
    expect(draft.view()).toMatchObject({ state: 'saved', version: 1 });
    expect(server.state.document.name).toBe('Counted');
    expect(allBegunHere('designs')).toEqual([]);
    draft.edit(named('Counted on'));
    await settle();
    expect(draft.view()).toMatchObject({ state: 'saved', version: 2 });
  });

  it('whose answer was lost is known again and not made twice', async () => {
    beginHere('designs', sampleDesign('ball'), 'one');
    server.state.away = false;
    server.state.lose = true;
    const draft = begin();
    await vi.advanceTimersByTimeAsync(100);
    draft.edit(named('Since then'));
    await settle();
    await settle();
    expect(draft.view()).toMatchObject({ state: 'saved', version: 2, document: { name: 'Since then' } });
    expect(server.state.saves).toEqual([sampleDesign('ball').name, 'Since then']);
  });

  it('that is given up while it is being sent is not sent again, nor kept', async () => {
    beginHere('designs', sampleDesign('ball'), 'one');
    const draft = begin();
    // The first try is under way, and about to fail.
    vi.advanceTimersByTime(0);
    draft.edit(named('Counted'));
    draft.abandon();
    server.state.away = false;
    await settle();
    await settle();
    expect(server.state.saves).toEqual([]);
    expect(allBegunHere('designs')).toEqual([]);
  });

  it('that is given up as it comes through is taken back', async () => {
    beginHere('designs', sampleDesign('ball'), 'one');
    server.state.away = false;
    const draft = begin();
    // It is on its way, and its answer not read yet.
    vi.advanceTimersByTime(0);
    draft.abandon();
    await settle();
    expect(server.state.saves).toHaveLength(1);
    expect(server.state.deleted).toEqual(['"v1"']);
    expect(allBegunHere('designs')).toEqual([]);
  });

  it('that is given up is sent no more and forgotten', async () => {
    beginHere('designs', sampleDesign('ball'), 'one');
    const draft = begin();
    await vi.advanceTimersByTimeAsync(100);
    draft.abandon();
    server.state.away = false;
    await settle();
    expect(server.state.saves).toEqual([]);
    expect(allBegunHere('designs')).toEqual([]);
  });

  it('is told where this browser keeps nothing', () => {
    vi.stubGlobal('localStorage', {
      setItem: () => {
        throw new DOMException('full', 'QuotaExceededError');
      },
    });
    expect(beginHere('designs', sampleDesign('ball'))).toBeUndefined();
  });
});

describe('undo of this visit', () => {
  const rename = (name: string) => (now: Design) => ({ ...now, name });

  it('goes back over edits and forth again, each saved; what is edited then cannot be redone', async () => {
    const draft = openDraft('designs', server.kept(), () => undefined);
    const first = draft.view().document.name;
    for (const name of ['Two', 'Three']) {
      draft.edit(rename(name));
      await vi.advanceTimersByTimeAsync(2_000);
    }
    expect(draft.step(-1)).toBe(true);
    expect(draft.view().document.name).toBe('Two');
    expect(draft.step(-1)).toBe(true);
    expect(draft.view().document.name).toBe(first);
    expect(draft.step(-1)).toBe(false);
    expect(draft.step(1)).toBe(true);
    expect(draft.view().document.name).toBe('Two');
    await vi.advanceTimersByTimeAsync(2_000);
    expect(server.state.document.name).toBe('Two');
    draft.edit(rename('Other'));
    expect(draft.step(1)).toBe(false);
    await vi.advanceTimersByTimeAsync(2_000);
  });

  it('takes edits that follow closely as one, as while a word is typed', async () => {
    const draft = openDraft('designs', server.kept(), () => undefined);
    const first = draft.view().document.name;
    for (const name of ['T', 'Tw', 'Two']) {
      draft.edit(rename(name));
      await vi.advanceTimersByTimeAsync(100);
    }
    draft.step(-1);
    expect(draft.view().document.name).toBe(first);
    draft.step(1);
    expect(draft.view().document.name).toBe('Two');
    await vi.advanceTimersByTimeAsync(2_000);
  });

  it('is forgotten when somebody else’s state is taken: theirs is not one’s own to undo', async () => {
    const draft = openDraft('designs', server.kept(), () => undefined);
    draft.edit(rename('Mine'));
    await vi.advanceTimersByTimeAsync(2_000);
    server.state.version++;
    server.state.document = { ...server.state.document, name: 'Theirs' };
    draft.refresh(server.kept());
    expect(draft.view().document.name).toBe('Theirs');
    expect(draft.step(-1)).toBe(false);
  });
});

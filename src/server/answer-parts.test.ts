import { expect, it } from 'vitest';
import { inParts } from './answer-parts.ts';
import type { Answer } from './database-connection.ts';

const joined = (parts: readonly Answer[]): unknown[] =>
  parts.flatMap((part) =>
    'some' in part ? part.some : 'value' in part ? (part.value as { rows: unknown[] }).rows : [],
  );
const answer = (rows: readonly unknown[]): Answer => ({
  id: 7,
  value: { rows, fields: [], affectedRows: 0 },
});

it('long rows go out a few at a time, in their order, and the rest of the answer after them', () => {
  const rows = Array.from({ length: 50 }, (_, i) => ({ id: i, text: 'x'.repeat(15_000), document: { i } }));
  const parts = [...inParts(answer(rows))];
  expect(joined(parts)).toEqual(rows);
  expect(parts.at(-1)).toEqual({ id: 7, value: { rows: [], fields: [], affectedRows: 0 } });
  for (const part of parts) {
    expect(part.id).toBe(7);
    // V8 lays what comes in a message of more than 100 kB down for good.
    expect(JSON.stringify(part).length).toBeLessThan(100_000);
  }
});

it('a row longer than a message goes out alone', () => {
  const rows = ['a', 'b', 'c'].map((letter) => ({ text: letter.repeat(150_000) }));
  const parts = [...inParts(answer(rows))];
  expect(parts.slice(0, -1).map((part) => ('some' in part ? part.some.length : 0))).toEqual([1, 1, 1]);
  expect(joined(parts)).toEqual(rows);
});

it.each([
  ['few short rows', answer([{ a: 1 }, { a: null }, { a: 'b' }])],
  ['no rows', answer([])],
  ['one long row', answer([{ text: 'x'.repeat(200_000) }])],
  ['several results', { id: 1, value: [{ rows: [], fields: [] }] }],
  ['nothing', { id: 2, value: undefined }],
  [
    'a failure',
    {
      id: 3,
      failure: {
        name: 'error',
        message: 'no',
        code: undefined,
        errno: undefined,
        detail: undefined,
        stack: undefined,
      },
    },
  ],
] satisfies [string, Answer][])('%s: in one', (_, whole) => {
  expect([...inParts(whole)]).toEqual([whole]);
});

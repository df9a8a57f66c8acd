import { describe, expect, it } from 'vitest';
import { isDiskFull } from './guards.ts';

describe('a full disk', () => {
  // PostgreSQL, appendix A: class 53, 53100 disk_full; WASI preview 1: errno 51 is nospc.
  it.each([
    ['the database’s own word', { cause: { code: '53100', message: 'could not extend file' } }],
    ['the system’s', Object.assign(new Error('write'), { code: 'ENOSPC' })],
    ['the file layer’s', { name: 'ErrnoError', errno: 51 }],
    ['a sentence of it', new Error('ENOSPC: no space left on device, write')],
  ])('is known by %s', (_, error) => {
    expect(isDiskFull(error)).toBe(true);
  });

  it.each([undefined, new Error('no such table'), { name: 'ErrnoError', errno: 44 }, { code: '23505' }])(
    'is not seen in %s',
    (error) => {
      expect(isDiskFull(error)).toBe(false);
    },
  );
});

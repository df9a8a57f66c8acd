import { describe, expect, it } from 'vitest';
import { ageOf, dateOf, sizeOf } from './told.ts';

const now = Date.parse('2026-11-29T12:00:00Z');

describe('a backup in words', () => {
  it.each([
    ['2026-11-29T11:59:30Z', 'now'],
    ['2026-11-29T11:58:59Z', '1 minute ago'],
    ['2026-11-29T09:00:00Z', '3 hours ago'],
    ['2026-11-28T11:00:00Z', 'yesterday'],
    ['2026-11-23T12:00:00Z', '6 days ago'],
    ['2026-11-22T12:00:00Z', 'last week'],
    ['2026-08-29T12:00:00Z', '3 months ago'],
    ['2024-11-28T12:00:00Z', '2 years ago'],
  ])('of %s is %s', (at, told) => {
    expect(ageOf(at, now, 'en')).toBe(told);
  });

  it('speaks the reader’s language', () => {
    expect(ageOf('2026-11-26T12:00:00Z', now, 'de')).toBe('vor 3 Tagen');
    expect(dateOf('2026-11-26T12:00:00Z', 'en-GB')).toContain('26 Nov 2026');
    expect([sizeOf(23_308, 'en'), sizeOf(4_535_688, 'en'), sizeOf(1_763_000_000, 'en')]).toEqual([
      '23.3 kB',
      '4.54 MB',
      '1,760 MB',
    ]);
  });
});

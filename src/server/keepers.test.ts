import { describe, expect, it } from 'vitest';
import { keepers } from './keepers.ts';

const day = (text: string) => new Date(`${text}T03:00:00Z`);
const kept = (times: readonly Date[]) =>
  [...keepers(times)].map((at) => at.toISOString().slice(0, 10)).sort();

describe('which backups are kept', () => {
  it('of a year of daily ones: seven days, four weeks by their last day, twelve months by their last day', () => {
    const times = Array.from(
      { length: 400 },
      (_, i) => new Date(day('2026-11-29').getTime() - i * 86_400_000),
    );
    expect(kept(times)).toEqual([
      ...['2025-12-31', '2026-01-31', '2026-02-28', '2026-03-31', '2026-04-30', '2026-05-31'],
      ...['2026-06-30', '2026-07-31', '2026-08-31', '2026-09-30', '2026-10-31'],
      // The 29th is a Sunday: the weeks before it end on the 22nd, 15th and 8th.
      ...['2026-11-08', '2026-11-15', '2026-11-22'],
      ...['2026-11-23', '2026-11-24', '2026-11-25', '2026-11-26', '2026-11-27', '2026-11-28', '2026-11-29'],
    ]);
  });

  it('of several in a day the newest, of few all, and a pause does not make them fewer', () => {
    const noon = new Date('2026-11-29T12:00:00Z');
    expect([...keepers([day('2026-11-29'), noon])]).toEqual([noon]);
    expect(kept([day('2024-02-29'), day('2026-11-29')])).toEqual(['2024-02-29', '2026-11-29']);
    expect(kept([])).toEqual([]);
  });

  it('however often it is asked, it takes no more away', () => {
    let times = Array.from({ length: 90 }, (_, i) => new Date(day('2026-11-29').getTime() - i * 43_200_000));
    times = [...keepers(times)];
    expect(new Set(keepers(times))).toEqual(new Set(times));
  });
});

/** How many backups are kept: the newest of so many days, weeks and months that have one. */
export const KEPT = { days: 7, weeks: 4, months: 12 } as const;

const DAY_MS = 86_400_000;

/** Monday of a day's week (ISO 8601), as days since 1970, in UTC. */
const weekOf = (at: Date): number => {
  const day = Math.floor(at.getTime() / DAY_MS);
  // The first of January 1970 was a Thursday.
  return day - ((day + 3) % 7);
};

/**
 * Which backups stay of those made at the given times: the newest of each of the last 7 days, 4 weeks and 12
 * months that have one, in UTC, and so always the newest of all. The rotation by generations that is usual
 * for backups (grandfather, father, son; common practice, no source).
 */
export function keepers(times: readonly Date[]): Set<Date> {
  const newestFirst = [...times].sort((a, b) => b.getTime() - a.getTime());
  const stay = new Set<Date>();
  const keep = (most: number, periodOf: (at: Date) => string | number) => {
    const periods = new Set<string | number>();
    for (const at of newestFirst) {
      const period = periodOf(at);
      if (periods.has(period)) continue;
      if (periods.size === most) return;
      periods.add(period);
      stay.add(at);
    }
  };
  keep(KEPT.days, (at) => at.toISOString().slice(0, 10));
  keep(KEPT.weeks, weekOf);
  keep(KEPT.months, (at) => at.toISOString().slice(0, 7));
  return stay;
}

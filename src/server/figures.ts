import { and, asc, count, eq, gt, inArray, isNull } from 'drizzle-orm';
import type { Logger } from 'pino';
import type { Design } from '../core/document/index.ts';
import type { Metal } from '../core/material/index.ts';
import type { Database } from './database.ts';
import type { Made } from './saving.ts';
import { ANEW_AT_ONCE } from './pool.ts';
import { designs } from './schema.ts';
import { isStale } from './stale.ts';

/** Stale designs found in one look. */
const AT_ONCE = 50;
/** Heads somebody looks at that are remembered to come first. */
const MOST_FIRST = 500;
/**
 * A head whose figures could not be had is tried again after so long, ms, then after twice that and so on up
 * to the second.
 */
const REST = { first: 60_000, longest: 3_600_000 } as const;

/** How far the figures of a shop are made. */
export interface Progress {
  readonly done: number;
  readonly of: number;
}

/** Figures that are out of date, and are made anew behind everything that somebody waits for. */
export interface Figures {
  /** looks for what is out of date; at once where nothing is being made already */
  readonly wake: () => void;
  /** these are on somebody's screen: they come before all others */
  readonly first: (ids: readonly string[]) => Promise<void>;
  readonly progress: () => Promise<Progress>;
  /** resolves when nothing that can be made now is out of date any more */
  readonly settled: () => Promise<void>;
  /** lets be what is not begun; resolves when the last is written */
  readonly end: () => Promise<void>;
}

/**
 * Finds heads whose figures are out of date, one at a time: those on somebody's screen first, then all in the
 * order of their ids. Several may ask at once: finding is one after the other, making is not.
 */
function staleInTurn(
  db: Database,
  metals: () => Promise<readonly Metal[]>,
  of: {
    readonly onScreen: () => string | undefined;
    readonly mayBegin: (id: string) => boolean;
    readonly isEnding: () => boolean;
  },
): () => Promise<string | undefined> {
  let after: string | undefined = '';
  let found: string[] = [];
  const next = async (): Promise<string | undefined> => {
    for (;;) {
      if (of.isEnding()) return undefined;
      const id = of.onScreen() ?? found.shift();
      if (id !== undefined) {
        if (of.mayBegin(id)) return id;
        continue;
      }
      if (after === undefined) return undefined;
      const rows: { id: string }[] = await db
        .select({ id: designs.id })
        .from(designs)
        .where(and(gt(designs.id, after), isNull(designs.deletedAt), isStale(await metals())))
        .orderBy(asc(designs.id))
        .limit(AT_ONCE);
      found = rows.map(({ id: stale }) => stale);
      after = rows.length === AT_ONCE ? rows.at(-1)?.id : undefined;
    }
  };
  let finding: Promise<unknown> = Promise.resolve();
  return () => {
    const mine = finding.then(next);
    finding = mine.catch(() => undefined);
    return mine;
  };
}

/**
 * Makes figures anew that are out of date, however they came to be, one head at a time and away from the
 * event loop. A head whose figures could not be had for want of time or memory stays out of date, rests a
 * while and is tried again; the end of the process loses nothing, since the next start finds the same.
 * `pause` is how long such a head rests, ms.
 */
export function openFigures(
  db: Database,
  metals: () => Promise<readonly Metal[]>,
  make: (design: Design) => Promise<Made>,
  log: Logger,
  pause: { readonly first: number; readonly longest: number } = REST,
): Figures {
  let isEnding = false;
  let isWanted = false;
  let running: Promise<void> | undefined;
  let onScreen: string[] = [];
  const inHand = new Set<string>();
  const resting = new Map<string, { readonly until: number; readonly times: number }>();
  let timer: NodeJS.Timeout | undefined;

  const mayBegin = (id: string): boolean => !inHand.has(id) && (resting.get(id)?.until ?? 0) <= Date.now();

  /** Makes one head's figures, if they are out of date. */
  const one = async (id: string): Promise<void> => {
    inHand.add(id);
    try {
      const [row] = await db
        .select({ document: designs.document, version: designs.version })
        .from(designs)
        .where(and(eq(designs.id, id), isNull(designs.deletedAt), isStale(await metals())));
      if (!row) return;
      const made = await make(row.document as Design);
      if (made.summary === null) {
        const times = (resting.get(id)?.times ?? 0) + 1;
        const rest = Math.min(pause.longest, pause.first * 2 ** (times - 1));
        resting.set(id, { until: Date.now() + rest, times });
        return;
      }
      resting.delete(id);
      // A save meanwhile has made its own, from the newest metals: only the row that was read is touched.
      await db
        .update(designs)
        .set(made)
        .where(and(eq(designs.id, id), eq(designs.version, row.version)));
    } finally {
      inHand.delete(id);
    }
  };

  const run = async (): Promise<void> => {
    const next = staleInTurn(db, metals, {
      onScreen: () => onScreen.shift(),
      mayBegin,
      isEnding: () => isEnding,
    });
    const work = async () => {
      for (let id = await next(); id !== undefined; id = await next()) await one(id);
    };
    await Promise.all(Array.from({ length: ANEW_AT_ONCE }, work));
  };

  const wake = (): void => {
    isWanted = true;
    if (isEnding || running) return;
    clearTimeout(timer);
    running = (async () => {
      while (isWanted && !isEnding) {
        isWanted = false;
        await run();
      }
    })()
      .catch((reason: unknown) => {
        // The database may be closed under it at the end of the process.
        if (!isEnding) log.error(reason, 'figures were not made anew');
      })
      .finally(() => {
        running = undefined;
        const until = Math.min(...[...resting.values()].map((rest) => rest.until));
        if (isEnding || !Number.isFinite(until)) return;
        timer = setTimeout(wake, Math.max(0, until - Date.now()));
        timer.unref();
      });
  };

  return {
    wake,
    first: async (ids) => {
      if (ids.length === 0) return;
      const rows = await db
        .select({ id: designs.id })
        .from(designs)
        .where(and(inArray(designs.id, [...ids]), isNull(designs.deletedAt), isStale(await metals())));
      if (rows.length === 0) return;
      onScreen = [...new Set([...rows.map(({ id }) => id), ...onScreen])].slice(0, MOST_FIRST);
      wake();
    },
    progress: async () => {
      const stale = isStale(await metals());
      const [of] = await db.select({ n: count() }).from(designs).where(isNull(designs.deletedAt));
      const [left] = await db
        .select({ n: count() })
        .from(designs)
        .where(and(isNull(designs.deletedAt), stale));
      return { of: of?.n ?? 0, done: (of?.n ?? 0) - (left?.n ?? 0) };
    },
    settled: () => running ?? Promise.resolve(),
    end: async () => {
      isEnding = true;
      clearTimeout(timer);
      await running;
    },
  };
}

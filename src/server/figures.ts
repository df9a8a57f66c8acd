import { randomUUID } from 'node:crypto';
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

/** What processes tell each other when figures are out of date. */
const TOPIC = 'figures';

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

/** Heads that are let be for a while. */
function openResting(pause: { readonly first: number; readonly longest: number }) {
  const resting = new Map<string, { readonly until: number; readonly times: number }>();
  const isDue = (id: string): boolean => (resting.get(id)?.until ?? 0) <= Date.now();
  return {
    isDue,
    /** figures could not be had: twice as long as the last time */
    failed: (id: string): void => {
      const times = (resting.get(id)?.times ?? 0) + 1;
      const rest = Math.min(pause.longest, pause.first * 2 ** (times - 1));
      resting.set(id, { until: Date.now() + rest, times });
    },
    /** another process is at it, which may end before it is done */
    elsewhere: (id: string): void => {
      resting.set(id, { until: Date.now() + pause.first, times: resting.get(id)?.times ?? 0 });
    },
    over: (id: string): void => {
      resting.delete(id);
    },
    /**
     * How long until the next is due, ms; nothing where none rests. Those that were due when the last look
     * began, and were not found, are out of date no more.
     */
    next: (lookedAt: number): number | undefined => {
      for (const [id, { until }] of resting) if (until <= lookedAt) resting.delete(id);
      const until = Math.min(...[...resting.values()].map((rest) => rest.until));
      return Number.isFinite(until) ? Math.max(0, until - Date.now()) : undefined;
    },
  };
}

/** Makes one head's figures, if they are out of date and no other process is at them. */
function oneAnew(
  db: Database,
  metals: () => Promise<readonly Metal[]>,
  make: (design: Design) => Promise<Made>,
  resting: ReturnType<typeof openResting>,
): (id: string) => Promise<void> {
  const anew = async (id: string): Promise<void> => {
    const [row] = await db
      .select({ document: designs.document, version: designs.version })
      .from(designs)
      .where(and(eq(designs.id, id), isNull(designs.deletedAt), isStale(await metals())));
    if (!row) return;
    const made = await make(row.document as Design);
    if (made.summary === null) {
      resting.failed(id);
      return;
    }
    resting.over(id);
    // A save meanwhile has made its own, from the newest metals: only the row that was read is touched.
    await db
      .update(designs)
      .set(made)
      .where(and(eq(designs.id, id), eq(designs.version, row.version)));
  };
  return async (id) => {
    const isMine = await db.$client.runExclusive(`figures/${id}`, () => anew(id));
    if (!isMine) resting.elsewhere(id);
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
  const resting = openResting(pause);
  const anew = oneAnew(db, metals, make, resting);
  let timer: NodeJS.Timeout | undefined;

  const one = async (id: string): Promise<void> => {
    inHand.add(id);
    try {
      await anew(id);
    } finally {
      inHand.delete(id);
    }
  };

  const run = async (): Promise<void> => {
    const next = staleInTurn(db, metals, {
      onScreen: () => onScreen.shift(),
      mayBegin: (id) => !inHand.has(id) && resting.isDue(id),
      isEnding: () => isEnding,
    });
    const work = async () => {
      for (let id = await next(); id !== undefined; id = await next()) await one(id);
    };
    await Promise.all(Array.from({ length: ANEW_AT_ONCE }, work));
  };

  const wakeHere = (): void => {
    isWanted = true;
    if (isEnding || running) return;
    clearTimeout(timer);
    let lookedAt = Date.now();
    running = (async () => {
      while (isWanted && !isEnding) {
        isWanted = false;
        lookedAt = Date.now();
        await run();
      }
    })()
      .catch((reason: unknown) => {
        // The database may be closed under it at the end of the process.
        if (!isEnding) log.error(reason, 'figures were not made anew');
      })
      .finally(() => {
        running = undefined;
        const rest = resting.next(lookedAt);
        if (isEnding || rest === undefined) return;
        timer = setTimeout(wakeHere, rest);
        timer.unref();
      });
  };

  // Of those that share the database each takes what the others are not at.
  const self = randomUUID();
  const unsubscribe = db.$client.subscribe(TOPIC, (from) => {
    if (from !== self) wakeHere();
  });
  const wake = (): void => {
    wakeHere();
    if (!db.$client.isShared) return;
    db.$client.publish(TOPIC, self).catch((reason: unknown) => {
      log.error(reason, 'other servers were not told that figures are out of date');
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
      wakeHere();
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
      unsubscribe();
      clearTimeout(timer);
      await running;
    },
  };
}

import { and, desc, eq, gt, lt, ne } from 'drizzle-orm';
import type { Device } from '../../contract/people.ts';
import type { Database } from '../database.ts';
import { notFound } from '../problem.ts';
import { sessions } from '../schema-passing.ts';
import { digestOf, newSecret } from './secrets.ts';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;
/**
 * How long somebody stays signed in, ms: in all, and on a device that nobody uses. A phone in a drawer is not
 * signed in for ever; a bench that is used each day is not asked each day. Longer than the security
 * standard's second level asks for (`docs/security.md`).
 */
export const LASTS = { whole: 90 * DAY_MS, unused: 14 * DAY_MS } as const;
/** Age at which the secret of a session is changed for a new one, ms. */
const TURNS_MS = DAY_MS;
/** How long the one before still counts: requests that are under way carry it. */
const GRACE_MS = MINUTE_MS;
/** Uses closer together than this are noted as one, ms. */
const NOTED_MS = 5 * MINUTE_MS;

/** A session that counts, and the secret the device is to have from now on, where that is a new one. */
export interface Found {
  readonly personId: string;
  readonly key: string;
  readonly secret?: string;
}

/** Who is signed in, and on what. */
export class SessionStore {
  private readonly db: Database;

  constructor(db: Database) {
    this.db = db;
  }

  /** Begins a session; its secret, which only the device has from now on. */
  async begin(personId: string, device: string, address: string): Promise<string> {
    const secret = newSecret();
    const until = new Date(Date.now() + LASTS.whole);
    await this.db
      .insert(sessions)
      .values({ key: digestOf(secret), personId, device: device.slice(0, 200), address, until });
    await this.db.delete(sessions).where(lt(sessions.until, new Date()));
    return secret;
  }

  /** The session of a secret, where it still counts. */
  async find(secret: string, address: string): Promise<Found | undefined> {
    const key = digestOf(secret);
    const now = Date.now();
    const [row] = await this.db
      .select()
      .from(sessions)
      .where(
        and(
          eq(sessions.key, key),
          gt(sessions.until, new Date(now)),
          gt(sessions.seenAt, new Date(now - LASTS.unused)),
        ),
      );
    if (!row) return undefined;
    const { personId, turnedAt, seenAt, until } = row;
    const isNearEnd = until.getTime() - now <= GRACE_MS;
    if (now - turnedAt.getTime() > TURNS_MS && !isNearEnd) {
      const fresh = newSecret();
      const turned = await this.db.transaction(async (tx) => {
        // Of requests that come at once one turns it; the others go by the one before for a while.
        const mine = await tx
          .update(sessions)
          .set({ until: new Date(now + GRACE_MS) })
          .where(and(eq(sessions.key, key), eq(sessions.turnedAt, turnedAt), eq(sessions.until, until)))
          .returning({ key: sessions.key });
        if (mine.length === 0) return false;
        await tx
          .insert(sessions)
          .values({ ...row, key: digestOf(fresh), turnedAt: new Date(now), seenAt: new Date(now), address });
        return true;
      });
      if (turned) return { personId, key: digestOf(fresh), secret: fresh };
    } else if (now - seenAt.getTime() > NOTED_MS)
      await this.db
        .update(sessions)
        .set({ seenAt: new Date(now), address })
        .where(eq(sessions.key, key));
    return { personId, key };
  }

  /** The devices somebody is signed in on, the one last used first; `key` is the session that asks. */
  async devices(personId: string, key: string | undefined): Promise<Device[]> {
    const rows = await this.db
      .select()
      .from(sessions)
      .where(
        and(
          eq(sessions.personId, personId),
          // Those whose secret was just changed are there twice.
          gt(sessions.until, new Date(Date.now() + GRACE_MS)),
          gt(sessions.seenAt, new Date(Date.now() - LASTS.unused)),
        ),
      )
      .orderBy(desc(sessions.seenAt));
    return rows.map((row) => ({
      id: deviceId(row.key),
      device: row.device,
      address: row.address,
      since: row.since.toISOString(),
      seen: row.seenAt.toISOString(),
      isThis: row.key === key,
    }));
  }

  /** Ends the session of a secret. */
  async end(key: string): Promise<void> {
    await this.db.delete(sessions).where(eq(sessions.key, key));
  }

  /** Ends one of somebody's own devices by its id. */
  async endDevice(personId: string, id: string): Promise<void> {
    const rows = await this.db
      .select({ key: sessions.key })
      .from(sessions)
      .where(eq(sessions.personId, personId));
    const key = rows.find((row) => deviceId(row.key) === id)?.key;
    if (key === undefined) throw notFound('This device');
    await this.end(key);
  }

  /** Ends all of somebody's sessions, but for one where that is named. */
  async endAll(personId: string, but?: string): Promise<void> {
    await this.db
      .delete(sessions)
      .where(and(eq(sessions.personId, personId), but === undefined ? undefined : ne(sessions.key, but)));
  }
}

/** What a device is called by: its session's digest leads to no secret, and part of it is enough. */
const deviceId = (key: string): string => key.slice(0, 16);

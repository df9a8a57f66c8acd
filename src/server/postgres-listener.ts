import type { Client } from 'pg';
import type { Message } from './engine.ts';
import type { Pools } from './postgres-pools.ts';
import { PATIENCE_MS } from './postgres-pools.ts';

/** The channel that processes tell each other on. */
const CHANNEL = 'fern_anvil';

/** The message of a notification; nothing where it is of another program on the same channel. */
function messageIn(payload: string | undefined): Message | undefined {
  try {
    const { topic, text } = JSON.parse(payload ?? '') as Partial<Message>;
    return typeof topic === 'string' && typeof text === 'string' ? { topic, text } : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The connection that stays: it holds what this process has claimed, and hears what others tell. Lost, it is
 * made anew, and what was claimed over it is free again.
 */
export function openListener(pools: Pools, onMessage: (message: Message) => void) {
  let isEnding = false;
  let opening: Promise<Client> | undefined;
  const open = (): Promise<Client> =>
    (opening ??= (async () => {
      const client = await pools.dedicated();
      client.on('notification', ({ payload }) => {
        const news = messageIn(payload);
        if (news) onMessage(news);
      });
      client.once('end', () => {
        opening = undefined;
        if (!isEnding) listenAgain();
      });
      await client.query(`listen ${CHANNEL}`);
      return client;
    })().catch((error: unknown) => {
      opening = undefined;
      throw error;
    }));
  const listenAgain = (): void => {
    open().catch(() => {
      if (!isEnding) setTimeout(listenAgain, PATIENCE_MS).unref();
    });
  };
  const KEY = 'hashtextextended($1, 0)';
  return {
    open,
    claim: async (key: string): Promise<boolean> => {
      const { rows } = await (
        await open()
      ).query<{ ok: boolean }>(`select pg_try_advisory_lock(${KEY}) as ok`, [key]);
      return rows[0]?.ok ?? false;
    },
    release: async (key: string): Promise<void> => {
      await (await open()).query(`select pg_advisory_unlock(${KEY})`, [key]);
    },
    publish: async (message: Message): Promise<void> => {
      await (await open()).query('select pg_notify($1, $2)', [CHANNEL, JSON.stringify(message)]);
    },
    end: async (): Promise<void> => {
      isEnding = true;
      await (await opening?.catch(() => undefined))?.end();
    },
  };
}

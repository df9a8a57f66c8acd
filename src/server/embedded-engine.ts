import { PGlite } from '@electric-sql/pglite';
import { openCheckpoints } from './checkpoints.ts';
import { DURABLE_START, DurableFS } from './durable-fs.ts';
import { AS_TEXT } from './engine.ts';
import type { Engine, EngineSession, EngineTransaction } from './engine.ts';

const parsers = Object.fromEntries(AS_TEXT.map((type) => [type, (value: string) => value]));

/** Ends a transaction without keeping it. */
class RolledBack extends Error {}

const sessionOf = (client: Pick<PGlite, 'query' | 'exec'>): EngineSession => ({
  query: (text, params, rowMode) => client.query(text, [...params], { rowMode, parsers }),
  exec: (text) => client.exec(text),
});

/**
 * Opens the embedded database of a folder, which no other process may have open; `program` is its compiled
 * WebAssembly. Rejects with the database's own words.
 */
export async function openEmbedded(path: string, program: WebAssembly.Module): Promise<Engine> {
  const client = await PGlite.create({
    fs: new DurableFS(path),
    startParams: DURABLE_START,
    wasmModule: program,
  });
  const checkpoints = openCheckpoints(client);

  const begin = (): Promise<EngineTransaction> =>
    new Promise((begun, failed) => {
      const whole = client.transaction(async (session) => {
        await new Promise<void>((commit, rollBack) => {
          begun({
            ...sessionOf(session),
            end: async (commits) => {
              if (commits) commit();
              else rollBack(new RolledBack());
              await whole.catch((error: unknown) => {
                if (commits || !(error instanceof RolledBack)) throw error;
              });
            },
          });
        });
      });
      whole.catch(failed);
    });

  return {
    ...sessionOf(client),
    begin,
    source: () => Promise.resolve({ source: client, end: () => Promise.resolve() }),
    touched: checkpoints.touched,
    checkpoint: async () => {
      await client.exec('checkpoint');
    },
    close: async () => {
      checkpoints.end();
      await client.close();
    },
  };
}

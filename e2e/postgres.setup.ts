import type { TestProject } from 'vitest/node';
import { DEMO_DATABASE, databaseFor } from '../src/server/database.test-kit.ts';
import { dataFolder, startServer } from './server.ts';

/**
 * Builds what the browser tests run, starts a PostgreSQL server and loads the demo workshop there once: each
 * of them begins from a copy.
 */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const { ensureBuilt, ensureNode } = await import('../scripts/build.mjs');
  await ensureBuilt();
  await ensureNode();
  const postgres = await import('../scripts/postgres.mjs');
  const database = await postgres.startServer(postgres.makeCluster(), await postgres.freePort());
  const { path, remove } = dataFolder();
  // For this start alone: other projects are set up in the same process.
  process.env['FERN_ANVIL_TEST_POSTGRES'] = database.url();
  try {
    const name = new URL(await databaseFor(path)).pathname.slice(1);
    const server = await startServer(path, { demo: true });
    await server.end();
    const { Client } = (await import('pg')).default;
    const client = new Client({ connectionString: database.url() });
    await client.connect();
    await client.query(`alter database ${name} rename to ${DEMO_DATABASE}`);
    await client.end();
  } finally {
    delete process.env['FERN_ANVIL_TEST_POSTGRES'];
    remove();
  }
  project.provide('postgres', database.url());
  return async () => {
    await database.stop();
    database.remove();
  };
}

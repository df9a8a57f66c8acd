import { rmSync } from 'node:fs';
import { DEMO_SHOP, dataFolder, startServer } from './server.ts';

/** Builds what the browser tests run, and loads the demo workshop once: each of them begins from a copy. */
export async function setup(): Promise<() => void> {
  const { ensureBuilt, ensureNode } = await import('../scripts/build.mjs');
  await ensureBuilt();
  await ensureNode();
  const { path } = dataFolder();
  const server = await startServer(path, { demo: true });
  await server.end();
  process.env[DEMO_SHOP] = path;
  return () => rmSync(path, { recursive: true, force: true });
}

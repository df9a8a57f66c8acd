// A PostgreSQL server for the tests of a project, with the built program that their threads run.
import { ensureNode } from './build.mjs';
import { freePort, makeCluster, startServer } from './postgres.mjs';

export async function setup(project) {
  await ensureNode();
  const server = await startServer(makeCluster(), await freePort());
  project.provide('postgres', server.url());
  return async () => {
    await server.stop();
    server.remove();
  };
}

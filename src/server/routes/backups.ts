import { messageOf } from '../../core/kind/index.ts';
import { createReadStream } from 'node:fs';
import type Router from '@koa/router';
import { etagOf } from '../../contract/api.ts';
import { checkBackupsEdit } from '../../contract/validate.ts';
import { writeBackup } from '../backup.ts';
import type { Backups } from '../backups.ts';
import type { Database } from '../database.ts';
import type { Pool } from '../pool.ts';
import { HttpProblem } from '../problem.ts';
import { attach, gone, taken, wantedVersion } from '../request.ts';

/**
 * Longest that reading a backup whole may take, s: a hundred thousand heads with their histories take
 * minutes.
 */
const SECONDS = 1800;

/** The whole shop as one sealed file, and the folder of those that are made by themselves. */
export function backupRoutes(router: Router, db: Database, backups: Backups, pool: Pool): void {
  router.get('/backup', (ctx) => {
    attach(ctx, `shop-${new Date().toISOString().slice(0, 10)}.fern-backup.gz`);
    ctx.type = 'application/gzip';
    // It is packed already.
    ctx.compress = false;
    ctx.body = writeBackup(db);
  });
  router.get('/backups', async (ctx) => {
    const state = await backups.state();
    ctx.set('ETag', etagOf(state.version));
    ctx.body = state;
  });
  router.put('/backups', async (ctx) => {
    const state = await backups.edit(taken(checkBackupsEdit(ctx.request.body)), wantedVersion(ctx));
    ctx.set('ETag', etagOf(state.version));
    ctx.body = state;
  });
  router.post('/backups', async (ctx) => {
    ctx.status = 202;
    ctx.body = await backups.makeNow();
  });
  router.get('/backups/:name', async (ctx) => {
    const name = String(ctx.params['name']);
    const file = await backups.fileOf(name);
    attach(ctx, name);
    ctx.type = 'application/gzip';
    ctx.compress = false;
    ctx.body = createReadStream(file);
  });
  router.post('/backups/:name/verify', async (ctx) => {
    const file = await backups.fileOf(String(ctx.params['name']));
    ctx.body = await pool
      .run('backup', [file], { seconds: SECONDS, signal: gone(ctx) })
      .catch((error: unknown) => {
        // What a thread throws has lost its class, not its words.
        if (error instanceof HttpProblem) throw error;
        throw new HttpProblem(409, 'Damaged', `This backup cannot be used: ${messageOf(error)}`);
      });
  });
  router.post('/backups/:name/restore', async (ctx) => {
    ctx.status = 202;
    ctx.body = await backups.restore(String(ctx.params['name']));
  });
}

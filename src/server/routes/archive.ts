import type Router from '@koa/router';
import { COLLECTIONS } from '../../contract/collections/index.ts';
import type { Database } from '../database.ts';
import { archivedOf } from '../archived.ts';

/** Days for which what was deleted is shown to be brought back. */
const DAYS = 30;
/** Most told of each collection: the newest. */
const MOST = 500;

/** What was archived, and what was deleted in the last thirty days, of every collection, the newest first. */
export function archiveRoutes(router: Router, db: Database): void {
  router.get('/archive', async (ctx) => {
    const lists = await Promise.all(COLLECTIONS.map((collection) => archivedOf(db, collection, DAYS, MOST)));
    ctx.body = { rows: lists.flat().sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0)) };
  });
}

import { Router } from 'express';
import type { Db } from '../db/connect.js';
import { route } from '../http/route.js';

/** How many entries are given at once. */
const page = 100;

/** The audit log, for administrators. */
export function auditRouter(db: Db): Router {
  const router = Router();
  route(router, db, 'audit', async ({ query }) => {
    let rows = db
      .selectFrom('audit')
      .selectAll()
      .orderBy('number', 'desc')
      .limit(page + 1);
    if (query.before !== undefined) rows = rows.where('number', '<', String(query.before));
    const entries = await rows.execute();
    return {
      entries: entries.slice(0, page).map((entry) => ({
        number: Number(entry.number),
        at: entry.at.toISOString(),
        by: entry.by_name,
        action: entry.action,
        to: entry.to_name,
        with: entry.detail,
      })),
      isMore: entries.length > page,
    };
  });
  return router;
}

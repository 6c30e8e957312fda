import { Router, type Response } from 'express';
import type { Cell } from 'core/table';
import { setTimeout as pause } from 'node:timers/promises';
import { readFeedQuery, type FeedFault, type FeedQuery } from './feed-query';
import { rowsUntil, seasonRows, withOtherColumns, type SeasonRows } from './season-rows';

/** How a page of rows is written. */
interface FeedFormat {
  readonly type: string;
  readonly write: (rows: SeasonRows) => string;
}

const cell = (value: Cell = null): string => {
  const text = value === null ? '' : String(value);
  return /[",\r\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
};

const formats: Readonly<Record<string, FeedFormat>> = {
  json: {
    type: 'application/json',
    write: ({ names, rows }) => JSON.stringify(rows.map(cells => Object.fromEntries(names.map((name, at) => [name, cells[at]])))),
  },
  csv: {
    type: 'text/csv; charset=utf-8',
    write: ({ names, rows }) => [names, ...rows].map(cells => `${cells.map(cell).join(',')}\r\n`).join(''),
  },
};

// Held back longer than a fetch waits.
const SLOW_MS = 20_000;
// Counters of answers that failed on purpose, at most; the oldest go first.
const MOST_COUNTED = 500;

/**
 * Feeds of the demo season, a stand-in for sources elsewhere: /feeds/deliveries.json and .csv, page by page, the next one named by a Link header
 * (RFC 8288). The query sets pages (`page`, `size`), the last day (`until`), a delay in milliseconds, and a fault: `slow`, `error` (500), `garbage`, `cut`
 * (off in the middle), `columns` (others than yesterday), for as many answers of an `id` as `fails` says.
 */
export function feeds(root: string): Router {
  const router = Router();
  const season = seasonRows(root);
  const failed = new Map<string, number>();
  router.get('/deliveries.:format', async (request, response) => {
    const [format, query] = [formats[request.params.format], readFeedQuery(request.query)];
    if (!format) return void response.status(404).json({ error: 'not-found', message: 'There is no such feed.' });
    if (!query) return void response.status(400).json({ error: 'request', message: 'The query of the feed cannot be understood.' });
    await pause(query.delay);
    const fault = faultNow(query, failed);
    const whole = rowsUntil(await season(), query.until);
    const rows = fault === 'columns' ? withOtherColumns(whole) : whole;
    const from = (query.page - 1) * query.size;
    const body = format.write({ names: rows.names, rows: rows.rows.slice(from, from + query.size) });
    response.set('Cache-Control', 'no-store').type(format.type);
    if (from + query.size < rows.rows.length) response.set('Link', `<${nextOf(request.originalUrl, query.page)}>; rel="next"`);
    await answer(response, body, fault);
  });
  return router;
}

const answer = async (response: Response, body: string, fault: FeedFault | null): Promise<void> => {
  if (fault === 'slow') await pause(SLOW_MS);
  if (fault === 'error') return void response.status(500).json({ error: 'server', message: 'The feed fails on purpose.' });
  if (fault === 'garbage') return void response.send('\u0000\u0001<<< no rows here >>>\u0000');
  if (fault !== 'cut') return void response.send(body);
  // Told to be longer than what comes: whoever reads it knows that it was cut.
  response.set('Content-Length', String(Buffer.byteLength(body)));
  response.set('Content-Encoding', 'identity');
  response.write(body.slice(0, body.length >> 1));
  response.socket?.destroySoon();
};

/** The fault of this answer: as asked, until as many of its id have failed as were to. */
function faultNow({ fault, fails, id }: FeedQuery, failed: Map<string, number>): FeedFault | null {
  if (!fault) return null;
  if (fails === undefined) return fault;
  const count = failed.get(id) ?? 0;
  if (count >= fails) return null;
  failed.delete(id);
  failed.set(id, count + 1);
  const [oldest] = failed.keys();
  if (failed.size > MOST_COUNTED && oldest !== undefined) failed.delete(oldest);
  return fault;
}

function nextOf(url: string, page: number): string {
  const next = new URL(url, 'http://feed');
  next.searchParams.set('page', String(page + 1));
  return `${next.pathname}${next.search}`;
}

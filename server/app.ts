import compression from 'compression';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { compressedFiles } from './compressed-files';
import { feeds } from './feeds/feeds';
import { fetchFeed } from './feeds/fetch-feed';
import { ownNames } from './host-names';
import type { RenderPool } from './render/render-pool';
import { renderRoute } from './render/render-route';
import { securityHeaders } from './security-headers';

/** Options of the server: what it serves, and to whom. */
export interface ServerOptions {
  /** Folder of the built application. */
  readonly root: string;
  /** Names by which it answers beside those of its own addresses. */
  readonly names?: readonly string[];
  /** Makes figures for who asks; nobody does unless it is there. */
  readonly render?: RenderPool;
}

// Files whose names carry a hash of their contents never change.
const HASHED = /-[\w-]{8}\.(js|css|woff2|map)(\.gz)?$/;
const METHODS = ['GET', 'HEAD'];
const A_YEAR_S = 31_536_000;

/** The server: the built application with the right headers, its simulated feeds and the way to them, and its health. */
export function createApp({ root, names = [], render }: ServerOptions): Express {
  const app = express();
  app.use(compression());
  app.use(...securityHeaders);
  app.use(ownNames(names));
  if (render) app.use(renderRoute(render));
  app.use((request, response, next) => {
    if (METHODS.includes(request.method)) return next();
    response.status(405).set('Allow', METHODS.join(', ')).json({ error: 'method', message: 'This server only hands out what it has.' });
  });
  app.use('/feeds', feeds(root));
  app.get('/fetch', fetchFeed);
  app.get('/health', (_request, response) => void response.json({ status: 'ok' }));
  app.get(['/', '/index.html'], sendPage(root));
  app.use(compressedFiles(root));
  app.use(express.static(root, { index: false, setHeaders: (response, path) => response.setHeader('Cache-Control', cacheFor(path)) }));
  // Matching decodes the path: one that cannot be decoded is a fault of the request, not a missing file.
  app.get('/{*path}', (_request, _response, next) => next());
  app.use((_request, response) => void response.status(404).json({ error: 'not-found', message: 'There is nothing at this address.' }));
  app.use(onError);
  return app;
}

const cacheFor = (path: string): string => (HASHED.test(path) ? `public, max-age=${A_YEAR_S}, immutable` : 'no-cache');

/** The page, with this answer's nonce in the places that may hold styles. */
const sendPage =
  (root: string) =>
  async (_request: Request, response: Response): Promise<void> => {
    const page = await readFile(join(root, 'index.html'), 'utf8');
    response
      .set('Cache-Control', 'no-cache')
      .type('html')
      .send(page.replaceAll('__NONCE__', String(response.locals['nonce'])));
  };

function onError(error: unknown, _request: Request, response: Response, _next: NextFunction): void {
  const status = statusOf(error);
  if (status >= 500) console.error(error);
  const message = status >= 500 ? 'The server could not answer. Look at its log.' : 'The request cannot be understood.';
  response.status(status).json({ error: status >= 500 ? 'server' : 'request', message });
}

function statusOf(error: unknown): number {
  const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
  return status >= 400 && status < 600 ? status : 500;
}

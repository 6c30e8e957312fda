import express, { Router, type NextFunction, type Request, type Response } from 'express';
import { MOST_BYTES, problem, type RenderAnswer } from './ask';
import { openApi } from './open-api';
import type { RenderPool } from './render-pool';

// Seconds after which whoever found no room may ask again.
const AGAIN_S = 2;

/** `POST /render`, and `GET /openapi.json`, which describes it. */
export function renderRoute(pool: RenderPool): Router {
  const router = Router();
  router.get('/openapi.json', (_request, response) => void response.json(openApi));
  router.post('/render', express.text({ type: 'application/json', limit: MOST_BYTES }), async (request, response) => {
    const body: unknown = request.body;
    if (typeof body !== 'string') return give(response, problem(415, 'No JSON', 'Send the question as application/json.'));
    const answer = await pool.ask(body);
    if (!answer) {
      response.set('Retry-After', String(AGAIN_S));
      return give(response, problem(503, 'Too much at once', `Other figures are being made. Ask again in ${AGAIN_S} seconds.`));
    }
    give(response, answer);
  });
  router.use('/render', onError);
  return router;
}

function give(response: Response, answer: RenderAnswer): void {
  if (answer.ok) {
    response.set('Cache-Control', 'no-store').type(answer.type).send(Buffer.from(answer.bytes));
    return;
  }
  const { status, ...rest } = answer.problem;
  response
    .status(status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', status, ...rest }));
}

/** Answers errors of reading the body. */
function onError(error: unknown, _request: Request, response: Response, next: NextFunction): void {
  const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 500;
  if (status === 413) return give(response, problem(413, 'Too large', `A question may have ${MOST_BYTES / 1024 / 1024} MB.`));
  if (status >= 400 && status < 500)
    return give(response, problem(status, 'A question that cannot be read', 'Send the question as application/json in UTF-8.'));
  next(error);
}

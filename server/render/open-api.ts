import * as z from 'zod/mini';
import { renderAskSchema } from './ask';

const problemJson = (description: string) => ({
  description,
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
});

const bytes = { schema: { type: 'string', format: 'binary' } };
const { $schema: _dialect, ...ask } = z.toJSONSchema(renderAskSchema, { io: 'input', unrepresentable: 'any' });

/** What the server's rendering takes and gives, as OpenAPI 3.1; the question's schema is generated from what reads it. */
export const openApi = {
  openapi: '3.1.0',
  info: {
    title: 'Cowbell rendering',
    version: '1',
    description: 'Makes a figure of a project without a screen.',
    license: { name: 'MIT', identifier: 'MIT' },
  },
  servers: [{ url: '/' }],
  paths: {
    '/render': {
      post: {
        operationId: 'render',
        summary: 'A figure of a project',
        requestBody: { required: true, content: { 'application/json': { schema: { $ref: '#/components/schemas/Ask' } } } },
        responses: {
          200: {
            description: 'The figure, or its ledger.',
            content: {
              'image/svg+xml': bytes,
              'image/png': bytes,
              'text/csv': bytes,
              'application/json': { schema: { type: 'array', items: { type: 'object' } } },
            },
          },
          400: problemJson('The question cannot be read.'),
          404: problemJson('The project has no such figure.'),
          413: problemJson('The question is too large.'),
          415: problemJson('The question is no JSON.'),
          422: problemJson('The project cannot be read, or the figure cannot be drawn.'),
          500: problemJson('A fault of the server.'),
          503: {
            ...problemJson('Too much is asked at once.'),
            headers: { 'Retry-After': { description: 'Seconds after which to ask again.', schema: { type: 'integer' } } },
          },
          504: problemJson('The figure could not be made in time.'),
        },
      },
    },
  },
  components: {
    schemas: {
      Ask: ask,
      Problem: {
        type: 'object',
        required: ['type', 'status', 'title', 'detail'],
        properties: {
          type: { type: 'string' },
          status: { type: 'integer' },
          title: { type: 'string' },
          detail: { type: 'string' },
          faults: { type: 'array', items: { type: 'string' } },
        },
      },
    },
  },
} as const;

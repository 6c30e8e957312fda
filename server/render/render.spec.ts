import { Validator } from '@seriousme/openapi-schema-validator';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import request from 'supertest';
import { createApp } from '../app';
import { MOST_BYTES } from './ask';
import { openApi } from './open-api';
import { RenderPool } from './render-pool';

const season = async (): Promise<object> =>
  JSON.parse(await readFile(join(process.cwd(), 'demo', 'data', 'highmeadow.json'), 'utf8')) as object;

/** A question that takes a worker a while: a large picture. */
const large = (project: object): object => ({ project, format: 'png', width: 6_000, height: 6_000 });

describe('rendering for who asks', () => {
  const pool = new RenderPool({ workers: 1, waiting: 2, patience: 30_000 });
  const app = createApp({ root: '/tmp', render: pool });
  let project: object;
  beforeAll(async () => (project = await season()));
  afterAll(() => pool.close());
  const ask = (question: unknown) =>
    request(app)
      .post('/render')
      .send(question as object)
      .buffer(true)
      .parse(collect as never);

  const given: readonly [name: string, more: object, type: RegExp, begins: string][] = [
    ['SVG', {}, /image\/svg/, '<svg '],
    ['a picture', { format: 'png', width: 400, height: 300, scale: 2 }, /image\/png/, '\u0089PNG'],
    ['the ledger as CSV', { format: 'csv', figure: 'Milk by hut' }, /text\/csv/, 'hut,valley,milk'],
    ['the ledger as JSON', { format: 'json' }, /application\/json/, '[\n{"hut":"Kettlemoor"'],
    ['a livery', { theme: 'Ink on paper' }, /image\/svg/, '<svg '],
  ];
  for (const [name, more, type, begins] of given)
    it(`gives ${name}`, async () => {
      const answer = await ask({ project, ...more });
      expect(answer.status).toBe(200);
      expect(answer.headers['content-type']).toMatch(type);
      expect((answer.body as Buffer).toString('latin1').startsWith(begins)).toBeTrue();
    }, 30_000);

  it('gives the same bytes twice', async () => {
    const [a, b] = [await ask({ project, format: 'png' }), await ask({ project, format: 'png' })];
    expect((a.body as Buffer).equals(b.body as Buffer)).toBeTrue();
  }, 30_000);

  const refused: readonly [name: string, question: () => unknown, status: number, says: RegExp][] = [
    ['a field that is none', () => ({ project, format: 'gif' }), 400, /format/],
    ['no project', () => ({}), 400, /project/],
    ['a figure that is not there', () => ({ project, figure: 'Nobody' }), 404, /No figure is called Nobody/],
    ['a project of another kind', () => ({ project: { format: 'else' } }), 422, /Cowbell/],
    ['a theme that is none', () => ({ project, theme: 'neon' }), 400, /no theme neon/],
    ['too many pixels', () => ({ project, format: 'png', width: 8_000, height: 8_000, scale: 4 }), 400, /pixels/],
  ];
  for (const [name, question, status, says] of refused)
    it(`refuses ${name} with ${status}`, async () => {
      const answer = await ask(question());
      const told = JSON.parse((answer.body as Buffer).toString()) as { status: number; detail: string };
      expect([answer.status, told.status]).toEqual([status, status]);
      expect(answer.headers['content-type']).toContain('application/problem+json');
      expect(told.detail).toMatch(says);
    }, 30_000);

  it('refuses what is no JSON, and what says it is something else', async () => {
    expect((await request(app).post('/render').type('application/json').send('{"project":')).status).toBe(400);
    expect((await request(app).post('/render').type('text/csv').send('a,b')).status).toBe(415);
    expect((await request(app).get('/render')).status).toBe(404);
  });

  it('refuses a project that is nested too deep', async () => {
    const deep = `{"project":{"a":${'['.repeat(50_000)}${']'.repeat(50_000)}}}`;
    const answer = await request(app).post('/render').type('application/json').send(deep);
    expect([answer.status, (JSON.parse(answer.text) as { detail: string }).detail]).toEqual([400, jasmine.stringMatching(/deeper than/)]);
  }, 30_000);

  it('refuses what is too large', async () => {
    const answer = await request(app)
      .post('/render')
      .type('application/json')
      .send(`"${'x'.repeat(MOST_BYTES)}"`);
    expect(answer.status).toBe(413);
  });

  it('says when to come again while there is too much', async () => {
    const answers = await Promise.all(Array.from({ length: 6 }, () => ask(large(project))));
    const [busy] = answers.filter(({ status }) => status === 503);
    expect(busy?.headers['retry-after']).toBe('2');
    expect(answers.some(({ status }) => status === 200)).toBeTrue();
    expect((await ask({ project })).status).toBe(200);
  }, 120_000);

  it('ends what takes too long, and goes on', async () => {
    const hasty = new RenderPool({ workers: 1, waiting: 2, patience: 1 });
    const late = createApp({ root: '/tmp', render: hasty });
    expect((await request(late).post('/render').send({ project })).status).toBe(504);
    await hasty.close();
  }, 30_000);

  it('is not there unless it was asked for', async () => {
    expect(
      (
        await request(createApp({ root: '/tmp' }))
          .post('/render')
          .send({ project })
      ).status,
    ).toBe(405);
  });

  it('is described by a document that is valid', async () => {
    const told = await request(app).get('/openapi.json');
    expect(told.body).toEqual(JSON.parse(JSON.stringify(openApi)));
    const read = await new Validator().validate(told.body as never);
    expect([read.valid, 'errors' in read ? read.errors : undefined]).toEqual([true, undefined]);
  });
});

/** The body as it came. */
function collect(response: NodeJS.ReadableStream, done: (error: Error | null, body: Buffer) => void): void {
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => done(null, Buffer.concat(chunks)));
}

import { mkdtemp, mkdir, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import request from 'supertest';
import { createApp } from './app';

/** A small build, as the real one lies on the disk. */
async function buildFolder(): Promise<string> {
  const root = await mkdtemp(join(tmpdir(), 'cowbell-'));
  await mkdir(join(root, 'demo'));
  await writeFile(join(root, 'index.html'), '<cb-shell ngCspNonce="__NONCE__"></cb-shell>');
  await writeFile(join(root, 'main-ABCD1234.js'), `"${'x'.repeat(4000)}"`);
  await writeFile(join(root, 'boot-ABCD1234.js'), 'plain');
  await writeFile(join(root, 'boot-ABCD1234.js.gz'), gzipSync('packed'));
  await writeFile(join(root, 'demo', 'huts.csv'), 'hut,milk\r\nAlm,3\r\n');
  return root;
}

describe('the server', () => {
  let app: ReturnType<typeof createApp>;
  beforeAll(async () => (app = createApp({ root: await buildFolder() })));

  const answers: readonly [path: string, accept: string, status: number, body: RegExp, cache: string | undefined][] = [
    ['/health', 'application/json', 200, /"status":"ok"/, undefined],
    ['/', 'text/html', 200, /cb-shell/, 'no-cache'],
    ['/index.html', 'text/html', 200, /cb-shell/, 'no-cache'],
    ['/some/place', 'text/html', 404, /There is nothing at this address/, undefined],
    ['/main-ABCD1234.js', '*/*', 200, /xxx/, 'public, max-age=31536000, immutable'],
    ['/demo/huts.csv', '*/*', 200, /Alm,3/, 'no-cache'],
    ['/gone.js', '*/*', 404, /There is nothing at this address/, undefined],
    ['/some/place', 'application/json', 404, /not-found/, undefined],
    ['/%E0%A4%A', '*/*', 400, /cannot be understood/, undefined],
    ['/../package.json', '*/*', 404, /not-found/, undefined],
  ];
  for (const [path, accept, status, body, cache] of answers)
    it(`answers ${path} (${accept}) with ${status}`, async () => {
      const answer = await request(app).get(path).set('Accept', accept);
      expect(answer.status).toBe(status);
      expect(answer.text).toMatch(body);
      expect(answer.headers['cache-control']).toBe(cache as string);
    });

  it('lets nothing in from elsewhere, and gives each page a nonce of its own', async () => {
    const [first, second] = [
      await request(app).get('/').set('Accept', 'text/html'),
      await request(app).get('/').set('Accept', 'text/html'),
    ];
    const policy = first.headers['content-security-policy'] ?? '';
    const nonce = /'nonce-([^']+)'/.exec(policy)?.[1] ?? '';
    expect(first.text).toContain(`ngCspNonce="${nonce}"`);
    expect(second.text).not.toContain(nonce);
    expect(policy).toContain("default-src 'self';script-src 'self';");
    expect(policy).not.toMatch(/https?:|unsafe/);
    expect(first.headers['x-content-type-options']).toBe('nosniff');
    expect(first.headers['x-powered-by']).toBeUndefined();
  });
  const hosts: readonly [host: string, status: number][] = [
    ['127.0.0.1:4600', 200],
    ['LOCALHOST', 200],
    ['[::1]:4600', 200],
    ['charts.example', 200],
    ['elsewhere.example', 421],
    ['charts.example.elsewhere', 421],
    ['10.9.8.7', 421],
    ['a b', 421],
  ];
  for (const [host, status] of hosts)
    it(`answers ${status} by the name ${host}`, async () => {
      const named = createApp({ root: await buildFolder(), names: ['charts.example'] });
      expect((await request(named).get('/health').set('Host', host)).status).toBe(status);
    });
  for (const method of ['post', 'put', 'delete', 'patch', 'options'] as const)
    it(`has no answer to ${method}, and says what it takes`, async () => {
      const answer = await request(app)[method]('/');
      expect([answer.status, answer.headers['allow']]).toEqual([405, 'GET, HEAD']);
    });
  const twins: readonly [accepts: string, body: string][] = [
    ['gzip', 'packed'],
    ['identity', 'plain'],
  ];
  for (const [accepts, body] of twins)
    it(`serves the ${body} file to a browser that accepts ${accepts}`, async () => {
      const answer = await request(app).get('/boot-ABCD1234.js').set('Accept-Encoding', accepts);
      expect([answer.text, answer.headers['content-type'], answer.headers['cache-control']]).toEqual([
        body,
        jasmine.stringMatching(/javascript/),
        jasmine.stringMatching(/immutable/),
      ]);
    });
  it('compresses what is large', async () => {
    const answer = await request(app).get('/main-ABCD1234.js').set('Accept-Encoding', 'gzip');
    expect(answer.headers['content-encoding']).toBe('gzip');
  });
});

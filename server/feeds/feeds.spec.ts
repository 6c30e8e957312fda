import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { mkdir, mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '../app';

const ROWS = [
  'hut,week,milk,butterfat',
  'Alm,2031-05-05,3,1',
  '"Berg, low",2031-05-12,4,2',
  'Cloud,2031-05-19,5,3',
  'Dale,2031-05-26,,4',
  'Edel,2031-06-02,7,5',
];

describe('feeds', () => {
  let server: Server;
  let at = '';
  beforeAll(async () => {
    const root = await mkdtemp(join(tmpdir(), 'cowbell-feeds-'));
    await mkdir(join(root, 'demo'));
    await writeFile(join(root, 'index.html'), '');
    await writeFile(join(root, 'demo', 'deliveries.csv'), ROWS.join('\r\n'));
    server = createApp({ root }).listen(0, '127.0.0.1');
    await new Promise(done => server.once('listening', done));
    at = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => server.close());

  const got = async (path: string): Promise<{ status: number; text: string }> => {
    const answer = await fetch(at + path);
    return { status: answer.status, text: await answer.text() };
  };
  const fetched = (address: string) => got(`/fetch?address=${encodeURIComponent(address)}`);

  it('give pages, each naming the next by a link', async () => {
    const answer = await fetch(`${at}/feeds/deliveries.json?size=2&page=2`);
    expect(await answer.json()).toEqual([
      { hut: 'Cloud', week: '2031-05-19', milk: 5, butterfat: 3 },
      { hut: 'Dale', week: '2031-05-26', milk: null, butterfat: 4 },
    ]);
    expect(answer.headers.get('link')).toBe('</feeds/deliveries.json?size=2&page=3>; rel="next"');
    const last = await fetch(`${at}/feeds/deliveries.csv?size=2&page=3`);
    expect([await last.text(), last.headers.get('link')]).toEqual(['hut,week,milk,butterfat\r\nEdel,2031-06-02,7,5\r\n', null]);
  });

  it('are fetched whole, page by page', async () => {
    const json = await fetched('/feeds/deliveries.json?size=2');
    expect((JSON.parse(json.text) as { hut: string }[]).map(({ hut }) => hut)).toEqual(['Alm', 'Berg, low', 'Cloud', 'Dale', 'Edel']);
    expect((await fetched('/feeds/deliveries.csv?size=2')).text).toBe(`${ROWS.join('\r\n')}\r\n`);
    expect((await fetched('/feeds/deliveries.csv?until=2031-05-12')).text).toBe(`${ROWS.slice(0, 3).join('\r\n')}\r\n`);
  });

  const refused: readonly [name: string, address: string][] = [
    ['another server', 'http://elsewhere.example/feeds/deliveries.json'],
    ['another server without its scheme', '//elsewhere.example/feeds/deliveries.json'],
    ['this server by its whole name', 'http://127.0.0.1/feeds/deliveries.json'],
    ['a file', 'file:///etc/hosts'],
    ['a page that is no feed', '/health'],
    ['itself', '/fetch?address=/fetch'],
    ['a way out of the folder', '/feeds/../health'],
    ['a way out in disguise', '/feeds/%2e%2e/health'],
    ['a back stroke', '/\\elsewhere.example/feeds/deliveries.json'],
    ['nothing', ''],
  ];
  for (const [name, address] of refused)
    it(`refuse ${name}`, async () => {
      const { status, text } = await fetched(address);
      expect([status, (JSON.parse(text) as { error: string }).error]).toEqual([403, 'address']);
    });

  const faults: readonly [name: string, query: string, error: string][] = [
    ['an error', 'fault=error', 'answer'],
    ['garbage', 'fault=garbage', 'garbage'],
    ['a cut in the middle', 'fault=cut', 'cut'],
    ['a query that cannot be meant', 'size=0', 'answer'],
  ];
  for (const [name, query, error] of faults)
    it(`tell ${name}`, async () => {
      const { status, text } = await fetched(`/feeds/deliveries.json?${query}`);
      expect([status, (JSON.parse(text) as { error: string }).error]).toEqual([502, error]);
    });

  it('fail as often as was asked, and are good after that', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 4; i++) statuses.push((await fetched('/feeds/deliveries.csv?fault=cut&fails=2&id=spec')).status);
    expect(statuses).toEqual([502, 502, 200, 200]);
  });

  it('change their columns', async () => {
    const [first] = JSON.parse((await fetched('/feeds/deliveries.json?fault=columns')).text) as object[];
    expect(Object.keys(first ?? {})).toEqual(['hut', 'week', 'litres', 'station']);
  });

  it('answer 404 in another format', async () => expect((await got('/feeds/deliveries.xml')).status).toBe(404));
});

import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { connect, createServer, type AddressInfo } from 'node:net';
import { join } from 'node:path';
import { readSettings } from './settings';

describe('settings of the server', () => {
  const fine: readonly [env: Record<string, string>, settings: object][] = [
    [{}, { port: 4600, host: '127.0.0.1', names: [] }],
    [
      { PORT: '', HOST: '', ALLOWED_HOSTS: ' ' },
      { port: 4600, host: '127.0.0.1', names: [] },
    ],
    [
      { PORT: '0', HOST: '::1' },
      { port: 0, host: '::1', names: [] },
    ],
    [
      { PORT: ' 65535 ', ALLOWED_HOSTS: 'Charts.example, b' },
      { port: 65_535, host: '127.0.0.1', names: ['charts.example', 'b'] },
    ],
  ];
  for (const [env, settings] of fine)
    it(JSON.stringify(env), () => expect(readSettings(env)).toEqual({ ok: true, value: settings as never }));
  const wrong: readonly [env: Record<string, string>, says: RegExp][] = [
    [{ PORT: 'abc' }, /^PORT is “abc”.*from 0 to 65535/],
    [{ PORT: '99999' }, /^PORT is “99999”/],
    [{ PORT: '-1' }, /^PORT is “-1”/],
    [{ PORT: '80.5' }, /^PORT is “80.5”/],
    [{ PORT: '1e3' }, /^PORT is “1e3”/],
    [{ HOST: 'a b' }, /^HOST is “a b”/],
    [{ ALLOWED_HOSTS: 'a,,b' }, /^ALLOWED_HOSTS is “a,,b”/],
  ];
  for (const [env, says] of wrong)
    it(`${JSON.stringify(env)} is refused in one line`, () => {
      const read = readSettings(env);
      expect(read.ok ? '' : read.message).toMatch(says);
      expect(read.ok ? '\n' : read.message).not.toContain('\n');
    });
});

describe('the server as a program', () => {
  const WAIT_MS = 60_000;
  const main = join(import.meta.dirname, 'main.ts');
  let child: ChildProcess;
  const start = (env: Record<string, string>): { said: () => string; ended: Promise<unknown[]> } => {
    let text = '';
    child = spawn(process.execPath, ['--import', 'tsx', main], { env: { ...process.env, ...env } });
    child.stdout?.on('data', (piece: Buffer) => (text += piece.toString()));
    child.stderr?.on('data', (piece: Buffer) => (text += piece.toString()));
    return { said: () => text, ended: once(child, 'close') };
  };
  /** Starts at any free port and gives the address that was printed. */
  const running = async (): Promise<{ address: string; ended: Promise<unknown[]> }> => {
    const { said, ended } = start({ PORT: '0', HOST: '' });
    while (!said().includes('\n')) await Promise.race([once(child.stdout as never, 'data'), ended]);
    return { address: /http:\S+/.exec(said())?.[0] ?? '', ended };
  };
  afterEach(() => void child.kill('SIGKILL'));

  const wrong: readonly [env: Record<string, string>, says: RegExp][] = [
    [{ PORT: 'abc' }, /^PORT is “abc”[^\n]*\n$/],
    [{ PORT: '0', HOST: '203.0.113.7' }, /^HOST is “203.0.113.7”, but that is no address of this machine[^\n]*\n$/],
  ];
  for (const [env, says] of wrong)
    it(
      `${JSON.stringify(env)} ends with one line and code 2`,
      async () => {
        const { said, ended } = start(env);
        const [code] = await ended;
        expect(said()).toMatch(says);
        expect(code).toBe(2);
      },
      WAIT_MS,
    );
  it(
    'a taken port is named',
    async () => {
      const other = createServer().listen(0, '127.0.0.1');
      await once(other, 'listening');
      const { port } = other.address() as AddressInfo;
      const { said, ended } = start({ PORT: String(port), HOST: '' });
      expect((await ended)[0]).toBe(2);
      expect(said()).toBe(`Port ${port} is taken. Set PORT to another one, or to 0 for any free one.\n`);
      other.close();
    },
    WAIT_MS,
  );
  it(
    'any free port is told, on this machine alone; a half-sent request does not keep it from stopping',
    async () => {
      const { address, ended } = await running();
      expect(address).toMatch(/^http:\/\/127\.0\.0\.1:[1-9]\d*$/);
      expect((await fetch(`${address}/health`)).status).toBe(200);
      const half = connect(Number(new URL(address).port), '127.0.0.1').on('error', () => undefined);
      half.write('GET / HTTP/1.1\r\nHost: ');
      await once(half, 'connect');
      child.kill('SIGTERM');
      expect((await ended)[0]).toBe(0);
    },
    WAIT_MS,
  );
});

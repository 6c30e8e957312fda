import { spawn, type ChildProcess } from 'node:child_process';
import { existsSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';

const flags = JSON.parse(readFileSync(new URL('../../tools/chromium-flags.json', import.meta.url), 'utf8')) as string[];

/** A browser with a folder of its own, that can be killed at any moment and started again on what it left. */
export class KillableBrowser {
  private process: ChildProcess | null = null;
  private browser: Browser | null = null;

  constructor(private readonly folder: string) {}

  async open(url: string): Promise<Page> {
    const port = join(this.folder, 'DevToolsActivePort');
    rmSync(port, { force: true });
    rmSync(join(this.folder, 'SingletonLock'), { force: true });
    // A group of its own, so that all of its processes go at once.
    const args = [...flags, '--headless', '--remote-debugging-port=0', `--user-data-dir=${this.folder}`, 'about:blank'];
    this.process = spawn('/usr/bin/chromium', args, { detached: true, stdio: 'ignore' });
    await until(() => existsSync(port) && readFileSync(port, 'utf8').includes('\n'));
    const [number = ''] = readFileSync(port, 'utf8').split('\n');
    this.browser = await chromium.connectOverCDP(`http://127.0.0.1:${number}`);
    const [context] = this.browser.contexts();
    const page = await (context ?? (await this.browser.newContext())).newPage();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.goto(url);
    return page;
  }

  /** No page hears of it: as when the power goes. */
  async kill(): Promise<void> {
    const { process: child } = this;
    if (child?.pid === undefined) return;
    const gone = new Promise(resolve => child.once('exit', resolve));
    process.kill(-child.pid, 'SIGKILL');
    await gone;
    await this.browser?.close().catch(() => undefined);
    this.process = null;
  }
}

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; !holds(); tries++) {
    if (tries > 200) throw new Error('the browser did not start');
    await new Promise(resolve => setTimeout(resolve, 50));
  }
}

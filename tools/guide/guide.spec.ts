import { execFile } from 'node:child_process';
import { cp, mkdtemp, readdir, readFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { guidePages, pageMarkdown } from './guide';
import { needs } from './needs';

const root = fileURLToPath(new URL('../..', import.meta.url));

describe('the guide', () => {
  const pages = guidePages();

  it('has a page for each need, and links that lead somewhere', () => {
    expect(needs.map(({ id }) => id)).toEqual(Array.from({ length: 25 }, (_, i) => `n${String(i + 1).padStart(2, '0')}`));
    const ids = new Set(pages.map(({ id }) => id));
    const links = pages.flatMap(({ blocks }) => blocks.flatMap(block => (block.kind === 'links' ? block.items : [])));
    expect(links.filter(({ page }) => !ids.has(page))).toEqual([]);
  });

  for (const page of pages)
    it(`${page.id} stands in docs as it is now: npm run guide writes it`, async () => {
      expect(await readFile(join(root, 'docs', 'guide', `${page.id}.md`), 'utf8')).toBe(pageMarkdown(page));
      if (page.picture)
        expect((await readFile(join(root, 'docs', 'guide', 'pictures', `${page.picture}.png`))).subarray(1, 4).toString()).toBe('PNG');
    });

  it('holds examples of the command that run', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'cowbell-guide-'));
    await cp(join(root, 'demo', 'data'), folder, { recursive: true });
    await cp(join(folder, 'highmeadow.json'), join(folder, 'season.json'));
    await cp(join(folder, 'deliveries.csv'), join(folder, 'july.csv'));
    const text = await readFile(join(root, 'docs', 'guide', 'command-line.md'), 'utf8');
    const examples = [...text.matchAll(/^ {2}(cowbell (?:render|run|findings|checks|schema|ledger|scene) .*)$/gm)]
      .map(([, line = '']) => line)
      .filter(line => !/[[\]…|]/.test(line) && !line.includes(':'));
    expect(examples.length).toBeGreaterThan(10);
    for (const line of examples) {
      const { code, err } = await shell(line.replace(/^cowbell/, `node "${join(root, 'cli', 'cowbell.mjs')}"`), folder);
      // A check may stand: that is no fault of the example.
      expect([0, 3].includes(code)).withContext(`${line}: ${err}`).toBeTrue();
    }
    expect(await readdir(join(folder, 'out'))).toContain('milk-by-hut.svg');
  }, 180_000);
});

const shell = (command: string, cwd: string): Promise<{ code: number; err: string }> =>
  new Promise(resolve =>
    execFile('sh', ['-c', command], { cwd, maxBuffer: 64 * 1024 * 1024 }, (error, _, err) =>
      resolve({ code: error ? Number(error.code ?? 1) : 0, err }),
    ),
  );

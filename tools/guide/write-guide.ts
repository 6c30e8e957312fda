// npm run guide: writes docs/guide with its pictures; with a folder as argument, what the application's help reads there.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { guidePages, needPicture, pageMarkdown, sampleFigures } from './guide';
import { needs } from './needs';

const docs = fileURLToPath(new URL('../../docs/guide', import.meta.url));
const [out] = process.argv.slice(2);
const folder = out ?? docs;
mkdirSync(join(folder, 'pictures'), { recursive: true });
const figures = sampleFigures();
const pages = guidePages(figures);
if (out) writeFileSync(join(folder, 'guide.json'), JSON.stringify(pages));
else for (const page of pages) writeFileSync(join(folder, `${page.id}.md`), pageMarkdown(page));
for (const { id, figure } of needs) writeFileSync(join(folder, 'pictures', `${id}.png`), await needPicture(figure, figures));

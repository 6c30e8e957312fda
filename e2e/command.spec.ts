import { expect, type Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { figureName, goTo, openApp, typeInto, cell, saved, test } from './support';

async function handedOver(page: Page, action: string): Promise<string> {
  const download = page.waitForEvent('download');
  await page.keyboard.press('Alt+b');
  await page.keyboard.type(action);
  await page.keyboard.press('Enter');
  return (await download).path();
}

test('the command gives a figure’s ledger exactly as the application hands it over', async ({ page }) => {
  await openApp(page);
  await goTo(page, 'Milk against plan');
  await typeInto(page, cell(page, 1, 'milk'), '12345');
  await saved(page);
  const project = await handedOver(page, 'project file');
  for (const figure of ['Milk against plan', 'Above average', 'Change by month', 'Index of the valleys']) {
    await goTo(page, figure);
    await expect(figureName(page)).toHaveText(figure);
    const csv = readFileSync(await handedOver(page, 'csv of the ledger'), 'utf8');
    const args = ['cli/cowbell.mjs', 'ledger', project, '--figure', figure, '--guard-formulas'];
    expect(csv.length).toBeGreaterThan(100);
    expect(execFileSync(process.execPath, args, { encoding: 'utf8' })).toBe(csv);
  }
});

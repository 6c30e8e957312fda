import { expect, test } from '@playwright/test';
import { bars, brief, canvas, expectBars, LIGHT, openApp } from './support';

test('the first visit shows a finished figure, its two equal highest and its lowest marked', async ({ page, request }) => {
  expect(await (await request.get('/health')).json()).toEqual({ status: 'ok' });
  const outside: string[] = [];
  page.on('request', asked => new URL(asked.url()).hostname !== '127.0.0.1' && outside.push(asked.url()));
  const faults: string[] = [];
  page.on('console', said => said.type() === 'error' && faults.push(said.text()));
  await openApp(page);
  await expectBars(page, LIGHT.brass, 2);
  await expectBars(page, LIGHT.slate, 1);
  await expectBars(page, LIGHT.quiet, 17);
  // 94,190 twice and 23,890: lengths on the canvas tell the values.
  const [first, second] = await bars(page, LIGHT.brass);
  const [lowest] = await bars(page, LIGHT.slate);
  expect(first?.length).toBe(second?.length);
  expect((lowest?.length ?? 0) / (first?.length ?? 1)).toBeCloseTo(23_890 / 94_190, 1);
  expect(outside).toEqual([]);
  expect(faults).toEqual([]);
});

test('the brief reads as sentences and the figure as a description', async ({ page }) => {
  await openApp(page);
  await expect(brief(page)).toContainText('Show milk summed by hut as columns, largest first.');
  await expect(brief(page)).toContainText(
    /Mark the highest and the lowest of milk in the whole figure in\s+brass and\s+slate, with their values; quiet the rest\./,
  );
  await expect(canvas(page)).toHaveAttribute(
    'aria-label',
    /Columns of milk for 20 huts, largest first\. Values run from 23,890 L to 94,190 L\. Highest: Kettlemoor, 94,190 L; Mossgate, 94,190 L\. Lowest: Hollowmist, 23,890 L\./,
  );
});

import { expect, type Page } from '@playwright/test';
import { brief, choose, goTo, openApp, reveal, stage, token, test } from './support';

test.beforeEach(({ page }) => openApp(page));

/** Lines that the brief takes outside its cues. */
const lines = (page: Page): Promise<number> =>
  brief(page)
    .locator('cb-brief-section cb-sentence')
    .evaluateAll(sentences =>
      sentences.reduce((sum, sentence) => {
        const range = document.createRange();
        range.selectNodeContents(sentence);
        // Parts of one line differ by a pixel or two.
        const tops = [...range.getClientRects()].map(({ bottom }) => Math.round(bottom / 12));
        return sum + new Set(tops).size;
      }, 0),
    );

test('the brief says what was decided: six lines for one measure, twelve for two on two axes', async ({ page }) => {
  await expect.poll(() => lines(page)).toBeLessThanOrEqual(6);
  await expect(brief(page)).toContainText('Show milk summed by hut as columns, largest first.');
  await expect(brief(page)).not.toContainText('fitting');
  await goTo(page, 'Milk and fat');
  await expect(brief(page)).toContainText('on the second axis');
  await expect.poll(() => lines(page)).toBeLessThanOrEqual(12);
});

test('a setting stands in the prose once it is changed, and leaves it when set back', async ({ page }) => {
  await expect(token(page, 'gridlines')).toHaveCount(0);
  await choose(page, 'gridlines', 'no');
  await expect(brief(page)).toContainText('There are no gridlines.');
  await expect(token(page, 'gridlines')).toBeFocused();
  await brief(page).getByRole('button', { name: 'Less of scales' }).click();
  await expect(token(page, 'gridlines')).toHaveText('no');
  await choose(page, 'gridlines', 'hair-thin');
  await expect(token(page, 'gridlines')).toHaveCount(0);
  await reveal(page, 'gridlines');
  await expect(brief(page)).toContainText('Gridlines are hair-thin.');
});

for (const [word, key] of [
  ['zero', 'zero:first'],
  ['unit', 'unit'],
  ['gridlines', 'gridlines'],
  ['proportions', 'proportion'],
  ['log', 'scale:first'],
] as const)
  test(`the search for ${word} opens that very word`, async ({ page }) => {
    await page.getByRole('button', { name: 'Find an action' }).click();
    await page.getByLabel('What to do').fill(word);
    await page.keyboard.press('Enter');
    await expect(token(page, key)).toHaveAttribute('aria-expanded', 'true');
    await page.keyboard.press('Escape');
    await expect(token(page, key)).toBeFocused();
  });

for (const scheme of ['light', 'dark'] as const)
  test(`words are quiet until they are pointed at, ${scheme}`, async ({ page }) => {
    await page.emulateMedia({ colorScheme: scheme });
    await expect(page.locator('html')).toHaveAttribute('data-theme', scheme);
    // The colours of cues themselves are theirs.
    await brief(page).evaluate(host => {
      for (const swatch of host.querySelectorAll<HTMLElement>('cb-swatch')) swatch.style.visibility = 'hidden';
      for (const cue of host.querySelectorAll<HTMLElement>('cb-cue-line')) cue.style.borderLeftColor = 'transparent';
    });
    await stage(page).hover();
    const png = (await brief(page).screenshot()).toString('base64');
    const share = await page.evaluate(async data => {
      const image = new Image();
      image.src = `data:image/png;base64,${data}`;
      await image.decode();
      const canvas = Object.assign(document.createElement('canvas'), { width: image.width, height: image.height });
      const context = canvas.getContext('2d') as CanvasRenderingContext2D;
      context.drawImage(image, 0, 0);
      const pixels = context.getImageData(0, 0, image.width, image.height).data;
      const style = getComputedStyle(document.documentElement);
      const accents = ['--accent', '--accent-ink'].map(name => {
        const hex = style.getPropertyValue(name).trim();
        return [1, 3, 5].map(at => parseInt(hex.slice(at, at + 2), 16));
      });
      let count = 0;
      for (let i = 0; i < pixels.length; i += 4)
        if (accents.some(rgb => rgb.every((part, k) => Math.abs(part - (pixels[i + k] as number)) < 36))) count++;
      return count / (pixels.length / 4);
    }, png);
    expect(share).toBeLessThan(0.005);
    const look = (): Promise<string> => token(page, 'category').evaluate(word => getComputedStyle(word).backgroundColor);
    const atRest = await look();
    await token(page, 'category').hover();
    await expect.poll(look).not.toBe(atRest);
    await stage(page).hover();
    await expect.poll(look).toBe(atRest);
    await token(page, 'category').focus();
    await page.keyboard.press('Tab');
    await page.keyboard.press('Shift+Tab');
    await expect.poll(look).not.toBe(atRest);
  });

test('the search for the width of the lines opens that very word', async ({ page }) => {
  await choose(page, 'mark', 'a line');
  await page.getByRole('button', { name: 'Find an action' }).click();
  await page.getByLabel('What to do').fill('width of the lines');
  await page.keyboard.press('Enter');
  await expect(token(page, 'pen:0')).toHaveAttribute('aria-expanded', 'true');
});

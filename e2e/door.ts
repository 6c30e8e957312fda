import { expect, test as base, type Browser, type Page } from '@playwright/test';

/** Keeps one page of the application open for all tests of a worker. */
class SharedPage {
  private page: Page | null = null;

  constructor(
    private readonly browser: Browser,
    private readonly baseURL: string,
  ) {}

  async take(): Promise<Page> {
    this.page ??= await this.open();
    return this.page;
  }

  /** Puts back what a test may have changed outside the application. */
  async tidy(): Promise<void> {
    const { page } = this;
    if (!page) return;
    for (const other of page.context().pages()) if (other !== page) await other.close();
    await page.unrouteAll({ behavior: 'ignoreErrors' });
    await page.context().clearPermissions();
    await page.setViewportSize({ width: 1280, height: 800 });
    await page.emulateMedia({ colorScheme: 'light', reducedMotion: null, forcedColors: null, contrast: null });
    await page.mouse.move(0, 0);
  }

  async close(): Promise<void> {
    await this.page?.context().close();
    this.page = null;
  }

  /** A page in a browser context of its own. */
  async open(): Promise<Page> {
    const context = await this.browser.newContext({ baseURL: this.baseURL, viewport: { width: 1280, height: 800 }, colorScheme: 'light' });
    return context.newPage();
  }
}

/**
 * Tests in one page of the application, which `openApp` brings back to the start by its door. A test that needs a page of its own (other scripts, another
 * clock) says `test.use({ isFresh: true })`.
 */
export const test = base.extend<{ readonly isFresh: boolean }, { readonly shared: SharedPage }>({
  shared: [
    async ({ browser }, use, info) => {
      const shared = new SharedPage(browser, String(info.project.use.baseURL));
      await use(shared);
      await shared.close();
    },
    { scope: 'worker' },
  ],
  isFresh: [false, { option: true }],
  page: async ({ shared, isFresh }, use, info) => {
    if (isFresh) {
      const page = await shared.open();
      await use(page);
      return page.context().close();
    }
    await use(await shared.take());
    if (info.status === info.expectedStatus) await shared.tidy();
    else await shared.close();
  },
  context: async ({ page }, use) => use(page.context()),
});

interface Doored {
  readonly cowbellAfresh?: () => Promise<void>;
}

/** Opens the application as on a first visit: by the door where the page has it, else by its address. */
export async function openAtStart(page: Page): Promise<void> {
  const isOpen = await page.evaluate(() => typeof (globalThis as Doored).cowbellAfresh === 'function');
  if (isOpen) await page.evaluate(() => (globalThis as Doored).cowbellAfresh?.());
  else await page.goto('/?door');
  await expect(page.locator('cb-figure-canvas canvas').first()).toBeVisible();
}

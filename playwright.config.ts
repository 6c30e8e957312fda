import { defineConfig } from '@playwright/test';
import { readFileSync } from 'node:fs';

const PORT = Number(process.env['E2E_PORT'] ?? 4719);
const flags = JSON.parse(readFileSync(new URL('./tools/chromium-flags.json', import.meta.url), 'utf8')) as string[];

/** The built application, served as `npm start` serves it, driven in Debian's browser. */
export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  fullyParallel: true,
  // One more than there are cores on a small machine: tests wait for frames more than they compute.
  workers: 3,
  retries: 0,
  reporter: [['list'], ['./e2e/slowest-reporter.ts']],
  timeout: 60_000,
  expect: { timeout: 10_000 },
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    colorScheme: 'light',
    trace: 'off',
    launchOptions: { executablePath: '/usr/bin/chromium', args: flags.filter(flag => flag !== '--headless') },
  },
  webServer: {
    command: 'node --import tsx server/main.ts',
    url: `http://127.0.0.1:${PORT}/health`,
    env: { PORT: String(PORT) },
    reuseExistingServer: false,
  },
});

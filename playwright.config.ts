import { existsSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import { LIMITS, WORKERS } from './scripts/limits.mjs';

const chromium = {
  // without a window it is lighter by a fifth; the whole one does where that is what there is
  executablePath: ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((p) => existsSync(p)),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export default defineConfig({
  testDir: 'e2e',
  workers: WORKERS,
  // each worker has a kitchen of its own, made anew for each test; no test counts on another's leavings
  fullyParallel: true,
  // a machine that stalls for half a minute is told apart from a fault; what needed a second try is said
  retries: process.env.CI ? 1 : 0,
  timeout: LIMITS.browserTestMs,
  expect: { timeout: LIMITS.expectMs },
  outputDir: 'test-results',
  use: {
    browserName: 'chromium',
    launchOptions: chromium,
    viewport: { width: 1280, height: 800 },
    locale: 'en-GB',
    // what a browser keeps for when the server is away is tried by itself
    serviceWorkers: 'block',
    actionTimeout: LIMITS.actionMs,
  },
  projects: [
    { name: 'cook', testMatch: /.*\.e2e\.ts/ },
    { name: 'bench', testDir: 'bench', testMatch: /browser\.bench\.ts/ },
    { name: 'screenshots', testMatch: /screenshots\.ts/ },
  ],
});

import { defineConfig } from '@playwright/test';
import { launchOf } from './scripts/parts/prepare.mjs';

const LONG = /(away|away-long|axe|desk|desk-faces|leaks|season|takes|vandal)\.test\.ts$/;

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/prepare.ts',
  // a machine that has little time for us is slow, not wrong
  timeout: 600_000,
  expect: { timeout: 45_000 },
  // four fill two cores
  workers: 4,
  // what runs longest begins first, so that at the end no worker waits for another; each project starts workers of its own
  projects: [
    { name: 'long', testMatch: LONG },
    { name: 'others', testIgnore: LONG }
  ],
  forbidOnly: true,
  outputDir: '.tmp/e2e',
  reporter: [['list'], ['json', { outputFile: '.tmp/e2e.json' }]],
  use: {
    // pages come from the studio under test; what a device keeps of them is tests/e2e/away.test.ts's
    serviceWorkers: 'block',
    locale: 'en-GB',
    timezoneId: 'Europe/Brussels',
    actionTimeout: 45_000,
    navigationTimeout: 45_000,
    launchOptions: launchOf()
  }
});

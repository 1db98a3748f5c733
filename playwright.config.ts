import { defineConfig } from '@playwright/test';
import { CHROMIUM, CHROMIUM_FLAGS } from './scripts/parts/prepare.mjs';

const LONGEST = /(vandal|leaks|season)\.test\.ts$/;
const SCREENS = /axe\.test\.ts$/;

export default defineConfig({
  testDir: 'tests/e2e',
  globalSetup: './tests/e2e/prepare.ts',
  timeout: 300_000,
  expect: { timeout: 15_000 },
  // they wait more than they work: four fill two cores
  workers: 4,
  // what runs longest begins first
  projects: [
    { name: 'longest', testMatch: LONGEST },
    { name: 'screens', testMatch: SCREENS },
    { name: 'others', testIgnore: [LONGEST, SCREENS] }
  ],
  forbidOnly: true,
  outputDir: '.tmp/e2e',
  reporter: [['list'], ['json', { outputFile: '.tmp/e2e.json' }]],
  use: {
    locale: 'en-GB',
    timezoneId: 'Europe/Brussels',
    actionTimeout: 15_000,
    navigationTimeout: 15_000,
    launchOptions: { executablePath: CHROMIUM, args: CHROMIUM_FLAGS }
  }
});

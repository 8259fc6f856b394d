import { defineConfig } from '@playwright/test';
import { FAKE_DEVICES, chromiumOptions } from '../scripts/browser.mjs';

export default defineConfig({
  testDir: '.',
  workers: 2,
  fullyParallel: true,
  timeout: 120000,
  // A second try for a test that a busy machine held up; those that needed it are named at the end.
  retries: 1,
  expect: { timeout: 20000 },
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-CA',
    timezoneId: 'America/Halifax',
    launchOptions: chromiumOptions(FAKE_DEVICES),
  },
});

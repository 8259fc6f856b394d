import { defineConfig } from '@playwright/test';
import { chromiumOptions, chromiumWithDevices } from '../scripts/browser.mjs';

/** Those that need a camera and a microphone. */
const WITH_DEVICES = ['path.spec.ts', 'room.spec.ts', 'tryDevices.spec.ts'];

export default defineConfig({
  testDir: '.',
  workers: 2,
  fullyParallel: true,
  // Limits catch what hangs, and nothing else: machines are busy.
  timeout: 600000,
  // Whatever needs a second try has a fault to be found.
  retries: 0,
  expect: { timeout: 60000 },
  reporter: [['list'], ['json']],
  outputDir: '../test-results',
  use: {
    viewport: { width: 1280, height: 800 },
    locale: 'en-CA',
    timezoneId: 'America/Halifax',
  },
  projects: [
    { name: 'pages', testIgnore: WITH_DEVICES, use: { launchOptions: chromiumOptions() } },
    { name: 'devices', testMatch: WITH_DEVICES, use: { launchOptions: chromiumWithDevices() } },
  ],
});

import { existsSync } from 'node:fs';
import { ensurePackages } from './mariadb.mjs';

/** Debian's two builds of Chromium: that without a window begins and draws in half the time of the whole one. */
const WITHOUT_WINDOW = 'chromium-headless-shell';
const WHOLE = 'chromium';

const pathOf = (name) => `/usr/bin/${name}`;
const isThere = (name) => existsSync(pathOf(name));

/** Installs browsers for tests and pictures; the whole one serves for all where the other cannot be had. */
export function ensureBrowsers(say) {
  ensurePackages({ [WHOLE]: WHOLE }, say);
  try {
    ensurePackages({ [WITHOUT_WINDOW]: WITHOUT_WINDOW }, say);
  } catch {
    say(`${WITHOUT_WINDOW} cannot be had here; ${WHOLE} serves for all, slower.`);
  }
}

/**
 * How Debian's Chromium is started: without a window, and without anything that reaches out or takes longer
 * than it must.
 */
export const chromiumOptions = (...more) => ({
  executablePath: pathOf(isThere(WITHOUT_WINDOW) ? WITHOUT_WINDOW : WHOLE),
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    ...more,
  ],
});

/** A camera and a microphone that need no machine. */
const FAKE_DEVICES = '--use-fake-device-for-media-stream';

/** For pages that use them: the build without a window knows no devices. */
export const chromiumWithDevices = () => ({
  ...chromiumOptions(FAKE_DEVICES),
  executablePath: pathOf(WHOLE),
});

export async function launchBrowser(options = chromiumOptions()) {
  const { chromium } = await import('@playwright/test');
  return chromium.launch(options);
}

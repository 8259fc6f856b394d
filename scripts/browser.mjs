/**
 * How Debian's Chromium is started: without a window, and without anything that reaches out or takes longer
 * than it must.
 */
export const chromiumOptions = (...more) => ({
  executablePath: '/usr/bin/chromium',
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
export const FAKE_DEVICES = '--use-fake-device-for-media-stream';

export async function launchBrowser(...more) {
  const { chromium } = await import('@playwright/test');
  return chromium.launch(chromiumOptions(...more));
}

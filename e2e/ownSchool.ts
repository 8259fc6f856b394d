import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test as base, type Browser, type Page } from '@playwright/test';
import { root } from '../scripts/build.mjs';
import { freePort } from '../scripts/mariadb.mjs';

// A school of one's own, by `./glen serve` alone on an empty folder, and what a hand does there.

export interface OwnSchool {
  url: string;
  /** Where its data lies. */
  dir: string;
  /** The one-time address that was told at the start. */
  moveIn: string;
  /** Kills it and starts it again; gives the address that is told now. */
  killAndRestart: () => Promise<string>;
}

export const WITHOUT_GLEN = Object.fromEntries(
  Object.entries(process.env).filter(([name]) => !name.startsWith('GLEN_')),
);

/** Starts `./glen serve` and gives what it has said once it is ready. */
export async function serve(
  dir: string,
  port: number,
): Promise<{ child: ChildProcess; said: string }> {
  const child = spawn(join(root, 'glen'), ['serve', '--data', dir, '--port', String(port)], {
    cwd: root,
    env: WITHOUT_GLEN,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  await new Promise<void>((resolve, reject) => {
    child.stdout.on('data', (data) => {
      said += String(data);
      if (said.includes('Glen is ready at')) resolve();
    });
    child.once('exit', (code) => reject(new Error(`./glen serve ended with ${code}: ${said}`)));
  });
  return { child, said };
}

const addressIn = (said: string): string => /http\S+\/move-in\/\S+/.exec(said)![0];

export async function stop(
  child: ChildProcess,
  signal: 'SIGTERM' | 'SIGKILL' = 'SIGTERM',
): Promise<void> {
  const gone = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await gone;
}

export const test = base.extend<{ own: OwnSchool }>({
  // The runner reads the fixture's wishes from this pattern; it wishes for none.
  // eslint-disable-next-line no-empty-pattern
  own: async ({}, use) => {
    const dir = mkdtempSync(join(tmpdir(), 'glen-own-'));
    const port = await freePort();
    let { child, said } = await serve(dir, port);
    await use({
      url: `http://127.0.0.1:${port}`,
      dir,
      moveIn: addressIn(said),
      killAndRestart: async () => {
        await stop(child, 'SIGKILL');
        ({ child, said } = await serve(dir, port));
        return addressIn(said);
      },
    });
    await stop(child);
    rmSync(dir, { recursive: true, force: true });
  },
});

/** Counts what a person does: presses, and fields that are filled. */
export class Hand {
  count = 0;
  constructor(readonly page: Page) {}
  async press(name: string | RegExp, role: 'button' | 'link' = 'button'): Promise<void> {
    this.count++;
    await this.page.getByRole(role, { name }).click();
  }
  async fill(label: string | RegExp, text: string): Promise<void> {
    this.count++;
    await this.page.getByLabel(label).fill(text);
  }
}

export const WIDTHS = { wide: { width: 1280, height: 800 }, phone: { width: 390, height: 844 } };

export const open = async (browser: Browser, viewport = WIDTHS.wide): Promise<Page> =>
  (
    await browser.newContext({ viewport, permissions: ['clipboard-read', 'clipboard-write'] })
  ).newPage();

/** A room that somebody has somewhere; what is pasted has to begin with https, so that it is only looked up, not entered. */
export const ROOM = 'https://rooms.example/ines-okoro';

export async function ownRoom(page: Page): Promise<void> {
  await page
    .context()
    .route(`${ROOM}**`, (route) =>
      route.fulfill({ contentType: 'text/html', body: '<h1>The room of Ines Okoro</h1>' }),
    );
}

export { expect };

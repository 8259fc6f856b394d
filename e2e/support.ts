import {
  test as base,
  expect,
  type Browser,
  type BrowserContextOptions,
  type Locator,
  type Page,
} from '@playwright/test';
import {
  copyDatabases,
  startDemo,
  statement,
  type Demo,
  type Mariadb,
} from '../scripts/processes.mjs';
import { keptParts, type KeptParts } from '../scripts/kept.mjs';
import { lastingPort } from '../scripts/mariadb.mjs';

interface Person {
  id: number;
  name: string;
  accounts: { id: number; kind: string; email: string }[];
}
interface ClassItem {
  id: number;
  title: string;
  rollSize: number;
  pennant: { letters: string };
  link: { id: number; code: string; address: string };
}

/** How much of a page is printed where a test goes wrong. */
const MOST_SAID = 3000;

/** A Glen with the demo school on a database of its own, and browsers to meet it with. */
export class School {
  private people: Person[] = [];
  private classes: ClassItem[] = [];
  /** What a browser did not take of a page, by the policy the page came with. */
  readonly notTaken: string[] = [];

  constructor(
    readonly demo: Demo,
    private readonly browser: Browser,
  ) {}

  get url(): string {
    return this.demo.publicUrl;
  }

  async prepare(): Promise<void> {
    const people = await fetch(`${this.url}/api/demo/people`);
    ({ people: this.people } = (await people.json()) as { people: Person[] });
    const signedIn = await fetch(`${this.url}/api/demo/sign-in`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: this.url },
      body: JSON.stringify({ accountId: this.account('Noor Achterberg').id }),
    });
    const cookie = signedIn.headers.getSetCookie().map((set) => set.split(';')[0]);
    const headers = { Cookie: cookie.join('; ') };
    const classes = await fetch(`${this.url}/api/classes`, { headers });
    ({ classes: this.classes } = (await classes.json()) as { classes: ClassItem[] });
  }

  classOf(letters: string): ClassItem {
    return this.classes.find((c) => c.pennant.letters === letters)!;
  }

  door(letters: string): string {
    return this.classOf(letters).link.address;
  }

  /** Somebody's number. */
  person(name: string): number {
    return this.people.find((p) => p.name === name)!.id;
  }

  account(name: string, kind: 'school' | 'personal' = 'school'): Person['accounts'][number] {
    return this.people.find((p) => p.name === name)!.accounts.find((a) => a.kind === kind)!;
  }

  /** A page in a browser of its own, signed in with the accounts named (the last is in use); no name is nobody. */
  async open(
    name?: string,
    {
      kinds = ['school'],
      ...options
    }: BrowserContextOptions & { kinds?: ('school' | 'personal')[] } = {},
  ): Promise<Page> {
    const context = await this.browser.newContext({
      permissions: ['clipboard-read', 'clipboard-write', 'camera', 'microphone'],
      ...options,
    });
    if (name)
      for (const kind of kinds)
        await context.request.post(`${this.url}/api/demo/sign-in`, {
          data: { accountId: this.account(name, kind).id },
          headers: { Origin: this.url },
        });
    context.on('console', (message) => {
      if (message.text().includes('Content Security Policy')) this.notTaken.push(message.text());
    });
    return context.newPage();
  }

  /** A phone, as students hold it. */
  openPhone(name?: string, options: Parameters<School['open']>[1] = {}): Promise<Page> {
    return this.open(name, { viewport: { width: 390, height: 844 }, ...options });
  }

  async setTime(time: string, date = '2026-10-14'): Promise<void> {
    await fetch(`${this.url}/api/demo/clock`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: this.url },
      body: JSON.stringify({ date, time }),
    });
  }

  async courseSite(kind: 'none' | 'down'): Promise<void> {
    await fetch(`${this.demo.courseSite}/trouble`, {
      method: 'POST',
      body: new URLSearchParams({ kind }),
      redirect: 'manual',
    });
  }

  /** Has a provider of accounts behave so. */
  async signOn(provider: 'school' | 'home', kind: 'none' | 'down'): Promise<void> {
    await fetch(`${this.demo.signOn[provider]}/trouble`, {
      method: 'POST',
      body: new URLSearchParams({ kind }),
      redirect: 'manual',
    });
  }

  /** Prints what each open page says: where a test goes wrong, often the page says why. */
  async sayWhatStands(): Promise<void> {
    const pages = this.browser.contexts().flatMap((context) => context.pages());
    for (const page of pages) {
      const words = await page.evaluate(() => document.body.innerText).catch(String);
      process.stdout.write(`— ${page.url()}\n${words.slice(0, MOST_SAID)}\n`);
    }
  }

  /** The course site's page of a class, read as one of its people. */
  async stream(page: Page, ref: string, name: string): Promise<void> {
    await page.goto(this.demo.courseSite);
    await page.getByRole('button', { name, exact: true }).click();
    await page.goto(`${this.demo.courseSite}/class/${ref}`);
  }
}

/** Chooses from a list of choices: a marked part of a sentence, or a box. */
export async function choose(
  within: Page | Locator,
  label: string | RegExp,
  option: string | RegExp,
  nth = 0,
): Promise<void> {
  await within.getByRole('combobox', { name: label, exact: true }).nth(nth).click();
  const page = 'page' in within ? within.page() : within;
  await page.getByRole('option', { name: option, exact: typeof option === 'string' }).click();
}

/** What a button hands to the browser's downloads. */
export async function saved(
  page: Page,
  name: string,
  role: 'button' | 'link' = 'button',
): Promise<{ name: string; bytes: Buffer }> {
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole(role, { name }).click(),
  ]);
  const chunks: Buffer[] = [];
  for await (const chunk of await download.createReadStream()) chunks.push(chunk as Buffer);
  return { name: download.suggestedFilename(), bytes: Buffer.concat(chunks) };
}

/** How many stand on the roll of the class period whose page it is, as the list of its parts says it. */
export const onRoll = (page: Page, n: number): Locator =>
  page
    .getByText(n === 1 ? '1 person' : `${n} people`, { exact: true })
    .filter({ visible: true })
    .first();

/** Opens a part of a class period's page; on a phone the list of them is opened first. */
export async function toPart(page: Page, name: RegExp): Promise<void> {
  const fold = page.locator('main details > summary').first();
  if (await fold.isVisible()) await fold.click();
  await page
    .getByRole('navigation', { name: /^About/ })
    .getByRole('link', { name })
    .click();
}

/** Presses what opens the room and gives the room's tab, once the person sits in it. */
export async function enterRoom(page: Page, button: string | RegExp): Promise<Page> {
  const [room] = await Promise.all([
    page.context().waitForEvent('page'),
    page.getByRole('button', { name: button }).click(),
  ]);
  await expect(room.locator('#you')).toContainText('You are');
  // A tab behind another draws once a second at most; the desk is what is worked next.
  await page.bringToFront();
  return room;
}

/** What is on the clipboard, in both forms; a form that is not there is empty. Where it changes while it is read, it is read again. */
export async function clipboard(page: Page): Promise<{ html: string; plain: string }> {
  let found = { html: '', plain: '' };
  await expect(async () => {
    found = await page.evaluate(async () => {
      const [item] = await navigator.clipboard.read();
      const read = async (type: string): Promise<string> =>
        item?.types.includes(type) ? (await item.getType(type)).text() : '';
      return { html: await read('text/html'), plain: await read('text/plain') };
    });
  }).toPass();
  return found;
}

/** What is on the clipboard as soon as its plain form is the one that is waited for. */
export async function copied(page: Page, like: RegExp): Promise<{ html: string; plain: string }> {
  let found = { html: '', plain: '' };
  await expect
    .poll(async () => {
      found = await clipboard(page);
      return found.plain;
    })
    .toMatch(like);
  return found;
}

interface Loaded {
  mariadb: Pick<Mariadb, 'port' | 'url'>;
  name: string;
  port: number;
  kept: KeptParts;
}
const both = (name: string): string[] => [name, `${name}_standins`];
const AT = '2026-10-14T10:31';

/** Each worker loads the demo school once; each test has a server, a clock and a database of its own, copied from that. */
export const test = base.extend<{ school: School }, { loaded: Loaded; shown: School }>({
  loaded: [
    // The runner reads the fixture's wishes from this pattern; it wishes for none.
    // eslint-disable-next-line no-empty-pattern
    async ({}, use, info) => {
      const mariadbPort = Number(process.env.GLEN_TEST_MARIADB);
      const mariadb = {
        port: mariadbPort,
        url: (name: string) => `mariadb://root@127.0.0.1:${mariadbPort}/${name}`,
      };
      const name = `e2e_${info.workerIndex}`;
      const loaded = {
        mariadb,
        name,
        port: await lastingPort(21000 + info.parallelIndex),
        kept: keptParts(),
      };
      const demo = await startDemo({
        mariadb,
        database: loaded.name,
        port: loaded.port,
        at: AT,
        fresh: true,
        kept: loaded.kept,
      });
      await demo.stop();
      await use(loaded);
      await loaded.kept.server.end();
      await loaded.kept.standins.end();
      for (const name of both(loaded.name))
        await statement(mariadb, `DROP DATABASE IF EXISTS ${name}`);
    },
    { scope: 'worker' },
  ],
  /** A school that stays as it is, for tests that only look: one for each worker. */
  shown: [
    async ({ browser, loaded: { mariadb, name, port } }, use) => {
      const database = `${name}_shown`;
      const kept = keptParts();
      await copyDatabases(
        mariadb,
        both(name).map((from, i): [string, string] => [from, both(database)[i]!]),
      );
      const demo = await startDemo({
        ...{ mariadb, database, kept },
        port: await lastingPort(port + 1000),
        at: AT,
        loaded: true,
      });
      const school = new School(demo, browser);
      await school.prepare();
      await use(school);
      await demo.stop();
      await Promise.all([kept.server.end(), kept.standins.end()]);
      for (const each of both(database))
        await statement(mariadb, `DROP DATABASE IF EXISTS ${each}`);
      expect(school.notTaken).toEqual([]);
    },
    { scope: 'worker' },
  ],
  school: async ({ browser, loaded }, use, info) => {
    const { mariadb, name, port, kept } = loaded;
    const database = `${name}_${info.testId.replace(/\W/g, '').slice(-12)}_${info.retry}`;
    await copyDatabases(
      mariadb,
      both(name).map((from, i): [string, string] => [from, both(database)[i]!]),
    );
    const demo = await startDemo({
      ...{ mariadb, database, port, kept },
      at: AT,
      loaded: true,
      undoSeconds: 2,
      gatherSeconds: 3,
    });
    const school = new School(demo, browser);
    await school.prepare();
    await use(school);
    if (info.status !== info.expectedStatus) await school.sayWhatStands();
    for (const context of browser.contexts()) await context.close();
    await demo.stop();
    for (const each of both(database)) await statement(mariadb, `DROP DATABASE IF EXISTS ${each}`);
    expect(school.notTaken).toEqual([]);
  },
});

export { expect };

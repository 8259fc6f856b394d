import { execFile } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { root } from '../scripts/build.mjs';
import { freePort } from '../scripts/mariadb.mjs';
import { statement } from '../scripts/processes.mjs';
import {
  Hand,
  ROOM,
  WIDTHS,
  WITHOUT_GLEN,
  expect,
  open,
  ownRoom,
  serve,
  stop,
  test,
} from './ownSchool.js';
import { onRoll, toPart } from './support.js';

/*
 * From an empty folder, by `./glen serve` alone, to a student in the first lesson. Nothing is set in the environment,
 * and no service outside is there: the room is an address that the teacher pastes.
 */

/** All pages of moving in, up to the first link on the clipboard. */
async function moveIn(hand: Hand, address: string): Promise<void> {
  await hand.page.goto(address);
  await hand.fill(/What is the school called/, 'Harbour Street Evening School');
  await hand.press('Next: the year');
  await hand.press('Next: you');
  await hand.fill('What are you called?', 'Ines Okoro');
  await hand.fill('Your address', 'ines@harbour.example');
  await hand.fill('A password', 'paper and thread');
  await hand.press('Make the school');
  await hand.fill('What is it called?', 'Bookbinding');
  await hand.press('Make its link');
  await hand.press('Copy link');
}

/** Strips are to be cut and handed out: the page around them stays off the paper. */
async function onPaperOnlyStrips(page: Page): Promise<void> {
  const strips = page.getByRole('region', { name: 'Ways in' });
  const heading = page.getByRole('heading', { level: 1 });
  await expect(heading).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(strips.getByText('/password/')).toBeVisible();
  await expect(strips.getByRole('button')).toHaveCount(0);
  await expect(heading).toBeHidden();
  await expect(page.getByRole('list', { name: 'The roll' })).toBeHidden();
  await page.emulateMedia({ media: null });
}

for (const [width, viewport] of Object.entries(WIDTHS))
  test(`a teacher alone comes from nothing to a student in the room, ${width}`, async ({
    browser,
    own,
  }) => {
    const teacher = await open(browser, viewport);
    await ownRoom(teacher);
    const hand = new Hand(teacher);
    await moveIn(hand, own.moveIn);
    console.log(`From the first page to the first copied link: ${hand.count} presses and fields.`);
    expect(hand.count).toBeLessThanOrEqual(60);
    const link = await teacher.evaluate(() => navigator.clipboard.readText());
    expect(link).toMatch(new RegExp(`^${own.url}/door/[a-z]+-[0-9a-z]{11}$`));

    await hand.press('Fill its roll', 'link');
    await hand.fill('Name', 'Ansel Grue');
    await hand.fill('Address', 'a.grue@harbour.example');
    await hand.press('Put on the roll');
    await expect(teacher.getByText('1 student on the roll.')).toBeVisible();
    await hand.press('Addresses by which they set their passwords');
    const way = await teacher.getByText(`${own.url}/password/`).textContent();
    await onPaperOnlyStrips(teacher);

    const student = await open(browser, WIDTHS.phone);
    await ownRoom(student);
    await student.goto(way!);
    await student.getByLabel('Your new password').fill('a door of my own');
    await student.getByRole('button', { name: 'Set it and go in' }).click();
    await expect(student.getByRole('heading', { name: 'Your classes' })).toBeVisible();
    await student.goto(link);
    await expect(student.getByText('Nothing is planned here now')).toBeVisible();

    const linkId = (await (await teacher.request.get(`${own.url}/api/classes`)).json()).classes[0]
      .link.id;
    await teacher.goto(`${own.url}/desk/${linkId}`);
    await teacher.getByLabel(/No room is behind this door yet/).fill(ROOM);
    const [room] = await Promise.all([
      teacher.context().waitForEvent('page'),
      teacher.getByRole('button', { name: 'Open the door with this room' }).click(),
    ]);
    await expect(room.getByText('The room of Ines Okoro')).toBeVisible();

    // The page of whoever waits at the door knocks by itself as it opens.
    await teacher.bringToFront();
    await teacher.getByRole('button', { name: 'Let Ansel Grue in' }).click();
    await student.bringToFront();
    await expect(student.getByText('The room of Ines Okoro')).toBeVisible();
  });

test('nobody else on the machine gets into the school’s database', async ({ own }) => {
  const port = Number(readFileSync(join(own.dir, 'mariadbd.port'), 'utf8'));
  await expect(statement({ port }, 'SELECT 1')).rejects.toThrow(/Access denied/);
  const file = join(own.dir, 'mariadb.password');
  expect(statSync(file).mode & 0o077).toBe(0);
  const password = readFileSync(file, 'utf8');
  expect(await statement({ port, password }, 'SELECT 1 AS one')).toMatchObject([{ one: 1 }]);
});

test('what was typed waits, also over a start that tells another address', async ({
  browser,
  own,
}) => {
  const page = await open(browser);
  await page.goto(own.moveIn);
  const name = page.getByLabel(/What is the school called/);
  await name.fill('Harbour Street Evening School');
  await page.getByRole('button', { name: 'Next: the year' }).click();
  await page.getByLabel('Labels of alternating days').fill('A, B');
  await page.getByRole('button', { name: 'Next: you' }).click();
  await page.getByLabel('What are you called?').fill('Ines');
  await page.getByRole('button', { name: 'Harbour Street Evening School' }).click();
  await expect(name).toHaveValue('Harbour Street Evening School');
  const kept = page.waitForResponse((r) => r.request().method() === 'PUT');
  await page.getByRole('button', { name: 'Next: the year' }).click();
  await kept;
  // Killed, it leaves nothing behind that would hold its port or its data.
  const next = await own.killAndRestart();
  await page.reload();
  await expect(page.getByText('does not work any more')).toBeVisible();
  const elsewhere = await open(browser, WIDTHS.phone);
  await elsewhere.goto(`${next}?page=2`);
  await expect(elsewhere.getByLabel('Labels of alternating days')).toHaveValue('A, B');
  await elsewhere.goto(`${next}?page=3`);
  await expect(elsewhere.getByLabel('What are you called?')).toHaveValue('Ines');
});

test('no page of moving in breaks a rule of accessibility, and what is wrong stands beside it', async ({
  browser,
  own,
}) => {
  const page = await open(browser);
  const check = async (): Promise<void> => {
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes[0]?.html}`)).toEqual([]);
  };
  await page.goto(`${own.url}/today`);
  await expect(page.getByText('Nobody has moved in here yet')).toBeVisible();
  await check();
  await page.goto(own.moveIn);
  await page.getByRole('button', { name: 'Next: the year' }).click();
  await expect(page.getByText('Say what it is called.')).toBeVisible();
  await check();
  await page.getByLabel(/What is the school called/).fill('Harbour Street');
  await page.getByRole('button', { name: 'Next: the year' }).click();
  await page.getByLabel('How many periods').fill('many');
  await expect(page.getByText('Give a whole number from 1 to 30.')).toBeVisible();
  await check();
  await page.getByLabel('How many periods').fill('4');
  await page.getByRole('button', { name: 'Next: you' }).click();
  await page.getByLabel('A password').fill('short');
  await page.getByRole('button', { name: 'Make the school' }).click();
  await expect(page.getByText('At least 10 characters.')).toBeVisible();
  await check();
  await page.getByLabel('What are you called?').fill('Ines Okoro');
  await page.getByLabel('Your address').fill('ines@harbour.example');
  await page.getByLabel('A password').fill('paper and thread');
  await page.getByRole('button', { name: 'Make the school' }).click();
  await page.getByLabel('What is it called?').fill('Bookbinding');
  await page.getByLabel(/When does it meet/).fill('when the moon is full');
  await expect(page.getByText(/Not understood/)).toBeVisible();
  await page.getByLabel(/When does it meet/).fill('every Tuesday 18:30 to 20:00 until term ends');
  await check();
  await page.getByRole('button', { name: 'Make its link' }).click();
  await expect(page.getByText('Its link, for as long as the class lasts')).toBeVisible();
  await check();
});

for (const [width, viewport] of Object.entries(WIDTHS))
  test(`a school of two teachers: sixty are pasted, the doubtful asked about, a colleague named, ${width}`, async ({
    browser,
    own,
  }) => {
    const page = await open(browser, viewport);
    await moveIn(new Hand(page), own.moveIn);
    await page.getByRole('link', { name: 'Fill its roll' }).click();
    await page.getByRole('button', { name: 'Paste a list of them' }).click();
    const students = Array.from({ length: 60 }, (_, i) => `Student ${i} <s${i}@harbour.example>`);
    const list = [...students, 'Ines Okoro <ines@harbour.example>', 'nobody at all'].join('\n');
    await page.getByLabel('A list of names and addresses').fill(list);
    await page.getByRole('button', { name: 'See what it does' }).click();
    await expect(page.getByText('60 lines: new to the school')).toBeVisible();
    await expect(
      page.getByText('This is the address of Ines Okoro, who teaches here.'),
    ).toBeVisible();
    await expect(page.getByText('No address: without one they have no account.')).toBeVisible();
    await page.getByRole('button', { name: 'Put 60 students on the roll' }).click();
    await expect(onRoll(page, 60)).toBeVisible();
    await page.getByRole('button', { name: 'Take Student 7 off the roll' }).click();
    await expect(onRoll(page, 59)).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect(onRoll(page, 60)).toBeVisible();

    await toPart(page, /^About/);
    await page.getByLabel('Somebody more').fill('Tomas Verhage');
    await page.getByLabel('Or somebody new, by address').fill('tomas@harbour.example');
    await page.getByRole('button', { name: 'Name Tomas Verhage' }).click();
    await expect(page.getByText('Ines Okoro with Tomas Verhage')).toBeVisible();
    const way = await page.getByText(`${own.url}/password/`).textContent();
    await page.getByLabel('What is it called?').fill('Bookbinding and gilding');
    await page.getByRole('button', { name: 'Save the changes' }).click();
    await expect(page.getByRole('heading', { name: 'Bookbinding and gilding' })).toBeVisible();
    const colleague = await open(browser, viewport);
    await colleague.goto(way!);
    await colleague.getByLabel('Your new password').fill('a door of my own');
    await colleague.getByRole('button', { name: 'Set it and go in' }).click();
    await expect(colleague.getByRole('heading', { name: 'What is left' })).toBeVisible();
    await colleague.goto(`${own.url}/classes`);
    await expect(colleague.getByText('60 on the roll · you co-teach')).toBeVisible();
    for (const there of [page, colleague])
      expect(await there.evaluate(() => document.documentElement.scrollWidth)).toBe(viewport.width);
  });

const run = promisify(execFile);
const glen = (...args: string[]) => run(join(root, 'glen'), args, { cwd: root, env: WITHOUT_GLEN });

test('a school is backed up while it runs, and is the same where it is restored', async ({
  browser,
  own,
}) => {
  const page = await open(browser);
  await moveIn(new Hand(page), own.moveIn);
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const file = join(own.dir, 'school.gz');
  await glen('backup', file, '--data', own.dir);

  const elsewhere = mkdtempSync(join(tmpdir(), 'glen-restored-'));
  try {
    await glen('restore', file, '--data', elsewhere);
    const port = await freePort();
    const { child, said } = await serve(elsewhere, port);
    try {
      expect(said).not.toContain('move-in');
      // The secret came along: whoever was signed in still is.
      await page.goto(`http://127.0.0.1:${port}`);
      await expect(page.getByRole('heading', { name: 'What is left' })).toBeVisible();
      const there = await open(browser);
      await there.goto(`http://127.0.0.1:${port}`);
      await there.getByLabel('Address').fill('ines@harbour.example');
      await there.getByLabel('Password').fill('paper and thread');
      await there.getByRole('button', { name: 'Sign in' }).click();
      await expect(there.getByRole('heading', { name: 'What is left' })).toBeVisible();
      await there.goto(`http://127.0.0.1:${port}${new URL(link).pathname}`);
      await expect(there.getByRole('heading', { name: 'Bookbinding' })).toBeVisible();
    } finally {
      await stop(child);
    }
    // Half a file puts nothing in the place of what is there.
    const half = join(elsewhere, 'half.gz');
    const whole = readFileSync(file);
    writeFileSync(half, whole.subarray(0, whole.length / 2));
    await expect(glen('restore', half, '--data', elsewhere)).rejects.toThrow(/damaged|no whole/);
    const again = await serve(elsewhere, await freePort());
    expect(again.said).not.toContain('move-in');
    await stop(again.child);
  } finally {
    rmSync(elsewhere, { recursive: true, force: true });
  }
});

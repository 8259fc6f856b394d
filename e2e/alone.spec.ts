import type { Page } from '@playwright/test';
import { Hand, ROOM, WIDTHS, expect, open, ownRoom, test } from './ownSchool.js';
import { onRoll } from './support.js';

/*
 * A tutor with three groups: no office, no bells, students without accounts. From an empty folder to a held lesson with
 * its roll ticked.
 */

const GROUPS = [
  { title: 'Knots for beginners', names: ['Birgit Tideman', 'Per Holm', 'Ida Lund'] },
  { title: 'Splicing', names: ['Runa Stad', 'Alf Rud'] },
  { title: 'Sail repair', names: ['Siv Moen', 'Odd Nyborg'] },
];

async function moveInAlone(hand: Hand, address: string): Promise<void> {
  const { page } = hand;
  await page.goto(address);
  await page.getByRole('combobox', { name: 'What it is' }).click();
  await page.getByRole('option', { name: /I teach alone/ }).click();
  await hand.fill('What do your students know it as?', 'Ropes by the harbour');
  await hand.press('Next: the year');
  await expect(page.getByLabel('How many periods')).toBeHidden();
  await hand.press('Next: you');
  await hand.fill('What are you called?', 'Ines Okoro');
  await hand.fill('Your address', 'ines@harbour.example');
  await hand.fill('A password', 'paper and thread');
  await hand.press('Make it');
}

/** A group with its room, of which the names alone are known. */
async function makeGroup(hand: Hand, title: string, names: string[]): Promise<void> {
  const { page } = hand;
  await hand.fill('What is it called?', title);
  await hand.fill(/Where is its room/, ROOM);
  await hand.press('Make its link');
  await hand.press('Fill its roll', 'link');
  await hand.press('Paste a list of them');
  await hand.fill('A list of names and addresses', names.join('\n'));
  await hand.press('Look what it does');
  await hand.press(`Put ${names.length} students on the roll`);
  await expect(onRoll(page, names.length)).toBeVisible();
  await expect(page.getByText(`${names.length} have no account`)).toHaveCount(1);
}

/** Somebody without an account knocks by the name that they give. */
async function knock(student: Page, address: string, name: string): Promise<void> {
  await student.goto(address);
  await student.getByLabel('Your name').fill(name);
  // From now on their browser is known, and hears what is meant for it.
  const isHeard = student.waitForRequest(/\/api\/live/);
  await student.getByRole('button', { name: /Knock|Go in/ }).click();
  await isHeard;
}

for (const [width, viewport] of Object.entries(WIDTHS))
  test(`a tutor with three groups holds a lesson and ticks its roll, ${width}`, async ({
    browser,
    own,
  }) => {
    const tutor = await open(browser, viewport);
    await ownRoom(tutor);
    const hand = new Hand(tutor);
    await moveInAlone(hand, own.moveIn);
    for (const [i, { title, names }] of GROUPS.entries()) {
      if (i > 0) await tutor.goto(`${own.url}/begin`);
      await makeGroup(hand, title, names);
    }
    await expect(tutor.getByRole('link', { name: 'Setup' })).toBeVisible();
    await expect(tutor.getByText('School', { exact: true })).toHaveCount(0);

    const { classes } = await (await tutor.request.get(`${own.url}/api/classes`)).json();
    const { link } = classes.find((c: { title: string }) => c.title === GROUPS[0]!.title);
    await tutor.goto(`${own.url}/desk/${link.id}`);
    await Promise.all([
      tutor.context().waitForEvent('page'),
      tutor.getByRole('button', { name: 'Open the door now' }).click(),
    ]);
    await tutor.bringToFront();
    const student = await open(browser, WIDTHS.phone);
    await ownRoom(student);
    await knock(student, `${own.url}/door/${link.code}`, 'Birdie');
    await tutor.getByRole('button', { name: 'Let Birdie in' }).click();
    await student.bringToFront();
    await student.getByRole('button', { name: 'Go in' }).click();
    await expect(student.getByText('The room of Ines Okoro')).toBeVisible();
    await tutor.bringToFront();

    await tutor.getByRole('combobox', { name: 'Who Birdie is' }).click();
    await tutor.getByRole('option', { name: 'Birgit Tideman' }).click();
    const here = tutor.getByRole('list', { name: 'Here of the roll' });
    await expect(here.getByRole('listitem')).toContainText('Birgit Tideman as “Birdie”');
    await expect(tutor.getByRole('heading', { name: 'Missing from the roll 2' })).toBeVisible();
    await tutor.getByRole('button', { name: 'Close the room' }).click();
    await tutor.getByRole('link', { name: 'Today' }).first().click();
    await expect(tutor.getByText('1 of 3 came')).toBeVisible();
  });

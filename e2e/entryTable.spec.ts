import type { Locator, Page } from '@playwright/test';
import {
  FIRST_RULES,
  PERSON_KINDS,
  PRESETS,
  PRESET_NAMES,
  decideEntry,
  visitorOfKind,
  wayOf,
  type EntryRules,
  type PersonKind,
  type Way,
  type WayColumn,
} from '../packages/core/src/index.js';
import { choose, expect, test, type School } from './support.js';

/*
 * The table of entry is where the rules are set: each purpose's rules are come to by its cells alone, and the door answers
 * by them.
 */

const ROWS: Record<PersonKind, string> = {
  host: 'Ottoline Marsh, Tomas Verhage',
  'named-presenter': 'Signe Aalto',
  'on-roll': 'Student on the roll',
  'on-roll-home-account': 'Same student, home account',
  'other-student': 'Student of another class',
  colleague: 'A colleague',
  'signed-in-guest': 'Guest with a home account',
  stranger: 'Anyone with the link',
  phone: 'By phone',
};
const COLUMNS: Record<WayColumn, string> = {
  comesIn: 'comes in',
  presents: 'presents',
  withoutHost: 'without a host',
};
const wordOf = (column: WayColumn, value: Way[WayColumn]): string => {
  if (column === 'comesIn') return String(value);
  if (column === 'presents') return value ? 'yes' : 'no';
  return value ? 'may come' : 'waits';
};

type Press = (page: Page, cell: Locator, word: string) => Promise<void>;

const byMouse: Press = async (page, cell, word) => {
  await choose(page, (await cell.getAttribute('aria-label'))!, new RegExp(`^${word}`));
};

/** By arrows from the table's first cell, then Enter, the word's beginning, and Enter. */
const byKeys: Press = async (page, cell, word) => {
  const [who, column] = (await cell.getAttribute('aria-label'))!.split(': ');
  const label = (): Promise<string | null> =>
    page.evaluate(() => document.activeElement?.getAttribute('aria-label') ?? null);
  await page.getByRole('combobox', { name: `${ROWS['named-presenter']}: comes in` }).focus();
  for (let i = 0; i < PERSON_KINDS.length && !(await label())?.startsWith(`${who}:`); i++)
    await page.keyboard.press('ArrowDown');
  for (let i = 0; i < 3 && (await label()) !== `${who}: ${column}`; i++)
    await page.keyboard.press('ArrowRight');
  await expect(cell).toBeFocused();
  await page.keyboard.press('Enter');
  // The list takes letters once it has the focus.
  await expect(page.getByRole('option').and(page.locator(':focus'))).toHaveCount(1);
  await page.keyboard.type(word);
  await expect(page.getByRole('option', { name: new RegExp(`^${word}`) })).toBeFocused();
  await page.keyboard.press('Enter');
};

/** Presses cells, the farthest people first, until the table says what other rules would. */
async function setByTable(page: Page, wanted: EntryRules, press: Press): Promise<void> {
  for (const column of ['comesIn', 'presents', 'withoutHost'] as const)
    for (const kind of [...PERSON_KINDS].reverse()) {
      const cell = page.getByRole('combobox', { name: `${ROWS[kind]}: ${COLUMNS[column]}` });
      if ((await cell.count()) === 0) continue;
      const word = wordOf(column, wayOf(kind, wanted)[column]);
      if ((await cell.textContent()) === word) continue;
      await press(page, cell, word);
      await expect(cell).toHaveText(word);
      await expect(cell).toBeEnabled();
    }
}

/** What the door says to somebody, with nobody in the room. */
async function doorSays(school: School, page: Page): Promise<string> {
  const answer = await page.request.get(`${school.url}/api/door/${school.classOf('N3').link.code}`);
  const { decision } = (await answer.json()) as { decision: { reason: string } };
  return decision.reason;
}

for (const [how, press] of Object.entries({ mouse: byMouse, keys: byKeys }))
  test(`each purpose’s rules are set by the table alone, by ${how}, and the door answers by them`, async ({
    school,
  }) => {
    await school.setTime('10:46');
    const teacher = await school.open('Ottoline Marsh');
    const people: [PersonKind, Page][] = [
      ['on-roll', await school.open('Ansel Grue')],
      ['colleague', await school.open('Bram Osterholt')],
      ['stranger', await school.open()],
    ];
    await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
    await expect(teacher.getByRole('heading', { name: 'So, at the door' })).toBeVisible();
    for (const name of PRESET_NAMES) {
      const wanted: EntryRules = { ...FIRST_RULES, ...PRESETS[name].rules };
      await setByTable(teacher, wanted, press);
      for (const [kind, page] of people) {
        const { reason } = decideEntry({
          rules: wanted,
          visitor: visitorOfKind(kind, wanted),
          door: {
            ...{ link: 'live', openedByHost: false, hostInside: false, ended: false, inside: 0 },
            opens: '2026-10-14T13:40:00Z',
            closes: '2026-10-14T14:35:00Z',
          },
          now: '2026-10-14T13:46:00Z',
        });
        expect({ name, kind, reason: await doorSays(school, page) }).toEqual({
          name,
          kind,
          reason,
        });
      }
    }
  });

test('a press says whom else it changes, is seen in the sentence, and is taken back', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  const cell = (who: string): Locator => page.getByRole('combobox', { name: `${who}: comes in` });
  await cell('Student on the roll').click();
  await expect(page.getByRole('option', { name: /^straight/ })).toContainText(
    'also named presenters',
  );
  await page.getByRole('option', { name: /^straight/ }).click();
  await expect(page.getByText('Student on the roll, comes in: straight; also')).toBeVisible();
  await expect(cell('Signe Aalto')).toHaveText('straight');
  await expect(page.getByText('the roll goes straight in')).toBeVisible();
  await page.reload();
  await expect(cell('Student on the roll')).toHaveText('straight');
  await page.getByRole('button', { name: 'Show sources' }).click();
  await page.getByRole('button', { name: 'Who goes straight in: back to the default' }).click();
  await expect(cell('Student on the roll')).toHaveText('lobby');
  await expect(cell('Signe Aalto')).toHaveText('lobby');
});

test('whoever may not set the rules reads the table', async ({ school }) => {
  const page = await school.open('Signe Aalto');
  await page.goto(`${school.url}/classes/${school.classOf('N3').id}/entry`);
  await expect(page.getByRole('row', { name: /Student on the roll/ })).toContainText('lobby');
  await expect(page.getByRole('table').getByRole('combobox')).toHaveCount(0);
});

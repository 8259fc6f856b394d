import { readFileSync } from 'node:fs';
import type { Locator, Page } from '@playwright/test';
import { expect, test, type School } from './support.js';

// How much ten everyday tasks take, counted as they are done: presses of the mouse and keys, words typed told apart. What is
// counted here stands in docs/figures.md, beside what it was.

/** Does as a person does, and counts. */
class Hands {
  presses = 0;
  typed = false;

  constructor(
    readonly page: Page,
    readonly school: School,
  ) {}

  async press(what: Locator): Promise<void> {
    this.presses += 1;
    await what.click();
  }

  async button(name: string | RegExp): Promise<void> {
    await this.press(this.page.getByRole('button', { name }).first());
  }

  async link(name: string | RegExp): Promise<void> {
    await this.press(this.page.getByRole('link', { name }).first());
  }

  /** Opens a list and takes something from it. */
  async choose(label: string, option: RegExp): Promise<void> {
    await this.press(this.page.getByRole('combobox', { name: label, exact: true }).first());
    await this.press(this.page.getByRole('option', { name: option }).first());
  }

  async tick(name: RegExp): Promise<void> {
    await this.press(this.page.getByRole('checkbox', { name }).first());
  }

  async key(key: string): Promise<void> {
    this.presses += 1;
    await this.page.keyboard.press(key);
  }

  async words(text: string): Promise<void> {
    this.typed = true;
    await this.page.keyboard.type(text);
  }
}

interface Task {
  /** As it stands in the table of figures. */
  name: string;
  /** Where it begins; else on Today. */
  from?: string;
  now: string;
  does: (hands: Hands) => Promise<void>;
  /** That it is done. */
  done: (page: Page) => Promise<void>;
}

/** A new session is on the books: the page of its class period is shown. */
const isSaved = (page: Page): Promise<void> => expect(page).toHaveURL(/\/classes\/\d+/);

const TASKS: Task[] = [
  {
    name: 'a session once, typed',
    now: '2 + words',
    does: async (hands) => {
      await hands.key('s');
      await hands.words('clinic fri 2pm for 30 min');
      await expect(hands.page.getByRole('button', { name: /^Schedule Friday/ })).toBeEnabled();
      await hands.key('Enter');
    },
    done: isSaved,
  },
  {
    name: 'weekly, by mouse',
    now: '9',
    does: async (hands) => {
      await hands.link(/^Schedule a session/);
      await hands.choose('Class period', /Chartwork clinic/);
      await hands.choose('How often', /every week/);
      await hands.button('Weekdays');
      await hands.press(hands.page.getByRole('button', { name: 'Fri', exact: true }));
      await hands.press(hands.page.getByRole('button', { name: 'Thu', exact: true }));
      await hands.button(/^Schedule \d+ sessions/);
    },
    done: isSaved,
  },
  {
    name: 'Monday to Thursday to the end of term, by mouse',
    now: '8',
    does: async (hands) => {
      await hands.link(/^Schedule a session/);
      await hands.choose('Class period', /Chartwork clinic/);
      await hands.choose('How often', /every week/);
      await hands.button('Weekdays');
      await hands.button('Mon to Thu');
      await hands.button(/^Schedule \d+ sessions/);
    },
    done: isSaved,
  },
  {
    name: 'one date changed',
    now: '4 + words',
    does: async (hands) => {
      await hands.link('Change it');
      await hands.choose('Bell period or time', /at a time of day/);
      await hands.page.getByLabel('Time', { exact: true }).fill('15:20');
      hands.typed = true;
      await hands.button(/^Save/);
    },
    done: (page) => expect(page).not.toHaveURL(/\/plan\//),
  },
  {
    name: 'copied to two class periods',
    now: '5',
    does: async (hands) => {
      await hands.link('Change it');
      await hands.button('Copy to…');
      await hands.tick(/Chartwork clinic/);
      await hands.tick(/Coastal Navigation, period 6/);
      // What it would do is read before it is pressed.
      for (const title of ['Coastal Navigation, period 6', 'Chartwork clinic'])
        await expect(hands.page.getByText(`${title}: 16 sessions.`)).toBeVisible();
      await hands.button('Copy to 2');
    },
    done: (page) => expect(page.getByText('Copied to 2 class periods.')).toBeVisible(),
  },
  {
    name: 'two weeks cancelled',
    from: '/plan',
    now: '2',
    does: async (hands) => {
      const { page } = hands;
      const strip = page.getByRole('grid', { name: /^Autumn term/ });
      await expect(strip).toBeVisible();
      const box = (await strip.boundingBox())!;
      hands.presses += 1;
      await page.mouse.move(box.x + box.width * 0.6, box.y + box.height - 12);
      await page.mouse.down();
      await page.mouse.move(box.x + box.width * 0.75, box.y + box.height - 12, { steps: 8 });
      await page.mouse.up();
      await hands.button(/^Cancel \d+ sessions$/);
    },
    done: (page) => expect(page.getByText(/^Cancelled: \d+ sessions/).first()).toBeVisible(),
  },
  {
    name: 'a post ten minutes before each session, for three class periods',
    now: '9',
    does: async (hands) => {
      await hands.link(/^Posts$/);
      await hands.button('Write a post');
      await hands.choose('What it is about', /each session/);
      await hands.button('Class periods of the places');
      await hands.tick(/Coastal Navigation, period 1/);
      await hands.tick(/Coastal Navigation, period 6/);
      await hands.button('Add these 2 places');
      await hands.button(/^Queue \d+ posts$/);
    },
    done: (page) => expect(page.getByText('Post queued.')).toBeVisible(),
  },
  {
    name: 'a place filled by hand, in a post',
    from: '/posts?new',
    now: '3',
    does: async (hands) => {
      await hands.choose('Kind of place', /a place filled by hand/);
      await hands.button('Add this place');
    },
    done: (page) => expect(page.getByRole('textbox', { name: /^Name of the place/ })).toBeVisible(),
  },
  {
    name: 'a link replaced',
    now: '4 + words',
    does: async (hands) => {
      await hands.key('/');
      await hands.words('replace navigation period 3');
      await expect(
        hands.page.getByRole('option', { name: /Replace or stop the link of .+ 3/ }),
      ).toBeVisible();
      await hands.key('Enter');
      await hands.button('Replace the link…');
      await hands.button('Replace it');
    },
    done: (page) => expect(page.getByText(/^The link is now \/door\//)).toBeVisible(),
  },
  {
    name: 'who sees which link today',
    now: '2',
    does: async (hands) => {
      await hands.link(/^Posts$/);
      await hands.link('Who sees which link');
    },
    done: (page) => expect(page.getByRole('region', { name: /the worst first$/ })).toBeVisible(),
  },
];

/** The row of a task in docs/figures.md: what it takes, and what it took. */
function rowOf(name: string): { now: string; was: string } {
  const figures = readFileSync(new URL('../docs/figures.md', import.meta.url), 'utf8');
  const row = figures.split('\n').find((line) => line.startsWith(`| ${name} |`));
  const [, , now = '', was = ''] = row?.split('|').map((cell) => cell.trim()) ?? [];
  return { now, was };
}

const numberIn = (words: string): number => Number(/^\d+/.exec(words)?.[0] ?? Number.NaN);

for (const { name, from = '/today', now, does, done } of TASKS)
  test(`presses: ${name}`, async ({ school }) => {
    const page = await school.open('Ottoline Marsh');
    await page.goto(school.url + from);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    const hands = new Hands(page, school);
    await does(hands);
    await done(page);
    expect(`${hands.presses}${hands.typed ? ' + words' : ''}`).toBe(now);
    expect(rowOf(name).now).toBe(now);
  });

test('presses: none more than it was, half of them fewer', () => {
  const rows = TASKS.map(({ name }) => rowOf(name)).filter(({ was }) => was !== '–');
  const more = rows.filter(({ now, was }) => numberIn(now) > numberIn(was));
  expect(more).toEqual([]);
  const fewer = rows.filter(({ now, was }) => numberIn(now) < numberIn(was));
  expect(fewer.length).toBeGreaterThanOrEqual(TASKS.length / 2);
});

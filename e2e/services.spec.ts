import type { Page } from '@playwright/test';
import { expect, test, type School } from './support.js';
import { teachersViews } from './views.js';

/*
 * No service outside is required. Whatever rests on one that is missing is not offered: neither a button that could only
 * fail nor a choice that leads nowhere.
 */

/** What a service is set by, the controls that need it, each after its view, and what stands there without it. */
const SERVICES = {
  'a video service': {
    variables: ['GLEN_VIDEO_URL', 'GLEN_VIDEO_SECRET'],
    controls: ['Coastal Navigation, period 3 · Open the door now'],
    instead: ['Coastal Navigation, period 3 · Open the door with this room'],
  },
  'a course site': {
    variables: ['GLEN_COURSE_SITE_URL', 'GLEN_COURSE_SITE_TOKEN'],
    controls: [
      'Coastal Navigation, period 3 · See the course site',
      'Coastal Navigation, period 3 · Look whether it all still stands there',
      'What a student sees · The course site itself',
      'New post · the class stream',
      'New post · the course page',
      'New post · the course calendar',
      'New post · pinned on top',
    ],
    instead: [
      'Who sees which link · Write a post to paste',
      'New post · Name of the place, Coastal Navigation, period 3',
    ],
  },
  'a provider of accounts': {
    variables: ['GLEN_SIGN_ON'],
    controls: [
      'Your account · Use Merrow school account',
      'Your account · Use Homeport home account',
    ],
    instead: ['Your account · Change it'],
  },
};

/** Everything on a page that can be pressed or chosen, by name. */
const controlsOn = (page: Page): Promise<string[]> =>
  page
    .locator(':is(main, aside) :is(button, a, option, input, [role=combobox])')
    .evaluateAll((found) =>
      found.map((e) => (e.getAttribute('aria-label') ?? e.textContent).trim()),
    );

/** Walks over every view; the controls of all of them, each after its view, and the answers that were refused or failed. */
async function walk(school: School): Promise<{ controls: Set<string>; refused: string[] }> {
  const page = await school.open('Ottoline Marsh');
  const [controls, refused] = [new Set<string>(), [] as string[]];
  page.on('response', (answer) => {
    if (answer.status() >= 400) refused.push(`${answer.status()} ${answer.url()}`);
  });
  for (const { path, shows } of teachersViews) {
    await page.goto(school.url + path(school));
    await expect(page.getByRole('heading', { name: shows }).first()).toBeVisible();
    await expect(page.getByRole('status', { name: 'Loading' })).toHaveCount(0);
    for (const name of await controlsOn(page)) controls.add(`${shows} · ${name}`);
  }
  await page.context().close();
  return { controls, refused };
}

test('what needs a service is offered on no view where there is none', async ({ school }) => {
  const before = await walk(school);
  for (const [service, { variables, controls, instead }] of Object.entries(SERVICES)) {
    const missing = (seen: Set<string>, names: string[]) => names.filter((n) => !seen.has(n));
    expect({ service, missing: missing(before.controls, controls) }).toEqual({
      service,
      missing: [],
    });
    await school.demo.restartServer(
      'SIGTERM',
      Object.fromEntries(variables.map((name) => [name, undefined])),
    );
    const after = await walk(school);
    const offered = controls.filter((name) => after.controls.has(name));
    expect({ service, offered, missing: missing(after.controls, instead) }).toEqual({
      service,
      offered: [],
      missing: [],
    });
    expect(after.refused).toEqual([]);
  }
});

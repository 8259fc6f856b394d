import type { Locator, Page } from '@playwright/test';
import { expect, test, type School } from './support.js';

/*
 * All forms are made in one way, so that they are tried in one: what is wrong is said, at its field, and nothing typed is
 * lost; whoever was slower than somebody else sees both.
 */

type Who = 'Ottoline Marsh' | 'Perpetua Lund';

interface Form {
  name: string;
  who?: Who;
  path: (school: School) => string;
  /** What opens it. */
  open?: (page: Page) => Promise<void>;
  /** Where the form is, on a page that has others. */
  within?: (page: Page) => Locator;
  /** What is typed, by the fields' labels; the last is wrong. */
  typed: [label: string, value: string][];
  send: string | RegExp;
  says: string | RegExp;
}

const press =
  (name: string | RegExp) =>
  (page: Page): Promise<void> =>
    page.getByRole('button', { name }).first().click();
const n3 =
  (rest: string) =>
  (school: School): string =>
    `/classes/${school.classOf('N3').id}/${rest}`;
const n3Link = (school: School): string => n3(`links/${school.classOf('N3').link.id}`)(school);
const person =
  (name: string) =>
  (school: School): string =>
    `/school/people/${school.person(name)}`;
const at = (path: string) => (): string => path;
const region =
  (name: string) =>
  (page: Page): Locator =>
    page.getByRole('region', { name });

const NO_ADDRESS = /address/i;

const REFUSED: Form[] = [
  {
    name: 'signing in',
    path: at('/'),
    typed: [
      ['Address', 'o.marsh@merrow.example'],
      ['Password', 'not this one'],
    ],
    send: 'Sign in',
    says: /password/i,
  },
  {
    name: 'a code typed at the front',
    path: at('/door'),
    typed: [['The code of your door', 'heron']],
    send: 'To the door',
    says: 'A code is a word and 11 letters or digits',
  },
  {
    name: 'about the school',
    who: 'Perpetua Lund',
    path: at('/school/about'),
    typed: [['What is the school called?', '']],
    send: 'Save the changes',
    says: 'Say what the school is called.',
  },
  {
    name: 'how people sign in',
    who: 'Perpetua Lund',
    path: at('/school/sign-in'),
    open: press('Take newcomers in by what is claimed'),
    typed: [
      ['Claim', 'groups'],
      ['What it holds', ''],
    ],
    send: 'Save the changes',
    says: 'Say what it has to say.',
  },
  {
    name: 'one’s own account',
    who: 'Ottoline Marsh',
    path: at('/account'),
    typed: [['What you are called', '']],
    send: 'Save the changes',
    says: 'Say what you are called.',
  },
  {
    name: 'another address of one’s own',
    who: 'Ottoline Marsh',
    path: at('/account'),
    open: press('Change the address o.marsh@merrow.example'),
    within: region('Addresses'),
    typed: [
      ['Your password', 'something'],
      ['The new address', 'nowhere'],
    ],
    send: 'Change it',
    says: NO_ADDRESS,
  },
  {
    name: 'another password',
    who: 'Ottoline Marsh',
    path: at('/account'),
    within: region('Password'),
    typed: [
      ['The password now', 'something'],
      ['The new password', 'short'],
    ],
    send: 'Change it',
    says: /At least \d+ characters/,
  },
  {
    name: 'what is said of a person',
    who: 'Perpetua Lund',
    path: person('Ansel Grue'),
    typed: [['Name', '']],
    send: 'Save the changes',
    says: 'Give a name.',
  },
  {
    name: 'another account of a person',
    who: 'Perpetua Lund',
    path: person('Ansel Grue'),
    within: region('Accounts'),
    typed: [['Another account, by its address', 'nowhere']],
    send: 'Add the account',
    says: NO_ADDRESS,
  },
  {
    name: 'a guardian',
    who: 'Perpetua Lund',
    path: person('Ansel Grue'),
    within: region('Parents or guardians'),
    typed: [
      ['Guardian’s name', 'Ragna Quill'],
      ['Their address', 'nowhere'],
    ],
    send: 'Add them',
    says: NO_ADDRESS,
  },
  {
    name: 'taking somebody in',
    who: 'Perpetua Lund',
    path: at('/school/people'),
    open: press('Take somebody in'),
    within: region('Take somebody in'),
    typed: [
      ['Address', 'nowhere'],
      ['Name', ''],
    ],
    send: 'Take them in',
    says: 'Give a name.',
  },
  {
    name: 'what a class period is called',
    who: 'Ottoline Marsh',
    path: n3('about'),
    typed: [['What is it called?', '']],
    send: 'Save the changes',
    says: /called|title|name/i,
  },
  {
    name: 'another teacher of a class period',
    who: 'Ottoline Marsh',
    path: n3('about'),
    typed: [
      ['Somebody more', 'Ragna Quill'],
      ['Or somebody new, by address', 'nowhere'],
    ],
    send: 'Name Ragna Quill',
    says: NO_ADDRESS,
  },
  {
    name: 'an occasion',
    who: 'Ottoline Marsh',
    path: at('/classes'),
    open: press('Make an occasion'),
    within: region('Make an occasion'),
    typed: [['What is it called?', '']],
    send: 'Make its link',
    says: 'Say what it is called.',
  },
  {
    name: 'somebody put on a roll',
    who: 'Ottoline Marsh',
    path: n3('roll'),
    typed: [
      ['Name', 'Ragna Quill'],
      ['Address', 'nowhere'],
    ],
    send: 'Put on the roll',
    says: NO_ADDRESS,
  },
  {
    name: 'a new link',
    who: 'Ottoline Marsh',
    path: n3('links?new=Group%20work'),
    within: region('New link'),
    typed: [['Name', '']],
    send: 'Make the link',
    says: /name/i,
  },
  {
    name: 'a room of one’s own',
    who: 'Ottoline Marsh',
    path: n3Link,
    open: press('Use a room of your own'),
    typed: [['The room’s address', 'nowhere']],
    send: 'Put it behind the door',
    says: NO_ADDRESS,
  },
  {
    name: 'replacing a link',
    who: 'Ottoline Marsh',
    path: n3Link,
    open: press('Replace the link…'),
    within: region('Replace the link'),
    typed: [['Until', 'Thu 1 Oct 2026']],
    send: 'Replace it',
    says: 'still to come',
  },
  {
    name: 'a session',
    who: 'Ottoline Marsh',
    path: at('/plan/new'),
    within: region('New session'),
    typed: [
      ['Description', 'Bring your dividers.'],
      ['Title', ''],
    ],
    send: /^Schedule /,
    says: /title/i,
  },
  {
    name: 'a post',
    who: 'Ottoline Marsh',
    path: at('/posts?new'),
    within: region('New post'),
    typed: [['Link words', 'x'.repeat(201)]],
    send: /^Post it now|^Queue/,
    says: /200/,
  },
];

for (const { name, who, path, open, within, typed, send, says } of REFUSED)
  test(`${name}: what is wrong is said beside its field, and nothing typed is lost`, async ({
    shown,
  }) => {
    const page = await shown.open(who);
    await page.goto(shown.url + path(shown));
    if (open) await open(page);
    const form = within?.(page) ?? page.locator('main');
    const field = (label: string): Locator => form.getByLabel(label, { exact: true });
    for (const [label, value] of typed) await field(label).fill(value);
    await form.getByRole('button', { name: send, exact: true }).click();
    const alert = form.getByRole('alert').filter({ hasText: says });
    await expect(alert.first()).toBeVisible();
    for (const [label, value] of typed) await expect(field(label)).toHaveValue(value);
    await expect(field(typed.at(-1)![0])).toHaveAttribute('aria-invalid', 'true');
    await page.context().close();
  });

interface SharedForm {
  name: string;
  who: Who;
  path: (school: School) => string;
  open?: (page: Page) => Promise<void>;
  label: string;
  send: string | RegExp;
}

const SHARED: SharedForm[] = [
  {
    name: 'about the school',
    who: 'Perpetua Lund',
    path: at('/school/about'),
    label: 'Whom do students ask when something technical fails?',
    send: 'Save the changes',
  },
  {
    name: 'one’s own account',
    who: 'Ottoline Marsh',
    path: at('/account'),
    label: 'What you are called',
    send: 'Save the changes',
  },
  {
    name: 'what is said of a person',
    who: 'Perpetua Lund',
    path: person('Ansel Grue'),
    label: 'Name',
    send: 'Save the changes',
  },
  {
    name: 'what a class period is called',
    who: 'Ottoline Marsh',
    path: n3('about'),
    label: 'What is it called?',
    send: 'Save the changes',
  },
  {
    name: 'the calendar',
    who: 'Perpetua Lund',
    path: at('/school'),
    label: 'Name of term 1',
    send: /^Change (it|the calendar)/,
  },
  {
    name: 'groups',
    who: 'Ottoline Marsh',
    path: (school) => `/classes/${school.classOf('R5').id}/roll`,
    label: 'Name of group 1',
    send: 'Save the groups',
  },
];

for (const { name, who, path, label, send } of SHARED)
  test(`${name}: whoever was slower sees both, and one of the two is chosen`, async ({
    school,
  }) => {
    const [first, second] = [await school.open(who), await school.open(who)];
    for (const page of [first, second]) await page.goto(school.url + path(school));
    const field = (page: Page): Locator => page.locator('main').getByLabel(label, { exact: true });
    const save = async (page: Page): Promise<void> => {
      const answered = page.waitForResponse((answer) => answer.request().method() === 'PUT');
      await page.locator('main').getByRole('button', { name: send, exact: true }).first().click();
      await answered;
    };
    await field(second).fill('The second');
    await field(first).fill('The first');
    await save(first);
    await expect(first.getByRole('button', { name: 'Undo' }).first()).toBeVisible();

    await save(second);
    const both = second.getByRole('alert').filter({ hasText: 'while you were at it' });
    await expect(both).toBeVisible();
    await expect(field(second)).toHaveValue('The second');
    await both.getByRole('button', { name: 'Take theirs' }).click();
    await expect(field(second)).toHaveValue('The first');
    await expect(both).toHaveCount(0);

    await field(first).fill('The first again');
    await field(second).fill('The second again');
    await save(first);
    await save(second);
    await both.getByRole('button', { name: 'Save mine over it' }).click();
    await expect(both).toHaveCount(0);
    await expect(field(second)).toHaveValue('The second again');
  });

test('a rule’s value that cannot be is said in its card', async ({ shown }) => {
  const page = await shown.open('Ottoline Marsh');
  await page.goto(shown.url + n3('entry')(shown));
  await page.getByText('Rare rules').click();
  await page.getByRole('button', { name: /^Room for \d+ people/ }).click();
  await page.getByLabel('How many fit in').fill('none');
  await page.getByRole('button', { name: 'Save the rule' }).click();
  await expect(page.getByText('Give a whole number from 1')).toBeVisible();
  await expect(page.getByLabel('How many fit in')).toHaveValue('none');
  await page.context().close();
});

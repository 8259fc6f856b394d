// ./glen shots: remakes docs/screenshots from the demo data.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { root } from './build.mjs';
import { startDemo, startMariadb } from './processes.mjs';

export async function main() {
  const { chromium } = await import('@playwright/test');
  const dir = mkdtempSync(join(tmpdir(), 'glen-shots-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  const demo = await startDemo({ mariadb, database: 'shots', port: 4871, at: '2026-10-14T10:31' });
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--use-fake-device-for-media-stream',
    ],
  });
  const out = join(root, 'docs/screenshots');
  mkdirSync(out, { recursive: true });
  const { people } = await (await fetch(`${demo.publicUrl}/api/demo/people`)).json();
  const open = async (name, options = {}) => {
    const context = await browser.newContext({
      viewport: { width: 1280, height: 800 },
      timezoneId: 'America/Halifax',
      locale: 'en-CA',
      permissions: ['camera', 'microphone'],
      ...options,
    });
    if (name)
      await context.request.post(`${demo.publicUrl}/api/demo/sign-in`, {
        data: {
          accountId: people.find((p) => p.name === name).accounts.find((a) => a.kind === 'school')
            .id,
        },
        headers: { Origin: demo.publicUrl },
      });
    return context.newPage();
  };
  const phone = { viewport: { width: 390, height: 844 } };
  const shot = async (page, path, name, shows) => {
    if (path) await page.goto(path);
    await page.getByText(shows).first().waitFor();
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: join(out, `${name}.png`), animations: 'disabled' });
  };
  try {
    const teacher = await open('Ottoline Marsh');
    const { classes } = await (await teacher.request.get(`${demo.publicUrl}/api/classes`)).json();
    const n3 = classes.find((c) => c.pennant.letters === 'N3');
    const at = (path) => demo.publicUrl + path;
    await shot(teacher, at('/today'), 'today', 'Wednesday, 7 sessions');
    await teacher.goto(at('/plan'));
    await teacher.getByTestId('strip').focus();
    for (const key of ['ArrowDown', 'ArrowDown', 'PageDown', 'Enter'])
      await teacher.keyboard.press(key);
    await shot(teacher, null, 'plan', 'Every Mon and Wed, period 3');
    await shot(teacher, at('/plan?view=week'), 'week', 'Week of Mon 12 Oct');
    await teacher.goto(at('/plan/new'));
    await teacher
      .getByLabel('Or type it')
      .fill('Nav 3 every Tue and Thu in period 3 until term ends');
    await shot(teacher, null, 'sheet', 'Every Tue and Thu, period 3');
    await shot(await open('Perpetua Lund'), at('/school'), 'school', 'School calendar');
    await shot(teacher, at(`/classes/${n3.id}/sessions`), 'class', 'Ahead');
    await teacher.getByRole('button', { name: 'Copy as…' }).click();
    await teacher.getByRole('button', { name: 'The whole invitation' }).click();
    await shot(teacher, null, 'copy-as', 'Or take it as a file');
    await shot(teacher, at(`/classes/${n3.id}/entry`), 'entry', 'So, at the door');
    await shot(teacher, at('/posts'), 'posts', 'Goes out Wed 14 Oct 14:05');
    await teacher.goto(at('/posts?new'));
    await teacher
      .getByRole('textbox', { name: 'Words', exact: true })
      .fill('{title} begins at {time}. Bring dividers and a soft pencil.');
    for (const of of [/Coastal Navigation, period 3/, /Coastal Navigation, period 6/]) {
      await teacher.getByRole('combobox', { name: 'Class period of the place' }).click();
      await teacher.getByRole('option', { name: of }).click();
      await teacher.getByRole('button', { name: 'Add this place' }).click();
    }
    await teacher.getByRole('combobox', { name: 'What it is about' }).click();
    await teacher.getByRole('option', { name: /each session/ }).click();
    await shot(teacher, null, 'composer', /1\d\d posts in all/);
    await shot(
      teacher,
      at(`/posts/reach?link=${classes.find((c) => c.pennant.letters === 'N6').link.id}&at=begins`),
      'reach',
      '22 people, 2 places',
    );
    await shot(teacher, at(`/classes/${n3.id}/links/${n3.link.id}`), 'link', 'So, at the door');
    await shot(teacher, at('/links'), 'all-links', 'Port watch');
    const student = await open('Ansel Grue', phone);
    await shot(student, at('/'), 'my-day', 'Your classes');
    const reader = await open(null);
    await reader.goto(demo.courseSite);
    await reader.getByRole('button', { name: 'Ansel Grue', exact: true }).click();
    await shot(reader, `${demo.courseSite}/class/nav-3`, 'course-site', 'Course page');
    await shot(student, n3.link.address, 'door', 'The door opens at');
    await teacher.goto(at(`/desk/${n3.link.id}`));
    const [room] = await Promise.all([
      teacher.context().waitForEvent('page'),
      teacher.getByRole('button', { name: 'Open the door now' }).click(),
    ]);
    await room.getByText('You are Ottoline Marsh').waitFor();
    await room.locator('#camera').click();
    await room.locator('#present').click();
    await room.locator('#count').fill('6');
    await room.locator('#simulate').click();
    await teacher.bringToFront();
    await teacher.getByRole('heading', { name: /In the lobby [6-9]/ }).waitFor({ timeout: 30000 });
    await teacher
      .getByRole('button', { name: /^Let (?!all|the|Ansel).* in$/ })
      .first()
      .click();
    await teacher.getByRole('heading', { name: 'Inside 2' }).waitFor();
    await shot(teacher, null, 'desk', 'Missing from the roll');
    await shot(student, null, 'door-lobby', 'You are in the lobby');
    await shot(room, null, 'room', 'Seats');
  } finally {
    await browser.close();
    await demo.stop();
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  }
  return 0;
}

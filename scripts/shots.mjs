// ./glen shots: remakes docs/screenshots from the demo data.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromiumWithDevices, launchBrowser } from './browser.mjs';
import { root } from './build.mjs';
import { LOOPBACK, freePort, startDemo, startMariadb, startNode, statement } from './processes.mjs';

const OUT = join(root, 'docs/screenshots');
const SCREEN = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

/** Opens pages of the demo school, for somebody who is signed in or for nobody. */
async function visitors(browser, url) {
  const { people } = await (await fetch(`${url}/api/demo/people`)).json();
  const accountOf = (name) =>
    people.find((p) => p.name === name).accounts.find((a) => a.kind === 'school').id;
  return async (name, viewport = SCREEN) => {
    const context = await browser.newContext({
      viewport,
      timezoneId: 'America/Halifax',
      locale: 'en-CA',
      permissions: ['camera', 'microphone'],
    });
    if (name)
      await context.request.post(`${url}/api/demo/sign-in`, {
        data: { accountId: accountOf(name) },
        headers: { Origin: url },
      });
    return context.newPage();
  };
}

/** Takes a picture of a page once `shows` can be read on it; goes to `path` first if there is one. */
async function shot(page, path, name, shows) {
  if (path) await page.goto(path);
  await page.getByText(shows).first().waitFor();
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(OUT, `${name}.png`), animations: 'disabled' });
}

async function planning({ teacher, open, at }) {
  await shot(teacher, at('/today'), 'today', 'Wednesday, 7 sessions');
  await teacher.goto(at('/plan'));
  await teacher.getByTestId('strip').focus();
  for (const key of ['ArrowDown', 'ArrowDown', 'PageDown', 'Enter'])
    await teacher.keyboard.press(key);
  await shot(teacher, null, 'plan', 'Every Mon and Wed, period 3');
  await shot(teacher, at('/plan?view=week'), 'week', 'Week of Mon 12 Oct');
  await teacher.goto(at('/plan/new'));
  const sentence = 'Nav 3 every Tue and Thu in period 3 until term ends';
  await teacher.getByLabel('Or type it').fill(sentence);
  await shot(teacher, null, 'sheet', 'Every Tue and Thu, period 3');
  const office = await open('Perpetua Lund');
  await shot(office, at('/school'), 'school', 'School calendar');
  await shot(office, at('/school/people'), 'people', 'Ansel Grue');
}

async function linksAndRules({ teacher, at, n3 }) {
  await shot(teacher, at(`/classes/${n3.id}/sessions`), 'class', 'Ahead');
  await shot(teacher, at('/registers?week=2026-10-05'), 'registers', 'Marine Weather, period 2');
  await shot(teacher, at(`/classes/${n3.id}/entry`), 'entry', 'So, at the door');
}

/** A new post starts with the next lesson's class period; the others are added at one press. */
async function addPlaces(page, classPeriods) {
  await page.getByRole('button', { name: 'Class periods of the places' }).click();
  for (const name of classPeriods) await page.getByRole('checkbox', { name }).check();
  await page.getByRole('button', { name: `Add these ${classPeriods.length} places` }).click();
}

async function posting({ teacher, at, n6 }) {
  await shot(teacher, at('/posts'), 'posts', 'Goes out Wed 14 Oct 14:05');
  await teacher.goto(at('/posts?new'));
  await teacher
    .getByRole('textbox', { name: 'Words', exact: true })
    .fill('{title} begins at {time}. Bring dividers and a soft pencil.');
  await addPlaces(teacher, [/Coastal Navigation, period 1/, /Coastal Navigation, period 6/]);
  await teacher.getByRole('combobox', { name: 'What it is about' }).click();
  await teacher.getByRole('option', { name: /each session/ }).click();
  await shot(teacher, null, 'composer', /1\d\d posts in all/);
  const reach = `/posts/reach?link=${n6.link.id}&at=begins`;
  await shot(teacher, at(reach), 'reach', '22 people, 2 places');
}

async function students({ open, at, student, clinic }) {
  await shot(student, at('/'), 'my-day', 'Your classes');
  const other = await open('Birgit Tideman', PHONE);
  await shot(other, at(`/sign-up/${clinic.link.code}`), 'slots', 'Others see that a slot is taken');
}

/** An evening by appointment, as a parent chooses from it. */
async function family({ open, at }) {
  const office = await open('Perpetua Lund');
  const headers = { Origin: at('') };
  const { teachers } = await (await office.request.get(at('/api/appointments'))).json();
  const planned = await office.request.post(at('/api/appointments'), {
    headers,
    data: {
      title: 'Families’ evening',
      ...{ date: '2026-10-22', time: '18:00', minutes: 120 },
      slots: { minutes: 10, gap: 2, breakEvery: 0, breakMinutes: 0 },
      hosts: teachers.map(({ personId, classes }) => ({ personId, classId: classes[0].id })),
      guests: 'Ida Quill <ida.quill@home.example>',
    },
  });
  const { id } = await planned.json();
  const { guests } = await (await office.request.get(at(`/api/appointments/${id}`))).json();
  const parent = await open(null, PHONE);
  await parent.goto(guests[0].address);
  for (const { name } of teachers.slice(0, 2))
    await parent.getByRole('button', { name: `See ${name}` }).click();
  await shot(parent, null, 'appointments', 'Take these 2 times');
}

/** The teacher opens the door, and the room comes with six more people. */
async function openRoom(teacher) {
  const [room] = await Promise.all([
    teacher.context().waitForEvent('page'),
    teacher.getByRole('button', { name: 'Open the door now' }).click(),
  ]);
  await room.getByText('You are Ottoline Marsh').waitFor();
  await room.locator('#count').fill('6');
  await room.locator('#simulate').click();
}

async function lesson({ teacher, student, at, n3 }) {
  await shot(student, n3.link.address, 'door', 'The door opens at');
  await teacher.goto(at(`/desk/${n3.link.id}`));
  await openRoom(teacher);
  await teacher.bringToFront();
  await teacher.getByRole('heading', { name: /In the lobby [6-9]/ }).waitFor({ timeout: 30000 });
  await teacher
    .getByRole('button', { name: /^Let (?!all|the|Ansel).* in$/ })
    .first()
    .click();
  await teacher.getByRole('heading', { name: 'Inside 2' }).waitFor();
  await shot(teacher, null, 'desk', 'Missing from the roll');
  await student.getByText('You are in the lobby').first().waitFor();
}

/** A teacher's phone, twice: the day, and who waits at the door. */
async function phones({ open, at, n3 }) {
  const page = await open('Ottoline Marsh', PHONE);
  const shown = [];
  for (const [path, shows] of [
    ['/today', 'Door open'],
    [`/desk/${n3.link.id}`, 'Let all in'],
  ]) {
    await page.goto(at(path));
    await page.getByText(shows).first().waitFor();
    await page.evaluate(() => document.fonts.ready);
    shown.push((await page.screenshot({ animations: 'disabled' })).toString('base64'));
  }
  const sheet = await open(null, { width: 2 * PHONE.width + 60, height: PHONE.height + 40 });
  const images = shown.map((png) => `<img src="data:image/png;base64,${png}">`).join('');
  await sheet.setContent(`<body style="margin:20px;display:flex;gap:20px">${images}</body>`);
  await sheet.screenshot({ path: join(OUT, 'phones.png') });
}

/** A server with nothing in its database, and the one-time address that it tells. */
async function startEmpty(mariadb) {
  await statement(mariadb, 'CREATE DATABASE own CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci');
  const port = String(await freePort());
  const server = startNode(
    join(root, 'apps/server/dist/main.js'),
    {
      GLEN_DATABASE_URL: mariadb.url('own'),
      GLEN_PUBLIC_URL: `http://${LOOPBACK}:${port}`,
      GLEN_PORT: port,
      GLEN_SECRET: 'pictures keep nothing from anybody',
    },
    'Glen is ready',
  );
  let said = '';
  server.child.stdout.on('data', (data) => (said += data));
  await server.started;
  return { stop: server.stop, address: /http\S+\/move-in\/\S+/.exec(said)[0] };
}

/** The last page of moving in: a class period and when it meets, in words. */
async function movingIn(mariadb, browser) {
  const own = await startEmpty(mariadb);
  const context = await browser.newContext({ viewport: SCREEN, timezoneId: 'America/Halifax' });
  const page = await context.newPage();
  const next = (name) => page.getByRole('button', { name }).click();
  await page.goto(own.address);
  await page.getByLabel(/What is the school called/).fill('Harbour Street Evening School');
  await next('Next: the year');
  await next('Next: you');
  await page.getByLabel('What are you called?').fill('Ines Okoro');
  await page.getByLabel('Your address').fill('ines@harbour.example');
  await page.getByLabel('A password').fill('paper and thread');
  await next('Make the school');
  await page.getByLabel('What is it called?').fill('Bookbinding, Tuesday group');
  await page.getByLabel(/Where is its room/).fill('https://rooms.example/ines-okoro');
  await page.getByLabel(/When does it meet/).fill('every Tuesday 18:30 to 20:00 until term ends');
  await shot(page, null, 'move-in', /Every Tue/);
  await context.close();
  await own.stop();
}

/** All pictures, in the order of a day: what one shows may rest on what was done for another. */
async function takeAll(demo, browser) {
  const url = demo.publicUrl;
  const open = await visitors(browser, url);
  const teacher = await open('Ottoline Marsh');
  const { classes } = await (await teacher.request.get(`${url}/api/classes`)).json();
  const flying = (letters) => classes.find((c) => c.pennant.letters === letters);
  const school = {
    open,
    teacher,
    student: await open('Ansel Grue', PHONE),
    at: (path) => url + path,
    n3: flying('N3'),
    n6: flying('N6'),
    clinic: flying('C'),
  };
  const parts = [planning, linksAndRules, posting, students, family, lesson, phones];
  for (const part of parts) await part(school);
}

export async function main() {
  const dir = mkdtempSync(join(tmpdir(), 'glen-shots-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  const demo = await startDemo({ mariadb, database: 'shots', port: 4871, at: '2026-10-14T10:31' });
  const browser = await launchBrowser(chromiumWithDevices());
  mkdirSync(OUT, { recursive: true });
  try {
    await takeAll(demo, browser);
    await movingIn(mariadb, browser);
  } finally {
    await browser.close();
    await demo.stop();
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  }
  return 0;
}

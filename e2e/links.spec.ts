import { writeFileSync } from 'node:fs';

import { choose, clipboard, enterRoom, expect, test } from './support.js';
import { openLink, codeShown } from './linkSteps.js';

test('a group: parted by a file, given a link and a tutor; members come in by it, others of the class do not', async ({
  school,
}, info) => {
  await school.setTime('10:31');
  const teacher = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await teacher.goto(`${school.url}/classes/${n3.id}/roll`);
  const file = info.outputPath('groups.csv');
  writeFileSync(
    file,
    '\ufeffteam;notes;student\nLeeward;;Ansel Grue\nLeeward;;ansel.grue@merrow.example\nWindward;x;"Tideman, Birgit"\nLeeward;;Nobody Known\n',
    'utf16le',
  );
  await teacher.getByLabel('File of groups').setInputFiles(file);
  const preview = teacher.getByRole('region', { name: 'What the file says' });
  await expect(preview).toContainText('2 students in 2 groups');
  await expect(preview).toContainText('line 3 ansel.grue@merrow.example stands here twice.');
  await expect(preview).toContainText('line 5 Nobody Known is not on this roll.');
  await preview.getByRole('button', { name: 'Use these groups' }).click();
  await choose(teacher, 'Tutor of Leeward', 'Signe Aalto');
  await choose(teacher, 'Group of Caspian Holloway', 'Leeward');
  await teacher.getByRole('button', { name: 'Save the groups' }).click();
  await teacher
    .getByRole('listitem')
    .filter({ has: teacher.getByRole('textbox', { name: 'Name of group 1' }) })
    .getByRole('button', { name: 'Give it a link' })
    .click();
  await teacher.getByRole('link', { name: 'Link: Leeward' }).click();
  await expect(teacher.getByRole('heading', { name: 'Its addresses' })).toBeVisible();
  await expect(teacher.getByText('hosted by the class period’s hosts and')).toContainText(
    'Signe Aalto',
  );
  const code = await codeShown(teacher);

  const tutor = await school.open('Signe Aalto');
  await tutor.goto(teacher.url().replace(/\/classes\/\d+\/links\//, '/desk/'));
  // The lesson that she visits begins meanwhile.
  await tutor.getByRole('button', { name: 'Open the door now' }).click();
  await expect(tutor.getByText(/^Coastal Navigation.* at the same time\.$/)).toBeVisible();
  await enterRoom(tutor, 'Open it all the same');
  const member = await school.openPhone('Ansel Grue');
  await member.goto(`${school.url}/door/${code}`);
  await member.getByRole('button', { name: 'Knock' }).click();
  const other = await school.openPhone('Delphine Brandt');
  await other.goto(`${school.url}/door/${code}`);
  await expect(
    other.getByRole('heading', { name: 'You are not on this door’s list' }),
  ).toBeVisible();
  await tutor.getByRole('button', { name: /^Let Ansel Grue in/ }).click();
  await expect(member.locator('#you')).toContainText('You are Ansel Grue');
  // Split anew, and taken back: the groups are as they were.
  await teacher.goto(`${school.url}/classes/${n3.id}/roll`);
  await teacher.getByLabel('How many groups').fill('3');
  await teacher.getByRole('button', { name: 'at random' }).click();
  await teacher.getByRole('button', { name: 'Save the groups' }).click();
  await expect(teacher.getByText('Everybody has a group')).toBeVisible();
  await teacher.keyboard.press('u');
  await expect(teacher.getByText('21 are in no group')).toBeVisible();
});

test('two class periods together: their doors are one, for the evening and no longer', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const [n1, n6] = [school.classOf('N1'), school.classOf('N6')];
  for (const c of [n1, n6]) {
    await teacher.goto(`${school.url}/plan/new?class=${c.id}`);
    await teacher.getByLabel('Or type it').fill('tomorrow 19:00 for 60 minutes');
    await teacher.getByLabel('Title').fill(`Stars, ${c.pennant.letters}`);
    await teacher.getByRole('button', { name: /^Schedule/ }).click();
    await expect(teacher.getByText(`Stars, ${c.pennant.letters}`).first()).toBeVisible();
  }
  await openLink(teacher, school, 'N1');
  await choose(teacher, 'Which class period', 'Coastal Navigation, period 6');
  await choose(teacher, 'When', 'on Thu 15 Oct, 19:00');
  await teacher.getByRole('button', { name: 'Bring them together' }).click();
  await expect(
    teacher.getByText('Coastal Navigation, period 6, on Thu 15 Oct; its own door leads here then.'),
  ).toBeVisible();
  await teacher.goto(`${school.url}/classes/${n6.id}/sessions`);
  await expect(teacher.getByRole('listitem').filter({ hasText: 'Stars, N6' })).toContainText(
    'held at the door of Coastal Navigation, period 1',
  );

  await school.setTime('18:58', '2026-10-15');
  const pupil = await school.openPhone('Arne Castellan');
  await pupil.goto(`${school.url}/`);
  await expect(pupil.getByText('Stars, N1').first()).toBeVisible();
  await expect(pupil.getByText('Stars, N6')).toHaveCount(0);
  await pupil.goto(n6.link.address);
  await expect(pupil.getByRole('heading', { name: 'Stars, N1' })).toBeVisible();
  await expect(pupil.getByText('Your class meets at this door today')).toBeVisible();
  // The desk of one is the desk of both.
  await teacher.goto(`${school.url}/desk/${n6.link.id}`);
  await expect(teacher).toHaveURL(`${school.url}/desk/${n1.link.id}`);
  await enterRoom(teacher, 'Open the door now');
  // Whoever waited for a host knocks by themselves when one comes.
  await expect(pupil.getByRole('heading', { name: 'You are in the lobby' })).toBeVisible();
  await expect(teacher.getByRole('heading', { name: 'In the lobby 1' })).toBeVisible();
  await teacher.keyboard.press('a');
  await expect(pupil.locator('#you')).toContainText('You are Arne Castellan');
  await school.setTime('14:14', '2026-10-19');
  const later = await school.openPhone('Arne Castellan');
  await later.goto(n6.link.address);
  await expect(later.getByRole('heading', { name: 'Coastal Navigation, period 6' })).toBeVisible();
});

test('rules at every scope: a preset shows its lines first, each value its source and a way back, locks hold', async ({
  school,
}) => {
  const head = await school.open('Noor Achterberg');
  await head.goto(`${school.url}/school/entry`);
  await head
    .getByRole('button', { name: 'Who shares a screen: fixed for everyone', exact: true })
    .or(head.getByText('Rare rules'))
    .first()
    .click();
  await head
    .getByRole('button', { name: 'Who shares a screen: fixed for everyone', exact: true })
    .click();
  await expect(
    head.getByRole('button', { name: 'Who shares a screen: fixed for everyone', exact: true }),
  ).toHaveAttribute('aria-pressed', 'true');

  const teacher = await school.open('Ottoline Marsh');
  await openLink(teacher, school, 'N3');
  await teacher.getByRole('button', { name: 'Rules as for…' }).click();
  const card = teacher.getByRole('dialog', { name: 'Rules as for a purpose' });
  await card.getByRole('radio', { name: 'Open evening' }).click();
  await expect(card).toContainText('Who may enter: The roll becomes Anyone with the link');
  await expect(card.getByRole('listitem').filter({ hasText: 'Who shares a screen' })).toContainText(
    'presenters stays',
  );
  await card.getByRole('button', { name: /^Change these \d lines$/ }).click();
  const anyone = teacher.getByRole('combobox', { name: 'Anyone with the link: comes in' });
  await expect(anyone).toHaveText('straight');
  await expect(teacher.getByText('The door stands wide open')).toBeVisible();
  await teacher.getByText(/rules are set for this link alone/).click();
  await teacher.getByRole('button', { name: 'Who may enter: back to the default' }).click();
  await expect(anyone).toHaveText('not');
  await teacher.keyboard.press('u');
  await expect(anyone).toHaveText('straight');

  // One date alone, over the link; the rest of the series stays.
  await teacher.goto(`${school.url}/classes/${school.classOf('N3').id}/sessions`);
  await teacher
    .getByRole('link', { name: 'Change Coastal Navigation, period 3, Wed 21 Oct' })
    .click();
  await teacher.getByRole('button', { name: /^Entry rules: its link’s/ }).click();
  await choose(teacher, /^When the door opens, set for this link/, '30 min before');
  await expect(
    teacher.getByRole('combobox', { name: 'When the door opens, set for this date alone' }),
  ).toBeVisible();
  await teacher.getByRole('button', { name: 'Close' }).click();
  await expect(
    teacher.getByRole('button', { name: 'Entry rules: one entry rule of its own' }),
  ).toBeVisible();
  await school.setTime('10:10', '2026-10-21');
  const pupil = await school.openPhone('Ansel Grue');
  await pupil.goto(school.door('N3'));
  await expect(pupil.getByText('The door opens at 10:15')).toBeVisible();

  // A teacher's own defaults, and where they come from.
  await teacher.goto(`${school.url}/school/my-entry`);
  await choose(teacher, 'Chat, from the school', 'off');
  await teacher.goto(`${school.url}/classes/${school.classOf('N6').id}/entry`);
  await expect(
    teacher.getByRole('combobox', { name: 'Chat, from the host’s own defaults' }),
  ).toContainText('off');
});

test('a project group’s link stands open with nothing planned, for its members and nobody else', async ({
  school,
}) => {
  const teacher = await school.open('Ottoline Marsh');
  const n3 = school.classOf('N3');
  await teacher.goto(`${school.url}/classes/${n3.id}/links`);
  await teacher.getByRole('button', { name: 'Make another link' }).click();
  await choose(teacher, 'What it is for', 'Project group');
  await teacher.getByRole('textbox', { name: 'Name' }).fill('Raft builders');
  await teacher.getByRole('button', { name: 'Whom it is for: nobody yet' }).click();
  await teacher.getByLabel('Add somebody by name or address').fill('Ansel Gr');
  await teacher.getByRole('button', { name: /^Ansel Grue/ }).click();
  await teacher.getByLabel('Add somebody by name or address').fill('Ragna.Quill@home.example');
  await teacher
    .getByRole('button', { name: 'Invite ragna.quill@home.example, as a guest' })
    .click();
  await teacher.keyboard.press('Escape');
  await teacher.getByRole('button', { name: 'Make the link' }).click();
  await teacher.waitForURL(/\/links\/\d+$/);
  await expect(teacher.getByRole('heading', { name: 'Its addresses' })).toBeVisible();
  const code = await codeShown(teacher);
  const member = await school.openPhone('Ansel Grue');
  await member.goto(`${school.url}/door/${code}`);
  await member.getByRole('button', { name: 'Go in' }).click();
  await expect(member.locator('#you')).toContainText('You are Ansel Grue');
  const other = await school.openPhone('Birgit Tideman');
  await other.goto(`${school.url}/door/${code}`);
  await expect(
    other.getByRole('heading', { name: 'You are not on this door’s list' }),
  ).toBeVisible();
  // Its place among the links, by keys alone.
  await teacher.goto(`${school.url}/classes/${n3.id}/links`);
  const order = teacher.getByRole('list', { name: 'Links in their order' });
  await expect(order.getByRole('heading')).toHaveText([
    'Lessons',
    'Talks with Birgit',
    'Raft builders',
  ]);
  await order.getByRole('button', { name: 'Move Raft builders' }).focus();
  await teacher.keyboard.press('Space');
  await expect(
    teacher.getByText(/^Raft builders (is picked up, |would be )3 of 3\.$/),
  ).toBeAttached();
  // A key that comes before the list has measured itself moves nothing; whoever sees that presses again.
  const isSecond = teacher.getByText('Raft builders would be 2 of 3.');
  await expect(async () => {
    if ((await isSecond.count()) === 0) await teacher.keyboard.press('ArrowUp');
    await expect(isSecond).toBeAttached();
  }).toPass();
  await teacher.keyboard.press('Space');
  await expect(order.getByRole('heading')).toHaveText([
    'Lessons',
    'Raft builders',
    'Talks with Birgit',
  ]);
  await teacher.reload();
  await expect(order.getByRole('heading')).toHaveText([
    'Lessons',
    'Raft builders',
    'Talks with Birgit',
  ]);
});

test('all my links: found, filtered, chosen, copied and printed', async ({ school }) => {
  const teacher = await school.open('Ottoline Marsh');
  await teacher.goto(`${school.url}/classes`);
  await teacher.getByRole('link', { name: 'All my links' }).click();
  const rows = teacher.getByRole('row');
  await expect(rows).toHaveCount(11);
  await teacher.getByLabel('Find a link').fill('idris');
  await expect(rows).toHaveCount(2);
  await teacher.getByLabel('Find a link').fill('ropework WATCH');
  await expect(rows).toHaveCount(3);
  await teacher.getByRole('button', { name: 'Link', exact: true }).click();
  await teacher.getByRole('button', { name: 'Link', exact: true }).click();
  await expect(rows.nth(1)).toContainText('Starboard watch');
  await teacher.getByRole('checkbox', { name: 'Choose all' }).check();
  await teacher.getByRole('button', { name: 'Copy 2 links' }).click();
  // What an earlier test copied may still be there for a moment.
  const namesCopied = async (): Promise<string[]> => {
    const lines = (await clipboard(teacher)).plain.split('\n');
    return lines.map((line) => line.split(': http')[0]!).sort();
  };
  await expect
    .poll(namesCopied)
    .toEqual(['Port watch, Ropework, period 5', 'Starboard watch, Ropework, period 5']);
  await teacher.getByRole('link', { name: 'Print 2 with QR codes' }).click();
  await expect(teacher.getByRole('img', { name: /^QR code of the door of/ })).toHaveCount(2);
  await teacher.goto(`${school.url}/links`);
  await teacher.getByRole('button', { name: 'Stopped' }).click();
  await expect(teacher.getByText('No link fits')).toBeVisible();
});

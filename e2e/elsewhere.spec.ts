import { unzipSync } from 'fflate';
import { expectNoViolations } from './seen.js';
import { choose, copied, expect, saved, test } from './support.js';

test('links are taken along as pages and as a cartridge; those for some alone only where that is wished', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts`);
  await page.getByRole('link', { name: 'Take it elsewhere' }).click();
  // Posts has a list of class periods, too.
  await expect(page.getByRole('heading', { name: 'Take it elsewhere' })).toBeVisible();
  await choose(page, 'Class period', 'Ropework, period 5');
  const text = await saved(page, 'Save as plain text');
  expect(text.name).toBe('ropework-period-5.txt');
  expect(text.bytes.toString()).toContain(school.door('R5'));
  expect(text.bytes.toString()).not.toContain('Port watch');
  await choose(page, 'Which links', 'those for some of it too');
  await expect(page.getByText('Some links are for some alone')).toBeVisible();
  const markdown = await saved(page, 'Save as Markdown');
  expect(markdown.bytes.toString()).toContain('- [Port watch](');
  const cartridge = await saved(page, 'Save the cartridge');
  expect(cartridge.name).toBe('ropework-period-5.imscc');
  const files = unzipSync(new Uint8Array(cartridge.bytes));
  const manifest = Buffer.from(files['imsmanifest.xml']!).toString();
  expect(manifest).toContain('<schemaversion>1.3.0</schemaversion>');
  for (const name of Object.keys(files).filter((file) => file !== 'imsmanifest.xml'))
    expect(manifest).toContain(`<file href="${name}"/>`);
  await page.getByRole('button', { name: 'Copy the page' }).click();
  await copied(page, new RegExp(school.door('R5')));
  await expectNoViolations(page);
});

test('a slide, a poster and a banner of a link, and one sheet on paper', async ({ school }) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts/elsewhere?class=${school.classOf('N3').id}`);
  await expect(page.getByRole('img', { name: /^Slide of / })).toBeVisible();
  await page.getByRole('radio', { name: 'Poster' }).click();
  const poster = await saved(page, 'Save as SVG');
  expect(poster.name).toBe('coastal-navigation-period-3-poster.svg');
  expect(poster.bytes.toString()).toContain(school.door('N3'));
  await page.emulateMedia({ media: 'print' });
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1');
  expect(pdf.match(/\/Type\s*\/Page\b/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('radio', { name: 'Banner' }).click();
  await page.getByRole('button', { name: 'Copy its HTML' }).click();
  await copied(page, new RegExp(`^<a href="${school.door('N3')}"`));
});

test('addresses that follow: a calendar that reminds when one wishes, and what is posted', async ({
  school,
}) => {
  const page = await school.open('Ottoline Marsh');
  await page.goto(`${school.url}/posts/elsewhere?class=${school.classOf('N3').id}`);
  await page.getByRole('button', { name: 'Make an address' }).click();
  await page.getByRole('button', { name: 'Copy the address of what is posted' }).click();
  const { plain: news } = await copied(page, /\/api\/news\//);
  expect(await (await fetch(news)).text()).toContain('<feed xmlns="http://www.w3.org/2005/Atom">');
  await page.getByRole('button', { name: 'Copy the calendar’s address' }).click();
  const { plain: calendar } = await copied(page, /\/api\/calendar\//);
  await choose(page, /When calendars remind/, 'an hour before');
  await expect.poll(async () => (await fetch(calendar)).text()).toContain('TRIGGER:-PT60M');
  await page.reload();
  await expect(page.getByRole('combobox', { name: /When calendars remind/ })).toHaveText(
    /an hour before/,
  );
});

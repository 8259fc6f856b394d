import { launchBrowser } from './browser.mjs';
const base = 'http://127.0.0.1:4800';
const browser = await launchBrowser();
const people = (await (await fetch(base + '/api/demo/people')).json()).people;
for (const [who, path, out] of JSON.parse(process.argv[2])) {
  const context = await browser.newContext();
  const page = await context.newPage();
  const one = people.find((p) => p.name === who);
  await context.request.post(base + '/api/demo/sign-in', { data: { accountId: one.accounts[0].id }, headers: { Origin: base } });
  await page.goto(base + path);
  await page.waitForTimeout(2000);
  await page.pdf({ path: `/tmp/pics/${out}.pdf`, format: 'A4', printBackground: true });
  await page.emulateMedia({ media: 'print' });
  await page.setViewportSize({ width: 794, height: 1123 });
  await page.screenshot({ path: `/tmp/pics/${out}.png`, fullPage: true });
  await context.close();
}
await browser.close();

import { launchBrowser } from './browser.mjs';
const base = 'http://127.0.0.1:4800';
const browser = await launchBrowser();
const shots = JSON.parse(process.argv[2]);
const people = await (await fetch(base + '/api/demo/people')).json();
for (const { who, path, out, w = 1280, h = 800, dark = false, steps = [], full = false } of shots) {
  const context = await browser.newContext({ viewport: { width: w, height: h }, colorScheme: dark ? 'dark' : 'light' });
  const page = await context.newPage();
  if (who) {
    const all = people.people ?? people;
    const one = all.find((p) => p.name === who);
    const r = await context.request.post(base + '/api/demo/sign-in', { data: { accountId: one.accounts[0].id }, headers: { Origin: base } });
    if (!r.ok()) console.log('sign-in', await r.text());
  }
  await page.goto(path.startsWith('http') ? path : base + path);
  await page.waitForTimeout(1500);
  for (const s of steps) { try { await eval(`(async () => { ${s} })()`); } catch (e) { console.log(out, s, String(e).slice(0, 300)); } await page.waitForTimeout(400); }
  await page.screenshot({ path: `/tmp/pics/${out}.png`, fullPage: full });
  await context.close();
}
await browser.close();

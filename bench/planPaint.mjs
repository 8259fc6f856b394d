// A term strip of forty class periods for a whole year, and an empty one, painted in Chromium.
import { launchBrowser } from '../scripts/browser.mjs';
import { statement } from '../scripts/processes.mjs';
import { signIn, withDemo } from './demo.mjs';
import { median } from './numbers.mjs';

const COPIES = 33;

/** Copies Coastal Navigation, period 1 (three lessons a week for the year) with its series and dates, so that the teacher has forty class periods. */
async function fillYear(mariadb) {
  const run = (sql) => statement(mariadb, sql);
  const from = "FROM bench.class_periods WHERE ref = 'nav-1'";
  await run(
    `INSERT INTO bench.class_periods (ref, title, period, pennant, rules) WITH RECURSIVE n AS (SELECT 1 AS i UNION ALL SELECT i + 1 FROM n WHERE i < ${COPIES}) SELECT CONCAT('copy-', i), CONCAT('Navigation group ', i), period, pennant, rules FROM bench.class_periods, n WHERE ref = 'nav-1'`,
  );
  await run(
    `INSERT INTO bench.links (code, class_id, label, kind, made_at) SELECT CONCAT('bench-', c.id), c.id, 'Lessons', 'lesson', NOW() FROM bench.class_periods c WHERE c.ref LIKE 'copy-%'`,
  );
  await run(
    `INSERT INTO bench.class_staff (class_id, person_id, as_what) SELECT c.id, s.person_id, s.as_what FROM bench.class_periods c JOIN bench.class_staff s ON s.class_id = (SELECT id ${from}) WHERE c.ref LIKE 'copy-%'`,
  );
  await run(
    `INSERT INTO bench.series (class_id, link_id, title, description, plan, words, made_by) SELECT c.id, l.id, s.title, '', s.plan, '{}', s.made_by FROM bench.class_periods c JOIN bench.links l ON l.class_id = c.id JOIN bench.series s ON s.class_id = (SELECT id ${from}) WHERE c.ref LIKE 'copy-%'`,
  );
  await run(`INSERT INTO bench.occurrences (series_id, class_id, link_id, key_date, local_date, local_time, minutes, start_at, end_at, status, why, title, description)
    SELECT s.id, s.class_id, s.link_id, o.key_date, o.local_date, o.local_time, o.minutes, o.start_at, o.end_at, o.status, o.why, o.title, o.description
    FROM bench.series s JOIN bench.class_periods c ON c.id = s.class_id AND c.ref LIKE 'copy-%' JOIN bench.occurrences o ON o.class_id = (SELECT id ${from})`);
}

/** Milliseconds from the start of a navigation until the strip's rows stand painted. */
async function painted(page, address, rows, marks) {
  await page.goto(address);
  return page.evaluate(
    ({ rows: wanted, marks: least }) =>
      new Promise((resolve) => {
        const look = () => {
          const strip = document.querySelector('[data-testid=strip]');
          const drawn = strip
            ? [...strip.querySelectorAll('path')].reduce(
                (sum, path) => sum + (path.getAttribute('d') ?? '').split('z').length - 1,
                0,
              )
            : 0;
          if (strip && strip.querySelectorAll('[role=row]').length >= wanted && drawn >= least)
            requestAnimationFrame(() => resolve(performance.now()));
          else requestAnimationFrame(look);
        };
        look();
      }),
    { rows, marks },
  );
}

/** The longest time between two frames, in milliseconds, while the page scrolls from top to bottom. */
async function longestFrame(page) {
  return page.evaluate(
    () =>
      new Promise((resolve) => {
        let last = performance.now();
        let longest = 0;
        let y = 0;
        const step = (now) => {
          longest = Math.max(longest, now - last);
          last = now;
          y += 24;
          window.scrollTo(0, y);
          if (y < document.documentElement.scrollHeight) requestAnimationFrame(step);
          else resolve(longest);
        };
        requestAnimationFrame((now) => {
          last = now;
          requestAnimationFrame(step);
        });
      }),
  );
}

const MOST_TIMES = 3;
const LONGEST_FRAME_MS = 50;

/** A page of its own for somebody who is signed in. */
async function pageOf(browser, url, name) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const [key, value] = (await signIn(url, name)).split('=');
  await context.addCookies([{ name: key, value, url }]);
  return context.newPage();
}

/** Milliseconds from navigation to the painted strip of forty class periods for a whole year; beside it an empty term. */
export const planPaint = () =>
  withDemo(async (demo, mariadb) => {
    await fillYear(mariadb);
    const url = demo.publicUrl;
    const browser = await launchBrowser();
    const full = await pageOf(browser, url, 'Ottoline Marsh');
    const empty = await pageOf(browser, url, 'Signe Aalto');
    const paintFull = () => painted(full, `${url}/plan?show=year`, 40, 3500);
    const paintEmpty = () => painted(empty, `${url}/plan?show=Winter`, 1, 0);
    await paintFull();
    await paintEmpty();
    const values = [];
    const references = [];
    for (let i = 0; i < 7; i++) {
      values.push(await paintFull());
      references.push(await paintEmpty());
    }
    const frame = await longestFrame(full);
    await browser.close();
    const [value, reference] = [median(values), median(references)];
    return {
      value,
      unit: `ms, longest frame while scrolling ${Math.round(frame)} ms`,
      reference,
      target: `≤ ${MOST_TIMES} times the reference, no frame over ${LONGEST_FRAME_MS} ms`,
      ok: value <= MOST_TIMES * reference && frame <= LONGEST_FRAME_MS,
    };
  });

// ./glen bench [NAME] [--json]: each figure beside its reference in one run.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { builtCore, inTurns, readAll } from '../bench/core.mjs';
import { crowd } from '../bench/crowd.mjs';
import { requestsPerSecond } from '../bench/load.mjs';
import { fillYear, longestFrame, painted } from '../bench/planPaint.mjs';
import { settings, timedPosts } from '../bench/posts.mjs';
import { root } from './build.mjs';
import { freePort, startDemo, startMariadb, startNode, statement } from './processes.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** A demo on a throwaway database, for as long as `work` needs it. */
async function withDemo(work) {
  const dir = mkdtempSync(join(tmpdir(), 'glen-bench-'));
  const mariadb = await startMariadb(dir, { throwaway: true });
  const demo = await startDemo({ mariadb, database: 'bench', at: '2026-10-14T10:31' });
  try {
    return await work(demo, mariadb);
  } finally {
    await demo.stop();
    await mariadb.stop();
    rmSync(dir, { recursive: true, force: true });
  }
}

async function signIn(url, name) {
  const { people } = await (await fetch(`${url}/api/demo/people`)).json();
  const account = people.find((p) => p.name === name).accounts.find((a) => a.kind === 'school');
  const answer = await fetch(`${url}/api/demo/sign-in`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ accountId: account.id }),
  });
  return answer.headers.getSetCookie()[0].split(';')[0];
}

/** Seconds from a second `./glen up` to its ready line; beside it MariaDB's own start, of which it is made. */
async function ready() {
  const dir = mkdtempSync(join(tmpdir(), 'glen-ready-'));
  const once = () =>
    new Promise((resolve, reject) => {
      const began = performance.now();
      const child = spawn(process.execPath, [join(root, 'scripts/glen.mjs'), 'up', '--data', dir], {
        cwd: root,
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      let seconds;
      child.stdout.on('data', (data) => {
        if (!String(data).includes('Glen is ready at')) return;
        seconds = (performance.now() - began) / 1000;
        child.kill('SIGTERM');
      });
      child.once('exit', () =>
        seconds === undefined ? reject(new Error('./glen up did not get ready')) : resolve(seconds),
      );
    });
  try {
    await once();
    const values = [];
    const references = [];
    for (let i = 0; i < 3; i++) {
      values.push(await once());
      const began = performance.now();
      const mariadb = await startMariadb(dir);
      references.push((performance.now() - began) / 1000);
      await mariadb.stop();
    }
    return {
      value: median(values),
      unit: 's',
      reference: median(references),
      target: '≤ 6 s',
      ok: median(values) <= 6,
    };
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}

/** JavaScript that a browser fetches for the sign-in and the Today screen, gzipped; beside it React and its DOM alone. */
const firstLoad = () =>
  withDemo(async (demo) => {
    const { chromium } = await import('@playwright/test');
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
      ],
    });
    const fetched = new Set();
    const page = await (await browser.newContext()).newPage();
    page.on('request', (request) => {
      if (request.url().endsWith('.js')) fetched.add(new URL(request.url()).pathname);
    });
    await page.goto(demo.publicUrl);
    await page.getByRole('button', { name: 'Sign in as Ottoline Marsh, school account' }).click();
    await page.getByRole('heading', { name: /Wednesday/ }).waitFor();
    await browser.close();
    const gzipped = (source) => gzipSync(source).length / 1000;
    const value = [...fetched].reduce(
      (sum, path) => sum + gzipped(readFileSync(join(root, 'apps/web/dist', path))),
      0,
    );
    const esbuild = await import('esbuild');
    const { outputFiles } = await esbuild.build({
      stdin: {
        contents:
          "import 'react'; import { createRoot } from 'react-dom/client'; createRoot(document.body);",
        resolveDir: root,
      },
      bundle: true,
      minify: true,
      write: false,
      define: { 'process.env.NODE_ENV': '"production"' },
    });
    return {
      value,
      unit: 'kB',
      reference: gzipped(outputFiles[0].contents),
      target: '≤ 200 kB',
      ok: value <= 200,
    };
  });

/** Decisions a second at a door for a signed-in student; beside it bare Express with one indexed SELECT. */
const door = () =>
  withDemo(async (demo, mariadb) => {
    const cookie = await signIn(demo.publicUrl, 'Ansel Grue');
    const [{ code }] = await statement(
      mariadb,
      "SELECT l.code FROM bench.links l JOIN bench.class_periods c ON c.id = l.class_id WHERE c.ref = 'nav-3'",
    );
    const barePort = await freePort();
    const bare = startNode(
      join(root, 'bench/bareExpress.mjs'),
      {
        BARE_DATABASE_PORT: String(mariadb.port),
        BARE_DATABASE: 'bench',
        BARE_PORT: String(barePort),
        NODE_ENV: 'production',
      },
      'Bare Express is ready',
    );
    await bare.started;
    const glen = { port: Number(new URL(demo.publicUrl).port), path: `/api/door/${code}`, cookie };
    const reference = { port: barePort, path: `/links/${code}` };
    for (const one of [glen, reference]) await requestsPerSecond({ ...one, seconds: 3 });
    const values = [];
    const references = [];
    for (let i = 0; i < 5; i++) {
      values.push(await requestsPerSecond(glen));
      references.push(await requestsPerSecond(reference));
    }
    await bare.stop();
    const ratio = median(values) / median(references);
    return {
      value: median(values),
      unit: 'requests/s',
      reference: median(references),
      target: '≥ 0.5 of the reference',
      ok: ratio >= 0.5,
    };
  });

const percentile = (values, share) =>
  [...values].sort((a, b) => a - b)[
    Math.min(values.length - 1, Math.ceil(values.length * share) - 1)
  ];

/** Seconds from a knock to the desk, 95 of 100, while 300 arrive within 30 s and the host lets all in; beside it the same on an idle door. */
const doorCrowd = () =>
  withDemo(async (demo) => {
    const cookie = await signIn(demo.publicUrl, 'Ottoline Marsh');
    const call = (path, method, body) =>
      fetch(`${demo.publicUrl}${path}`, {
        method,
        headers: { Origin: demo.publicUrl, Cookie: cookie, 'Content-Type': 'application/json' },
        ...(body ? { body: JSON.stringify(body) } : {}),
      }).then((r) => r.json());
    const { classes } = await call('/api/classes', 'GET');
    const { id, link } = classes.find((c) => c.pennant.letters === 'N3');
    const { version } = await call(`/api/classes/${id}/rules`, 'GET');
    await call(`/api/classes/${id}/rules`, 'PUT', {
      version,
      rules: { whoMayEnter: 'anyone', capacity: 1000, withoutHost: true },
    });
    await call('/api/demo/clock', 'POST', { date: '2026-10-14', time: '10:46' });
    const meet = (count, withinMs, prefix) =>
      crowd({ origin: demo.publicUrl, cookie, link, count, withinMs, prefix });
    const idle = await meet(10, 10000, 'Early');
    const { delays, tickets } = await meet(300, 30000, 'Guest');
    if (new Set(tickets).size !== 300 || delays.length !== 300)
      throw new Error(
        `Of 300, ${new Set(tickets).size} got in and ${delays.length} were seen at the desk.`,
      );
    const value = percentile(delays, 0.95) / 1000;
    return {
      value,
      unit: 's',
      reference: median(idle.delays) / 1000,
      target: '95 of 100 within 2 s',
      ok: value <= 2,
    };
  });

const SCHOOL_YEAR = { from: '2026-09-08', to: '2027-06-26' };
const FOUR_DAYS = {
  first: '2026-09-08',
  at: { time: '10:45', minutes: 50 },
  zone: 'America/Halifax',
  closures: 'keep',
  repeat: { every: 'week', on: ['MO', 'TU', 'WE', 'TH'], until: '2027-06-25' },
};

/** rrule-temporal's way to the instants of four days a week for a school year, from a fresh rule each time. */
async function yearByLibrary() {
  const { RRuleTemporal } = await import('rrule-temporal');
  const rruleString =
    'DTSTART;TZID=America/Halifax:20260908T104500\nRRULE:FREQ=WEEKLY;WKST=MO;BYDAY=MO,TU,WE,TH;UNTIL=20270626T000000Z';
  return () =>
    readAll(new RRuleTemporal({ rruleString }).all().map((at) => at.toInstant().toString()));
}

/** Milliseconds to expand a year's four-days-a-week series to instants; beside it rrule-temporal, like for like. */
const expandYear = async () => {
  const { expandPlan } = await builtCore();
  const ours = () =>
    readAll(expandPlan(structuredClone(FOUR_DAYS), null, SCHOOL_YEAR).map((o) => o.start));
  const [value, reference] = inTurns([ours, await yearByLibrary()], 15, [30, 2]);
  return {
    value,
    unit: 'ms',
    reference,
    target: '≤ 1/15 of the reference',
    ok: value <= reference / 15,
    beside: await others(ours),
  };
};

/** The demo school's calendar, built from its source. */
async function demoCalendar() {
  const { build } = await import('esbuild');
  const { outputFiles } = await build({
    entryPoints: [join(root, 'demo/school.ts')],
    bundle: true,
    write: false,
    format: 'esm',
    platform: 'node',
  });
  return (
    await import(
      `data:text/javascript;base64,${Buffer.from(outputFiles[0].text).toString('base64')}`
    )
  ).calendar;
}

/** The same in a bell period, with closures skipped. */
const expandYearBells = async () => {
  const { expandPlan } = await builtCore();
  const calendar = await demoCalendar();
  const plan = { ...FOUR_DAYS, at: { period: '3' }, closures: 'skip' };
  const ours = () =>
    readAll(expandPlan(structuredClone(plan), calendar, SCHOOL_YEAR).map((o) => o.start));
  const [value, reference] = inTurns([ours, await yearByLibrary()], 15, [30, 2]);
  return {
    value,
    unit: 'ms',
    reference,
    target: '≤ 1/10 of the reference',
    ok: value <= reference / 10,
  };
};

/** Milliseconds to find the clashes among 200,000 bookings of a year, about 40 in 1,000; beside it sorting the same array once. */
const clash200k = async () => {
  const { findClashes, utcOf } = await builtCore();
  // A plain congruential run of numbers, so that each run measures the same bookings.
  let last = 20261014;
  const below = (n) => {
    last = (Math.imul(last, 1664525) + 1013904223) >>> 0;
    return Math.floor((last / 4294967296) * n);
  };
  const bookings = Array.from({ length: 200000 }, (_, i) => {
    const start = 1788868800 + below(105120) * 300;
    return {
      id: `b${i}`,
      start: utcOf(start),
      end: utcOf(start + 3000),
      holds: [`person:${below(450)}`, `link:${below(50000)}`],
    };
  });
  const clashes = findClashes(bookings).length;
  const sorting = () =>
    [...bookings].sort((a, b) =>
      a.start < b.start ? -1 : a.start > b.start ? 1 : a.id < b.id ? -1 : 1,
    ).length;
  const [value, reference] = inTurns([() => findClashes(bookings).length, sorting], 5, [1, 1]);
  return {
    value,
    unit: `ms for ${clashes} clashes`,
    reference,
    target: '≤ 10 times the reference',
    ok: value <= 10 * reference,
  };
};

/** Milliseconds from navigation to the painted strip of forty class periods for a whole year; beside it an empty term. */
const planPaint = () =>
  withDemo(async (demo, mariadb) => {
    await fillYear(mariadb);
    const { chromium } = await import('@playwright/test');
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
      ],
    });
    const open = async (name) => {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const [key, value] = (await signIn(demo.publicUrl, name)).split('=');
      await context.addCookies([{ name: key, value, url: demo.publicUrl }]);
      return context.newPage();
    };
    const [full, empty] = [await open('Ottoline Marsh'), await open('Signe Aalto')];
    const [year, term] = [`${demo.publicUrl}/plan?show=year`, `${demo.publicUrl}/plan?show=Winter`];
    await painted(full, year, 40, 3500);
    await painted(empty, term, 1, 0);
    const values = [];
    const references = [];
    for (let i = 0; i < 7; i++) {
      values.push(await painted(full, year, 40, 3500));
      references.push(await painted(empty, term, 1, 0));
    }
    const frame = await longestFrame(full);
    await browser.close();
    const [value, reference] = [median(values), median(references)];
    return {
      value,
      unit: `ms, longest frame while scrolling ${Math.round(frame)} ms`,
      reference,
      target: '≤ 3 times the reference, no frame over 50 ms',
      ok: value <= 3 * reference && frame <= 50,
    };
  });

/** What other libraries take for the same year, told beside. */
async function others(ours) {
  const { default: ICAL } = await import('ical.js');
  const { default: rrule } = await import('rrule');
  const zone = 'America/Halifax';
  const byIcal = () => {
    const recur = ICAL.Recur.fromString(
      'FREQ=WEEKLY;WKST=MO;BYDAY=MO,TU,WE,TH;UNTIL=20270625T235959',
    );
    const iterator = recur.iterator(ICAL.Time.fromDateTimeString('2026-09-08T10:45:00'));
    const found = [];
    for (let next = iterator.next(); next; next = iterator.next()) found.push(next.toString());
    return readAll(found);
  };
  const byRrule = () =>
    readAll(
      rrule
        .rrulestr(
          `DTSTART;TZID=${zone}:20260908T104500\nRRULE:FREQ=WEEKLY;WKST=MO;BYDAY=MO,TU,WE,TH;UNTIL=20270626T000000Z`,
        )
        .all()
        .map((d) => d.toISOString()),
    );
  const [, ical] = inTurns([ours, byIcal], 9, [30, 3]);
  const [, old] = inTurns([ours, byRrule], 9, [30, 3]);
  return `ical.js ${ical.toPrecision(3)} ms (wall clock only), rrule ${old.toPrecision(3)} ms`;
}

/** Seconds by which the latest of a thousand timed posts is late, with processes killed and the site failing; beside it the lease after which another takes a dead process's work over. */
const posts = () =>
  withDemo(async (demo, mariadb) => {
    const { lease, tries } = settings();
    const found = await timedPosts(demo, mariadb);
    const ok = found.once === 1000 && found.lost === 0 && found.made === 1000;
    return {
      value: found.worst,
      unit: `s late at worst, ${found.median.toFixed(1)} s median; ${found.once} of ${found.posts} stand exactly once, ${found.lost} lost, ${found.calls} calls, ${found.kills} kills`,
      reference: lease,
      target: 'each stands exactly once, none lost',
      ok,
      beside: `lease ${lease} s, ${tries} tries with pauses of 2, 4, 8 … s`,
    };
  });

const BENCHES = {
  ready,
  'first-load': firstLoad,
  door,
  'door-crowd': doorCrowd,
  'expand-year': expandYear,
  'expand-year-bells': expandYearBells,
  'clash-200k': clash200k,
  'plan-paint': planPaint,
  posts,
};

export async function main(args) {
  const json = args.includes('--json');
  const wanted = args.filter((a) => a !== '--json');
  const unknown = wanted.find((name) => !(name in BENCHES));
  if (unknown) {
    console.error(`There is no bench ${unknown}. Known: ${Object.keys(BENCHES).join(', ')}`);
    return 2;
  }
  let fine = true;
  for (const name of wanted.length ? wanted : Object.keys(BENCHES)) {
    const { value, reference, ...rest } = await BENCHES[name]();
    const round = (n) => Number(n.toPrecision(4));
    const row = {
      name,
      value: round(value),
      unit: rest.unit,
      reference: round(reference),
      ratio: round(value / reference),
      target: rest.target,
      ok: rest.ok,
    };
    fine &&= row.ok;
    console.log(
      json
        ? JSON.stringify(row)
        : `${name}: ${row.value} ${row.unit}, reference ${row.reference}, ratio ${row.ratio}, target ${row.target}: ${row.ok ? 'met' : 'NOT met'}${rest.beside ? `; beside it ${rest.beside}` : ''}`,
    );
  }
  return fine ? 0 : 1;
}

import { join } from 'node:path';
import { root } from '../scripts/build.mjs';
import { builtCore, inTurns, readAll } from './core.mjs';

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

/** Milliseconds to expand a year's four-days-a-week series to instants; beside it rrule-temporal, like for like. */
export const expandYear = async () => {
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
export const expandYearBells = async () => {
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

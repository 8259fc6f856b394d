// ./glen bench [NAME] [--json]: each figure beside its reference in one run.
import { clash200k } from './clashes.mjs';
import { door } from './door.mjs';
import { doorCrowd } from './doorCrowd.mjs';
import { expandYear, expandYearBells } from './expandYear.mjs';
import { firstLoad } from './firstLoad.mjs';
import { freeTimes } from './freeTimes.mjs';
import { mail } from './mail.mjs';
import { people } from './people.mjs';
import { planPaint } from './planPaint.mjs';
import { posts } from './posts.mjs';
import { ready } from './ready.mjs';
import { register } from './register.mjs';
import { slots } from './slots.mjs';
import { storm } from './storm.mjs';

/** Each gives `{ value, unit, reference, target, ok }`, and `beside` where there is more to tell. */
const BENCHES = {
  ready,
  'first-load': firstLoad,
  door,
  'door-crowd': doorCrowd,
  'expand-year': expandYear,
  'expand-year-bells': expandYearBells,
  'clash-200k': clash200k,
  'free-times': freeTimes,
  'plan-paint': planPaint,
  people,
  posts,
  mail,
  register,
  slots,
  storm,
};

const rounded = (n) => Number(n.toPrecision(4));

async function measure(name) {
  const { value, reference, unit, target, ok, beside } = await BENCHES[name]();
  const row = {
    name,
    value: rounded(value),
    unit,
    reference: rounded(reference),
    ratio: rounded(value / reference),
    target,
    ok,
  };
  return { row, beside };
}

function inWords({ name, value, unit, reference, ratio, target, ok }, beside) {
  const figures = `${name}: ${value} ${unit}, reference ${reference}, ratio ${ratio}`;
  const verdict = `target ${target}: ${ok ? 'met' : 'NOT met'}`;
  return `${figures}, ${verdict}${beside ? `; beside it ${beside}` : ''}`;
}

export async function main(args) {
  const isJson = args.includes('--json');
  const wanted = args.filter((a) => a !== '--json');
  const unknown = wanted.find((name) => !(name in BENCHES));
  if (unknown) {
    console.error(`There is no bench ${unknown}. Known: ${Object.keys(BENCHES).join(', ')}`);
    return 2;
  }
  let areMet = true;
  for (const name of wanted.length ? wanted : Object.keys(BENCHES)) {
    const { row, beside } = await measure(name);
    areMet &&= row.ok;
    console.log(isJson ? JSON.stringify(row) : inWords(row, beside));
  }
  return areMet ? 0 : 1;
}

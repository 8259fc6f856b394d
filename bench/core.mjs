import { build } from 'esbuild';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from '../scripts/build.mjs';
import { median } from './numbers.mjs';

/** The core as built JavaScript, as the server and the browser run it. */
export async function builtCore() {
  const outfile = join(root, '.glen', 'bench-core.mjs');
  mkdirSync(join(root, '.glen'), { recursive: true });
  await build({
    entryPoints: [join(root, 'packages/core/src/index.ts')],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    logLevel: 'error',
  });
  return import(`${pathToFileURL(outfile).href}?${Date.now()}`);
}

/** Milliseconds of each of several pieces of work, in turns, medians of `rounds` after a warm-up; results are read so that none is left out. */
export function inTurns(works, rounds, times) {
  let read = 0;
  const taken = works.map(() => []);
  for (let round = -2; round < rounds; round++) {
    works.forEach((work, i) => {
      const began = performance.now();
      for (let k = 0; k < times[i]; k++) read += work();
      if (round >= 0) taken[i].push((performance.now() - began) / times[i]);
    });
  }
  if (!Number.isFinite(read)) throw new Error('A result could not be read.');
  return taken.map(median);
}

/** Reads every character, as whoever stores or sends the instants does. */
export function readAll(texts) {
  let sum = 0;
  for (const text of texts) for (let i = 0; i < text.length; i++) sum += text.charCodeAt(i);
  return sum;
}

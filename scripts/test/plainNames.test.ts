import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { root } from '../build.mjs';
import { formerNamesIn } from '../formerNames.mjs';

// In e2e/views.spec.ts no view shows them either.
const PLACES = [
  'apps/web/src',
  'apps/standins/src',
  'apps/standins/public',
  'packages/core/src',
  'packages/contract/src',
  'demo',
  'docs',
];

const filesIn = (place: string): string[] =>
  readdirSync(join(root, place), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|js|mjs|md|css)$/.test(name))
    .map((name) => join(place, name));
const namesIn = (file: string): string[] => formerNamesIn(readFileSync(join(root, file), 'utf8'));

describe('names', () => {
  it.each(PLACES)('are our own in %s', (place) => {
    const found = filesIn(place).map((file) => ({ file, names: namesIn(file) }));
    expect(found.filter(({ names }) => names.length > 0)).toEqual([]);
  });
  it('are our own in the README', () => {
    expect(namesIn('README.md')).toEqual([]);
  });
  it('are known again, however they are written, by words or by what became of them', () => {
    const former = 'Project group'.replace('group', 'TEAM');
    expect(formerNamesIn(`Rules as for a ${former}.`)).toEqual([former.toLowerCase()]);
    expect(formerNamesIn('The meeting is on.')).toEqual(['meeting']);
    expect(formerNamesIn('Project group')).toEqual([]);
  });
});

import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

/** Names that things went by until they got one of our own; in e2e/views.spec.ts no view shows them either. */
const FORMER =
  /Meet on\b|End for all|Use another account|See as a student|whole invitation|Present no longer|Stop presenting|Project team|\b[Mm]eetings?\b/;

const ROOT = new URL('../../..', import.meta.url).pathname;
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
  readdirSync(join(ROOT, place), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(tsx?|js|mjs|md|css)$/.test(name))
    .map((name) => join(place, name));

describe('names', () => {
  it.each(PLACES)('are our own in %s', (place) => {
    const found = filesIn(place).filter((file) =>
      FORMER.test(readFileSync(join(ROOT, file), 'utf8')),
    );
    expect(found).toEqual([]);
  });
  it('are our own in the README', () => {
    expect(readFileSync(join(ROOT, 'README.md'), 'utf8')).not.toMatch(FORMER);
  });
});

import type { Answer, Session } from '@glen/contract';
import { afterAll, beforeAll } from 'vitest';
import { startSchool, type Browser, type School } from './support.js';

export type Touched = Answer<'changeSessions'>['touched'];
export interface Made {
  session: Session;
  touched: Touched;
}
/** Tuesdays and Thursdays after school. */
export const WEEKLY = {
  first: '2026-10-15',
  at: { time: '16:00', minutes: 30 },
  closures: 'skip',
  repeat: { every: 'week', on: ['TU', 'TH'], until: '2026-11-12' },
};
/** Its nine dates. */
export const NINE = [
  '2026-10-15',
  '2026-10-20',
  '2026-10-22',
  '2026-10-27',
  '2026-10-29',
  '2026-11-03',
  '2026-11-05',
  '2026-11-10',
  '2026-11-12',
].map((date) => `${date} 16:00`);

/** What tests of series ask again and again of a school, as one of its hosts. */
export function seriesTools(school: School, host: Browser) {
  const of = (letters: string) => school.classes.get(letters)!;
  const add = async (plan: object = WEEKLY, letters = 'N1', more: object = {}): Promise<Made> =>
    (
      await host.post(`/api/classes/${of(letters).id}/sessions`, {
        title: 'Log keeping',
        description: '',
        plan,
        ...more,
      })
    ).body;
  /** Where the dates of a series stand now: key, date, time, status, title. */
  const rows = async (seriesId: number): Promise<string[]> =>
    (
      await school.running.glen.db.rows<{
        key_date: string;
        local_date: string;
        local_time: string;
        status: string;
        title: string;
      }>('SELECT * FROM occurrences WHERE series_id = :seriesId ORDER BY key_date', { seriesId })
    ).map(
      (o) =>
        `${o.key_date === o.local_date ? '' : `${o.key_date} > `}${o.local_date} ${o.local_time}${o.status === 'planned' || o.status === 'moved' ? '' : ` ${o.status}`}${o.title === 'Log keeping' ? '' : ` ${o.title}`}`,
    );
  const change = (changes: object[], browser = host) =>
    browser.post('/api/sessions/change', { changes });
  const takeBack = (touched: Touched, browser = host) =>
    browser.post('/api/sessions/take-back', { touched });
  const edit = (seriesId: number, body: object) =>
    host.put(`/api/series/${seriesId}`, { title: 'Log keeping', description: '', ...body });
  return { of, add, rows, change, takeBack, edit };
}

/** The same for a whole file, which has a school of its own; there from its first test on. */
export function withSeries(): SeriesTools & { school: School; host: Browser } {
  const tools = {} as SeriesTools & { school: School; host: Browser };
  beforeAll(async () => {
    const school = await startSchool();
    const host = await school.as('Ottoline Marsh');
    Object.assign(tools, { school, host, ...seriesTools(school, host) });
  });
  afterAll(() => tools.school.stop());
  return tools;
}

export type SeriesTools = ReturnType<typeof seriesTools>;

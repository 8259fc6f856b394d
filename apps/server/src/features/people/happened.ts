import { actionInWords, changesInWords } from '@glen/core';
import type { Answer, Query } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { namesOf } from './namesStore.js';
import { ENTRIES_AT_ONCE, logRows, type LogRow } from './happened.sql.js';

type Entry = Answer<'happened'>['entries'][number];

/** A subject such as `class:12`. */
function partsOf(subject: string): { kind: string; id: number } {
  const [kind = '', id = ''] = subject.split(':');
  return { kind, id: Number(id) || 0 };
}

/** What each subject is called, all of a kind asked at once. */
async function namesOfSubjects(glen: Glen, subjects: string[]): Promise<Map<string, string>> {
  const ids = new Map<string, Set<number>>();
  for (const subject of subjects) {
    const { kind, id } = partsOf(subject);
    ids.set(kind, (ids.get(kind) ?? new Set<number>()).add(id));
  }
  const names = new Map<string, string>();
  for (const [kind, some] of ids)
    for (const [id, name] of await namesOf(glen.db, kind, [...some]))
      names.set(`${kind}:${id}`, name);
  return names;
}

/** Sessions and posts may be drafts, which are their hosts' alone: of those only that something was done is told. */
const KEEPS_ITS_WORDS = ['series', 'post', 'occurrence'];

function changesOf({
  subject,
  before_state: before,
  after_state: after,
}: LogRow): Entry['changes'] {
  if (KEEPS_ITS_WORDS.includes(partsOf(subject).kind)) return [];
  return changesInWords(before ?? undefined, after ?? undefined);
}

/** A service outside by its name; nothing where the subject is none. */
function serviceIn({ signOn }: Pick<Glen, 'signOn'>, subject: string): string | undefined {
  if (subject === 'video') return 'the video service';
  const [kind, id = ''] = subject.split(':');
  return kind === 'sign-on' ? (signOn.get(id)?.name ?? id) : undefined;
}

/** Who did what to what, the newest first. */
export async function happened(glen: Glen, asked: Query<'happened'>): Promise<Answer<'happened'>> {
  const rows = await logRows(glen.db, asked);
  const page = rows.slice(0, ENTRIES_AT_ONCE);
  const names = await namesOfSubjects(
    glen,
    page.map((row) => row.subject),
  );
  return {
    entries: page.map((row) => ({
      id: row.id,
      at: row.at,
      by: row.person_id === null ? null : { id: row.person_id, name: row.by_name ?? '' },
      helper: row.helper_name,
      what: actionInWords(row.action),
      to: serviceIn(glen, row.subject) ?? names.get(row.subject) ?? 'something that is gone',
      changes: changesOf(row),
    })),
    isMore: rows.length > ENTRIES_AT_ONCE,
  };
}

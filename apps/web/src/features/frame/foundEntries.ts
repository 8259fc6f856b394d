import { dateInWords, rolesInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import type { Acts, Entry } from './finderEntries.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Found = Answer<'find'>;

/** Somebody leads to the door of a class period of theirs, for the office to their page; else their address is copied. */
function personEntry(person: Found['people'][number], { go, copyAddress, isOffice }: Acts): Entry {
  const { id, name, roles, email, classes } = person;
  const where = classes[0];
  const text = `${name}, ${rolesInWords(roles)}`;
  const words = String(id);
  if (where)
    return {
      text,
      words,
      run: () => go(`/classes/${where.id}/entry?as=${id}`),
      aside: fill(say.tryTheDoorOfWhere, { where: where.title }),
    };
  if (isOffice) return { text, words, run: () => go(`/school/people/${id}`), aside: say.theirPage };
  return {
    text,
    words,
    run: () => copyAddress(email ?? name, say.addressCopied),
    aside: say.copyTheAddress,
  };
}

const sessionEntry = (s: Found['sessions'][number], { go }: Acts): Entry => ({
  text: s.title,
  words: String(s.id),
  run: () => go(s.mine ? `/plan/${s.seriesId}?on=${s.key}` : `/classes/${s.classId}`),
  aside: `${dateInWords(s.date)} ${s.time}`,
});

const linkEntry = (l: Found['links'][number], { go }: Acts): Entry => ({
  text: l.code,
  words: String(l.id),
  run: () => go(`/classes/${l.classId}/links/${l.id}`),
  aside: l.state === 'retired' ? fill(say.linkOfStopped, l) : `${l.label}, ${l.title}`,
});

/** What the school knows by some letters: people, sessions of any day, links. */
export const foundEntries = (found: Found | undefined, acts: Acts) => ({
  people: (found?.people ?? []).map((person) => personEntry(person, acts)),
  sessions: (found?.sessions ?? []).map((session) => sessionEntry(session, acts)),
  links: (found?.links ?? []).map((link) => linkEntry(link, acts)),
});

import { Command } from 'cmdk';
import { Dialog } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { classTitle, dateInWords } from '@glen/core/light';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { undoLast } from '../../app/undo.js';
import { openDoor } from '../desk/openDoor.js';
import { copyAddress } from '../link/copy.js';
import { KEYS } from './keys.js';
import { PLACES } from './TopBar.js';

const item =
  'flex cursor-pointer items-baseline justify-between gap-4 rounded-small px-3 py-2 data-[selected=true]:bg-shade';
const group =
  'text-sm text-soft [&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-item]]:text-base [&_[cmdk-item]]:text-ink';

interface Entry {
  text: string;
  words?: string;
  run: () => void;
  aside?: ReactNode;
}

/** Entries in which every word that was typed occurs; beside its text an entry has words, such as a code, that are only known by how they begin. */
const matching = (entries: Entry[], typed: string): Entry[] => {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter((e) =>
    words.every(
      (word) =>
        e.text.toLowerCase().includes(word) ||
        (e.words ?? '')
          .toLowerCase()
          .split(' ')
          .some((known) => known.startsWith(word)),
    ),
  );
};

function Group({ heading, entries }: { heading: string; entries: Entry[] }) {
  if (entries.length === 0) return null;
  return (
    <Command.Group heading={heading} className={group}>
      {entries.map((e) => (
        <Command.Item
          key={e.text + (e.words ?? '')}
          className={item}
          value={`${heading} ${e.text} ${e.words ?? ''}`}
          onSelect={e.run}
        >
          <span className="min-w-0 truncate">{e.text}</span>
          {e.aside && <span className="shrink-0 text-sm text-soft">{e.aside}</span>}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

const key = (name: string): ReactNode => <kbd className="font-mono">{name}</kbd>;

/** What can be done, about the day and about each class period. */
function useEntries(
  go: (path: string) => void,
  close: () => void,
): { doing: Entry[]; classes: Entry[]; today: Entry[]; places: Entry[] } {
  const { data: today } = api.useTodayQuery();
  const { data: me } = api.useMeQuery();
  const [open] = api.useOpenDoorMutation();
  const [switchTo] = api.useSwitchAccountMutation();
  const [signOut] = api.useSignOutMutation();
  const all = today?.classes ?? [];
  const hosted = all.filter((c) => c.mine === 'host' || c.mine === 'co-teacher');
  const forEach = (
    of: typeof all,
    words: (title: string) => string,
    run: (c: (typeof all)[number]) => void,
  ): Entry[] =>
    of.map((c) => ({ text: words(classTitle(c)), words: c.link.code, run: () => run(c) }));
  return {
    doing: [
      { text: 'Schedule a session', run: () => go('/plan/new'), aside: key('s') },
      {
        text: 'Undo the last change',
        run: () => {
          close();
          void undoLast();
        },
        aside: key('u'),
      },
      ...forEach(
        all,
        (t) => `Copy the link of ${t}`,
        (c) => {
          close();
          void copyAddress(c.link.address);
        },
      ),
      ...forEach(
        hosted,
        (t) => `Open the door of ${t} now`,
        (c) => {
          go(`/desk/${c.link.id}`);
          void openDoor(open, c.link.id);
        },
      ),
      ...forEach(
        hosted,
        (t) => `Post the link of ${t}`,
        (c) => go(`/classes/${c.id}/posts?new`),
      ),
      ...forEach(
        all,
        (t) => `Who sees the link of ${t}`,
        (c) => go(`/posts/reach?link=${c.link.id}`),
      ),
      {
        text: 'What a student sees',
        words: 'stream page calendar',
        run: () => go('/posts/see-as'),
      },
      {
        text: 'Write a post for many places',
        words: 'streams pages calendars',
        run: () => go('/posts?new'),
      },
      ...forEach(
        hosted,
        (t) => `Change the entry rules of ${t}`,
        (c) => go(`/classes/${c.id}/entry`),
      ),
      ...forEach(
        all,
        (t) => `Try the door of ${t}`,
        (c) => go(`/classes/${c.id}/entry`),
      ),
      ...forEach(
        all,
        (t) => `Copy the link of ${t} as an invitation, a QR code, a calendar file`,
        (c) => go(`/classes/${c.id}/sessions?copy`),
      ),
      {
        text: 'Print today’s run sheet',
        run: () => {
          go('/today');
          setTimeout(() => window.print(), 300);
        },
      },
      { text: 'Print the sheet of links', run: () => go('/classes/links') },
      { text: 'All my links', words: 'table find filter', run: () => go('/links') },
      ...forEach(
        hosted,
        (t) => `Make another link of ${t}`,
        (c) => go(`/classes/${c.id}/links?new=Group%20work`),
      ),
      ...forEach(
        hosted,
        (t) => `Replace or stop the link of ${t}`,
        (c) => go(`/classes/${c.id}/links/${c.link.id}`),
      ),
      ...forEach(
        hosted,
        (t) => `Part ${t} into groups`,
        (c) => go(`/classes/${c.id}/roll`),
      ),
      { text: 'My own entry rules', words: 'defaults', run: () => go('/school/my-entry') },
      { text: 'The school’s entry rules', words: 'defaults locks', run: () => go('/school/entry') },
      ...(me?.accounts ?? [])
        .filter((a) => a.id !== me?.account?.id)
        .map((a) => ({
          text: `Use the account ${a.email}`,
          run: () => {
            close();
            void switchTo({ body: { accountId: a.id } }).then(restartLive);
          },
        })),
      {
        text: 'Sign out',
        run: () => {
          close();
          void signOut().then(restartLive);
        },
      },
    ],
    classes: all.map((c) => ({
      text: classTitle(c),
      words: `${c.pennant.letters} ${c.link.code}`,
      run: () => go(`/classes/${c.id}`),
    })),
    today: (today?.sessions ?? [])
      .filter((s) => s.date === today!.date && !s.draft && s.status !== 'cancelled')
      .map((s) => ({
        text: `${s.time} ${s.title}`,
        words: String(s.id),
        run: () => go(`/desk/${s.linkId}`),
        aside: 'its desk',
      })),
    places: PLACES.map((p) => ({ text: p.name, run: () => go(p.path), aside: key(p.key) })),
  };
}

/** What the school knows by these letters: people, sessions of any day, links. */
function useFound(
  typed: string,
  go: (path: string) => void,
  close: () => void,
): { people: Entry[]; sessions: Entry[]; links: Entry[] } {
  // What was found for fewer letters is not kept meanwhile: Enter must never choose something that is about to go.
  const { currentData: data } = api.useFindQuery(
    { query: { q: typed } },
    { skip: typed.length < 2 },
  );
  if (!data || typed.length < 2) return { people: [], sessions: [], links: [] };
  return {
    people: data.people.map((p) => {
      const where = p.classes[0];
      return {
        text: `${p.name}, ${p.role}`,
        words: String(p.id),
        run: () =>
          where
            ? go(`/classes/${where.id}/entry?as=${p.id}`)
            : (close(), void copyAddress(p.email ?? p.name, 'Address copied.')),
        aside: where ? `try the door of ${where.title}` : 'copy the address',
      };
    }),
    sessions: data.sessions.map((s) => ({
      text: s.title,
      words: String(s.id),
      run: () => go(s.mine ? `/plan/${s.seriesId}?on=${s.key}` : `/classes/${s.classId}`),
      aside: `${dateInWords(s.date)} ${s.time}`,
    })),
    links: data.links.map((l) => ({
      text: l.code,
      words: String(l.id),
      run: () => go(`/classes/${l.classId}/links/${l.id}`),
      aside: `${l.label}, ${l.title}${l.state === 'retired' ? ', stopped' : ''}`,
    })),
  };
}

function Results({
  typed,
  go,
  close,
}: {
  typed: string;
  go: (path: string) => void;
  close: () => void;
}) {
  const { doing, classes, today, places } = useEntries(go, close);
  const { people, sessions, links } = useFound(typed, go, close);
  return (
    <>
      <Command.Empty className="px-3 py-4 text-soft">Nothing by that name.</Command.Empty>
      <Group heading="People" entries={people} />
      <Group heading="Class periods" entries={typed ? matching(classes, typed) : []} />
      <Group heading="Today" entries={matching(today, typed)} />
      <Group heading="Sessions" entries={sessions} />
      <Group heading="Links" entries={links} />
      <Group heading="Do" entries={matching(doing, typed)} />
      <Group heading="Class periods" entries={typed ? [] : classes} />
      <Group heading="Places" entries={matching(places, typed)} />
    </>
  );
}

/** Find or do: every place, person, class period, session and link, and what can be done with them. */
export default function Finder({ shows, onClose }: { shows: 'all' | 'keys'; onClose: () => void }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const go = (path: string): void => {
    onClose();
    void navigate(path);
  };
  const dressing =
    'fixed top-24 left-1/2 z-40 w-150 max-w-[92vw] -translate-x-1/2 rounded-big border border-edge bg-sheet text-ink shadow-soft';
  return (
    <Dialog.Root
      open
      onOpenChange={(open) => {
        if (!open) onClose();
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-bar/40" />
        <Dialog.Content className={dressing} aria-describedby={undefined}>
          <Dialog.Title className={shows === 'keys' ? 'px-5 pt-4 text-lg' : 'sr-only'}>
            {shows === 'keys' ? 'Keys' : 'Find or do'}
          </Dialog.Title>
          {shows === 'keys' ? (
            <dl className="grid grid-cols-[6rem_1fr] gap-x-4 gap-y-2 p-5">
              {KEYS.map(([key, does]) => [
                <dt key={key} className="font-mono">
                  {key}
                </dt>,
                <dd key={does}>{does}</dd>,
              ])}
            </dl>
          ) : (
            <Command label="Find or do" shouldFilter={false}>
              <Command.Input
                autoFocus
                value={typed}
                onValueChange={setTyped}
                placeholder="A person, a class period, a session, something to do"
                className="w-full border-b border-line bg-transparent px-4 py-3 outline-none"
              />
              <Command.List className="max-h-[60vh] overflow-auto p-2">
                <Results typed={typed.trim()} go={go} close={onClose} />
              </Command.List>
            </Command>
          )}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

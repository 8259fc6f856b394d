import type { ReactNode } from 'react';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { PLACES } from './TopBar.js';

/** Something that can be found and chosen. */
export interface Entry {
  text: string;
  /** Words that are not shown, such as a code; they are known by how they begin. */
  words?: string;
  run: () => void;
  aside?: ReactNode;
}

/** Whether every word that was typed occurs in what an entry says, or begins one of its words. */
function fits({ text, words = '' }: Entry, typed: string[]): boolean {
  const shown = text.toLowerCase();
  const known = words.toLowerCase().split(' ');
  return typed.every(
    (word) => shown.includes(word) || known.some((other) => other.startsWith(word)),
  );
}

/** The entries that fit what was typed; all of them if nothing was. */
export function matching(entries: Entry[], typed: string): Entry[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  return entries.filter((entry) => fits(entry, words));
}

/** What an entry may do: go somewhere, or one of the few acts that need no page. */
export interface Acts {
  go: (path: string) => void;
  copyAddress: (address: string, toast?: string) => void;
  openDoorOf: (linkId: number) => void;
  undo: () => void;
  print: (path: string) => void;
  switchTo: (accountId: number) => void;
  signOut: () => void;
  /** Whether one may make class periods. */
  mayMake: boolean;
  isOffice: boolean;
}

const key = (name: string): ReactNode => <kbd className="font-mono">{name}</kbd>;

interface PerClass {
  whose: 'all' | 'hosted';
  /** The entry's text, from the class period's title. */
  says: (title: string) => string;
  run: (classPeriod: ClassItem, acts: Acts) => void;
}

/** What can be done with each class period, in the order it is listed. */
const PER_CLASS = {
  copy: {
    whose: 'all',
    says: (t) => `Copy the link of ${t}`,
    run: (c, { copyAddress }) => copyAddress(c.link.address),
  },
  open: {
    whose: 'hosted',
    says: (t) => `Open the door of ${t} now`,
    run: (c, { openDoorOf }) => openDoorOf(c.link.id),
  },
  post: {
    whose: 'hosted',
    says: (t) => `Post the link of ${t}`,
    run: (c, { go }) => go(`/classes/${c.id}/posts?new`),
  },
  reach: {
    whose: 'all',
    says: (t) => `Who sees the link of ${t}`,
    run: (c, { go }) => go(`/posts/reach?link=${c.link.id}`),
  },
  rules: {
    whose: 'hosted',
    says: (t) => `Change the entry rules of ${t}`,
    run: (c, { go }) => go(`/classes/${c.id}/entry`),
  },
  tryDoor: {
    whose: 'all',
    says: (t) => `Try the door of ${t}`,
    run: (c, { go }) => go(`/classes/${c.id}/entry`),
  },
  invite: {
    whose: 'all',
    says: (t) => `Copy the link of ${t} as an invitation, a QR code, a calendar file`,
    run: (c, { go }) => go(`/classes/${c.id}/sessions?copy`),
  },
  newLink: {
    whose: 'hosted',
    says: (t) => `Make another link of ${t}`,
    run: (c, { go }) => go(`/classes/${c.id}/links?new=Group%20work`),
  },
  replace: {
    whose: 'hosted',
    says: (t) => `Replace or stop the link of ${t}`,
    run: (c, { go }) => go(`/classes/${c.id}/links/${c.link.id}`),
  },
  groups: {
    whose: 'hosted',
    says: (t) => `Part ${t} into groups`,
    run: (c, { go }) => go(`/classes/${c.id}/roll`),
  },
} satisfies Record<string, PerClass>;

const perClass = (what: PerClass, classes: ClassItem[], acts: Acts): Entry[] =>
  classes
    .filter((c) => what.whose === 'all' || c.mine === 'host' || c.mine === 'co-teacher')
    .map((c) => ({
      text: what.says(classTitle(c)),
      words: c.link.code,
      run: () => what.run(c, acts),
    }));

/** What can be done, about the day and about each class period; the likeliest first. */
export function doingEntries(classes: ClassItem[], acts: Acts): Entry[] {
  const { go, undo, print, mayMake, isOffice } = acts;
  const each = (what: PerClass): Entry[] => perClass(what, classes, acts);
  const place = (text: string, words: string, path: string): Entry => ({
    text,
    words,
    run: () => go(path),
  });
  return [
    { text: 'Schedule a session', run: () => go('/plan/new'), aside: key('s') },
    ...(mayMake ? [place('Make a class period', 'new class course group link', '/begin')] : []),
    { text: 'Undo the last change', run: undo, aside: key('u') },
    place('Word for you: what others changed', 'news notices letters', '/word'),
    place('Lately: take back what I changed', 'undo changes history', '/lately'),
    ...each(PER_CLASS.copy),
    ...each(PER_CLASS.open),
    ...each(PER_CLASS.post),
    ...each(PER_CLASS.reach),
    place(
      'Take it elsewhere',
      'cartridge page slide poster banner feed export',
      '/posts/elsewhere',
    ),
    place('What a student sees', 'stream page calendar', '/posts/student-sees'),
    place('Write a post for many places', 'streams pages calendars', '/posts?new'),
    ...each(PER_CLASS.rules),
    ...each(PER_CLASS.tryDoor),
    ...each(PER_CLASS.invite),
    { text: 'Print today’s run sheet', run: () => print('/today') },
    { text: 'Print the sheet of links', run: () => go('/classes/links') },
    place('Find a time at which people are free', 'busy choose offer talk', '/free'),
    place('Evenings by appointment', 'parents families guardians talk slots', '/appointments'),
    place('Who came this week', 'register attendance absent late', '/registers'),
    place('All my links', 'table find filter', '/links'),
    ...each(PER_CLASS.newLink),
    ...each(PER_CLASS.replace),
    ...each(PER_CLASS.groups),
    place('My own entry rules', 'defaults', '/school/my-entry'),
    ...(isOffice
      ? [
          place('People', 'accounts roles retired password', '/school/people'),
          place('What happened', 'log who did what', '/school/happened'),
        ]
      : []),
    place('About the school', 'name zone help office', '/school/about'),
    place('Your account', 'password address colours', '/account'),
    place('The school’s entry rules', 'defaults locks', '/school/entry'),
  ];
}

/** Which other account one may use, and signing out. */
export const accountEntries = (
  others: { id: number; email: string }[],
  { switchTo, signOut }: Acts,
): Entry[] => [
  ...others.map(({ id, email }) => ({
    text: `Use the account ${email}`,
    run: () => switchTo(id),
  })),
  { text: 'Sign out', run: signOut },
];

export const classEntries = (classes: ClassItem[], { go }: Acts): Entry[] =>
  classes.map((c) => ({
    text: classTitle(c),
    words: `${c.pennant.letters} ${c.link.code}`,
    run: () => go(`/classes/${c.id}`),
  }));

/** The desks of today's sessions. */
export const todayEntries = (today: Answer<'today'> | undefined, { go }: Acts): Entry[] =>
  (today?.sessions ?? [])
    .filter((s) => s.date === today!.date && !s.draft && s.status !== 'cancelled')
    .map((s) => ({
      text: `${s.time} ${s.title}`,
      words: String(s.id),
      run: () => go(`/desk/${s.linkId}`),
      aside: 'its desk',
    }));

export const placeEntries = ({ go }: Acts): Entry[] =>
  PLACES.map((p) => ({ text: p.name, run: () => go(p.path), aside: key(p.key) }));

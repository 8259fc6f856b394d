import type { ReactNode } from 'react';
import { classTitle } from '@glen/core/light';
import type { Answer, ClassItem } from '@glen/contract';
import { PLACES } from './TopBar.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  /** What would be undone, in words. */
  lastDone: string | undefined;
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
    says: (t) => fill(say.copyTheLinkOf, { t }),
    run: (c, { copyAddress }) => copyAddress(c.link.address),
  },
  open: {
    whose: 'hosted',
    says: (t) => fill(say.openTheDoorOfNow, { t }),
    run: (c, { openDoorOf }) => openDoorOf(c.link.id),
  },
  post: {
    whose: 'hosted',
    says: (t) => fill(say.postTheLinkOf, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/posts?new`),
  },
  reach: {
    whose: 'all',
    says: (t) => fill(say.whoSeesTheLinkOf, { t }),
    run: (c, { go }) => go(`/posts/reach?link=${c.link.id}`),
  },
  rules: {
    whose: 'hosted',
    says: (t) => fill(say.changeTheEntryRulesOf, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/entry`),
  },
  tryDoor: {
    whose: 'all',
    says: (t) => fill(say.tryTheDoorOf, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/entry`),
  },
  invite: {
    whose: 'all',
    says: (t) => fill(say.copyTheLink, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/sessions?copy`),
  },
  newLink: {
    whose: 'hosted',
    says: (t) => fill(say.makeAnotherLinkOf, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/links?new=Group%20work`),
  },
  replace: {
    whose: 'hosted',
    says: (t) => fill(say.replaceOrStopTheLink, { t }),
    run: (c, { go }) => go(`/classes/${c.id}/links/${c.link.id}`),
  },
  groups: {
    whose: 'hosted',
    says: (t) => fill(say.partIntoGroups, { t }),
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

const undoInWords = (what: string | undefined): string =>
  what === undefined ? say.undoTheLastChange : fill(say.undoWhat, { what });

/** What can be done, about the day and about each class period; the likeliest first. */
export function doingEntries(classes: ClassItem[], acts: Acts): Entry[] {
  const { go, undo, lastDone, print, mayMake, isOffice } = acts;
  const each = (what: PerClass): Entry[] => perClass(what, classes, acts);
  const place = (text: string, words: string, path: string): Entry => ({
    text,
    words,
    run: () => go(path),
  });
  return [
    { text: say.scheduleASession, run: () => go('/plan/new'), aside: key('s') },
    ...(mayMake ? [place(say.makeAClassPeriod, say.newClassCourseGroupLink, '/begin')] : []),
    { text: undoInWords(lastDone), words: say.undoTheLastChange, run: undo, aside: key('u') },
    place(say.wordForYouWhatOthers, say.newsNoticesLetters, '/word'),
    place(say.latelyTakeBackWhatI, say.undoChangesHistory, '/lately'),
    ...each(PER_CLASS.copy),
    ...each(PER_CLASS.open),
    ...each(PER_CLASS.post),
    ...each(PER_CLASS.reach),
    place(say.takeItElsewhere, say.cartridgePageSlidePosterBanner, '/posts/elsewhere'),
    place(say.whatAStudentSees, say.streamPageCalendar, '/posts/student-sees'),
    place(say.writeAPostForMany, say.streamsPagesCalendars, '/posts?new'),
    ...each(PER_CLASS.rules),
    ...each(PER_CLASS.tryDoor),
    ...each(PER_CLASS.invite),
    { text: say.printTodaysRunSheet, run: () => print('/today') },
    { text: say.printTheSheetOfLinks, run: () => go('/classes/links') },
    place(say.findATime, say.busyChooseOfferTalk, '/free'),
    place(say.eveningsByAppointment, say.parentsFamiliesGuardiansTalkSlots, '/appointments'),
    place(say.whoCameThisWeek, say.registerAttendanceAbsentLate, '/registers'),
    place(say.allMyLinks, say.tableFindFilter, '/links'),
    ...each(PER_CLASS.newLink),
    ...each(PER_CLASS.replace),
    ...each(PER_CLASS.groups),
    place(say.myOwnEntryRules, 'defaults', '/school/my-entry'),
    ...(isOffice
      ? [
          place(say.people, say.accountsRolesRetiredPassword, '/school/people'),
          place(say.whatHappened, say.logWhoDidWhat, '/school/happened'),
        ]
      : []),
    place(say.aboutTheSchool, say.nameZoneHelpOffice, '/school/about'),
    place(say.yourAccount, say.passwordAddressColours, '/account'),
    place(say.theSchoolsEntryRules, say.defaultsLocks, '/school/entry'),
  ];
}

/** Which other account one may use, and signing out. */
export const accountEntries = (
  others: { id: number; email: string }[],
  { switchTo, signOut }: Acts,
): Entry[] => [
  ...others.map(({ id, email }) => ({
    text: fill(say.useTheAccount, { email }),
    run: () => switchTo(id),
  })),
  { text: say.signOut, run: signOut },
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
      aside: say.itsDesk,
    }));

export const placeEntries = ({ go }: Acts): Entry[] =>
  PLACES.map((p) => ({ text: p.name, run: () => go(p.path), aside: key(p.key) }));

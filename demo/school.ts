import {
  FIRST_RULES,
  type EntryRules,
  type RuleField,
  type RuleSetting,
  type SchoolCalendar,
} from '@glen/core';

/** The Merrow Sound School of Seamanship: invented, like everyone in it. */
export const SCHOOL_NAME = 'Merrow Sound School of Seamanship';
/** The date that the demo school's clock begins at. */
export const DEMO_DAY = '2026-10-14';
export const DEMO_PASSWORD = 'fair-winds-2026';
export const DEMO_AT = '2026-10-14T10:31';

export const calendar: SchoolCalendar = {
  zone: 'America/Halifax',
  terms: [
    { name: 'Autumn', first: '2026-09-08', last: '2026-12-18' },
    { name: 'Winter', first: '2027-01-05', last: '2027-03-26' },
    { name: 'Spring', first: '2027-04-06', last: '2027-06-25' },
  ],
  closures: [
    {
      name: 'Truth and Reconciliation Day',
      first: '2026-09-30',
      last: '2026-09-30',
      kind: 'holiday',
    },
    { name: 'Thanksgiving', first: '2026-10-12', last: '2026-10-12', kind: 'holiday' },
    { name: 'Remembrance Day', first: '2026-11-11', last: '2026-11-11', kind: 'holiday' },
    { name: 'Staff day', first: '2026-11-23', last: '2026-11-23', kind: 'staff' },
    { name: 'Heritage Day', first: '2027-02-15', last: '2027-02-15', kind: 'holiday' },
    { name: 'Victoria Day', first: '2027-05-24', last: '2027-05-24', kind: 'holiday' },
    { name: 'Examinations', first: '2027-06-14', last: '2027-06-25', kind: 'exams' },
  ],
  bells: [
    {
      name: 'Regular',
      periods: [
        { label: '1', start: '08:40', end: '09:30' },
        { label: '2', start: '09:35', end: '10:25' },
        { label: '3', start: '10:45', end: '11:35' },
        { label: '4', start: '11:40', end: '12:30' },
        { label: '5', start: '13:20', end: '14:10' },
        { label: '6', start: '14:15', end: '15:05' },
      ],
    },
    {
      name: 'Fog',
      periods: [
        { label: '1', start: '09:40', end: '10:20' },
        { label: '2', start: '10:25', end: '11:00' },
        { label: '3', start: '11:05', end: '11:45' },
        { label: '4', start: '11:50', end: '12:30' },
        { label: '5', start: '13:20', end: '14:00' },
        { label: '6', start: '14:05', end: '14:45' },
      ],
    },
  ],
  bellOn: { MO: 'Regular', TU: 'Regular', WE: 'Regular', TH: 'Regular', FR: 'Regular' },
  bellFor: [{ date: '2026-10-19', bell: 'Fog' }],
  cycle: { labels: ['Ebb', 'Flood'], counts: 'teaching-days', from: '2026-09-09' },
};

export const schoolRules: EntryRules = FIRST_RULES;
export const schoolLocks: RuleField[] = ['recording', 'phone'];

/** Who moved in, and looks after the school. */
export const HEAD = 'Noor Achterberg';
/** Whom students ask when something technical fails. */
export const HELP = 'the chart room, extension 40';

type PersonRole = 'teacher' | 'head' | 'office' | 'guest';
export const staff: {
  name: string;
  role: PersonRole;
  email?: string;
  home?: string;
  rules?: Partial<EntryRules>;
}[] = [
  {
    name: 'Ottoline Marsh',
    role: 'teacher',
    email: 'o.marsh@merrow.example',
    home: 'ottoline@home.example',
    rules: { camera: 'off', chime: false },
  },
  { name: 'Tomas Verhage', role: 'teacher', email: 't.verhage@merrow.example' },
  { name: 'Signe Aalto', role: 'teacher', email: 's.aalto@merrow.example' },
  { name: 'Idris Kellaway', role: 'teacher', email: 'i.kellaway@merrow.example' },
  { name: 'Bram Osterholt', role: 'teacher', email: 'b.osterholt@merrow.example' },
  { name: 'Noor Achterberg', role: 'head', email: 'n.achterberg@merrow.example' },
  { name: 'Perpetua Lund', role: 'office', email: 'office@merrow.example' },
  { name: 'Hedda Grue', role: 'guest', home: 'hedda.grue@home.example' },
  { name: 'Milo Sandoval-Fisk', role: 'guest', home: 'milo.fisk@home.example' },
  { name: 'Ragna Quill', role: 'guest', home: 'ragna.quill@home.example' },
];

export interface DemoClass {
  ref: string;
  title: string;
  period: string | null;
  pennant: { letters: string; pattern: string; hue: string };
  host: string;
  coTeacher?: string;
  presenters: string[];
  students: number;
  rules: Partial<EntryRules>;
  kind: RuleSetting['kind'];
  /** Weekdays it meets, and when where it has no period of its own. */
  on: ('MO' | 'TU' | 'WE' | 'TH' | 'FR')[];
  at?: { time: string; minutes: number };
  label: string;
  /** How long its series goes on, to the end of the term where left out, and whether it is held on closed days too. */
  until?: string;
  keepsClosures?: boolean;
}

export const classes: DemoClass[] = [
  {
    ref: 'nav-1',
    title: 'Coastal Navigation',
    period: '1',
    pennant: { letters: 'N1', pattern: 'halves', hue: 'loch' },
    host: 'Ottoline Marsh',
    coTeacher: 'Tomas Verhage',
    presenters: [],
    students: 22,
    rules: {},
    on: ['MO', 'WE', 'FR'],
    until: 'year-end',
    label: 'Lessons',
    kind: 'lesson',
  },
  {
    ref: 'weather-2',
    title: 'Marine Weather',
    period: '2',
    pennant: { letters: 'W2', pattern: 'diagonal', hue: 'moss' },
    host: 'Ottoline Marsh',
    presenters: [],
    students: 19,
    rules: {},
    on: ['MO', 'TU', 'WE', 'TH'],
    label: 'Lessons',
    kind: 'lesson',
  },
  {
    ref: 'nav-3',
    title: 'Coastal Navigation',
    period: '3',
    pennant: { letters: 'N3', pattern: 'stripes', hue: 'loch' },
    host: 'Ottoline Marsh',
    coTeacher: 'Tomas Verhage',
    presenters: ['Signe Aalto'],
    students: 24,
    rules: { opensBefore: 5 },
    on: ['MO', 'WE'],
    label: 'Lessons',
    kind: 'lesson',
  },
  {
    ref: 'clinic',
    title: 'Chartwork clinic',
    period: null,
    pennant: { letters: 'C', pattern: 'saltire', hue: 'gorse' },
    host: 'Ottoline Marsh',
    presenters: [],
    students: 12,
    rules: { straightIn: 'roll', opensBefore: 0 },
    on: ['WE'],
    at: { time: '11:40', minutes: 60 },
    until: '2027-01-13',
    keepsClosures: true,
    label: 'Drop-in help',
    kind: 'help',
  },
  {
    ref: 'ropework',
    title: 'Ropework',
    period: '5',
    pennant: { letters: 'R5', pattern: 'border', hue: 'plum' },
    host: 'Ottoline Marsh',
    presenters: ['Idris Kellaway'],
    students: 23,
    rules: { camera: 'choice' },
    on: ['WE', 'TH'],
    label: 'Lessons',
    kind: 'lesson',
  },
  {
    ref: 'nav-6',
    title: 'Coastal Navigation',
    period: '6',
    pennant: { letters: 'N6', pattern: 'pales', hue: 'moss' },
    host: 'Ottoline Marsh',
    coTeacher: 'Tomas Verhage',
    presenters: [],
    students: 22,
    rules: {},
    on: ['MO', 'WE', 'TH'],
    label: 'Lessons',
    kind: 'lesson',
  },
  {
    ref: 'harbour-evening',
    title: 'Harbour Evening',
    period: null,
    pennant: { letters: 'HE', pattern: 'chevron', hue: 'bracken' },
    host: 'Ottoline Marsh',
    coTeacher: 'Tomas Verhage',
    presenters: [],
    students: 0,
    rules: {
      whoMayEnter: 'anyone',
      straightIn: 'everyone',
      opensBefore: 15,
      closesAfter: 15,
      capacity: 300,
      mayUnmute: false,
      sharing: 'hosts',
    },
    on: [],
    label: 'For parents',
    kind: 'event',
  },
  {
    ref: 'signals-4',
    title: 'Signals',
    period: '4',
    pennant: { letters: 'S4', pattern: 'cross', hue: 'berry' },
    host: 'Bram Osterholt',
    presenters: [],
    students: 14,
    rules: {},
    on: ['TU', 'TH'],
    until: 'year-end',
    label: 'Lessons',
    kind: 'lesson',
  },
];

const FIRST =
  'Ansel Birgit Caspian Delphine Ewan Freya Gideon Hanneke Isolde Jory Kestra Lachlan Maren Niko Odile Piet Quentin Rosalind Soren Tamsin Ulf Verity Wim Xanthe Yorick Zelda Arne Brisa Corin Dagny Elske Finlo Greta Hugo Inka Jasper Kaja'.split(
    ' ',
  );
const LAST =
  'Grue Tideman Holloway Brandt Sorley Whitlock Aucoin Penhale Lindqvist Draycott Muise Vantongeren Ferris Okafor Castellan Rourke Haldane Boutilier Sandoval Thorne'.split(
    ' ',
  );

/** 110 students, each name once: N1 22, W2 19, N3 24, R5 23, N6 22; the clinic and Signals take some of them again. */
export const STUDENT_COUNT = 110;
export const studentName = (i: number): string =>
  `${FIRST[i % FIRST.length]!} ${LAST[(i + Math.floor(i / FIRST.length) * 7) % LAST.length]!}`;
export const emailOf = (name: string, domain: string): string =>
  `${name.toLowerCase().replace(/[^a-z]+/g, '.')}@${domain}`;

/** An audience that somebody is put in. */
export const FOR_NOBODY = {
  classIds: [],
  groupIds: [],
  personIds: [],
  guests: [],
  hostIds: [],
  hostedBy: 'class' as const,
};

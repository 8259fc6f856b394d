import type { LiveChange } from '@glen/contract';

/** What answers are about: whatever changes that has them asked for again. */
export const TAGS = [
  'me',
  'lately',
  'my-day',
  'school',
  'today',
  'sessions',
  'classes',
  'class',
  'rules',
  'posts',
  'desk',
  'door',
  'invitation',
  'calendar',
  'feeds',
  'links',
  'groups',
  'covers',
  'course-page',
  'people',
  'account',
  'guest',
  'words',
  'letters',
  'registers',
  'check-in',
  'after-lessons',
  'slots',
  'polls',
  'appointments',
] as const;
export type Tag = (typeof TAGS)[number];

export const WHAT_TIME_CHANGES: Tag[] = [
  'me',
  'my-day',
  'today',
  'desk',
  'door',
  'rules',
  'invitation',
  'posts',
  'check-in',
  'slots',
  'polls',
  'appointments',
];

/** Which answers may have changed when the server says that a thing did. */
export const tagsOf: Record<LiveChange['thing'], Tag[]> = {
  clock: WHAT_TIME_CHANGES,
  me: ['me', 'check-in'],
  classes: ['classes', 'class', 'today', 'links', 'groups', 'covers'],
  class: [
    'class',
    'rules',
    'today',
    'sessions',
    'desk',
    'invitation',
    'links',
    'groups',
    'after-lessons',
    'slots',
    'polls',
    'appointments',
  ],
  posts: ['posts', 'today', 'links'],
  desk: ['desk', 'today', 'after-lessons', 'slots', 'appointments'],
  door: ['door', 'my-day'],
  school: ['me', 'school', 'calendar', 'today', 'sessions', 'class'],
  notices: ['today', 'covers', 'words'],
};
export const EVERYTHING: Tag[] = [...TAGS];

import type { EndpointName } from './endpoints.js';

/** What a teacher may let somebody do on their behalf. `prepares`: links, entry rules and presenters. */
export const HELPS = ['schedules', 'posts', 'prepares'] as const;
export type Helps = (typeof HELPS)[number];

/** The header of a request that is made on somebody's behalf: the number of whom it is for. */
export const ON_BEHALF = 'glen-on-behalf-of';

/**
 * What each endpoint is to whoever acts on somebody's behalf: read as the teacher reads it, done where they are let do
 * that, or (`own`) done as oneself. What is named nowhere is read as oneself, and not done.
 */
export const HELP_OF: Partial<Record<EndpointName, Helps | 'reads' | 'own'>> = {
  today: 'reads',
  classes: 'reads',
  classPeriod: 'reads',
  strip: 'reads',
  bookings: 'reads',
  freeTimes: 'reads',
  session: 'reads',
  register: 'reads',
  find: 'reads',
  rules: 'reads',
  linkRules: 'reads',
  seriesRules: 'reads',
  ownRules: 'reads',
  invitation: 'reads',
  tryDoor: 'reads',
  posts: 'reads',
  allPosts: 'reads',
  postHistory: 'reads',
  headings: 'reads',
  coursePage: 'reads',
  placementForms: 'reads',
  placementLetter: 'reads',
  reach: 'reads',
  reachOfDay: 'reads',
  studentSees: 'reads',
  links: 'reads',
  classLinks: 'reads',
  unreached: 'reads',
  link: 'reads',
  linkPlaces: 'reads',
  groups: 'reads',
  presenting: 'reads',
  guests: 'reads',
  addSession: 'schedules',
  editSession: 'schedules',
  changeSessions: 'schedules',
  takeBackChange: 'schedules',
  copySeries: 'schedules',
  addPost: 'posts',
  editPost: 'posts',
  withdrawPost: 'posts',
  restorePost: 'posts',
  retryPost: 'posts',
  postNow: 'posts',
  previewPost: 'posts',
  placementAction: 'posts',
  orderItems: 'posts',
  lookAtSite: 'posts',
  setRules: 'prepares',
  setLinkRules: 'prepares',
  setSeriesRules: 'prepares',
  addLink: 'prepares',
  editLink: 'prepares',
  orderLinks: 'prepares',
  setRoom: 'prepares',
  lookAtRoom: 'prepares',
  addPresenter: 'prepares',
  removePresenter: 'prepares',
  noteLately: 'own',
  takenBack: 'own',
};

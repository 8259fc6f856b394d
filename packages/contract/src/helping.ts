import type { EndpointName } from './endpoints.js';

/** What a teacher may let somebody do on their behalf. `prepares`: links, entry rules and presenters. */
export const HELPS = ['schedules', 'posts', 'prepares'] as const;
export type Helps = (typeof HELPS)[number];

/** The header of a request that is made on somebody's behalf: the number of whom it is for. */
export const ON_BEHALF = 'glen-on-behalf-of';

const all = <What extends Helps | 'reads' | 'own'>(
  what: What,
  names: EndpointName[],
): [EndpointName, What][] => names.map((name) => [name, what]);

/**
 * What each endpoint is to whoever acts on somebody's behalf: read as the teacher reads it, done where they are let do
 * that, or (`own`) done as oneself. What is named nowhere is read as oneself, and not done.
 */
export const HELP_OF: ReadonlyMap<EndpointName, Helps | 'reads' | 'own'> = new Map<
  EndpointName,
  Helps | 'reads' | 'own'
>([
  ...all('reads', [
    ...(['today', 'classes', 'classPeriod', 'strip', 'bookings', 'session', 'find'] as const),
    ...(['rules', 'linkRules', 'seriesRules', 'ownRules', 'invitation', 'tryDoor'] as const),
    ...(['posts', 'allPosts', 'postHistory', 'headings', 'coursePage'] as const),
    ...(['placementForms', 'reach', 'reachOfDay', 'studentSees'] as const),
    ...(['links', 'classLinks', 'link', 'linkPlaces', 'groups', 'presenting', 'guests'] as const),
  ]),
  ...all('schedules', [
    ...(['addSession', 'editSession', 'changeSessions', 'takeBackChange', 'copySeries'] as const),
  ]),
  ...all('posts', [
    ...(['addPost', 'editPost', 'withdrawPost', 'restorePost', 'retryPost', 'postNow'] as const),
    ...(['previewPost', 'placementAction', 'orderItems', 'lookAtSite'] as const),
  ]),
  ...all('prepares', [
    ...(['setRules', 'setLinkRules', 'setSeriesRules', 'addLink', 'editLink'] as const),
    ...(['orderLinks', 'setRoom', 'lookAtRoom', 'addPresenter', 'removePresenter'] as const),
  ]),
  ...all('own', ['noteLately', 'takenBack']),
]);

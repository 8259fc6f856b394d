import { createApi, type BaseQueryFn } from '@reduxjs/toolkit/query/react';
import {
  endpoints,
  type Answer,
  type EndpointName,
  type LiveChange,
  type Params,
  type Problem,
  type Query,
  type Sent,
} from '@glen/contract';
import { answerTo, type Call } from './calls.js';
import { confirmedAnswer } from './confirming.js';
import { remembered } from './writes.js';

/** A query as it is asked: fields with a default may be left out. */
type Loose<Q> = { [K in keyof Q]?: Q[K] | undefined };

/** What a call carries: path parameters, query and body, as far as the endpoint has them. */
type Ask<N extends EndpointName> = (Params<N> extends undefined ? unknown : { params: Params<N> }) &
  (Query<N> extends undefined ? unknown : { query?: Loose<Query<N>> }) &
  (Sent<N> extends undefined ? unknown : { body: Sent<N> });

/** Endpoints that carry nothing are asked without an argument. */
type Given<N extends EndpointName> = keyof Ask<N> extends never ? void : Ask<N>;

/** Calls an endpoint of the contract; every failure comes back as problem details. */
const baseQuery: BaseQueryFn<Call, unknown, Problem> = (call, { signal }) =>
  endpoints[call.name].method === 'GET'
    ? answerTo(call, signal)
    : remembered(confirmedAnswer(call, signal));

const TAGS = [
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
] as const;
type Tag = (typeof TAGS)[number];

const WHAT_TIME_CHANGES: Tag[] = [
  'me',
  'my-day',
  'today',
  'desk',
  'door',
  'rules',
  'invitation',
  'posts',
];

export const api = createApi({
  baseQuery,
  tagTypes: TAGS,
  refetchOnReconnect: true,
  refetchOnFocus: true,
  endpoints: (build) => {
    const ask = <N extends EndpointName>(name: N, tags: Tag[]) =>
      build.query<Answer<N>, Given<N>>({
        query: (given) => ({ name, ask: (given ?? {}) as Call['ask'] }),
        providesTags: tags,
      });
    const tell = <N extends EndpointName>(name: N, tags: Tag[]) =>
      build.mutation<Answer<N>, Given<N>>({
        query: (given) => ({ name, ask: (given ?? {}) as Call['ask'] }),
        invalidatesTags: (_answer, error) => (error && error.status !== 409 ? [] : tags),
      });
    const link: Tag[] = [
      'links',
      'classes',
      'class',
      'today',
      'rules',
      'posts',
      'invitation',
      'desk',
      'sessions',
      'groups',
    ];
    const rule: Tag[] = ['rules', 'today', 'class', 'links', 'desk', 'invitation'];
    const roll: Tag[] = ['classes', 'class', 'today', 'groups', 'links', 'rules', 'people'];
    /** What somebody is and has shows wherever they are named. */
    const person: Tag[] = ['people', 'account', 'me', 'class', 'classes', 'groups', 'links'];
    const plan: Tag[] = ['today', 'sessions', 'class', 'rules', 'desk', 'invitation', 'links'];
    return {
      me: ask('me', ['me']),
      demoPeople: ask('demoPeople', []),
      myDay: ask('myDay', ['my-day']),
      find: ask('find', ['sessions']),
      invitation: ask('invitation', ['invitation']),
      tryDoor: tell('tryDoor', []),
      school: ask('school', ['school']),
      schoolCalendar: ask('schoolCalendar', ['calendar']),
      previewCalendar: tell('previewCalendar', []),
      setCalendar: tell('setCalendar', ['school', 'calendar', ...plan]),
      aboutSchool: ask('aboutSchool', ['school']),
      previewZone: tell('previewZone', []),
      setAboutSchool: tell('setAboutSchool', ['school', 'calendar', 'me', ...plan]),
      holidays: ask('holidays', []),
      seenNotice: tell('seenNotice', ['today', 'words']),
      words: ask('words', ['words']),
      letterStop: ask('letterStop', ['letters']),
      setLetterStop: tell('setLetterStop', ['letters', 'account']),
      feeds: ask('feeds', ['feeds']),
      replaceFeed: tell('replaceFeed', ['feeds']),
      switchOffFeed: tell('switchOffFeed', ['feeds']),
      today: ask('today', ['today']),
      session: ask('session', ['sessions']),
      strip: ask('strip', ['sessions']),
      bookings: ask('bookings', ['sessions']),
      classes: ask('classes', ['classes']),
      classPeriod: ask('classPeriod', ['class']),
      rules: ask('rules', ['rules']),
      posts: ask('posts', ['posts']),
      allPosts: ask('allPosts', ['posts']),
      postHistory: ask('postHistory', ['posts']),
      placementForms: ask('placementForms', ['posts']),
      coursePage: ask('coursePage', ['course-page']),
      headings: ask('headings', ['posts', 'course-page']),
      orderItems: tell('orderItems', ['posts', 'course-page']),
      previewPost: tell('previewPost', []),
      reach: ask('reach', ['posts', 'links', 'course-page']),
      reachOfDay: ask('reachOfDay', ['posts', 'links', 'course-page']),
      studentSees: ask('studentSees', ['posts', 'course-page']),
      desk: ask('desk', ['desk']),
      door: ask('door', ['door']),
      howTo: ask('howTo', ['door']),
      moveIn: ask('moveIn', []),
      keepMoveIn: tell('keepMoveIn', []),
      moveInHolidays: ask('moveInHolidays', []),
      finishMoveIn: tell('finishMoveIn', [...TAGS]),
      passwordFor: ask('passwordFor', []),
      setPassword: tell('setPassword', [...TAGS]),
      people: build.infiniteQuery<Answer<'people'>, Given<'people'>, number | undefined>({
        infiniteQueryOptions: {
          initialPageParam: undefined,
          getNextPageParam: ({ people: some, isMore }) => (isMore ? some.at(-1)!.id : undefined),
        },
        query: ({ queryArg: { query }, pageParam: after }) => ({
          name: 'people',
          ask: { query: { ...query, after } },
        }),
        providesTags: ['people'],
      }),
      happened: build.infiniteQuery<Answer<'happened'>, Given<'happened'>, number | undefined>({
        infiniteQueryOptions: {
          initialPageParam: undefined,
          getNextPageParam: ({ entries, isMore }) => (isMore ? entries.at(-1)!.id : undefined),
        },
        query: ({ queryArg: { query }, pageParam: before }) => ({
          name: 'happened',
          ask: { query: { ...query, before } },
        }),
        providesTags: ['people', 'class', 'links', 'sessions', 'posts', 'desk', 'school', 'rules'],
      }),
      addPerson: tell('addPerson', ['people']),
      person: ask('person', ['people', 'class']),
      editPerson: tell('editPerson', person),
      addAccount: tell('addAccount', person),
      removeAccount: tell('removeAccount', person),
      wayIn: tell('wayIn', ['people']),
      retireFacts: ask('retireFacts', ['people', 'class']),
      hosted: ask('hosted', ['people', 'class', 'classes', 'groups', 'links']),
      handOverAll: tell('handOverAll', [...person, 'covers', 'today', 'sessions']),
      retirePerson: tell('retirePerson', person),
      bringBackPerson: tell('bringBackPerson', person),
      mergeFacts: ask('mergeFacts', ['people', 'class']),
      mergePeople: tell('mergePeople', person),
      setGuardians: tell('setGuardians', ['people']),
      ownAccount: ask('ownAccount', ['account']),
      setOwnAccount: tell('setOwnAccount', ['account', 'me', 'people']),
      ownSessions: ask('ownSessions', ['account']),
      endOwnSession: tell('endOwnSession', ['account']),
      signOutEverywhere: tell('signOutEverywhere', [...TAGS]),
      changePassword: tell('changePassword', ['account']),
      firstPassword: tell('firstPassword', ['account']),
      changeAddress: tell('changeAddress', ['account', 'me', 'people']),
      lately: ask('lately', ['lately']),
      noteLately: tell('noteLately', ['lately']),
      takenBack: tell('takenBack', ['lately']),
      addClass: tell('addClass', ['classes', 'class', 'today', 'sessions', 'links']),
      editClass: tell('editClass', [...plan, 'classes']),
      copyClass: tell('copyClass', ['classes', 'class', 'today', 'sessions', 'links']),
      putAwayFacts: ask('putAwayFacts', ['class', 'posts', 'links']),
      putAwayClass: tell('putAwayClass', [...link, 'school']),
      bringBackClass: tell('bringBackClass', [...link, 'school']),
      setStaff: tell('setStaff', [...plan, 'classes']),
      knockUntilRoll: tell('knockUntilRoll', ['class', 'posts', ...rule]),
      previewRoll: tell('previewRoll', []),
      addToRoll: tell('addToRoll', roll),
      rollTouched: ask('rollTouched', ['class', 'groups', 'links']),
      rollLeft: ask('rollLeft', ['class', 'people']),
      takeOffRoll: tell('takeOffRoll', roll),
      bringBackToRoll: tell('bringBackToRoll', roll),
      moveOnRoll: tell('moveOnRoll', roll),
      passwordAddresses: tell('passwordAddresses', []),
      signIn: tell('signIn', [...TAGS]),
      signOut: tell('signOut', [...TAGS]),
      beginSignOn: tell('beginSignOn', []),
      signInWays: ask('signInWays', ['school']),
      setSignInWays: tell('setSignInWays', ['school', 'me']),
      passkeys: ask('passkeys', ['account']),
      passkeyOptions: tell('passkeyOptions', []),
      addPasskey: tell('addPasskey', ['account']),
      renamePasskey: tell('renamePasskey', ['account']),
      removePasskey: tell('removePasskey', ['account']),
      passkeySignInOptions: tell('passkeySignInOptions', []),
      guestFor: ask('guestFor', ['guest']),
      comeAsGuest: tell('comeAsGuest', [...TAGS]),
      guestAddress: tell('guestAddress', []),
      sayAsGuest: tell('sayAsGuest', ['guest']),
      invitations: ask('invitations', ['my-day', 'guest']),
      answerInvitation: tell('answerInvitation', ['guest']),
      guests: ask('guests', ['links', 'rules']),
      addGuests: tell('addGuests', link),
      editGuest: tell('editGuest', link),
      withdrawGuest: tell('withdrawGuest', link),
      setWatchAddress: tell('setWatchAddress', ['links']),
      passkeySignIn: tell('passkeySignIn', [...TAGS]),
      endSignOn: tell('endSignOn', ['account', 'people']),
      endTheirSignOn: tell('endTheirSignOn', person),
      switchAccount: tell('switchAccount', [...TAGS]),
      demoSignIn: tell('demoSignIn', [...TAGS]),
      demoClock: tell('demoClock', WHAT_TIME_CHANGES),
      addSession: tell('addSession', plan),
      editSession: tell('editSession', plan),
      changeSessions: tell('changeSessions', plan),
      takeBackChange: tell('takeBackChange', plan),
      copySeries: tell('copySeries', plan),
      links: ask('links', ['links']),
      classLinks: ask('classLinks', ['links']),
      link: ask('link', ['links']),
      linkPlaces: ask('linkPlaces', ['links', 'posts']),
      addLink: tell('addLink', link),
      editLink: tell('editLink', link),
      setAudience: tell('setAudience', link),
      orderLinks: tell('orderLinks', link),
      replaceLink: tell('replaceLink', link),
      takeBackReplacing: tell('takeBackReplacing', link),
      stopLink: tell('stopLink', link),
      reopenLink: tell('reopenLink', link),
      setRoom: tell('setRoom', link),
      lookAtRoom: tell('lookAtRoom', link),
      shareLink: tell('shareLink', link),
      addPresenter: tell('addPresenter', link),
      removePresenter: tell('removePresenter', link),
      unshareLink: tell('unshareLink', link),
      covers: ask('covers', ['covers']),
      tryCover: ask('tryCover', ['covers', 'sessions']),
      helping: ask('helping', ['covers']),
      allowHelp: tell('allowHelp', ['covers']),
      endHelp: tell('endHelp', ['covers']),
      addCover: tell('addCover', ['covers', ...person, 'today', 'sessions']),
      endCover: tell('endCover', ['covers', ...person, 'today', 'sessions']),
      presenting: ask('presenting', ['links', 'sessions', 'class']),
      groups: ask('groups', ['groups']),
      setGroups: tell('setGroups', ['groups', 'links']),
      schoolRules: ask('schoolRules', ['rules']),
      setSchoolRules: tell('setSchoolRules', rule),
      ownRules: ask('ownRules', ['rules']),
      setOwnRules: tell('setOwnRules', rule),
      linkRules: ask('linkRules', ['rules']),
      setLinkRules: tell('setLinkRules', rule),
      seriesRules: ask('seriesRules', ['rules']),
      setSeriesRules: tell('setSeriesRules', [...rule, 'sessions']),
      setRules: tell('setRules', rule),
      addPost: tell('addPost', ['posts', 'today']),
      editPost: tell('editPost', ['posts', 'today']),
      withdrawPost: tell('withdrawPost', ['posts', 'today']),
      restorePost: tell('restorePost', ['posts', 'today']),
      retryPost: tell('retryPost', ['posts', 'today']),
      postNow: tell('postNow', ['posts', 'today', 'desk']),
      placementAction: tell('placementAction', ['posts', 'today', 'links']),
      lookAtSite: tell('lookAtSite', ['posts', 'today', 'course-page']),
      openDoor: tell('openDoor', ['desk', 'today']),
      closeRoom: tell('closeRoom', ['desk', 'today']),
      askForAccount: tell('askForAccount', ['desk']),
      extendSession: tell('extendSession', ['desk', 'today', 'sessions', 'class']),
      handOver: tell('handOver', ['desk', 'today']),
      bringIn: tell('bringIn', ['desk']),
      hostPresence: tell('hostPresence', ['desk']),
      letPresent: tell('letPresent', ['desk']),
      muteVisitor: tell('muteVisitor', []),
      muteAll: tell('muteAll', []),
      letShare: tell('letShare', ['desk']),
      setChime: tell('setChime', ['desk']),
      letAllShare: tell('letAllShare', ['desk']),
      letAllIn: tell('letAllIn', ['desk']),
      sayWho: tell('sayWho', ['desk']),
      letIn: tell('letIn', ['desk']),
      turnAway: tell('turnAway', ['desk']),
      putOut: tell('putOut', ['desk']),
      letBack: tell('letBack', ['desk']),
      enterDoor: tell('enterDoor', ['door']),
    };
  },
});

/** Which answers may have changed when the server says that a thing did. */
export const tagsOf: Record<LiveChange['thing'], Tag[]> = {
  clock: WHAT_TIME_CHANGES,
  me: ['me'],
  classes: ['classes', 'class', 'today', 'links', 'groups', 'covers'],
  class: ['class', 'rules', 'today', 'sessions', 'desk', 'invitation', 'links', 'groups'],
  posts: ['posts', 'today', 'links'],
  desk: ['desk', 'today'],
  door: ['door', 'my-day'],
  school: ['me', 'school', 'calendar', 'today', 'sessions', 'class'],
  notices: ['today', 'covers', 'words'],
};
export const EVERYTHING: Tag[] = [...TAGS];

/** The message for a field of a refused form, if it has one. */
export const messageFor = (problem: Problem | undefined, ...paths: string[]): string | undefined =>
  problem?.errors?.find((e) =>
    paths.some((path) => e.path === path || e.path.startsWith(`${path}.`)),
  )?.message;

export const problemOf = (error: unknown): Problem | undefined =>
  typeof error === 'object' && error !== null && 'title' in error ? (error as Problem) : undefined;

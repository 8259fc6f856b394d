import type { GuestComes } from '@glen/core';

/** A guest at any time, by their address. */
export interface DraftGuest {
  email: string;
  name: string;
  comes: GuestComes;
}

/** Whom a link is to be for, as long as it is being chosen: ids, and guests. */
export interface AudienceDraft {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  guests: DraftGuest[];
  hostIds: number[];
  /** The class period's teachers and those named, or those alone. */
  hostedBy: 'class' | 'named';
}

/** Everybody of one class period, and nobody else. */
export const forClass = (classId: number): AudienceDraft => ({
  classIds: [classId],
  groupIds: [],
  personIds: [],
  guests: [],
  hostIds: [],
  hostedBy: 'class',
});

/** A list of ids with one put in or taken out. */
export const toggled = (list: number[], id: number, isIn: boolean): number[] =>
  isIn ? [...list, id] : list.filter((other) => other !== id);

/** The same, hosted by somebody alone: a one-to-one is no other teacher's. */
export const hostedAlone = (draft: AudienceDraft, hostId: number): AudienceDraft => ({
  ...draft,
  hostedBy: 'named',
  hostIds: draft.hostIds.length > 0 ? draft.hostIds : [hostId],
});

/** A change of whom a link is for, to be made to whatever it is for by then. */
export type AudienceEdit = (now: AudienceDraft) => AudienceDraft;

function changed<T>(now: T[], before: T[], after: T[]): T[] {
  const kept = now.filter((one) => after.includes(one) || !before.includes(one));
  return [...kept, ...after.filter((one) => !before.includes(one) && !kept.includes(one))];
}

/** The same of guests, by their addresses. */
function changedGuests(now: DraftGuest[], before: DraftGuest[], after: DraftGuest[]): DraftGuest[] {
  const [had, has] = [before, after].map((list) => new Set(list.map((guest) => guest.email)));
  const kept = now.filter(({ email }) => has!.has(email) || !had!.has(email));
  const known = new Set([...had!, ...kept.map((guest) => guest.email)]);
  return [...kept, ...after.filter(({ email }) => !known.has(email))];
}

/** A list of guests with one more, once, as one of the others inside. */
export const withGuest = (guests: DraftGuest[], email: string): DraftGuest[] =>
  guests.some((guest) => guest.email === email)
    ? guests
    : [...guests, { email, name: '', comes: 'inside' }];

/** What was put in and taken out between two states: made to a third, it drops nothing that came meanwhile. */
export const editOf =
  (before: AudienceDraft, after: AudienceDraft): AudienceEdit =>
  (now) => ({
    classIds: changed(now.classIds, before.classIds, after.classIds),
    groupIds: changed(now.groupIds, before.groupIds, after.groupIds),
    personIds: changed(now.personIds, before.personIds, after.personIds),
    guests: changedGuests(now.guests, before.guests, after.guests),
    hostIds: changed(now.hostIds, before.hostIds, after.hostIds),
    hostedBy: after.hostedBy === before.hostedBy ? now.hostedBy : after.hostedBy,
  });

/** Whom a link is to be for, as long as it is being chosen: ids, and guests by their address. */
export interface AudienceDraft {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  emails: string[];
  /** Those of the addresses whose guests come to speak. */
  speakers: string[];
  hostIds: number[];
}

/** Everybody of one class period, and nobody else. */
export const forClass = (classId: number): AudienceDraft => ({
  classIds: [classId],
  groupIds: [],
  personIds: [],
  emails: [],
  speakers: [],
  hostIds: [],
});

/** A list of ids with one put in or taken out. */
export const toggled = (list: number[], id: number, isIn: boolean): number[] =>
  isIn ? [...list, id] : list.filter((other) => other !== id);

/** A change of whom a link is for, to be made to whatever it is for by then. */
export type AudienceEdit = (now: AudienceDraft) => AudienceDraft;

function changed<T>(now: T[], before: T[], after: T[]): T[] {
  const kept = now.filter((one) => after.includes(one) || !before.includes(one));
  return [...kept, ...after.filter((one) => !before.includes(one) && !kept.includes(one))];
}

/** What was put in and taken out between two states: made to a third, it drops nothing that came meanwhile. */
export const editOf =
  (before: AudienceDraft, after: AudienceDraft): AudienceEdit =>
  (now) => ({
    classIds: changed(now.classIds, before.classIds, after.classIds),
    groupIds: changed(now.groupIds, before.groupIds, after.groupIds),
    personIds: changed(now.personIds, before.personIds, after.personIds),
    emails: changed(now.emails, before.emails, after.emails),
    speakers: changed(now.speakers, before.speakers, after.speakers),
    hostIds: changed(now.hostIds, before.hostIds, after.hostIds),
  });

/** Whom a link is to be for, as long as it is being chosen: ids, and guests by their address. */
export interface AudienceDraft {
  classIds: number[];
  groupIds: number[];
  personIds: number[];
  emails: string[];
  hostIds: number[];
}

/** Everybody of one class period, and nobody else. */
export const forClass = (classId: number): AudienceDraft => ({
  classIds: [classId],
  groupIds: [],
  personIds: [],
  emails: [],
  hostIds: [],
});

/** A list of ids with one put in or taken out. */
export const toggled = (list: number[], id: number, isIn: boolean): number[] =>
  isIn ? [...list, id] : list.filter((other) => other !== id);

/** When somebody is known to be away, by days of the school, both among them. */
export interface Away {
  from: string;
  until: string;
  /** From the lessons of this class period alone; null: from all of them. */
  classId: number | null;
}

/** Those of some absences that excuse from the lessons of a class period on a day. */
export const awayOn = <Of extends Away>(
  absences: readonly Of[],
  { date, classId }: { date: string; classId: number },
): Of[] =>
  absences.filter(
    (away) =>
      (away.classId === null || away.classId === classId) &&
      away.from <= date &&
      away.until >= date,
  );

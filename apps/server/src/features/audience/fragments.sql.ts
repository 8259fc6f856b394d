// Who is meant by a link, as pieces of SQL that door, days, desk, clashes and feeds ask alike.

/** SQL: whether a person is in the audience of a link, by class period, group or name. Both are columns. */
export const inAudience = (link: string, person: string): string => `EXISTS (
  SELECT 1 FROM link_audience la LEFT JOIN roll ar ON ar.class_id = la.class_id AND ar.person_id = ${person} LEFT JOIN group_members ag ON ag.group_id = la.group_id AND ag.person_id = ${person}
  WHERE la.link_id = ${link} AND (ar.person_id IS NOT NULL OR ag.person_id IS NOT NULL OR la.person_id = ${person}))`;

/** SQL: whether a person stands on the roll of a class period that meets in an occurrence together with its own. */
export const inJoined = (occurrence: string, person: string): string =>
  `EXISTS (SELECT 1 FROM joined jr JOIN roll jo ON jo.class_id = jr.class_id AND jo.person_id = ${person} WHERE jr.occurrence_id = ${occurrence})`;

const staffJoined = (occurrence: string, person: string, as: string): string =>
  `EXISTS (SELECT 1 FROM joined jh JOIN class_staff js ON js.class_id = jh.class_id AND js.person_id = ${person} AND js.as_what ${as} WHERE jh.occurrence_id = ${occurrence})`;

/** SQL: whether a person hosts a class period that meets in an occurrence together with its own; or is a named presenter there. */
export const hostsJoined = (occurrence: string, person: string): string =>
  staffJoined(occurrence, person, `<> 'presenter'`);
export const presentsJoined = (occurrence: string, person: string): string =>
  staffJoined(occurrence, person, `= 'presenter'`);

/** What somebody is to the school. One person can be several of them: a lone teacher is teacher and office. */
export const PERSON_ROLES = ['head', 'office', 'teacher', 'student', 'guest'] as const;
export type PersonRole = (typeof PERSON_ROLES)[number];

const STAFF: readonly PersonRole[] = ['head', 'office', 'teacher'];
const OFFICE: readonly PersonRole[] = ['head', 'office'];

/** Whether somebody teaches or looks after the school. */
export const areStaff = (roles: readonly PersonRole[]): boolean =>
  roles.some((r) => STAFF.includes(r));

/** Whether somebody looks after people, rolls and the calendar. */
export const areOffice = (roles: readonly PersonRole[]): boolean =>
  roles.some((r) => OFFICE.includes(r));

const IN_WORDS: Record<PersonRole, string> = {
  head: 'head',
  office: 'office',
  teacher: 'teacher',
  student: 'student',
  guest: 'guest',
};

/** `teacher and office`; in the order of `PERSON_ROLES`. */
export function rolesInWords(roles: readonly PersonRole[]): string {
  const words = PERSON_ROLES.filter((role) => roles.includes(role)).map((role) => IN_WORDS[role]);
  const last = words.pop() ?? 'nothing';
  return words.length === 0 ? last : `${words.join(', ')} and ${last}`;
}

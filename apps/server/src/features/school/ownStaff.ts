import type { ClassStaffRow } from '../../db/models/ClassStaff.js';

/** What somebody is in a class period by themselves: nothing where they are there for a cover alone. */
const ownStanding = ({
  as_what,
  cover_id,
  was,
}: Pick<ClassStaffRow, 'as_what' | 'cover_id' | 'was'>): ClassStaffRow['as_what'] | null =>
  cover_id === null ? as_what : was;

/** A row of whoever teaches a class period by themselves, as that; none where they only cover. */
export function ownStaff<Row extends Pick<ClassStaffRow, 'as_what' | 'cover_id' | 'was'>>(
  row: Row,
): { row: Row; as_what: ClassStaffRow['as_what'] }[] {
  const as_what = ownStanding(row);
  return as_what === null ? [] : [{ row, as_what }];
}

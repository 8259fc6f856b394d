import type { ClassItem } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { hostsAs } from '../../http/access.js';
import type { ClassRow } from './classes.sql.js';

/** Whether the person a row was read for hosts a class period that goes on, and so may change it. */
export const mayChange = (row: Pick<ClassRow, 'as_what' | 'put_away_at'> | undefined): boolean =>
  row !== undefined && hostsAs(row.as_what) && row.put_away_at === null;

/** A class period as lists and cards have it. */
export const classItem = (glen: Pick<Glen, 'config'>, row: ClassRow): ClassItem => ({
  id: row.id,
  title: row.title,
  isOccasion: Boolean(row.is_occasion),
  period: row.period,
  pennant: row.pennant,
  link: {
    id: row.link_id,
    code: row.code,
    label: row.label,
    kind: row.kind,
    state: row.link_state,
    address: linkAddress(glen, row.code),
  },
  mine: row.as_what ?? (row.tutors ? 'tutor' : 'none'),
  coverFor: row.cover_for,
  rollSize: row.roll_size,
  putAwayAt: row.put_away_at,
});

import type { ClassItem } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import type { ClassRow } from './store.js';

/** A class period as lists and cards have it. */
export const classItem = (glen: Pick<Glen, 'config'>, row: ClassRow): ClassItem => ({
  id: row.id,
  title: row.title,
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
  rollSize: row.roll_size,
  putAwayAt: row.put_away_at,
});

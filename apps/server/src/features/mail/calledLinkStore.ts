import { classTitle } from '@glen/core';
import type { Db } from '../../db/connect.js';
import type { LinkRow } from '../../db/models/Link.js';
import { mainLinkOf } from '../school/classes.sql.js';

/** What a link is called away from its class period's page; it is read with its class period. */
export async function calledLink(
  db: Db,
  { id, class_id: classId, label, classPeriod }: LinkRow,
): Promise<string> {
  const main = await mainLinkOf(db, classId);
  const { title, period } = classPeriod!;
  const of = classTitle({ title, period });
  return main?.id === id ? of : `${label}, ${of}`;
}

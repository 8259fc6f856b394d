import { classTitle, sessionAtDoor } from '@glen/core';
import type { Answer } from '@glen/contract';
import { linkAddress } from '../../addresses.js';
import type { Glen } from '../../glen.js';
import { notFound } from '../../http/problem.js';
import { audienceOf, linkHostsOf } from '../audience/store.js';
import { rulesOfLink, rulesOfSession } from '../entry/layers.js';
import { readableTo } from '../entry/privateTitles.js';
import { byPhone } from '../link/byPhone.js';
import { linkById } from '../link/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool, staffOf } from '../school/store.js';
import { sessionRowsOfClass } from './sessions.sql.js';

/** What an invitation to a link's next session can say, for somebody who may not be meant by it. */
export async function invitationFor(
  glen: Glen,
  linkId: number,
  personId: number,
): Promise<Answer<'invitation'>> {
  const link = await linkById(glen.db, linkId);
  if (!link) throw notFound('This link');
  const [klass, linkRules, staff, rows, { calendar }, own, audience] = await Promise.all([
    classById(glen.db, link.class_id, 0),
    rulesOfLink(glen.db, linkId),
    staffOf(glen.db, link.class_id),
    sessionRowsOfClass(glen.db, link.class_id),
    readSchool(glen.db),
    linkHostsOf(glen.db, [linkId]),
    audienceOf(glen.db, [linkId]),
  ]);
  const planned = rows.filter((row) => row.link_id === linkId && !row.draft);
  const sessions = (await readableTo(glen.db, planned, personId)).map((row) => ({
    ...row,
    start: row.start_at,
    end: row.end_at,
  }));
  const next = sessionAtDoor(
    sessions,
    (row) => rulesOfSession(linkRules, row),
    glen.clock.school(),
  )?.occurrence;
  const rules = next ? rulesOfSession(linkRules, next) : linkRules.rules;
  const phone = byPhone(glen, link, rules);
  const isForAll = audience.some((a) => a.class_id === link.class_id);
  return {
    title: isForAll ? classTitle(klass!) : `${link.label}, ${classTitle(klass!)}`,
    host: own[0]?.name ?? staff.find((s) => s.as === 'host')?.name ?? '',
    address: linkAddress(glen, link.code),
    classId: link.class_id,
    rollSize: isForAll && !klass!.is_occasion ? klass!.roll_size : null,
    phoneNumber: phone && phone.number,
    phonePin: phone && phone.pin,
    rules,
    next: next
      ? {
          uid: `session-${next.series_id}-${next.key_date}@${new URL(glen.config.publicUrl).hostname}`,
          version: next.version,
          title: next.title,
          description: next.description,
          date: next.local_date,
          time: next.local_time,
          minutes: next.minutes,
          zone: calendar.zone,
          start: next.start,
          end: next.end,
        }
      : null,
  };
}

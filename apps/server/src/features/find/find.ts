import { classTitle, wallClockAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { linkAddress } from '../../addresses.js';
import { rolesFrom } from '../../http/who.js';
import { readSchool } from '../school/store.js';
import { classesOfPeople, findLinks, findPeople, findSessions } from './find.sql.js';

/** People of the school, a teacher's own sessions and links, by a few letters of their names. */
export async function find(glen: Glen, teacherId: number, typed: string): Promise<Answer<'find'>> {
  if (typed.length < 2) return { people: [], sessions: [], links: [] };
  const { calendar } = await readSchool(glen.db);
  const [people, sessions, links] = await Promise.all([
    findPeople(glen.db, typed),
    findSessions(glen.db, teacherId, typed, wallClockAt(glen.clock.school(), calendar.zone).date),
    findLinks(glen.db, teacherId, typed.toLowerCase()),
  ]);
  const classes = await classesOfPeople(
    glen.db,
    teacherId,
    people.map((p) => p.id),
  );
  return {
    people: people.map((p) => ({
      id: p.id,
      name: p.name,
      email: p.email,
      roles: rolesFrom(p.roles),
      classes: classes
        .filter((c) => c.person_id === p.id)
        .map((c) => ({ id: c.id, title: classTitle(c) })),
    })),
    sessions: sessions.map((s) => ({
      id: s.id,
      seriesId: s.series_id,
      key: s.key_date,
      classId: s.class_id,
      linkId: s.link_id,
      title: s.title,
      date: s.local_date,
      time: s.local_time,
      mine: s.as_what !== 'presenter',
    })),
    links: links.map((l) => ({
      id: l.id,
      classId: l.class_id,
      title: classTitle(l),
      label: l.label,
      state: l.state,
      code: l.code,
      address: linkAddress(glen, l.code),
    })),
  };
}

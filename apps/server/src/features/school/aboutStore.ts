import { toldBy } from '@glen/core';
import type { Body } from '@glen/contract';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';

type About = Omit<Body<'setAboutSchool'>, 'version'>;

interface KeptAbout extends About {
  version: number;
}

const ONLY_ROW = 1;

async function read(db: Db, isHeld: boolean): Promise<KeptAbout> {
  const row = (await db.models.School.findByPk(ONLY_ROW, {
    attributes: [
      'name',
      'help',
      'calendar',
      'classes_by',
      'resets_by',
      'date_order',
      'hours',
      'alone',
      'told',
      'about_version',
    ],
    lock: isHeld,
  }))!;
  const {
    name,
    help,
    calendar,
    classes_by: classesBy,
    resets_by: resetsBy,
    date_order: dateOrder,
    hours,
    alone,
    told: kept,
    about_version: version,
  } = row;
  const told = {
    changes: toldBy('changes', kept),
    reminders: toldBy('reminders', kept),
    mornings: toldBy('mornings', kept),
    evenings: toldBy('evenings', kept),
    posts: toldBy('posts', kept),
    weeks: toldBy('weeks', kept),
  };
  const { zone } = calendar;
  return { name, help, zone, classesBy, resetsBy, dateOrder, hours, alone, told, version };
}

/** What the school says of itself. */
export const readAbout = (db: Db): Promise<KeptAbout> => read(db, false);

/** The same, held against others until the transaction ends. */
export const heldAbout = (db: Db): Promise<KeptAbout> => read(db, true);

/** Writes all of it but the zone, which the calendar keeps. */
export async function writeAbout(
  db: Db,
  { name, help, classesBy, resetsBy, dateOrder, hours, alone, told }: Omit<About, 'zone'>,
): Promise<void> {
  await db.models.School.update(
    {
      name,
      help,
      classes_by: classesBy,
      resets_by: resetsBy,
      date_order: dateOrder,
      hours,
      alone,
      told,
      about_version: oneMore('about_version'),
    },
    { where: { id: ONLY_ROW } },
  );
}

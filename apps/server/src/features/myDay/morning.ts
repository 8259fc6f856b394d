import {
  classTitle,
  morningInWords,
  toldBy,
  wallClockAt,
  type MorningSession,
  type ToldWishes,
} from '@glen/core';
import type { Glen } from '../../glen.js';
import { Ticker } from '../../operating/ticker.js';
import { tellEach, type Telling } from '../mail/tellEach.js';
import { schoolTold } from '../mail/reminderStore.js';
import { learnerDay } from '../plan/learnerDay.js';
import { readSchool } from '../school/store.js';
import { isMorningNoted, noteMorning, peopleAfter } from './morningStore.js';
import { todayFor } from './today.js';

/** From when on people are told of their day, and until when it is worth it; by the school's wall clock. */
const HOURS = { from: '06:30', until: '11:00' };
const EVERY_MS = 30_000;
const AT_ONCE = 100;

/** What stands in the way of the day comes first; what is well needs no letter. */
const THOUGHTS = ['wrong', 'careful'];

const isHeld = ({ status }: { status: string }): boolean =>
  status === 'planned' || status === 'moved';

/** A teacher's day, with what needs thought. */
async function ofStaff(glen: Glen, personId: number) {
  const { sessions, notes, classTitles } = await teachersDay(glen, personId);
  return morningInWords(
    sessions.filter(isHeld).map(({ title, time, minutes, classId }): MorningSession => ({
      title,
      time,
      minutes,
      of: classTitles.get(classId) ?? '',
    })),
    notes.filter((note) => THOUGHTS.includes(note.severity)).map((note) => note.title),
  );
}

async function teachersDay(glen: Glen, personId: number) {
  const { sessions, notes, classes } = await todayFor(glen, personId);
  return { sessions, notes, classTitles: new Map(classes.map((c) => [c.id, classTitle(c)])) };
}

async function ofLearner(glen: Glen, personId: number) {
  const { doors } = await learnerDay(glen, personId);
  const held = doors.filter(isHeld);
  return morningInWords(
    held.map(({ title, classTitle: of, time, minutes }) => ({ title, of, time, minutes })),
    [],
  );
}

/** What one person is told of their day; nothing where they do not wish it, or it is empty. */
async function tellingOf(
  glen: Glen,
  date: string,
  { id, told, isStaff }: { id: number; told: ToldWishes; isStaff: boolean },
  school: ToldWishes | undefined,
): Promise<Telling[]> {
  if (toldBy('mornings', told, school) === 'none') return [];
  const words = isStaff ? await ofStaff(glen, id) : await ofLearner(glen, id);
  if (!words) return [];
  const letter = {
    ...words,
    link: { words: 'Open my day', address: `${glen.config.publicUrl}/today` },
    why: 'You get this because you wish to hear of your day in the morning.',
  };
  return [{ personId: id, once: `morning:${date}:${id}`, letter }];
}

/** Tells some people of their day, and has the next be told. May be cut off anywhere: nobody is told twice. */
export async function tellMorning(glen: Glen, subject: string): Promise<void> {
  const [date, after] = subject.split(':') as [string, string];
  const { zone } = (await readSchool(glen.db)).calendar;
  const now = wallClockAt(glen.clock.school(), zone);
  if (now.date !== date || now.time >= HOURS.until) return;
  const people = await peopleAfter(glen.db, Number(after), AT_ONCE);
  const school = await schoolTold(glen.db);
  const tellings: Telling[] = [];
  for (const person of people) tellings.push(...(await tellingOf(glen, date, person, school)));
  await glen.db.transaction(async () => {
    await tellEach(glen, 'mornings', tellings);
    const last = people.at(-1);
    if (last && people.length === AT_ONCE)
      await glen.enqueue({ kind: 'morning', subject: `${date}:${last.id}` });
  });
  glen.nudge();
}

/** Has people be told of this day once its morning has come, whichever process sees it first. */
export async function beginMorning(glen: Glen): Promise<void> {
  const { zone } = (await readSchool(glen.db)).calendar;
  const { date, time } = wallClockAt(glen.clock.school(), zone);
  if (time < HOURS.from || time >= HOURS.until || (await isMorningNoted(glen.db, date))) return;
  await glen.db.transaction(async () => {
    if (await noteMorning(glen.db, date))
      await glen.enqueue({ kind: 'morning', subject: `${date}:0` });
  });
  glen.nudge();
}

export const mornings = (glen: Glen): Ticker =>
  new Ticker(glen, EVERY_MS, () => beginMorning(glen), 'nobody can be told of the day now');

import { plusMinutes } from '@glen/core';
import type { Glen } from '../../glen.js';
import type { AppointmentGuestRow } from '../../db/models/AppointmentGuest.js';
import { digestOf, tellWhatTheyHave } from './letters.js';
import { appointmentsOf, partsOf } from './parts.js';
import { scheduleAppointments } from './schedule.js';
import { changeEvening, dropEvening, eveningById, peopleByAddress, type Evening } from './store.js';

const DAY = 1440;
/** So long after it who was invited is kept. */
const KEPT_DAYS = 14;

/** Sends each guest who has appointments what they have, the day before. */
async function remind(glen: Glen, one: Evening): Promise<void> {
  await changeEvening(glen.db, one.evening.id, { reminded_at: glen.clock.school() });
  const parts = await partsOf(glen, one.seriesIds);
  const people = await peopleByAddress(
    glen.db,
    one.guests.map(({ email }) => email),
  );
  const guests = one.guests.filter(
    ({ email }) => appointmentsOf(parts, people.get(email)).length > 0,
  );
  const onceOf = ({ id }: { id: number }): string => `tomorrow:${id}`;
  await tellWhatTheyHave(glen, one, { parts, guests, onceOf, why: 'tomorrow' });
}

/** Tells guests whose times are otherwise than they know: a teacher has moved them, called them off, or given one to them. Repeating it does no harm. */
export async function tellChanges(glen: Glen, id: number): Promise<void> {
  await glen.db.transaction(async () => {
    const one = await eveningById(glen.db, id, { isHeld: true });
    if (!one || one.evening.end_at <= glen.clock.school()) return;
    const parts = await partsOf(glen, one.seriesIds);
    const people = await peopleByAddress(
      glen.db,
      one.guests.map(({ email }) => email),
    );
    const isNews = ({ email, told }: AppointmentGuestRow): boolean => {
      const has = appointmentsOf(parts, people.get(email));
      return told === null ? has.length > 0 : told !== digestOf(has);
    };
    const onceOf = (guest: AppointmentGuestRow): string =>
      `changed:${guest.id}:${glen.clock.machine()}`;
    const guests = one.guests.filter(isNews);
    await tellWhatTheyHave(glen, one, { parts, guests, onceOf, why: 'changed' });
  });
  glen.nudge();
}

/** When an evening is to be looked at next, of what is still ahead. */
function nextOf({ evening }: Evening): { remind: string; forget: string } {
  return {
    remind: plusMinutes(evening.start_at, -DAY),
    forget: plusMinutes(evening.end_at, KEPT_DAYS * DAY),
  };
}

/** Writes to guests the day before an evening, and some days after it forgets who was invited. Repeating it does no harm. */
export async function lookAfterAppointments(glen: Glen, id: number): Promise<void> {
  await glen.db.transaction(async () => {
    const one = await eveningById(glen.db, id, { isHeld: true });
    if (!one) return;
    const now = glen.clock.school();
    const { remind: remindAt, forget } = nextOf(one);
    const { reminded_at: reminded, start_at: start } = one.evening;
    if (forget <= now) return dropEvening(glen.db, id);
    const isDue = reminded === null && remindAt <= now && now < start;
    if (isDue) await remind(glen, one);
    return scheduleAppointments(glen, id, remindAt > now ? remindAt : forget);
  });
  glen.nudge();
}

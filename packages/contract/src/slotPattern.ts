import { z } from 'zod';

/** A whole number with its unit, which whoever types another reads. */
export const whole = (least: number, most: number, unit: string) =>
  z
    .int(`Give whole ${unit}.`)
    .min(least, `At least ${least} ${unit}.`)
    .max(most, `At most ${most} ${unit}.`);

/** How a session is cut (core, SlotPattern). */
export const slotPattern = z.object({
  minutes: whole(2, 240, 'minutes'),
  gap: whole(0, 120, 'minutes'),
  breakEvery: whole(0, 50, 'slots'),
  breakMinutes: whole(0, 240, 'minutes'),
});

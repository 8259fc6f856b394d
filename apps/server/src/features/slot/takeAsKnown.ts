import type { Glen } from '../../glen.js';
import { slotsOfDate } from './reseat.js';
import { changeSignUp, datesFrom, signUpsFrom } from './signUpStore.js';
import { waysOfSeries } from './waysStore.js';

/** Has everybody know the slot that they have in a series from a day on, so that nobody is told of it: they took it themselves. */
export async function takeSlotsAsKnown(glen: Glen, seriesId: number, from: string): Promise<void> {
  const ways = (await waysOfSeries(glen.db, [seriesId])).get(seriesId);
  if (!ways) return;
  const dates = await datesFrom(glen.db, [seriesId], from);
  for (const one of await signUpsFrom(glen.db, [seriesId], from)) {
    const date = dates.find(({ key_date: key }) => key === one.key_date);
    const slot = date && one.nth !== null ? slotsOfDate(date, ways)[one.nth] : undefined;
    await changeSignUp(glen.db, one.id, { known_begin: slot?.start ?? null });
  }
}

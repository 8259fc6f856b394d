import type { Answer, Body } from '@glen/contract';
import type { OccurrenceRow } from '../../db/models/Occurrence.js';
import type { Glen } from '../../glen.js';
import { notFound, stale, wrongField } from '../../http/problem.js';
import { countedRegister } from './counted.js';
import { dropCorrection, keepCorrection } from './correctionStore.js';
import { keyOfPerson } from './measure.js';
import { describeRegister } from './register.js';
import { setStands, type OfDate, type SettledRow } from './settledStore.js';
import { dateWithSitting, lockedDate } from './store.js';

const mayEdit = true;

/** A session held against others until the transaction ends. */
async function held(glen: Glen, { seriesId, key }: OfDate): Promise<OccurrenceRow> {
  await lockedDate(glen.db, seriesId, key);
  const date = await dateWithSitting(glen.db, seriesId, key);
  if (!date) throw notFound('This session');
  return date;
}

/** What counts of somebody on the roll of a session's register; throws for whoever is not on it. */
async function standsNow(
  glen: Glen,
  date: OccurrenceRow,
  personId: number,
): Promise<SettledRow['stands']> {
  const { rows } = await countedRegister(glen, date);
  const row = rows.find(({ person }) => person === keyOfPerson(personId));
  if (!row || row.stands === 'guest')
    throw wrongField('personId', 'This session was not for them.');
  return row.stands;
}

/** Says of somebody in a register that it was otherwise than measured, and why. */
export async function correct(
  glen: Glen,
  seriesId: number,
  by: number,
  { on: key, personId, status, reason, version }: Body<'correctRegister'>,
): Promise<Answer<'register'>> {
  const of = { seriesId, key };
  await glen.db.transaction(async () => {
    const date = await held(glen, of);
    const before = await standsNow(glen, date, personId);
    const at = glen.clock.school();
    if (!(await keepCorrection(glen.db, of, { personId, status, reason, version, by, at })))
      throw stale(await describeRegister(glen, of, mayEdit));
    await setStands(glen.db, of, personId, status);
    await note(glen, { by, action: 'correct-register', date, personId, before, after: status });
  });
  return describeRegister(glen, of, mayEdit);
}

interface Deed {
  by: number;
  action: 'correct-register' | 'uncorrect-register';
  date: OccurrenceRow;
  personId: number;
  before: string;
  after: string;
}

const note = (glen: Glen, { by, action, date, personId, before, after }: Deed): Promise<void> =>
  glen.audit({
    by,
    action,
    subject: `series:${date.series_id}`,
    before: { personId, stands: before },
    after: { on: date.local_date, personId, stands: after },
  });

/** Lets what was measured of somebody count again. */
export async function uncorrect(
  glen: Glen,
  seriesId: number,
  by: number,
  { on: key, personId, version }: Body<'uncorrectRegister'>,
): Promise<Answer<'register'>> {
  const of = { seriesId, key };
  await glen.db.transaction(async () => {
    const date = await held(glen, of);
    const before = await standsNow(glen, date, personId);
    if (!(await dropCorrection(glen.db, of, { personId, version })))
      throw stale(await describeRegister(glen, of, mayEdit));
    const after = await standsAsMeasured(glen, date, personId);
    await setStands(glen.db, of, personId, after);
    await note(glen, { by, action: 'uncorrect-register', date, personId, before, after });
  });
  return describeRegister(glen, of, mayEdit);
}

/** What counts of somebody against whose measure nothing is said. */
async function standsAsMeasured(
  glen: Glen,
  date: OccurrenceRow,
  personId: number,
): Promise<SettledRow['stands']> {
  const { rows } = await countedRegister(glen, date);
  const { status, excuse } = rows.find(({ person }) => person === keyOfPerson(personId))!;
  return status === 'absent' && excuse ? 'excused' : (status as SettledRow['stands']);
}

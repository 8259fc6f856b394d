import { mayCheckIn, readCheckInCode, classTitle, type CheckInAnswer } from '@glen/core';
import type { Answer, Body } from '@glen/contract';
import type { CheckInRow } from '../../db/models/CheckIn.js';
import type { VisitorRow } from '../../db/models/Visitor.js';
import type { Glen } from '../../glen.js';
import type { From } from '../../http/from.js';
import { HttpProblem, notFound, wrongField } from '../../http/problem.js';
import type { Who } from '../../http/who.js';
import { hashOfBrowser } from '../accounts/knownBrowsers.js';
import { classById } from '../school/classes.sql.js';
import {
  checkInByToken,
  doorOfSitting,
  hasGiven,
  heldCheckIn,
  keepGiven,
  letInPlaces,
  openByCode,
  type Asker,
} from './store.js';

/** What somebody's places at doors are kept under; nothing where they were at none. */
function askerOf({ account, person, sessionId }: Who): Asker | null {
  const personId = person?.id ?? null;
  if (account) return { key: `a${account.id}`, personId };
  return sessionId === null ? null : { key: `s${sessionId}`, personId };
}

interface Standing {
  state: CheckInAnswer;
  places: VisitorRow[];
}

async function standingAt(glen: Glen, row: CheckInRow, who: Who): Promise<Standing> {
  const asker = askerOf(who);
  const places = asker ? await letInPlaces(glen.db, row.sitting_id, asker) : [];
  const ids = places.map(({ id }) => id);
  const { endedAt } = await doorOfSitting(glen.db, row.sitting_id);
  const closes = endedAt !== null && endedAt < row.closes_at ? endedAt : row.closes_at;
  const state = mayCheckIn({
    now: glen.clock.school(),
    closes,
    isLetIn: places.length > 0,
    hasGiven: ids.length > 0 && (await hasGiven(glen.db, row.id, ids)),
  });
  return { state, places };
}

/** What a check-in asks, told to whoever has been let in at the door of its session; others read that they were not. */
export async function describeCheckIn(
  glen: Glen,
  token: string,
  who: Who,
): Promise<Answer<'checkIn'>> {
  const row = await checkInByToken(glen.db, token);
  if (!row) throw notFound('This check-in');
  const { state, places } = await standingAt(glen, row, who);
  if (state === 'not-let-in') return { state, as: null, title: null, question: '', closes: null };
  const { classId } = await doorOfSitting(glen.db, row.sitting_id);
  const of = (await classById(glen.db, classId, 0))!;
  return {
    state,
    as: places[0]!.name,
    title: classTitle(of),
    question: row.question,
    closes: row.closes_at,
  };
}

const NO_CODE = 'A check-in has four letters. Ask for them again.';
const NOT_OPEN =
  'No check-in with these letters is open for you. It may be over, or you have come in here as somebody else.';

/** The check-in that somebody means by the letters that were read out. */
export async function findCheckIn(
  glen: Glen,
  { code: typed }: Body<'findCheckIn'>,
  who: Who,
): Promise<Answer<'findCheckIn'>> {
  const code = readCheckInCode(typed);
  if (code === null) throw wrongField('code', NO_CODE);
  const asker = askerOf(who);
  const found = asker && (await openByCode(glen.db, { code, now: glen.clock.school(), asker }));
  if (!found) throw wrongField('code', NOT_OPEN);
  return { token: found.token };
}

const REFUSED: Record<Exclude<CheckInAnswer, 'may' | 'given'>, string> = {
  closed: 'This check-in is over. Tell your teacher that you are there.',
  'not-let-in': 'Only whoever has been let in at the door of this session can check in.',
};

/** Gives the sign, once for each person. */
export async function giveCheckIn(
  glen: Glen,
  token: string,
  { who, from, answer }: { who: Who; from: From; answer: string },
): Promise<Answer<'checkIn'>> {
  const browser = hashOfBrowser(glen, from);
  await glen.db.transaction(async () => {
    const row = await heldCheckIn(glen.db, token);
    if (!row) throw notFound('This check-in');
    const { state, places } = await standingAt(glen, row, who);
    // Pressed twice is given once.
    if (state === 'given') return;
    if (state !== 'may') throw new HttpProblem(state === 'closed' ? 409 : 403, REFUSED[state]);
    if (row.question !== '' && answer === '') throw wrongField('answer', 'Answer in a few words.');
    const at = glen.clock.school();
    const visitorId = places[0]!.id;
    await keepGiven(glen.db, { checkInId: row.id, visitorId, at, answer, browser });
    const { linkId, classId } = await doorOfSitting(glen.db, row.sitting_id);
    await glen.announce(`class:${classId}`, { thing: 'desk', id: linkId });
  });
  glen.nudge();
  return describeCheckIn(glen, token, who);
}

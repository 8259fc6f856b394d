import type { Answer, Body } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { announcePosts } from './announcePosts.js';
import { describePost } from './describe.js';
import { placementById, type PlacementRow } from './placements.sql.js';
import { dropPlacement, notePlaced, renewPlacement, unplace } from './placementStore.js';
import { placesOf } from './places.sql.js';
import { scheduleReconcile } from './scheduleReconcile.js';
import { whereOf } from './whereOf.js';

type Action = Body<'placementAction'>['do'];

const sendAgain = (glen: Glen, id: number): Promise<void> =>
  glen.enqueue({ kind: 'placement', subject: String(id) });

/** Whether an action fits a place that is filled by hand, or one that Glen fills. */
const fits = (action: Action, byHand: boolean): boolean =>
  action === 'take-down' ||
  action === 'put-back' ||
  byHand === (action === 'done' || action === 'not-done');

/** Takes a placement down or puts it back; what was there without being dropped is put there anew. */
async function setDropped(glen: Glen, row: PlacementRow, dropped: boolean): Promise<void> {
  await dropPlacement(glen.db, row.id, dropped);
  if (!dropped && row.body.kind !== 'hand' && !row.dropped) {
    await renewPlacement(glen.db, row.id);
    await sendAgain(glen, row.id);
  }
  await scheduleReconcile(glen, row.post_id);
}

async function perform(glen: Glen, row: PlacementRow, action: Action): Promise<unknown> {
  switch (action) {
    case 'retry':
      return sendAgain(glen, row.id);
    case 'done':
      return notePlaced(glen.db, row, glen.clock.school());
    case 'not-done':
      return unplace(glen.db, row.id);
    case 'take-down':
      return setDropped(glen, row, true);
    case 'put-back':
      return setDropped(glen, row, false);
  }
}

/** One action at one placement; each may be repeated without harm. */
export async function actOnPlacement(
  glen: Glen,
  id: number,
  by: number,
  action: Action,
): Promise<Answer<'placementAction'>> {
  const row = await placementById(glen.db, id);
  if (!row) throw notFound('This placement');
  const byHand = row.body.kind === 'hand';
  if (!fits(action, byHand))
    throw new HttpProblem(
      409,
      byHand ? 'This place is filled by hand.' : 'Glen fills this place itself.',
    );
  await glen.db.transaction(async () => {
    await perform(glen, row, action);
    await glen.audit({
      by,
      action: `placement-${action}`,
      subject: `post:${row.post_id}`,
      after: { placement: id, where: await placeInWords(glen, row), down: row.wish === 'gone' },
    });
    await announcePosts(glen, [row]);
  });
  glen.nudge();
  return { post: await describePost(glen, row.post_id, by) };
}

/** Where a placement is, as people read it. */
async function placeInWords(glen: Glen, { post_id, place_id }: PlacementRow): Promise<string> {
  const place = (await placesOf(glen.db, [post_id])).find((p) => p.id === place_id);
  return place ? whereOf(place) : '';
}

/** What to paste at a place that is filled by hand. */
export async function formsOf(glen: Glen, id: number): Promise<Answer<'placementForms'>> {
  const row = await placementById(glen.db, id);
  if (!row || row.body.kind !== 'hand') throw notFound('This placement');
  const { html, text, markdown } = row.body;
  return { html, text, markdown };
}

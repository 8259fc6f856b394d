import { classTitle } from '@glen/core';
import type { Answer, DeskVisitor } from '@glen/contract';
import type { Glen } from '../../glen.js';
import { HttpProblem, notFound } from '../../http/problem.js';
import { readDoor, type DoorFacts } from '../door/facts.js';
import { nameOf, titleOf } from '../door/names.js';
import { peopleOfLink } from '../audience/store.js';
import { linkAddress } from '../../addresses.js';
import { joiningTitles } from '../link/shareStore.js';
import { codesOf, linkById, type LinkRow } from '../link/store.js';
import { staffOf } from '../school/store.js';
import { actingHostsOf, invitedTo, visitorsOf, type VisitorRow } from './store.js';

const visitorOf = (row: VisitorRow): DeskVisitor => ({
  id: row.id,
  name: row.name,
  account: row.account_kind,
  email: row.email,
  onRoll: Boolean(row.on_roll),
  role: row.role,
  mayPresent: Boolean(row.may_present),
  state: row.state,
  inside: Boolean(row.inside),
  knockedAt: row.knocked_at,
  leftAt: row.left_at,
});

/** The link and its door as its host sees them; an acting host of an earlier session is none any more. */
export async function doorOfHost(
  glen: Glen,
  linkId: number,
  token: string | undefined,
): Promise<{ link: LinkRow; facts: DoorFacts }> {
  const own = await linkById(glen.db, linkId);
  const facts = own && (await readDoor(glen, own.code, { token }));
  // Where the lesson meets at another class period's door, that door's desk is the one.
  const link =
    facts && facts.row.link_id !== linkId ? await linkById(glen.db, facts.row.link_id) : own;
  if (!link || !facts) throw notFound('This link');
  if (facts.shutFor)
    throw new HttpProblem(
      409,
      `The lesson meets at the door of ${titleOf({ class_title: facts.shutFor.class_title, period: facts.shutFor.period })} just now; this one stays shut meanwhile.`,
    );
  if (!facts.isHost)
    throw new HttpProblem(403, 'You are host at this door only while the session is yours.');
  return { link, facts };
}

/** Who knocks, who is in, who of the roll is missing, for one link's door now. */
export async function describeDesk(
  glen: Glen,
  linkId: number,
  token: string | undefined,
): Promise<Answer<'desk'>> {
  const { link, facts } = await doorOfHost(glen, linkId, token);
  const { row, at, rules, who } = facts;
  const session = at?.occurrence;
  const sitting = session?.sitting_id ?? 0;
  const [visitors, roll, staff, acting, invited, joining, codes] = await Promise.all([
    visitorsOf(glen.db, sitting),
    peopleOfLink(glen.db, row.link_id, session?.occurrence_id),
    staffOf(glen.db, row.class_id),
    actingHostsOf(glen.db, sitting),
    invitedTo(glen.db, session?.occurrence_id ?? 0),
    joiningTitles(glen.db, session ? [session.occurrence_id] : []),
    codesOf(glen.db, link.id),
  ]);
  const here = new Set(
    visitors
      .filter(
        (v) => v.inside || v.state === 'waiting' || (v.state === 'let-in' && v.left_at === null),
      )
      .map((v) => v.person_id),
  );
  return {
    link: {
      id: link.id,
      code: link.code,
      label: link.label,
      kind: link.kind,
      state: link.state,
      address: linkAddress(glen, link.code),
    },
    classId: row.class_id,
    classTitle: titleOf(row),
    pennant: row.pennant,
    title: session?.session_title ?? nameOf(row),
    session: session
      ? {
          title: session.session_title,
          date: session.local_date,
          time: session.local_time,
          minutes: session.minutes,
          start: session.start_at,
          end: session.end_at,
          opens: at.opens,
          closes: at.closes,
        }
      : null,
    door: session?.ended_at ? 'ended' : session?.opened_at || session?.inside ? 'open' : 'shut',
    hostInside: session?.hostInside ?? false,
    onTheSpot: !session,
    waiting: session?.ended_at ? [] : visitors.filter((v) => v.state === 'waiting').map(visitorOf),
    coming: session?.ended_at
      ? []
      : visitors
          .filter((v) => v.state === 'let-in' && !v.inside && v.left_at === null)
          .map(visitorOf),
    inside: visitors.filter((v) => v.inside).map(visitorOf),
    away: visitors.filter((v) => v.state === 'turned-away' || v.state === 'put-out').map(visitorOf),
    missing: roll.filter((person) => !here.has(person.id)).map(({ id, name }) => ({ id, name })),
    rollSize: roll.length,
    rules: {
      whoMayEnter: rules.whoMayEnter,
      straightIn: rules.straightIn,
      presenters: rules.presenters,
    },
    pastedRoom: (session?.room ? session.room_address_kept : row.room_address) !== null,
    replacedAt: codes.at(-2)?.replaced_at ?? null,
    together: joining.map((c) => ({ id: c.id, title: classTitle(c), pennant: c.pennant })),
    acting:
      row.as_what !== 'host' &&
      row.as_what !== 'co-teacher' &&
      !row.link_host &&
      !session?.joined_host,
    own: visitors.find((v) => v.person_id === who.person?.id && v.inside)?.id ?? null,
    successors: staff
      .filter((s) => s.id !== who.person?.id)
      .map((s) => ({ ...s, acting: acting.includes(s.id) })),
    invited: invited.map((i) => ({
      id: i.id,
      name: i.name ?? i.email ?? '',
      email: i.email,
      ofSchool: Boolean(i.of_school),
    })),
  };
}

import { Link } from 'react-router';
import { dateInWords, isOvernight } from '@glen/core/light';
import type { ClassItem, Session } from '@glen/contract';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { movedInWords } from '../plan/moved.js';
import { mayEdit } from '../school/mayEdit.js';
import { CoverChip, DoorChip, LinkChips, Times, isHostOf, type OfToday } from './sessionParts.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Below its title, what is different about a session, told by words and not by looks alone. */
function StateChips({ session, now, zone, isAway }: Omit<OfToday, 'today'> & { isAway: boolean }) {
  if (session.draft) return <Chip tone="careful">{say.draftStudentsSeeNothing}</Chip>;
  if (session.status === 'cancelled')
    return (
      <Chip tone="wrong">
        {session.why ? fill(say.cancelledWhy, { why: session.why }) : say.cancelled}
      </Chip>
    );
  if (isAway)
    return (
      <Chip tone="careful">
        {fill(say.movedTo, { date: dateInWords(session.date), time: session.time })}
      </Chip>
    );
  return (
    <>
      {session.end > now && <DoorChip session={session} now={now} zone={zone} />}
      {session.was && <Chip tone="careful">{movedInWords(session)}</Chip>}
      <LinkChips session={session} />
    </>
  );
}

/** How many came; for its host it leads to the register. */
function Came({
  session,
  today,
  classPeriod,
}: Pick<RowProps, 'session' | 'today' | 'classPeriod'>) {
  const { came, seriesId, key } = session;
  const rollSize = classPeriod?.rollSize;
  // Where nobody stands on a roll, nobody is missed.
  if (!rollSize) return null;
  const chip =
    came === 0 ? (
      <Chip>{say.nobodyCame}</Chip>
    ) : (
      <Chip tone="well">{fill(say.cameOfRollSizeCame, { came, rollSize })}</Chip>
    );
  if (!isHostOf({ session, today }, classPeriod)) return chip;
  return (
    <Link to={`/register/${seriesId}/${key}`} className="hover:underline">
      {chip}
    </Link>
  );
}

interface RowProps extends OfToday {
  classPeriod: ClassItem | undefined;
}

/** What is left of a session: all of it, what came of it, or nothing today. */
interface Left {
  /** It is held on another date now. */
  isAway: boolean;
  isPast: boolean;
  /** It is not held today: cancelled, or moved away. */
  isGone: boolean;
}

function leftOf({ session, today, now }: RowProps): Left {
  const isAway = session.date !== today.date && !isOvernight(session, today.date);
  return {
    isAway,
    isPast: session.end <= now && !isAway,
    isGone: session.status === 'cancelled' || isAway,
  };
}

/** As it was to be today, where it has been moved to another date. */
function asPlannedToday(session: Session, isAway: boolean): Session {
  if (!isAway || !session.was) return session;
  return { ...session, time: session.was.time, minutes: session.was.minutes };
}

/** To the desk for hosts; for whoever presents, to the door. */
function WayIn(props: RowProps) {
  const { session, classPeriod, today } = props;
  const { title, time, linkId } = session;
  if (isHostOf(props, classPeriod))
    return (
      <Link
        className={buttonClass()}
        to={`/desk/${linkId}`}
        aria-label={fill(say.deskOf, { title, time })}
      >
        {say.desk}
      </Link>
    );
  const door = today.doors.find((one) => one.linkId === linkId);
  if (!door) return null;
  return (
    <Link
      className={buttonClass()}
      to={`/door/${door.code}`}
      aria-label={fill(say.toTheDoorOf, { title, time })}
    >
      {say.toTheDoor}
    </Link>
  );
}

function RowLinks(props: RowProps & { left: Left }) {
  const { session, classPeriod, left } = props;
  const { title, time, seriesId, key, draft } = session;
  const isOver = left.isPast || left.isGone;
  return (
    <span className="ml-auto flex gap-2.5 print:hidden">
      {!isOver && !draft && <WayIn {...props} />}
      {mayEdit(classPeriod) && (
        <Link
          className={buttonClass(isOver ? 'link' : 'plain')}
          to={`/plan/${seriesId}?on=${key}`}
          aria-label={fill(say.detailsOf, { title, time })}
        >
          {say.details}
        </Link>
      )}
    </span>
  );
}

/** One session of the day. */
export function SessionRow(props: RowProps) {
  const { session, classPeriod, now, zone } = props;
  const left = leftOf(props);
  const { isAway, isPast, isGone } = left;
  const isOver = isPast || isGone;
  // Ended early, it is held too.
  const isHeld = !isGone && (isPast || session.door === 'ended');
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-3 ${isOver ? 'text-soft' : ''} ${session.draft ? 'border-t-2 border-dashed' : ''}`}
    >
      <Times session={asPlannedToday(session, isAway)} />
      {classPeriod && (
        <span className={isOver ? 'opacity-60' : ''}>
          <Pennant pennant={classPeriod.pennant} />
        </span>
      )}
      <div className="min-w-0 flex-1 basis-36">
        <h2 className={`text-lg ${isGone ? 'line-through' : ''}`}>
          {classPeriod ? (
            <Link className="hover:underline" to={`/classes/${session.classId}`}>
              {session.title}
            </Link>
          ) : (
            session.title
          )}
        </h2>
        <p className="mt-1 flex flex-wrap gap-2 empty:hidden">
          <CoverChip classPeriod={classPeriod} />
          {isOvernight(session, props.today.date) && <Chip>{say.sinceYesterday}</Chip>}
          <StateChips session={session} now={now} zone={zone} isAway={isAway} />
        </p>
      </div>
      {isHeld && <Came {...props} />}
      <RowLinks {...props} left={left} />
    </li>
  );
}

import { Link, useNavigate } from 'react-router';
import { WEEKDAY_NAMES, addMinutes, dateInWords, dayNumber, weekdayOf } from '@glen/core/light';
import type { Answer, ClassItem, Me, Session } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { timeUntil, useNow, wallClock } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { mayEdit } from '../school/mayEdit.js';
import { openDoor } from '../desk/openDoor.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { CopyButtons } from '../link/LinkLine.js';
import { movedInWords } from '../plan/moved.js';

type Today = Answer<'today'>;

function dayInWords(day: Today['day']): string {
  if (!day.teaching) return day.why ?? '';
  return [
    day.cycleDay && `${day.cycleDay} day`,
    day.bell && `${day.bell} bells`,
    day.week && `week ${day.week} of ${day.term}`,
  ]
    .filter(Boolean)
    .join(' · ');
}

function Times({ session, large = false }: { session: Session; large?: boolean }) {
  return (
    <p className={`w-18 shrink-0 font-mono leading-tight ${large ? 'text-lg' : ''}`}>
      <span className="font-semibold">{session.time}</span>
      <br />
      <span className="text-sm text-soft">{addMinutes(session.time, session.minutes)}</span>
    </p>
  );
}

function DoorChip({ session, now, zone }: { session: Session; now: string; zone: string }) {
  if (session.door === 'open') return <Chip tone="well">Door open · {session.inside} inside</Chip>;
  if (session.door === 'ended') return <Chip>Ended</Chip>;
  if (now < session.opens)
    return (
      <Chip tone="inform">
        Door opens {wallClock(session.opens, zone).time} · in {timeUntil(session.opens, now)}
      </Chip>
    );
  return <Chip tone="careful">Door waits for a host</Chip>;
}

const KIND_WORDS: Record<Today['placements'][number]['kind'], string> = {
  stream: 'On the stream',
  item: 'On the course page',
  calendar: 'In the calendar',
  'by-hand': 'By hand',
};

/** Where the link stands, or will: the newest of each state. */
function PlacementChips({
  placements,
  classId,
  today,
}: {
  placements: Today['placements'];
  classId: number;
  today: string;
}) {
  const of = placements.filter((p) => p.classId === classId);
  const newest = (state: Today['placements'][number]['state']) => of.find((p) => p.state === state);
  const [out, queued, failed, todo] = [
    newest('out'),
    newest('queued'),
    newest('failed'),
    newest('todo'),
  ];
  return (
    <Link to={`/classes/${classId}/posts`} className="flex flex-wrap gap-2 hover:underline">
      {failed && <Chip tone="wrong">A post failed</Chip>}
      {todo && <Chip tone="careful">To paste by hand</Chip>}
      {queued?.due && (
        <Chip tone="inform">
          {KIND_WORDS[queued.kind]}{' '}
          {queued.due.date === today ? '' : `${dateInWords(queued.due.date)} `}at {queued.due.time}
        </Chip>
      )}
      {out?.due && (
        <Chip tone="well">
          {KIND_WORDS[out.kind]} since {dateInWords(out.due.date)}
        </Chip>
      )}
      {of.length === 0 && <Chip tone="careful">Posted nowhere</Chip>}
    </Link>
  );
}

/** The one session that matters now: running, or next. */
function NextSession({
  session,
  of,
  today,
  now,
  zone,
}: {
  session: Session;
  of: ClassItem;
  today: Today;
  now: string;
  zone: string;
}) {
  const [open, { isLoading }] = api.useOpenDoorMutation();
  const navigate = useNavigate();
  const isHost = mayEdit(of) || today.acting.includes(session.id);
  return (
    <section
      aria-label={session.start <= now ? 'Running now' : 'Next'}
      className="my-3 rounded-big border border-line bg-sheet p-5 shadow-soft print:my-0 print:border-0 print:p-0 print:py-3 print:shadow-none"
    >
      <div className="flex flex-wrap items-center gap-x-5 gap-y-3">
        <Times session={session} large />
        <Pennant pennant={of.pennant} />
        <div className="min-w-0 flex-1">
          <h2 className="text-xl">
            <Link className="hover:underline" to={`/classes/${of.id}`}>
              {session.title}
            </Link>
          </h2>
          <p className="mt-1.5 flex flex-wrap gap-2">
            <DoorChip session={session} now={now} zone={zone} />
            {session.start > now ? (
              <Chip>Begins in {timeUntil(session.start, now)}</Chip>
            ) : session.end > now ? (
              <Chip>Ends in {timeUntil(session.end, now)}</Chip>
            ) : (
              <Chip tone="careful">Runs over</Chip>
            )}
            {session.was && <Chip tone="careful">{movedInWords(session)}</Chip>}
            <LinkChips session={session} />
            {session.description && <Chip>{session.description.slice(0, 60)}</Chip>}
          </p>
        </div>
        {isHost &&
          (session.door === 'open' ? (
            <Link
              className={`${buttonClass('strong')} print:hidden`}
              to={`/desk/${session.linkId}`}
            >
              To the desk
            </Link>
          ) : (
            <Button
              kind="strong"
              className="print:hidden"
              disabled={isLoading}
              onClick={() =>
                void openDoor(open, session.linkId).then((done) => {
                  if (done) void navigate(`/desk/${session.linkId}`);
                })
              }
            >
              Open the door now
            </Button>
          ))}
      </div>
      <div className="mt-4 flex flex-wrap items-center gap-x-2.5 gap-y-3 border-t border-dashed border-edge pt-3.5">
        <code className="min-w-0 rounded-small bg-shade px-2.5 py-1 font-mono text-[15px] break-all">
          {session.address.replace(/^https?:\/\//, '')}
        </code>
        <span className="flex flex-wrap gap-2.5 print:hidden">
          <CopyButtons of={{ link: { id: session.linkId, address: session.address } }} />
        </span>
        <span className="ml-auto flex flex-wrap items-center gap-4">
          <PlacementChips placements={today.placements} classId={of.id} today={today.date} />
          {mayEdit(of) && (
            <Link
              className={`${buttonClass('link')} print:hidden`}
              to={`/plan/${session.seriesId}?on=${session.key}`}
            >
              Change it
            </Link>
          )}
        </span>
      </div>
    </section>
  );
}

/** On a link that is not the class period's own, and together with whom. */
const LinkChips = ({ session }: { session: Session }) => (
  <>
    {session.linkLabel && <Chip>{session.linkLabel}</Chip>}
    {session.with.length > 0 && <Chip tone="inform">with {session.with.join(', ')}</Chip>}
  </>
);

/** Below its title, what is different about a session, told by words and not by looks alone. */
function StateChips({
  session,
  now,
  zone,
  away,
}: {
  session: Session;
  now: string;
  zone: string;
  away: boolean;
}) {
  if (session.draft) return <Chip tone="careful">Draft: students see nothing of it</Chip>;
  if (session.status === 'cancelled')
    return <Chip tone="wrong">Cancelled{session.why ? `: ${session.why}` : ''}</Chip>;
  if (away)
    return (
      <Chip tone="careful">
        Moved to {dateInWords(session.date)}, {session.time}
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

function Row({
  session,
  of,
  today,
  now,
  zone,
}: {
  session: Session;
  of: ClassItem | undefined;
  today: Today;
  now: string;
  zone: string;
}) {
  const away = session.date !== today.date;
  const shown =
    away && session.was
      ? { ...session, time: session.was.time, minutes: session.was.minutes }
      : session;
  const past = session.end <= now && !away;
  const gone = session.status === 'cancelled' || away;
  const hosts = (of && mayEdit(of)) || today.acting.includes(session.id);
  return (
    <li
      className={`flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-3 ${past || gone ? 'text-soft' : ''} ${session.draft ? 'border-t-2 border-dashed' : ''}`}
    >
      <Times session={shown} />
      {of && (
        <span className={past || gone ? 'opacity-60' : ''}>
          <Pennant pennant={of.pennant} />
        </span>
      )}
      <div className="min-w-0 flex-1">
        <h2 className={`text-[17px] ${gone ? 'line-through' : ''}`}>
          <Link className="hover:underline" to={`/classes/${session.classId}`}>
            {session.title}
          </Link>
        </h2>
        <p className="mt-1 flex flex-wrap gap-2 empty:hidden">
          <StateChips session={session} now={now} zone={zone} away={away} />
        </p>
      </div>
      {past &&
        !gone &&
        (session.came > 0 ? (
          <Chip tone="well">
            {session.came} of {of?.rollSize} came
          </Chip>
        ) : (
          <Chip>Nobody came</Chip>
        ))}
      <span className="flex gap-2.5 print:hidden">
        {!past && !gone && !session.draft && hosts && (
          <Link
            className={buttonClass()}
            to={`/desk/${session.linkId}`}
            aria-label={`Desk of ${session.title}, ${session.time}`}
          >
            Desk
          </Link>
        )}
        {of && mayEdit(of) && (
          <Link
            className={buttonClass(past || gone ? 'link' : 'plain')}
            to={`/plan/${session.seriesId}?on=${session.key}`}
            aria-label={`Details of ${session.title}, ${session.time}`}
          >
            Details
          </Link>
        )}
      </span>
    </li>
  );
}

/** The run sheet. */
export function TodayPage({ me }: { me: Me }) {
  const { data: today, error, refetch } = api.useTodayQuery();
  const now = useNow();
  const act = useNoteActions();
  const zone = me.school.zone;
  if (error && !today)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!today)
    return (
      <Screen>
        <Loading lines={7} />
      </Screen>
    );
  const held = today.sessions.filter(
    (s) => s.status !== 'cancelled' && !s.draft && s.date === today.date,
  );
  const next =
    held.find((s) => s.door === 'open') ?? held.find((s) => s.end > now && s.door !== 'ended');
  return (
    <Screen margin={<Margin notes={today.notes} onAction={act} />}>
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1 className="text-[27px]">
          {WEEKDAY_NAMES[weekdayOf(dayNumber(today.date, 'date'))]},{' '}
          {held.length === 0
            ? 'nothing planned'
            : held.length === 1
              ? '1 session'
              : `${held.length} sessions`}
        </h1>
        <p className="text-soft">{dayInWords(today.day)}</p>
        {today.classes.some((c) => c.mine === 'host' || c.mine === 'co-teacher') && (
          <Link className={`${buttonClass('act')} ml-auto print:hidden`} to="/plan/new">
            Schedule a session{' '}
            <kbd className="rounded border border-current px-1.5 font-mono text-xs">s</kbd>
          </Link>
        )}
      </header>
      {today.sessions.length === 0 && (
        <Empty title={today.classes.length === 0 ? 'No class periods yet' : 'Nothing today'}>
          {today.classes.length === 0
            ? 'Once the office puts you down for one, its sessions stand here in order.'
            : 'Every class period has its link already. Schedule a session and it stands here, in order, with its door.'}
        </Empty>
      )}
      <ul>
        {today.sessions.map((session) => {
          const of = today.classes.find((c) => c.id === session.classId);
          return session === next && of ? (
            <li key={session.id}>
              <NextSession session={session} of={of} today={today} now={now} zone={zone} />
            </li>
          ) : (
            <Row key={session.id} session={session} of={of} today={today} now={now} zone={zone} />
          );
        })}
      </ul>
    </Screen>
  );
}

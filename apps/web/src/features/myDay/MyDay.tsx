import { Link } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Me, OwnDoor } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { timeUntil, useNow, wallClock } from '../../app/clock.js';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { AccountMenu } from '../accounts/AccountMenu.js';
import { FeedList } from '../feed/Feeds.js';
import { TypeCode } from '../door/TypeCode.js';
import { movedInWords } from '../plan/moved.js';

/** How a door of the day stands, in words. */
function State({
  door,
  today,
  now,
  zone,
}: {
  door: OwnDoor;
  today: string;
  now: string;
  zone: string;
}) {
  if (door.status === 'cancelled')
    return <Chip tone="wrong">Cancelled{door.why ? `: ${door.why}` : ''}</Chip>;
  if (door.date !== today)
    return (
      <Chip tone="careful">
        Moved to {dateInWords(door.date)}, {door.time}
      </Chip>
    );
  return (
    <>
      {door.was && <Chip tone="careful">{movedInWords(door)}</Chip>}
      {door.door === 'ended' || (door.closes <= now && door.door !== 'open') ? (
        <Chip>Over</Chip>
      ) : door.door === 'open' ? (
        <Chip tone="well">Open now</Chip>
      ) : now < door.opens ? (
        <Chip tone="inform">
          Opens {wallClock(door.opens, zone).time} · in {timeUntil(door.opens, now)}
        </Chip>
      ) : (
        <Chip tone="careful">Waits for {door.host}</Chip>
      )}
    </>
  );
}

function DoorRow({
  door,
  today,
  now,
  zone,
  first,
}: {
  door: OwnDoor;
  today: string;
  now: string;
  zone: string;
  first: boolean;
}) {
  const gone = door.status === 'cancelled' || door.date !== today;
  const over = !gone && (door.door === 'ended' || (door.closes <= now && door.door !== 'open'));
  const shown = door.date !== today && door.was ? door.was : door;
  return (
    <li className={`border-t border-line py-3.5 ${gone || over ? 'text-soft' : ''}`}>
      <div className="flex items-start gap-3.5">
        <p className="w-14 shrink-0 pt-0.5 font-mono leading-tight">
          <span className="font-semibold">{shown.time}</span>
          <br />
          <span className="text-sm text-soft">{addMinutes(shown.time, shown.minutes)}</span>
        </p>
        <div className="min-w-0 flex-1">
          <h2 className={`flex items-center gap-2 text-[17px] ${gone ? 'line-through' : ''}`}>
            <Pennant pennant={door.pennant} size="small" />
            <span className="min-w-0 break-words">{door.title}</span>
          </h2>
          <p className="text-sm text-soft">
            {door.title === door.classTitle ? '' : `${door.classTitle} · `}with {door.host}
          </p>
          {door.description && !gone && (
            <p className="mt-1 line-clamp-4 text-[15px] break-words whitespace-pre-wrap">
              {door.description}
            </p>
          )}
          <p className="mt-1.5 flex flex-wrap gap-2">
            <State door={door} today={today} now={now} zone={zone} />
          </p>
          {!gone && !over && (
            <Link
              to={`/door/${door.code}`}
              className={`${buttonClass(first ? 'act' : 'plain')} mt-2.5`}
              aria-label={`To the door of ${door.title}`}
            >
              To the door
            </Link>
          )}
        </div>
      </div>
    </li>
  );
}

function Day({ me }: { me: Me }) {
  const { data, error, refetch } = api.useMyDayQuery();
  const now = useNow();
  const zone = me.school.zone;
  if (!data)
    return error ? (
      <Trouble problem={problemOf(error)} retry={() => void refetch()} />
    ) : (
      <Loading lines={5} />
    );
  const next = data.doors.find(
    (d) =>
      d.status !== 'cancelled' &&
      d.date === data.date &&
      d.door !== 'ended' &&
      (d.closes > now || d.door === 'open'),
  );
  return (
    <>
      <p className="mt-1 text-soft">
        {dateInWords(data.date, 'long')}
        {data.day.teaching ? '' : ` · ${data.day.why}`}
      </p>
      {me.account?.kind === 'personal' &&
        me.person?.role === 'student' &&
        data.classes.length > 0 && (
          <p className="mt-3 rounded-small bg-gorse-tint px-3 py-2 text-gorse-deep">
            You are here with your home account. These doors know your school account; switch at
            your name.
          </p>
        )}
      {data.doors.length === 0 && (
        <Empty title="No doors today">
          {data.next
            ? 'The next one stands below.'
            : 'When a session is planned for one of your classes, its door stands here.'}
        </Empty>
      )}
      <ul className="mt-3">
        {data.doors.map((d) => (
          <DoorRow key={d.id} door={d} today={data.date} now={now} zone={zone} first={d === next} />
        ))}
      </ul>
      {data.next && (
        <p className="mt-2 border-t border-line pt-3 text-soft">
          Next after today: <span className="text-ink">{data.next.title}</span>,{' '}
          {dateInWords(data.next.date)} <span className="font-mono">{data.next.time}</span>
        </p>
      )}
      {data.classes.length > 0 && (
        <section aria-label="Your classes" className="mt-6">
          <h2 className="mb-1 text-base">Your classes</h2>
          <ul>
            {data.classes.map((c) => (
              <li key={c.id} className="flex items-center gap-3 border-t border-line py-2">
                <Pennant pennant={c.pennant} size="small" />
                <span className="min-w-0 flex-1">
                  {c.title} <span className="text-sm text-soft">{c.host}</span>
                </span>
                <Link
                  className="text-bracken-deep underline"
                  to={`/door/${c.code}`}
                  aria-label={`The door of ${c.title}`}
                >
                  Its door
                </Link>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** What students, guests and home accounts meet at Glen's front: the doors of their day, and the way to any other. */
export default function MyDayPage({ me }: { me: Me }) {
  const teacherAtHome =
    me.account?.kind === 'personal' &&
    me.person !== null &&
    ['teacher', 'head', 'office'].includes(me.person.role);
  const guest = me.person?.role === 'guest';
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <div className="flex items-start justify-between gap-4">
        <h1 className="text-2xl">
          {teacherAtHome ? 'You are here with your home account' : 'Your doors'}
        </h1>
        <AccountMenu me={me} tone="page" />
      </div>
      {teacherAtHome ? (
        <p className="mt-2 text-soft">
          Your class periods belong to your school account. Switch to it at your name.
        </p>
      ) : (
        <Day me={me} />
      )}
      {me.person && me.account?.kind === 'school' && (
        <details className="mt-7 border-t border-line pt-4">
          <summary className="font-head font-semibold">In your own calendar</summary>
          <p className="mt-1 mb-1 text-soft">
            A calendar program that subscribes to this address shows your sessions with their links.
            Keep it to yourself.
          </p>
          <FeedList />
        </details>
      )}
      <section aria-label="Another door" className="mt-7 border-t border-line pt-4">
        <h2 className="text-base">{guest ? 'You were given a link?' : 'Another door'}</h2>
        <p className="text-soft">Follow the link, or type its code here.</p>
        <TypeCode />
      </section>
    </main>
  );
}

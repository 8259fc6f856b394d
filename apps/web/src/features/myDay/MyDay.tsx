import { Link } from 'react-router';
import { areStaff, dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { useBeginnings } from '../../app/useBeginnings.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { AccountMenu } from '../accounts/AccountMenu.js';
import { TypeCode } from '../door/TypeCode.js';
import { FeedList } from '../feed/Feeds.js';
import { Invitations } from './Invitations.js';
import { OwnDoorRow, isAway, isOver } from './OwnDoorRow.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type MyDay = Answer<'myDay'>;

function Classes({ classes }: Pick<MyDay, 'classes'>) {
  if (classes.length === 0) return null;
  return (
    <section aria-label={say.yourClasses} className="mt-6">
      <h2 className="mb-1 text-base">{say.yourClasses}</h2>
      <ul>
        {classes.map((c) => (
          <li key={c.id} className="flex items-center gap-3 border-t border-line py-2">
            <Pennant pennant={c.pennant} size="small" />
            <span className="min-w-0 flex-1">
              {c.title} <span className="text-sm text-soft">{c.host}</span>
            </span>
            <Link
              className="text-bracken-deep underline"
              to={`/door/${c.code}`}
              aria-label={fill(say.theDoorOf, { title: c.title })}
            >
              {say.itsDoor}
            </Link>
          </li>
        ))}
      </ul>
      <p className="mt-2">
        <Link className="text-bracken-deep underline" to="/my-term">
          {say.myTermWhenICame}
        </Link>
      </p>
    </section>
  );
}

/** A student at home may stand before doors that know another account. */
function AccountHint({ me, classes }: { me: Me } & Pick<MyDay, 'classes'>) {
  const isAtHome = me.account?.kind === 'personal' && me.person?.roles.includes('student');
  if (!isAtHome || classes.length === 0) return null;
  return (
    <p className="mt-3 rounded-small bg-gorse-tint px-3 py-2 text-gorse-deep">{say.youAreHere}</p>
  );
}

function Doors({ data, me }: { data: MyDay; me: Me }) {
  const now = useNow();
  const { doors, date: today, next: after } = data;
  const { zone } = me.school;
  useBeginnings(doors, now);
  const next = doors.find(
    (d) => d.status !== 'cancelled' && !isAway({ door: d, today }) && !isOver(d, now),
  );
  return (
    <>
      {doors.length === 0 && (
        <Empty title={say.noDoorsToday}>
          {after ? say.theNextOneStandsBelow : say.whenASessionIsPlanned}
        </Empty>
      )}
      <ul className="mt-3">
        {doors.map((d) => (
          <OwnDoorRow key={d.id} door={d} today={today} now={now} zone={zone} first={d === next} />
        ))}
      </ul>
      {after && (
        <p className="mt-2 border-t border-line pt-3 text-soft">
          <Said
            as={say.nextAfterToday}
            after={<span className="text-ink">{after.title}</span>}
            date={dateInWords(after.date)}
            time={<span className="font-mono">{after.time}</span>}
          />
        </p>
      )}
    </>
  );
}

function Day({ me }: { me: Me }) {
  const { data, error, refetch } = api.useMyDayQuery();
  if (!data)
    return error ? (
      <Trouble problem={problemOf(error)} retry={() => void refetch()} />
    ) : (
      <Loading lines={5} />
    );
  const { date, day, classes } = data;
  return (
    <>
      <p className="mt-1 text-soft">
        {dateInWords(date, 'long')}
        {day.teaching ? '' : ` · ${day.why}`}
      </p>
      <AccountHint me={me} classes={classes} />
      <Doors data={data} me={me} />
      {me.account?.kind === 'personal' && <Invitations />}
      <Classes classes={classes} />
    </>
  );
}

/** What students, guests and home accounts meet at Glen's front: the doors of their day, and the way to any other. */
export default function MyDayPage({ me }: { me: Me }) {
  const teacherAtHome =
    me.account?.kind === 'personal' && me.person !== null && areStaff(me.person.roles);
  const guest = me.person?.roles.includes('guest') && !me.person.roles.includes('student');
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-7">
      <div className="flex items-start justify-between gap-4">
        <ScreenTitle tab={say.yourDoors}>
          {teacherAtHome ? say.youAreHereWith : say.yourDoors}
        </ScreenTitle>
        <AccountMenu me={me} tone="page" />
      </div>
      {teacherAtHome ? (
        <p className="mt-2 text-soft">{say.yourClassPeriodsBelong}</p>
      ) : (
        <Day me={me} />
      )}
      {me.person && me.account?.kind === 'school' && (
        <details className="mt-7 border-t border-line pt-4">
          <summary className="font-head font-semibold">{say.inYourOwnCalendar}</summary>
          <p className="mt-1 mb-1 text-soft">{say.aCalendarProgramThatSubscribes}</p>
          <FeedList zone={me.school.zone} />
        </details>
      )}
      <section aria-label={say.anotherDoor} className="mt-7 border-t border-line pt-4">
        <h2 className="text-base">{guest ? say.youWereGivenALink : say.anotherDoor}</h2>
        <p className="text-soft">{say.followTheLinkOrType}</p>
        <TypeCode />
      </section>
    </main>
  );
}

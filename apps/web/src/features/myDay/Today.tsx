import { Link } from 'react-router';
import {
  WEEKDAY_NAMES,
  dayNumber,
  isOvernight,
  sessionsOfNow,
  weekdayOf,
  withReach,
} from '@glen/core/light';
import type { Me, Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { buttonClass } from '../../ui/Button.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Empty } from '../../ui/States.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { usePhone } from '../../ui/useMedia.js';
import { LatelyPart } from '../lately/LatelyPart.js';
import { mayEdit } from '../school/mayEdit.js';
import { mayMakeClasses } from '../school/mayMakeClasses.js';
import { NextSession } from './NextSession.js';
import { SessionRow } from './SessionRow.js';
import { StartYourOwn } from './StartYourOwn.js';
import { WhatIsLeft } from './WhatIsLeft.js';
import type { Today } from './sessionParts.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

function dayInWords(day: Today['day']): string {
  if (!day.teaching) return day.why ?? '';
  return [
    day.cycleDay && fill(say.cycleDay, { cycleDay: day.cycleDay }),
    day.bell && fill(say.bellBells, { bell: day.bell }),
    day.week && fill(say.weekOf, { week: day.week, term: day.term ?? '' }),
  ]
    .filter(Boolean)
    .join(' · ');
}

const heldOn = (today: Today): Session[] =>
  today.sessions.filter(
    (s) =>
      s.status !== 'cancelled' && !s.draft && (s.date === today.date || isOvernight(s, today.date)),
  );

function countInWords(n: number): string {
  if (n === 0) return say.nothingPlanned;
  return many(say.sessions, n);
}

function Head({ today }: { today: Today }) {
  const weekday = WEEKDAY_NAMES[weekdayOf(dayNumber(today.date, 'date'))];
  return (
    <header className="mb-4 flex flex-wrap items-baseline gap-x-4 gap-y-2">
      <ScreenTitle tab={say.today}>
        {weekday}, {countInWords(heldOn(today).length)}
      </ScreenTitle>
      <p className="text-soft">{dayInWords(today.day)}</p>
      {today.classes.some(mayEdit) && (
        <Link className={`${buttonClass('act')} ml-auto print:hidden`} to="/plan/new">
          {say.scheduleASession}{' '}
          <kbd className="rounded border border-current px-1.5 font-mono text-xs max-half:hidden">
            s
          </kbd>
        </Link>
      )}
    </header>
  );
}

function Nothing({ hasClasses, mayMake }: { hasClasses: boolean; mayMake: boolean }) {
  if (!hasClasses && !mayMake)
    return <Empty title={say.noClassPeriodsYet}>{say.theOfficePutsYouDown}</Empty>;
  if (!hasClasses)
    return (
      <Empty title={say.noClassPeriodsYet}>
        <Said
          as={say.makeOneAndItsSessions}
          link={(text) => (
            <Link className={buttonClass('link')} to="/begin">
              {text}
            </Link>
          )}
        />
      </Empty>
    );
  return <Empty title={say.nothingToday}>{say.everyClassPeriodHas}</Empty>;
}

interface SheetProps {
  today: Today;
  now: string;
  zone: string;
}

/** The sessions in order, those that matter now larger than the others; on a phone what is past stands last, folded. */
function RunSheet(props: SheetProps) {
  const isPhone = usePhone();
  const { today, now } = props;
  const ofNow = sessionsOfNow(heldOn(today), now);
  if (!isPhone) return <Rows {...props} sessions={today.sessions} ofNow={ofNow} />;
  const isPast = (session: Session): boolean => session.end <= now && !ofNow.includes(session);
  const past = today.sessions.filter(isPast);
  const ahead = today.sessions.filter((session) => !isPast(session));
  return (
    <>
      <Rows {...props} sessions={ahead} ofNow={ofNow} />
      {past.length > 0 && (
        <details>
          <summary className="flex min-h-11 cursor-pointer items-center border-t border-line text-bracken-deep">
            {fill(say.earlierToday, { count: countInWords(past.length) })}
          </summary>
          <Rows {...props} sessions={past} ofNow={ofNow} />
        </details>
      )}
    </>
  );
}

function Rows({
  today,
  now,
  zone,
  sessions,
  ofNow,
}: SheetProps & { sessions: Session[]; ofNow: Session[] }) {
  return (
    <ul>
      {sessions.map((session) => {
        const classPeriod = today.classes.find((c) => c.id === session.classId);
        const shared = { session, today, now, zone };
        if (!ofNow.includes(session) || !classPeriod)
          return <SessionRow key={session.id} {...shared} classPeriod={classPeriod} />;
        return (
          <li key={session.id}>
            <NextSession {...shared} classPeriod={classPeriod} />
          </li>
        );
      })}
    </ul>
  );
}

/** So often it is looked up again who sees which link, while somebody looks at Today. */
const REACH_AGAIN_MS = 5 * 60_000;

/** The run sheet. */
export function TodayPage({ me }: { me: Me }) {
  const asked = api.useTodayQuery();
  // Asked apart: it looks at the course site, which may take its time and is not to be asked at every knock.
  const { data: reach } = api.useReachOfDayQuery(
    { query: {} },
    { pollingInterval: REACH_AGAIN_MS, skipPollingIfUnfocused: true },
  );
  const now = useNow();
  const act = useNoteActions();
  return (
    <Loaded asked={asked} lines={7}>
      {(today) => (
        <Screen
          margin={
            <Margin
              notes={withReach(today.notes, reach?.links)}
              onAction={act}
              below={<LatelyPart />}
            >
              {me.demo && <StartYourOwn />}
            </Margin>
          }
        >
          <Head today={today} />
          <WhatIsLeft left={today.left} />
          {today.sessions.length === 0 && (
            <Nothing hasClasses={today.classes.length > 0} mayMake={mayMakeClasses(me)} />
          )}
          <RunSheet today={today} now={now} zone={me.school.zone} />
        </Screen>
      )}
    </Loaded>
  );
}

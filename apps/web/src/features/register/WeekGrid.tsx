import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import { Pennant } from '../../ui/Pennant.js';
import { CountsBar } from './CountsBar.js';
import {
  STATES,
  cameInWords,
  countsInWords,
  daysShown,
  type Week,
  type WeekClass,
  type WeekSession,
} from './weekWords.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** One session: when, how many came, and whether that is settled; it leads to its register. */
function SessionCell({ session }: { session: WeekSession }) {
  const { seriesId, key, time, title, state, counts, isSettled } = session;
  const isAhead = state === 'to-come';
  const said = counts ? cameInWords(session) : STATES[state];
  const notSettled = state === 'held' && !isSettled;
  const inner = (
    <>
      <span className="flex flex-wrap items-baseline gap-x-2 text-sm">
        <span className="font-mono">{time}</span>
        <span className={state === 'not-opened' ? 'text-berry-deep' : ''}>{said}</span>
        {state === 'running' && <span className="text-soft">{STATES.running}</span>}
      </span>
      {counts && <CountsBar counts={counts} words={countsInWords(session)} />}
      {notSettled && <span className="text-sm text-gorse-deep">{say.notSettled}</span>}
    </>
  );
  if (isAhead) return <div className="p-1.5 text-soft">{inner}</div>;
  return (
    <Link
      to={`/register/${seriesId}/${key}`}
      aria-label={fill(notSettled ? say.registerNotSettled : say.registerOf, {
        title,
        date: dateInWords(session.date),
        time,
        said,
      })}
      className="block rounded-small p-1.5 hover:bg-shade"
    >
      {inner}
    </Link>
  );
}

const ClassName = ({ of, week }: { of: WeekClass; week: string }) => (
  <span className="flex items-center gap-2.5">
    <Pennant pennant={of.pennant} size="small" />
    <span className="min-w-0">
      <Link
        className="font-semibold hover:underline"
        to={`/registers?week=${week}&class=${of.id}`}
        aria-label={fill(say.personByPerson, { what: of.title })}
      >
        {of.title}
      </Link>
      <span className="block text-sm text-soft">{of.hosts.join(', ')}</span>
    </span>
  </span>
);

function ClassRow({ of, days, week }: { of: WeekClass; days: string[]; week: string }) {
  return (
    <tr className="border-t border-line align-top">
      <th scope="row" className="py-2 pr-3 text-left font-normal">
        <ClassName of={of} week={week} />
      </th>
      {days.map((day) => (
        <td key={day} className="min-w-24 px-1 py-1">
          {of.sessions
            .filter(({ date }) => date === day)
            .map((session) => (
              <SessionCell key={`${session.seriesId} ${session.key}`} session={session} />
            ))}
        </td>
      ))}
    </tr>
  );
}

/** The same for a narrow screen: class periods one under the other. */
const WeekList = ({ week }: { week: Week }) => (
  <ul className="sm:hidden print:hidden">
    {week.classes.map((one) => (
      <li key={one.id} className="border-t border-line py-2.5">
        <ClassName of={one} week={week.week} />
        <ul className="mt-1 grid grid-cols-2 gap-x-4">
          {one.sessions.map((session) => (
            <li key={`${session.seriesId} ${session.key}`}>
              <span className="px-1.5 text-sm text-soft">{dateInWords(session.date)}</span>
              <SessionCell session={session} />
            </li>
          ))}
        </ul>
      </li>
    ))}
  </ul>
);

/** The week as a picture: class periods by days, each session with how many came. */
export const WeekGrid = ({ week }: { week: Week }) => (
  <>
    <WeekList week={week} />
    <WeekTable week={week} />
  </>
);

function WeekTable({ week }: { week: Week }) {
  const days = daysShown(week);
  return (
    <div
      className="hidden overflow-x-auto sm:block print:block"
      tabIndex={0}
      role="region"
      aria-label={say.theWeek}
    >
      <table className="w-full border-collapse">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th scope="col" className="pb-1 font-normal">
              {say.classPeriod}
            </th>
            {days.map((day) => (
              <th key={day} scope="col" className="px-2.5 pb-1 font-normal">
                {dateInWords(day)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {week.classes.map((one) => (
            <ClassRow key={one.id} of={one} days={days} week={week.week} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

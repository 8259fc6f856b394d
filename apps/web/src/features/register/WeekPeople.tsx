import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import { Chip } from '../../ui/Chip.js';
import { STANDS } from './states.js';
import type { Week, WeekSession } from './weekWords.js';
import * as say from './words.js';

type Person = NonNullable<Week['people']>[number];

const isOf =
  ({ seriesId, key }: Pick<WeekSession, 'seriesId' | 'key'>) =>
  (mark: Pick<WeekSession, 'seriesId' | 'key'>): boolean =>
    mark.seriesId === seriesId && mark.key === key;

const PersonRow = ({ person, sessions }: { person: Person; sessions: WeekSession[] }) => (
  <tr className="border-t border-line">
    <th scope="row" className="py-1.5 pr-3 text-left font-normal">
      <Link className="hover:underline" to={`/term/${person.id}`}>
        {person.name}
      </Link>
    </th>
    {sessions.map((session) => {
      const mark = person.marks.find(isOf(session));
      return (
        <td key={`${session.seriesId} ${session.key}`} className="px-2 py-1.5">
          {mark && (
            <>
              <Chip tone={STANDS[mark.stands].tone}>{STANDS[mark.stands].text}</Chip>
              {mark.late && <span className="ml-1.5 text-sm text-soft">{say.late}</span>}
            </>
          )}
        </td>
      );
    })}
  </tr>
);

/** A class period's week person by person. */
export function WeekPeople({ week }: { week: Week }) {
  const [one] = week.classes;
  const sessions = (one?.sessions ?? []).filter(({ counts }) => counts !== null);
  const people = week.people ?? [];
  if (people.length === 0) return <p className="text-soft">{say.nobodyWasCountedThisWeek}</p>;
  return (
    <div
      className="overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={say.personByPersonShort}
    >
      <table className="w-full border-collapse">
        <thead>
          <tr className="text-left text-sm text-soft">
            <th scope="col" className="pb-1 font-normal">
              {say.name}
            </th>
            {sessions.map(({ seriesId, key, date, time }) => (
              <th key={`${seriesId} ${key}`} scope="col" className="px-2 pb-1 font-normal">
                <Link className="hover:underline" to={`/register/${seriesId}/${key}`}>
                  {dateInWords(date)}, {time}
                </Link>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <PersonRow key={person.id} person={person} sessions={sessions} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import { Part } from './Part.js';
import type { Person } from './usePersonEdits.js';
import * as say from './words.js';

const AS = { host: 'host', 'co-teacher': 'co-teacher', presenter: 'presents' } as const;
const STATES = { shut: 'shut', open: say.openNow, ended: 'over' } as const;

/** Where somebody teaches and learns. */
export function ClassesPart({ person: { id, teaches, learns } }: { person: Person }) {
  if (teaches.length + learns.length === 0) return null;
  return (
    <Part title={say.classPeriods}>
      <ul>
        {teaches.map((c) => (
          <li key={c.id} className="border-t border-line py-2">
            <Link className="font-semibold hover:underline" to={`/classes/${c.id}`}>
              {c.title}
            </Link>{' '}
            <span className="text-soft">{AS[c.as]}</span>
          </li>
        ))}
        {learns.map((c) => (
          <li key={c.id} className="flex flex-wrap gap-x-4 border-t border-line py-2">
            <Link
              className="min-w-0 flex-1 font-semibold hover:underline"
              to={`/classes/${c.id}/roll`}
            >
              {c.title}
            </Link>
            <Link
              className="text-bracken-deep underline-offset-3 hover:underline"
              to={`/posts/student-sees?class=${c.id}&person=${id}`}
            >
              {say.whatTheySeeThere}
            </Link>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** The doors of a student's day, as they see them; the next one where there are none today. */
export function DoorsPart({ person: { doors, roles } }: { person: Person }) {
  if (!roles.includes('student')) return null;
  return (
    <Part title={say.theirDoors}>
      {doors.length === 0 ? (
        <p className="text-soft">{say.noDoorTodayAndNone}</p>
      ) : (
        <ul>
          {doors.map((d) => (
            <li key={d.id} className="flex flex-wrap gap-x-4 border-t border-line py-2">
              <span className="min-w-52 flex-1">
                <b>{d.title}</b>
                <span className="block text-sm text-soft">
                  {dateInWords(d.date)} {d.time}, {STATES[d.state]}
                </span>
              </span>
              <code className="font-mono text-sm">{`/door/${d.code}`}</code>
            </li>
          ))}
        </ul>
      )}
    </Part>
  );
}

/** Whose guardian somebody is. */
export function GuardsPart({ person: { guards } }: { person: Person }) {
  if (guards.length === 0) return null;
  return (
    <Part title={say.guardianOf}>
      <ul>
        {guards.map((g) => (
          <li key={g.id} className="border-t border-line py-2">
            <Link className="font-semibold hover:underline" to={`/school/people/${g.id}`}>
              {g.name}
            </Link>
          </li>
        ))}
      </ul>
    </Part>
  );
}

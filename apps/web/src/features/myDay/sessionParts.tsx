import { Link } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Answer, ClassItem, Session } from '@glen/contract';
import { timeUntil, wallClock } from '../../app/clock.js';
import { Chip } from '../../ui/Chip.js';
import { mayEdit } from '../school/mayEdit.js';

export type Today = Answer<'today'>;

/** One session of the day, with all that its line is made of. */
export interface OfToday {
  session: Session;
  today: Today;
  /** An instant of school time. */
  now: string;
  /** The school's zone. */
  zone: string;
}

/** Whether the session is one's own to host: by the class period, or because it was handed over. */
export const isHostOf = (
  { session, today }: Pick<OfToday, 'session' | 'today'>,
  classPeriod: ClassItem | undefined,
): boolean => mayEdit(classPeriod) || today.acting.includes(session.id);

export function Times({ session, large = false }: { session: Session; large?: boolean }) {
  return (
    <p className={`w-18 shrink-0 font-mono leading-tight ${large ? 'text-lg' : ''}`}>
      <span className="font-semibold">{session.time}</span>
      <br />
      <span className="text-sm text-soft">{addMinutes(session.time, session.minutes)}</span>
    </p>
  );
}

export function DoorChip({ session, now, zone }: Omit<OfToday, 'today'>) {
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
  mail: 'By mail',
};

/** Where the link stands, or will: the newest of each state. */
export function PlacementChips({ today, classId }: { today: Today; classId: number }) {
  const { placements, date } = today;
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
          {queued.due.date === date ? '' : `${dateInWords(queued.due.date)} `}at {queued.due.time}
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

/** On a link that is not the class period's own, and together with whom. */
export const LinkChips = ({ session }: { session: Session }) => (
  <>
    {session.linkLabel && <Chip>{session.linkLabel}</Chip>}
    {session.with.length > 0 && <Chip tone="inform">with {session.with.join(', ')}</Chip>}
  </>
);

/** Whom one teaches it for, while one covers. */
export const CoverChip = ({ classPeriod }: { classPeriod: ClassItem | undefined }) =>
  classPeriod?.coverFor ? <Chip tone="inform">For {classPeriod.coverFor}</Chip> : null;

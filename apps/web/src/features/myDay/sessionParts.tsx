import { Link } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Answer, ClassItem, Session } from '@glen/contract';
import { timeUntil, wallClock } from '../../app/clock.js';
import { Chip } from '../../ui/Chip.js';
import { mayEdit } from '../school/mayEdit.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  if (session.door === 'open')
    return <Chip tone="well">{fill(say.doorOpenInside, { inside: session.inside })}</Chip>;
  if (session.door === 'ended') return <Chip>{say.ended}</Chip>;
  if (now < session.opens)
    return (
      <Chip tone="inform">
        {fill(say.doorOpensIn, {
          time: wallClock(session.opens, zone).time,
          span: timeUntil(session.opens, now),
        })}
      </Chip>
    );
  return <Chip tone="careful">{say.doorWaitsForAHost}</Chip>;
}

const KIND_WORDS: Record<Today['placements'][number]['kind'], string> = say.kindWords;

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
    <Link
      to={`/classes/${classId}/posts`}
      className="flex flex-wrap items-center gap-2 hover:underline"
    >
      {failed && <Chip tone="wrong">{say.aPostFailed}</Chip>}
      {todo && <Chip tone="careful">{say.toPasteByHand}</Chip>}
      {queued?.due && (
        <Chip tone="inform">
          {fill(queued.due.date === date ? say.kindAt : say.kindOnDateAt, {
            kind: KIND_WORDS[queued.kind],
            date: dateInWords(queued.due.date),
            time: queued.due.time,
          })}
        </Chip>
      )}
      {out?.due && (
        <Chip tone="well">
          {fill(say.kindSinceDate, { kind: KIND_WORDS[out.kind], date: dateInWords(out.due.date) })}
        </Chip>
      )}
      {of.length === 0 && <Chip tone="careful">{say.postedNowhere}</Chip>}
    </Link>
  );
}

/** On a link that is not the class period's own, and together with whom. */
export const LinkChips = ({ session }: { session: Session }) => (
  <>
    {session.linkLabel && <Chip>{session.linkLabel}</Chip>}
    {session.with.length > 0 && (
      <Chip tone="inform">{fill(say.withWhat, { what: session.with.join(', ') })}</Chip>
    )}
  </>
);

/** Whom one teaches it for, while one covers. */
export const CoverChip = ({ classPeriod }: { classPeriod: ClassItem | undefined }) =>
  classPeriod?.coverFor ? (
    <Chip tone="inform">{fill(say.forCoverFor, { coverFor: classPeriod.coverFor })}</Chip>
  ) : null;

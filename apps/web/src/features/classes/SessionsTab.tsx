import { useState } from 'react';
import { Link } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Empty } from '../../ui/States.js';
import { movedInWords } from '../plan/moved.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { mayEdit } from '../school/mayEdit.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const SHOWN = { ahead: 12, past: 6 };

type SessionRow = ClassPeriod['sessions'][number];

const isOff = (s: SessionRow): boolean => s.status === 'cancelled' || s.status === 'skipped';

/** What a row says beside its title: called off, moved, held elsewhere, who came. */
const SessionChips = ({ s, rollSize }: { s: SessionRow; rollSize: number }) => (
  <>
    {s.status === 'cancelled' && (
      <Chip tone="wrong">{s.why ? fill(say.cancelledWhy, { why: s.why }) : say.cancelled}</Chip>
    )}
    {s.status === 'skipped' && !s.undated && (
      <Chip>
        {say.skipped} {s.why}
      </Chip>
    )}
    {s.linkLabel && <Chip tone="inform">{s.linkLabel}</Chip>}
    {s.with.length > 0 && (
      <Chip tone="inform">{fill(say.withWhat, { what: s.with.join(', ') })}</Chip>
    )}
    {s.heldAt && !isOff(s) && (
      <Chip tone="inform">{fill(say.heldAtTheDoorOf, { heldAt: s.heldAt })}</Chip>
    )}
    {s.draft && <Chip tone="careful">{s.undated ? say.draftNoDateYet : say.draft}</Chip>}
    {s.was && !isOff(s) && <Chip tone="careful">{movedInWords(s)}</Chip>}
    {s.came > 0 && (
      <Chip tone="well">{fill(say.cameOfRollSizeCame, { came: s.came, rollSize })}</Chip>
    )}
  </>
);

interface LineProps {
  s: SessionRow;
  classPeriod: ClassPeriod;
  /** The next of its series, at which what holds for all of them is found. */
  isNext: boolean;
}

function SessionLine({ s, classPeriod, isNext }: LineProps) {
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2">
      <span className={`w-24 ${s.status === 'skipped' ? 'text-soft' : ''}`}>
        {s.undated ? say.someDay : dateInWords(s.date)}
      </span>
      {!s.undated && (
        <span className={`font-mono ${s.status === 'skipped' ? 'text-soft' : ''}`}>
          {s.time}–{addMinutes(s.time, s.minutes)}
        </span>
      )}
      <span
        className={`min-w-0 flex-1 basis-40 break-words ${isOff(s) && !s.undated ? 'text-soft line-through' : ''}`}
      >
        {s.title}
      </span>
      <SessionChips s={s} rollSize={classPeriod.class.rollSize} />
      {mayEdit(classPeriod.class) && isNext && (
        <Link
          to={`/slots/${s.seriesId}`}
          className={buttonClass('link')}
          aria-label={fill(say.slotsOf, { title: s.title, date: dateInWords(s.date) })}
        >
          {say.slots}
        </Link>
      )}
      {mayEdit(classPeriod.class) && (isNext || classPeriod.class.isOccasion) && !s.undated && (
        <Link
          to={`/programme/${s.seriesId}/${s.key}`}
          className={buttonClass('link')}
          aria-label={fill(say.programmeOf, { title: s.title, date: dateInWords(s.date) })}
        >
          {say.programme}
        </Link>
      )}
      {mayEdit(classPeriod.class) && (
        <Link
          to={`/plan/${s.seriesId}?on=${s.key}`}
          className={buttonClass('link')}
          aria-label={fill(say.changeTitleDate, { title: s.title, date: dateInWords(s.date) })}
        >
          {say.change}
        </Link>
      )}
    </li>
  );
}

function SessionList({
  when,
  sessions,
  classPeriod,
}: {
  when: keyof typeof SHOWN;
  sessions: SessionRow[];
  classPeriod: ClassPeriod;
}) {
  const [all, setAll] = useState(false);
  if (sessions.length === 0) return null;
  const shown = all ? sessions : sessions.slice(0, SHOWN[when]);
  const next = new Set(
    [...new Map(sessions.toReversed().map((s) => [s.seriesId, s.id])).values()].filter(
      () => when === 'ahead',
    ),
  );
  return (
    <section className="mb-6">
      <h2 className="mb-1 text-base">{say[when]}</h2>
      <ul>
        {shown.map((s) => (
          <SessionLine key={s.id} s={s} classPeriod={classPeriod} isNext={next.has(s.id)} />
        ))}
      </ul>
      {sessions.length > shown.length && (
        <Button className="mt-2" onClick={() => setAll(true)}>
          {fill(say.showAll, { sessionsCount: sessions.length })}
        </Button>
      )}
    </section>
  );
}

/** The sessions of a class period, what is ahead first; `now` is an instant of school time. */
export function Sessions({ classPeriod, now }: { classPeriod: ClassPeriod; now: string }) {
  const { class: c, sessions } = classPeriod;
  const isAhead = (s: SessionRow): boolean => s.undated || s.end > now;
  return (
    <>
      {mayEdit(c) && (
        <p className="mb-4 flex gap-3">
          <Link to={`/plan/new?class=${c.id}`} className={buttonClass('act')}>
            {say.scheduleASession}
          </Link>
          <Link to={`/desk/${c.link.id}`} className={buttonClass()}>
            {say.toTheDesk}
          </Link>
        </p>
      )}
      {sessions.length === 0 && <Empty title={say.nothingPlanned}>{say.theLinkWorksAll}</Empty>}
      <SessionList when="ahead" sessions={sessions.filter(isAhead)} classPeriod={classPeriod} />
      <SessionList
        when="past"
        sessions={sessions.filter((s) => !isAhead(s)).reverse()}
        classPeriod={classPeriod}
      />
    </>
  );
}

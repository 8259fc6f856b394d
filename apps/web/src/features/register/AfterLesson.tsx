import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { AfterLessonForm, SEEN_BY } from './AfterLessonForm.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Thing = Answer<'afterLesson'>['things'][number];

interface OfDate {
  seriesId: number;
  /** The day on which the pattern has the session. */
  on: string;
}

/** What it is, and where it is. */
function Title({ thing: { id, kind, title, address, minutes } }: { thing: Thing }) {
  const to = kind === 'recording' ? `/api/recordings/${id}` : address;
  return (
    <>
      {to === null ? (
        <b>{title}</b>
      ) : (
        <a className="text-bracken-deep underline" href={to} rel="noreferrer">
          {title}
        </a>
      )}
      {kind === 'recording' && minutes !== null && (
        <span className="text-sm text-soft"> {fill(say.recordingMin, { minutes })}</span>
      )}
    </>
  );
}

interface RowProps {
  thing: Thing;
  of: OfDate;
}

/** Nothing brings it back, so that it is asked once more. */
function Removing({ thing, of, onDone }: RowProps & { onDone: () => void }) {
  const [remove, { isLoading, error }] = api.useRemoveAfterLessonMutation();
  const { id, version, title, kind } = thing;
  const send = (): void =>
    void remove({ params: { seriesId: of.seriesId }, body: { on: of.on, id, version } });
  return (
    <div
      className="mt-2 rounded-small bg-berry-tint p-3"
      role="group"
      aria-label={fill(say.takeAway, { title })}
    >
      <p>{kind === 'recording' ? say.nobodyWillFindItAny : say.nobodyWillFindItAnyMore}</p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button kind="danger" disabled={isLoading} onClick={send}>
          {say.takeItAway}
        </Button>
        <Button onClick={onDone}>{say.leaveItThere}</Button>
      </div>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </div>
  );
}

function Row({ thing, of, mayEdit }: RowProps & { mayEdit: boolean }) {
  const [open, setOpen] = useState<'change' | 'remove' | null>(null);
  const { words, seenBy, until, by } = thing;
  const toggle = (part: 'change' | 'remove'): void => setOpen(open === part ? null : part);
  const close = (): void => setOpen(null);
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="min-w-0 flex-1 basis-60 break-words">
          <Title thing={thing} />
          {words && <span className="block whitespace-pre-line">{words}</span>}
          <span className="block text-sm text-soft">
            {fill(say.seenByUntilDate, { seenBy: SEEN_BY[seenBy], date: dateInWords(until) })}
            {by !== null && ` · ${by}`}
          </span>
        </span>
        {mayEdit && (
          <span className="flex gap-3">
            <Button
              kind="link"
              aria-label={fill(say.changeThing, { thing: thing.title })}
              aria-expanded={open === 'change'}
              onClick={() => toggle('change')}
            >
              {say.change}
            </Button>
            <Button
              kind="danger-link"
              aria-label={fill(say.takeAwayThing, { thing: thing.title })}
              aria-expanded={open === 'remove'}
              onClick={() => toggle('remove')}
            >
              {say.takeAwayDots}
            </Button>
          </span>
        )}
      </div>
      {open === 'change' && <AfterLessonForm of={of} thing={thing} onDone={close} />}
      {open === 'remove' && <Removing thing={thing} of={of} onDone={close} />}
    </li>
  );
}

/** What is there after a lesson: recordings, notes and addresses, with who sees each until when. */
export function AfterLesson(of: OfDate) {
  const [isAdding, setAdding] = useState(false);
  const { data } = api.useAfterLessonQuery({
    params: { seriesId: of.seriesId },
    query: { on: of.on },
  });
  if (!data) return null;
  const { things, mayEdit } = data;
  return (
    <section className="mt-8 print:hidden" aria-label={say.afterTheLesson}>
      <h2 className="mb-1 text-lg">{say.afterTheLesson}</h2>
      <p className="mb-2 max-w-2xl text-soft">
        {things.length === 0 ? say.nothingIsThereYetNotes : say.thisStandsAtTheDoor}
      </p>
      <ul>
        {things.map((thing) => (
          <Row key={thing.id} thing={thing} of={of} mayEdit={mayEdit} />
        ))}
      </ul>
      {mayEdit && !isAdding && <Button onClick={() => setAdding(true)}>{say.putANote}</Button>}
      {isAdding && <AfterLessonForm of={of} onDone={() => setAdding(false)} />}
    </section>
  );
}

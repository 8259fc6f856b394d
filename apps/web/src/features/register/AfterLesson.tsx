import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { AfterLessonForm, SEEN_BY } from './AfterLessonForm.js';

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
      {kind === 'recording' && <span className="text-sm text-soft"> recording, {minutes} min</span>}
    </>
  );
}

function Row({ thing, of, mayEdit }: { thing: Thing; of: OfDate; mayEdit: boolean }) {
  const [isChanging, setChanging] = useState(false);
  const [remove] = api.useRemoveAfterLessonMutation();
  const { id, version, words, seenBy, until, by } = thing;
  const params = { seriesId: of.seriesId };
  return (
    <li className="border-t border-line py-2">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="min-w-0 flex-1 basis-60 break-words">
          <Title thing={thing} />
          {words && <span className="block whitespace-pre-line">{words}</span>}
          <span className="block text-sm text-soft">
            {SEEN_BY[seenBy]}, until {dateInWords(until)}
            {by !== null && ` · ${by}`}
          </span>
        </span>
        {mayEdit && (
          <>
            <Button
              kind="link"
              aria-label={`Change ${thing.title}`}
              onClick={() => setChanging(!isChanging)}
            >
              Change
            </Button>
            <Button
              kind="danger-link"
              aria-label={`Take ${thing.title} away for good`}
              onClick={() => void remove({ params, body: { on: of.on, id, version } })}
            >
              Take away for good
            </Button>
          </>
        )}
      </div>
      {isChanging && <AfterLessonForm of={of} thing={thing} onDone={() => setChanging(false)} />}
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
    <section className="mt-8 print:hidden" aria-label="After the lesson">
      <h2 className="mb-1 text-lg">After the lesson</h2>
      <p className="mb-2 max-w-2xl text-soft">
        {things.length === 0
          ? 'Nothing is there yet. Notes, addresses and recordings stand at the door, below its sign.'
          : 'This stands at the door, below its sign.'}
      </p>
      <ul>
        {things.map((thing) => (
          <Row key={thing.id} thing={thing} of={of} mayEdit={mayEdit} />
        ))}
      </ul>
      {mayEdit && !isAdding && (
        <Button onClick={() => setAdding(true)}>Put a note or an address there</Button>
      )}
      {isAdding && <AfterLessonForm of={of} onDone={() => setAdding(false)} />}
    </section>
  );
}

import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Thing = Answer<'doorAfterLessons'>['things'][number];

const LINK = 'text-loch-deep underline';

/** What a thing is called, leading to it where there is something to go to. */
function Title({ thing: { id, kind, title, address, minutes } }: { thing: Thing }) {
  if (kind === 'recording')
    return (
      <>
        <a className={LINK} href={`/api/recordings/${id}`}>
          {title}
        </a>{' '}
        <span className="text-sm text-soft">
          {minutes === null ? say.whatWasWritten : fill(say.recordingMin, { minutes })}
        </span>
      </>
    );
  if (address === null) return <b>{title}</b>;
  return (
    <a className={LINK} href={address} rel="noreferrer">
      {title}
    </a>
  );
}

/** One thing; the one that an address asks for is brought into sight. */
function Item({ thing }: { thing: Thing }) {
  const { hash } = useLocation();
  const isAsked = hash === `#after-${thing.id}`;
  const at = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (isAsked) at.current?.scrollIntoView({ block: 'center' });
  }, [isAsked]);
  return (
    <li
      ref={at}
      className={`border-t border-line py-2 break-words ${isAsked ? 'rounded bg-shade px-2' : ''}`}
    >
      <Title thing={thing} />
      {thing.words && <p className="whitespace-pre-line">{thing.words}</p>}
      <p className="text-sm text-soft">
        {fill(say.thereUntil, {
          date: dateInWords(thing.session.date),
          time: thing.session.time,
          until: dateInWords(thing.until),
        })}
      </p>
    </li>
  );
}

/** What is there after lessons at this door, for whoever looks. */
export function AfterLessons({ code }: { code: string }) {
  const { data } = api.useDoorAfterLessonsQuery({ params: { code } });
  if (!data || data.things.length === 0) return null;
  return (
    <section className="mt-6">
      <h2 className="text-lg">{say.afterTheLessons}</h2>
      <ul>
        {data.things.map((thing) => (
          <Item key={thing.id} thing={thing} />
        ))}
      </ul>
    </section>
  );
}

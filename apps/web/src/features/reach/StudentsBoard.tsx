import type { ReactNode } from 'react';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { RichWords } from '../../ui/RichWords.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Seen = Answer<'studentSees'>;

const Words = ({ html, struck }: { html: string; struck: boolean }) => (
  <>
    {struck && <p className="text-md text-soft">{say.itIsOver}</p>}
    {html !== '' && <RichWords html={html} className={struck ? 'text-soft line-through' : ''} />}
  </>
);

interface TitledProps {
  title: string;
  address: string | null;
  struck: boolean;
}

function Titled({ title, address, struck }: TitledProps) {
  const dress = struck ? 'line-through' : '';
  if (address === null) return <b className={dress}>{title}</b>;
  return (
    <a
      className={`text-loch-deep underline ${dress}`}
      href={address}
      target="_blank"
      rel="noreferrer"
    >
      {title}
    </a>
  );
}

interface PartProps {
  title: string;
  /** What is said where there is nothing. */
  none?: string;
  isEmpty: boolean;
  children: ReactNode;
}

const Part = ({ title, none = say.nothingThere, isEmpty, children }: PartProps) => (
  <>
    <h2 className="mt-5 mb-1.5 text-xl">{title}</h2>
    {isEmpty ? <p className="text-soft">{none}</p> : children}
  </>
);

const Doors = ({ doors }: Seen) => (
  <Part title={say.doorsOfTheDay} none={say.none} isEmpty={doors.length === 0}>
    <ul className="grid gap-1">
      {doors.map(({ id, status, time, title, opens }) => {
        const isCancelled = status === 'cancelled';
        return (
          <li
            key={id}
            className={`flex flex-wrap gap-x-3 ${isCancelled ? 'text-soft line-through' : ''}`}
          >
            <span className="font-mono">{time}</span>
            <span>{title}</span>
            {!isCancelled && <span className="text-soft">{fill(say.opens, { opens })}</span>}
          </li>
        );
      })}
    </ul>
  </Part>
);

const Stream = ({ posts }: Seen) => (
  <Part title={say.classStream} isEmpty={posts.length === 0}>
    <ul className="grid gap-2">
      {posts.map((post, i) => (
        <li
          key={i}
          className={`rounded-small border p-3 ${post.pinned ? 'border-ink' : 'border-edge'}`}
        >
          {post.pinned && <p className="text-sm text-soft">{say.pinnedOnTop}</p>}
          <Words {...post} />
        </li>
      ))}
    </ul>
  </Part>
);

const Section = ({ title, items }: Seen['sections'][number]) => (
  <section aria-label={title}>
    <h3 className="mt-2 font-semibold">{title}</h3>
    {items.length === 0 ? (
      <p className="text-soft">{say.nothingInIt}</p>
    ) : (
      <ul className="grid gap-1 pl-4">
        {items.map((item, i) => (
          <li key={i} className="list-disc">
            <Titled {...item} />
            <Words {...item} />
          </li>
        ))}
      </ul>
    )}
  </section>
);

const CoursePage = ({ sections }: Seen) => (
  <Part title={say.coursePage} isEmpty={sections.length === 0}>
    {sections.map((section, i) => (
      <Section key={i} {...section} />
    ))}
  </Part>
);

const minutesBetween = (start: string, end: string): number =>
  Math.round((Date.parse(end) - Date.parse(start)) / 60000);

const Calendar = ({ events }: Seen) => (
  <Part title={say.calendar} isEmpty={events.length === 0}>
    <ul className="grid gap-1">
      {events.map((event, i) => {
        const { date, time, start, end } = event;
        return (
          <li key={i} className="flex flex-wrap gap-x-3">
            <span className="font-mono">
              {dateInWords(date)} {time}–{addMinutes(time, minutesBetween(start, end))}
            </span>
            <span>
              <Titled {...event} />
              <Words {...event} />
            </span>
          </li>
        );
      })}
    </ul>
  </Part>
);

/** All that one student sees of a class period, place by place. */
export const StudentsBoard = ({ seen }: { seen: Seen }) => (
  <section
    aria-label={fill(say.asSeesIt, { person: seen.person.name })}
    className="max-w-2xl rounded-big border border-line bg-sheet px-5 pb-5"
  >
    <Doors {...seen} />
    {seen.siteAddress && (
      <>
        <Stream {...seen} />
        <CoursePage {...seen} />
        <Calendar {...seen} />
      </>
    )}
  </section>
);

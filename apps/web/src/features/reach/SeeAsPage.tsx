import { Link } from 'react-router';
import { notesForReach } from '@glen/core';
import { addMinutes, classTitle, dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { buttonClass } from '../../ui/Button.js';
import { RichWords } from '../../ui/RichWords.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { useAddressParts } from './useAddressParts.js';
import { MomentPart } from './MomentPart.js';

type Seen = Answer<'seeAs'>;
const Words = ({ html, struck }: { html: string; struck: boolean }) =>
  html === '' ? null : <RichWords html={html} className={struck ? 'text-soft line-through' : ''} />;
const Titled = ({
  title,
  address,
  struck,
}: {
  title: string;
  address: string | null;
  struck: boolean;
}) =>
  address === null ? (
    <b className={struck ? 'line-through' : ''}>{title}</b>
  ) : (
    <a
      className={`text-loch-deep underline ${struck ? 'line-through' : ''}`}
      href={address}
      target="_blank"
      rel="noreferrer"
    >
      {title}
    </a>
  );
const minutesBetween = (start: string, end: string): number =>
  Math.round((Date.parse(end) - Date.parse(start)) / 60000);

function Board({ seen }: { seen: Seen }) {
  const part = 'mt-5 mb-1.5 text-[19px]';
  return (
    <section
      aria-label={`As ${seen.person.name} sees it`}
      className="max-w-2xl rounded-big border border-line bg-sheet px-5 pb-5"
    >
      <h2 className={part}>Doors of the day</h2>
      {seen.doors.length === 0 ? (
        <p className="text-soft">None.</p>
      ) : (
        <ul className="grid gap-1">
          {seen.doors.map((d) => (
            <li
              key={d.id}
              className={`flex flex-wrap gap-x-3 ${d.status === 'cancelled' ? 'text-soft line-through' : ''}`}
            >
              <span className="font-mono">{d.time}</span>
              <span>{d.title}</span>
              {d.status !== 'cancelled' && <span className="text-soft">opens {d.opens}</span>}
            </li>
          ))}
        </ul>
      )}
      <h2 className={part}>Class stream</h2>
      {seen.posts.length === 0 ? (
        <p className="text-soft">Nothing there.</p>
      ) : (
        <ul className="grid gap-2">
          {seen.posts.map((p, i) => (
            <li
              key={i}
              className={`rounded-small border p-3 ${p.pinned ? 'border-ink' : 'border-edge'}`}
            >
              {p.pinned && <p className="text-sm text-soft">Pinned on top</p>}
              <Words {...p} />
            </li>
          ))}
        </ul>
      )}
      <h2 className={part}>Course page</h2>
      {seen.sections.length === 0 ? (
        <p className="text-soft">Nothing there.</p>
      ) : (
        seen.sections.map((s, i) => (
          <section key={i} aria-label={s.title}>
            <h3 className="mt-2 font-semibold">{s.title}</h3>
            {s.items.length === 0 ? (
              <p className="text-soft">Nothing in it.</p>
            ) : (
              <ul className="grid gap-1 pl-4">
                {s.items.map((item, k) => (
                  <li key={k} className="list-disc">
                    <Titled {...item} />
                    <Words {...item} />
                  </li>
                ))}
              </ul>
            )}
          </section>
        ))
      )}
      <h2 className={part}>Calendar</h2>
      {seen.events.length === 0 ? (
        <p className="text-soft">Nothing there.</p>
      ) : (
        <ul className="grid gap-1">
          {seen.events.map((e, i) => (
            <li key={i} className="flex flex-wrap gap-x-3">
              <span className="font-mono">
                {dateInWords(e.date)} {e.time}–{addMinutes(e.time, minutesBetween(e.start, e.end))}
              </span>
              <span>
                <Titled {...e} />
                <Words {...e} />
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** What one student sees of a class period on the course site, now or at a time to come. */
export default function SeeAsPage() {
  const [search, go] = useAddressParts();
  const { data: classes } = api.useClassesQuery();
  const taught = (classes?.classes ?? []).filter((c) => c.rollSize > 0);
  const classId = Number(search.get('class')) || taught[0]?.id;
  const { currentData: of } = api.useClassPeriodQuery(
    { params: { classId: classId ?? 0 } },
    { skip: classId === undefined },
  );
  const asked = Number(search.get('person'));
  const personId = of?.roll.some((p) => p.id === asked) ? asked : of?.roll[0]?.id;
  const at = search.get('at') ?? '';
  const {
    currentData: seen,
    error,
    refetch,
  } = api.useSeeAsQuery(
    { params: { classId: classId ?? 0 }, query: { personId: personId ?? 0, at: at || undefined } },
    { skip: classId === undefined || personId === undefined },
  );
  const { data: reach } = api.useReachQuery(
    { params: { linkId: of?.class.link.id ?? 0 }, query: { at: at || undefined } },
    { skip: of === undefined },
  );
  if (classes && taught.length === 0)
    return (
      <Screen>
        <Empty title="No students yet">
          Once one of your class periods has a roll, you can look with the eyes of each of them.
        </Empty>
      </Screen>
    );
  const own = reach && { ...reach, people: reach.people.filter((p) => p.id === personId) };
  return (
    <Screen
      {...(own
        ? {
            margin: (
              <Margin notes={notesForReach(own).map(({ actions: _, ...note }) => note)}>
                <p className="mt-3">
                  {of && (
                    <Link
                      className={buttonClass('link')}
                      to={`/posts/reach?link=${of.class.link.id}`}
                    >
                      Who else sees it
                    </Link>
                  )}
                </p>
              </Margin>
            ),
          }
        : {})}
    >
      <h1 className="text-[27px]">What a student sees</h1>
      <p className="mt-1 mb-4 text-lg leading-[2.2]">
        {of && personId !== undefined && (
          <ChoicePart
            label="Student"
            value={String(personId)}
            onChange={(person) => go({ person })}
            choices={of.roll.map((p) => ({ value: String(p.id), label: p.name }))}
          />
        )}{' '}
        in{' '}
        {classId !== undefined && (
          <ChoicePart
            label="Class period"
            value={String(classId)}
            onChange={(to) => go({ class: to, person: '' })}
            choices={taught.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
          />
        )}{' '}
        sees,{' '}
        <MomentPart
          at={at}
          next={reach?.next ?? null}
          shown={seen?.at}
          onChange={(to) => go({ at: to })}
        />
        :
      </p>
      {seen && (
        <p className="mb-3 flex flex-wrap gap-3">
          <a className={buttonClass()} href={seen.siteAddress} target="_blank" rel="noreferrer">
            The course site itself
          </a>
          {of && (
            <Link
              className={buttonClass()}
              to={`/classes/${of.class.id}/entry?as=${seen.person.id}`}
            >
              Try the door as {seen.person.name}
            </Link>
          )}
        </p>
      )}
      {seen?.trouble && (
        <p role="status" className="mb-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
          {seen.trouble} This is what it last confirmed.
        </p>
      )}
      {error && !seen ? (
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      ) : !seen ? (
        <Loading lines={6} />
      ) : (
        <Board seen={seen} />
      )}
    </Screen>
  );
}

import { classTitle, dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { Link } from 'react-router';
import { api } from '../../app/api.js';
import { Loading } from '../../ui/States.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill, list } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Presented = Answer<'presenting'>['dates'][number];

/** So many dates are told one by one. */
const AT_A_GLANCE = 8;

function PresentedRow({ one, classPeriod }: { one: Presented; classPeriod: ClassPeriod }) {
  const { presenters, title, linkId, date, time } = one;
  const takes = presenters.filter((presenter) => presenter.takesOver).map(({ name }) => name);
  return (
    <li className="flex flex-wrap gap-x-3 border-t border-line py-2">
      <span className="w-36 shrink-0">
        {dateInWords(date)}, {time}
      </span>
      <span className="min-w-0 flex-1 basis-60">
        <b>{presenters.map(({ name }) => name).join(', ')}</b>
        {title !== classTitle(classPeriod.class) && (
          <>
            {' '}
            <Said
              as={say.atTitle}
              title={
                <Link className="underline" to={`/classes/${classPeriod.class.id}/links/${linkId}`}>
                  {title}
                </Link>
              }
            />
          </>
        )}
        {takes.length > 0 && (
          <span className="block text-sm text-soft">
            {takes.length === presenters.length
              ? say.takesOver
              : fill(say.takesOverOf, { names: list(takes) })}
          </span>
        )}
      </span>
    </li>
  );
}

/** Who presents when in a class period: its next dates at which somebody is named. */
export function WhoPresents({ classPeriod }: { classPeriod: ClassPeriod }) {
  const { id: classId } = classPeriod.class;
  const always = classPeriod.staff.filter((one) => one.as === 'presenter').map((one) => one.name);
  const { data } = api.usePresentingQuery({ params: { classId } });
  if (!data) return <Loading />;
  const more = data.dates.slice(AT_A_GLANCE);
  return (
    <section aria-label={say.whoPresentsWhen} className="mt-7">
      <h2 className="mb-1 text-xl">{say.whoPresentsWhen}</h2>
      <p className="mb-1 text-soft">
        {fill(say.atAnyTime, { what: [say.theHosts, ...always].join(', ') })}
        {data.dates.length === 0 && ` ${say.atNoneOfTheNext}`}
      </p>
      <ul className="max-w-2xl">
        {data.dates.slice(0, AT_A_GLANCE).map((one) => (
          <PresentedRow key={`${one.seriesId} ${one.key}`} one={one} classPeriod={classPeriod} />
        ))}
      </ul>
      {more.length > 0 && (
        <p className="border-t border-line py-2 text-soft">
          {fill(say.andMoreUntil, { moreCount: more.length, date: dateInWords(more.at(-1)!.date) })}
        </p>
      )}
    </section>
  );
}

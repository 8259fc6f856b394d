import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { Link } from 'react-router';
import { api } from '../../app/api.js';
import { Loading } from '../../ui/States.js';
import type { ClassPeriod } from '../school/classPeriod.js';

type Presented = Answer<'presenting'>['dates'][number];

const inWords = ({ name, takesOver }: Presented['presenters'][number]): string =>
  takesOver ? `${name} (takes over while no host is in)` : name;

/** Who presents when in a class period: its next dates at which somebody is named. */
export function WhoPresents({ classPeriod }: { classPeriod: ClassPeriod }) {
  const { id: classId } = classPeriod.class;
  const always = classPeriod.staff.filter((one) => one.as === 'presenter').map((one) => one.name);
  const { data } = api.usePresentingQuery({ params: { classId } });
  if (!data) return <Loading />;
  return (
    <section aria-label="Who presents when" className="mt-7">
      <h2 className="mb-1 text-xl">Who presents when</h2>
      <p className="text-soft">
        {['The hosts', ...always].join(', ')}: at any time.
        {data.dates.length === 0 && ' At none of the next dates is anybody named besides.'}
      </p>
      <ul className="max-w-2xl">
        {data.dates.map((one) => (
          <li
            key={`${one.seriesId} ${one.key}`}
            className="flex flex-wrap gap-x-3 border-t border-line py-2"
          >
            <span className="w-36 shrink-0">
              {dateInWords(one.date)}, {one.time}
            </span>
            <span className="min-w-0 flex-1 basis-60">
              <b>{one.presenters.map(inWords).join(', ')}</b>{' '}
              <span className="text-soft">
                at{' '}
                <Link className="underline" to={`/classes/${classId}/links/${one.linkId}`}>
                  {one.title}
                </Link>
              </span>
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

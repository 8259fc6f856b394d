import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { Excuse, type ExcuseProps } from './Excuse.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Absences = Answer<'absences'>['absences'];

const awayInWords = ({ from, until }: Absences[number]): string =>
  from === until
    ? dateInWords(from)
    : fill(say.dateToDateAway, { from: dateInWords(from), until: dateInWords(until) });

function Known({ personId, absences }: { personId: number; absences: Absences }) {
  const [end] = api.useEndAbsenceMutation();
  return (
    <ul className="mb-3">
      {absences.map((away) => (
        <li
          key={away.id}
          className="flex flex-wrap items-center gap-x-3 border-t border-line py-1.5"
        >
          <span>
            {awayInWords(away)}: {away.reason}
          </span>
          <span className="text-sm text-soft">
            {away.classTitle === null ? say.allLessons : away.classTitle}
            {away.by !== null && `, ${fill(say.saysBy, { by: away.by })}`}
          </span>
          {away.mayEnd && (
            <Button
              kind="link"
              onClick={() => void end({ params: { personId }, body: { absenceId: away.id } })}
            >
              {say.takeItAway}
            </Button>
          )}
        </li>
      ))}
    </ul>
  );
}

/** When somebody is known to be away, and what excuses them beforehand. */
export function Away(of: ExcuseProps) {
  const { personId } = of;
  const { data } = api.useAbsencesQuery({ params: { personId } });
  return (
    <section className="mt-8 print:hidden">
      <h2 className="mb-2 text-lg">{say.knownToBeAwayShort}</h2>
      {data?.absences.length === 0 && <p className="mb-2 text-soft">{say.onNoDayToCome}</p>}
      {data && data.absences.length > 0 && <Known personId={personId} absences={data.absences} />}
      <Excuse {...of} />
    </section>
  );
}

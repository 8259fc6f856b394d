import { dateInWords } from '@glen/core/light';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useKeeps } from '../school/useKeeps.js';
import { useRest } from './useRest.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface LineProps {
  classPeriod: ClassPeriod;
  putAwayAt: string;
  zone: string;
}

/** Stands where the link stood: the class period is over, and can be brought back. */
export function PutAwayLine({ classPeriod, putAwayAt, zone }: LineProps) {
  const mayBring = useKeeps(classPeriod.class);
  const { bringBack, isSaving, problem } = useRest(classPeriod);
  return (
    <div className="mt-4 flex flex-wrap items-center gap-3 border-y border-dashed border-edge py-3.5">
      <span>
        <Said
          as={say.itsLinkIsStoppedAll}
          date={
            <b>{fill(say.putAwayOn, { date: dateInWords(wallClock(putAwayAt, zone).date) })}</b>
          }
        />
      </span>
      {mayBring && (
        <Button className="ml-auto" kind="act" disabled={isSaving} onClick={() => void bringBack()}>
          {say.bringItBack}
        </Button>
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
    </div>
  );
}

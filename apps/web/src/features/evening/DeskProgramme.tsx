import { Link } from 'react-router';
import { programmeAt } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useMinute } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ProgrammeList } from './ProgrammeList.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Programme = Answer<'programme'>;

const LATER_MINUTES = [5, 10, 20] as const;

/** One press has what comes next, and all after it, begin later. */
function Later({ programme, next }: { programme: Programme; next: number }) {
  const [shift, { isLoading, error }] = api.useShiftProgrammeMutation();
  const { seriesId, key, version } = programme;
  const params = { seriesId };
  const shiftBy = async (by: number): Promise<void> => {
    const { data } = await shift({ params, body: { key, version: version!, from: next, by } });
    if (!data) return;
    offerUndo(fill(say.theRestBeginsMinutesLater, { by }), async () => {
      await shift({ params, body: { key, version: data.version!, from: next, by: -by } }).unwrap();
    });
  };
  return (
    <>
      <p className="mt-2 flex flex-wrap items-center gap-2">
        {say.theRestLaterBy}
        {LATER_MINUTES.map((by) => (
          <Button key={by} disabled={isLoading} onClick={() => void shiftBy(by)}>
            {fill(say.byMin, { by })}
          </Button>
        ))}
      </p>
      {error && (
        <FieldError>{problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}</FieldError>
      )}
    </>
  );
}

/** The programme of the session at a desk: what is on, what comes next, and later where it runs late. */
export function DeskProgramme({ of }: { of: { seriesId: number; key: string } }) {
  const now = useMinute();
  const { seriesId, key } = of;
  const { data } = api.useProgrammeQuery({ params: { seriesId }, query: { key } });
  if (!data || data.items.length === 0) return null;
  const begins = data.items.map(({ at }) => at);
  const { next } = programmeAt(begins, data, now);
  return (
    <section className="mb-7 max-w-3xl" aria-label={say.programme}>
      <h2 className="mb-1 flex flex-wrap items-baseline gap-x-4 text-lg">
        <Said
          as={say.programmeChangeIt}
          link={(text) => (
            <Link className={buttonClass('link')} to={`/programme/${seriesId}/${key}`}>
              {text}
            </Link>
          )}
        />
      </h2>
      <ProgrammeList items={data.items} end={data.end} now={now} />
      {next !== null && <Later programme={data} next={next} />}
    </section>
  );
}

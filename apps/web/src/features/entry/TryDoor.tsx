import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { dateInWords } from '@glen/core/light';
import { api, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { kindInWords } from '../accounts/AccountMenu.js';
import { doorWords } from './doorWords.js';
import { outcomeInWords } from './OutcomeTable.js';
import type { ClassPeriod } from '../school/classPeriod.js';

const TONES = {
  well: 'bg-moss-tint text-moss-deep',
  careful: 'bg-gorse-tint text-gorse-deep',
  wrong: 'bg-berry-tint text-berry-deep',
  plain: 'bg-shade text-ink',
} as const;
const NOBODY = 'nobody';

/** Whom the door can be tried as: everyone of the class, with each account they have, and somebody unknown. */
function useVisitors(
  classPeriod: ClassPeriod,
): { value: string; label: string; person: number | null }[] {
  const people = [
    ...classPeriod.roll,
    ...classPeriod.staff.map((s) => ({ id: s.id, name: s.name, accounts: s.accounts })),
  ];
  return [
    ...people.flatMap((p) =>
      p.accounts.map((a) => ({
        value: String(a.id),
        person: p.id,
        label: a.kind === 'school' ? p.name : `${p.name}, ${kindInWords(a.kind)}`,
      })),
    ),
    { value: NOBODY, label: 'Somebody not signed in', person: null },
  ];
}

/** Try the door as anyone, at any time: the server decides as it would at the real door. */
export function TryDoor({
  classPeriod,
  linkId = classPeriod.class.link.id,
  zone,
  asksCode,
  watching,
  version,
}: {
  classPeriod: ClassPeriod;
  linkId?: number;
  zone: string;
  asksCode: boolean;
  watching: boolean;
  version: number;
}) {
  const [search] = useSearchParams();
  const visitors = useVisitors(classPeriod);
  const clock = wallClock(useNow(), zone);
  const [as, setAs] = useState(
    () => visitors.find((v) => String(v.person) === search.get('as'))?.value ?? visitors[0]!.value,
  );
  const [at, setAt] = useState<{ date: string; time: string } | null>(null);
  const [host, setHost] = useState<'as-is' | 'in' | 'out'>('as-is');
  const [entryCode, setEntryCode] = useState('');
  const [watchOnly, setWatchOnly] = useState(false);
  const [ask, { data, error }] = api.useTryDoorMutation();
  const { date, time } = at ?? clock;
  useEffect(() => {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || !/^\d{2}:\d{2}$/.test(time)) return;
    void ask({
      params: { linkId },
      body: {
        at: { date, time },
        ...(as === NOBODY ? {} : { accountId: Number(as) }),
        ...(host === 'as-is' ? {} : { hostIn: host === 'in' }),
        ...(asksCode && entryCode ? { entryCode } : {}),
        ...(watchOnly && watching ? { watchOnly } : {}),
      },
    });
  }, [ask, as, date, time, host, entryCode, asksCode, watchOnly, watching, version, linkId]);
  const opens = data?.decision.until ? wallClock(data.decision.until, zone) : null;
  const opensAt =
    opens && (opens.date === date ? opens.time : `${opens.time}, ${dateInWords(opens.date)}`);
  const outcome =
    data && outcomeInWords(data.decision as Parameters<typeof outcomeInWords>[0], opensAt);
  const words = data && doorWords(data, opensAt);
  return (
    <section
      aria-labelledby="try-the-door"
      className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-2.5 rounded-small border border-line bg-sheet p-3 text-[15px]"
    >
      <h3 id="try-the-door" className="font-sans text-[15px] font-bold">
        Try the door as…
      </h3>
      <select
        aria-label="Try as"
        className={`${inputClass} !px-2`}
        value={as}
        onChange={(e) => setAs(e.target.value)}
      >
        {visitors.map((v) => (
          <option key={v.value} value={v.value}>
            {v.label}
          </option>
        ))}
      </select>
      <div className="grid grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] gap-2">
        <input
          type="date"
          aria-label="On"
          className={`${inputClass} !px-1.5 text-sm`}
          value={date}
          onChange={(e) => setAt({ time, date: e.target.value })}
        />
        <input
          type="time"
          aria-label="At"
          className={`${inputClass} !px-1.5 text-sm`}
          value={time}
          onChange={(e) => setAt({ date, time: e.target.value })}
        />
      </div>
      <select
        aria-label="With a host"
        className={`${inputClass} !px-2`}
        value={host}
        onChange={(e) => setHost(e.target.value as typeof host)}
      >
        <option value="as-is">Hosts in or out, as now</option>
        <option value="in">With a host in</option>
        <option value="out">With no host in</option>
      </select>
      {asksCode && (
        <input
          aria-label="With the code"
          placeholder="With this code"
          className={`${inputClass} !px-2`}
          value={entryCode}
          onChange={(e) => setEntryCode(e.target.value)}
        />
      )}
      {watching && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={watchOnly}
            onChange={(e) => setWatchOnly(e.target.checked)}
          />
          to watch only
        </label>
      )}
      <div aria-live="polite">
        {error && (
          <FieldError>
            {problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}
          </FieldError>
        )}
        {outcome && words && (
          <>
            <p>
              <span
                className={`inline-block rounded-small px-2 py-0.5 font-semibold ${TONES[outcome.tone]}`}
              >
                {outcome.text}
              </span>
            </p>
            <p className="mt-1.5 text-soft">
              The door says: <span className="text-ink">{words.title}.</span> {words.text}
            </p>
          </>
        )}
      </div>
      {at && (
        <button
          type="button"
          className="justify-self-start text-bracken-deep hover:underline"
          onClick={() => setAt(null)}
        >
          At this moment
        </button>
      )}
    </section>
  );
}

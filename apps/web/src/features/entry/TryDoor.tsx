import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer, Body } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { ChoiceBox } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { TimeField } from '../../ui/TimeField.js';
import { kindInWords } from '../accounts/kindInWords.js';
import { doorWords } from './doorWords.js';
import { outcomeInWords } from './tableWords.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useBells } from '../school/useBells.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const TONES = {
  well: 'bg-moss-tint text-moss-deep',
  careful: 'bg-gorse-tint text-gorse-deep',
  wrong: 'bg-berry-tint text-berry-deep',
  plain: 'bg-shade text-ink',
} as const;
const NOBODY = 'nobody';

/** Whom the door can be tried as: everyone of the class, with each account they have, and whoever might come besides. */
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
    { value: 'colleague', label: say.aColleague, person: null },
    { value: 'other-student', label: say.aStudentOfAnotherClass, person: null },
    { value: 'signed-in-guest', label: say.aGuestWithAHome, person: null },
    { value: NOBODY, label: say.somebodyNotSignedIn, person: null },
    { value: 'caller', label: say.aPhoneCaller, person: null },
  ];
}

const KINDS = ['colleague', 'other-student', 'signed-in-guest', 'caller'] as const;

/** Whom the server is to try it as: an account, anybody of a kind, or nobody. */
function askedAs(as: string): Pick<Body<'tryDoor'>, 'accountId' | 'kind'> {
  if (as === NOBODY) return {};
  const kind = KINDS.find((each) => each === as);
  return kind ? { kind } : { accountId: Number(as) };
}

interface TryProps {
  classPeriod: ClassPeriod;
  linkId?: number;
  zone: string;
  asksCode: boolean;
  watching: boolean;
  /** Of the rules: with another one the door is tried anew. */
  version: number;
}

/** What the door is tried with: as whom, when, and with what in hand. */
interface Trial {
  as: string;
  /** On the school's clock; null is this moment. */
  at: { date: string; time: string } | null;
  host: 'as-is' | 'in' | 'out';
  entryCode: string;
  watchOnly: boolean;
}

const isComplete = (date: string, time: string): boolean =>
  /^\d{4}-\d{2}-\d{2}$/.test(date) && /^\d{2}:\d{2}$/.test(time);

/** Asks the server at every change, as it would decide at the real door. */
function useTrial(trial: Trial, { date, time }: { date: string; time: string }, props: TryProps) {
  const { classPeriod, linkId = classPeriod.class.link.id, asksCode, watching, version } = props;
  const { as, host } = trial;
  const entryCode = asksCode ? trial.entryCode : '';
  const watchOnly = watching && trial.watchOnly;
  const [ask, { data, error }] = api.useTryDoorMutation();
  useEffect(() => {
    if (!isComplete(date, time)) return;
    void ask({
      params: { linkId },
      body: {
        at: { date, time },
        ...askedAs(as),
        ...(host === 'as-is' ? {} : { hostIn: host === 'in' }),
        ...(entryCode ? { entryCode } : {}),
        ...(watchOnly ? { watchOnly } : {}),
      },
    });
  }, [ask, as, date, time, host, entryCode, watchOnly, version, linkId]);
  return { data, problem: problemOf(error) };
}

interface PartProps {
  trial: Trial;
  change: (part: Partial<Trial>) => void;
}

function WhenPart({
  change,
  date,
  time,
}: Pick<PartProps, 'change'> & { date: string; time: string }) {
  const bells = useBells(date);
  return (
    <div className="flex flex-wrap gap-2">
      <DateField
        aria-label={say.whichDay}
        dress="cell"
        value={date}
        onChange={(picked) => change({ at: { time, date: picked } })}
      />
      <TimeField
        aria-label={say.whatTime}
        dress="cell"
        bells={bells}
        value={time}
        onChange={(picked) => change({ at: { date, time: picked } })}
      />
    </div>
  );
}

const HOSTS = [
  { value: 'as-is', label: say.hostsInOrOut },
  { value: 'in', label: say.withAHostIn },
  { value: 'out', label: say.withNoHostIn },
];

const HostPart = ({ trial, change }: PartProps) => (
  <ChoiceBox
    dress="cell"
    label={say.withAHost}
    value={trial.host}
    choices={HOSTS}
    onChange={(host) => change({ host: host as Trial['host'] })}
  />
);

function InHandParts({
  trial,
  change,
  asksCode,
  watching,
}: PartProps & Pick<TryProps, 'asksCode' | 'watching'>) {
  return (
    <>
      {asksCode && (
        <input
          aria-label={say.withTheCode}
          placeholder={say.withThisCode}
          className={`${inputClass} !px-2`}
          value={trial.entryCode}
          onChange={(e) => change({ entryCode: e.target.value })}
        />
      )}
      {watching && (
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={trial.watchOnly}
            onChange={(e) => change({ watchOnly: e.target.checked })}
          />
          {say.toWatchOnly}
        </label>
      )}
    </>
  );
}

/** What then happens, and what the door says to it. */
function Outcome({ door, date, zone }: { door: Answer<'tryDoor'>; date: string; zone: string }) {
  const opens = door.decision.until ? wallClock(door.decision.until, zone) : null;
  const onDate = opens && opens.date !== date ? `, ${dateInWords(opens.date)}` : '';
  const opensAt = opens && `${opens.time}${onDate}`;
  const outcome = outcomeInWords(door.decision as Parameters<typeof outcomeInWords>[0], opensAt);
  const words = doorWords(door, opensAt);
  return (
    <>
      <p>
        <span
          className={`inline-block rounded-small px-2 py-0.5 font-semibold ${TONES[outcome.tone]}`}
        >
          {outcome.text}
        </span>
      </p>
      <p className="mt-1.5 text-soft">
        <Said
          as={say.theDoorSays}
          words={<span className="text-ink">{words.title}.</span>}
          text={words.text}
        />
      </p>
    </>
  );
}

/** As whom it is tried first: the one that the address names, else the first of the roll. */
function useStart(visitors: ReturnType<typeof useVisitors>): string {
  const [search] = useSearchParams();
  const named = visitors.find((v) => String(v.person) === search.get('as'));
  return (named ?? visitors[0]!).value;
}

/** Try the door as anyone, at any time: the server decides as it would at the real door. */
export function TryDoor(props: TryProps) {
  const { classPeriod, zone, asksCode, watching } = props;
  const visitors = useVisitors(classPeriod);
  const start = useStart(visitors);
  const clock = wallClock(useNow(), zone);
  const [trial, setTrial] = useState<Trial>({
    as: start,
    at: null,
    host: 'as-is',
    entryCode: '',
    watchOnly: false,
  });
  const change = (part: Partial<Trial>): void => setTrial((t) => ({ ...t, ...part }));
  const when = trial.at ?? clock;
  const { date, time } = when;
  const { data, problem } = useTrial(trial, when, props);
  return (
    <section
      aria-labelledby="try-the-door"
      className="mt-3 grid grid-cols-[minmax(0,1fr)] gap-2.5 rounded-small border border-line bg-sheet p-3 text-md"
    >
      <h3 id="try-the-door" className="font-sans text-md font-bold">
        {say.tryTheDoorAsDots}
      </h3>
      <ChoiceBox
        dress="cell"
        label={say.tryAs}
        value={trial.as}
        choices={visitors}
        onChange={(as) => change({ as })}
      />
      <WhenPart change={change} date={date} time={time} />
      <HostPart trial={trial} change={change} />
      <InHandParts trial={trial} change={change} asksCode={asksCode} watching={watching} />
      <div aria-live="polite">
        {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
        {data && <Outcome door={data} date={date} zone={zone} />}
      </div>
      {trial.at && (
        <button
          type="button"
          className="justify-self-start text-bracken-deep hover:underline"
          onClick={() => change({ at: null })}
        >
          {say.atThisMoment}
        </button>
      )}
    </section>
  );
}

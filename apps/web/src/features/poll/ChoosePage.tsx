import { useParams } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Theirs } from '../../ui/Theirs.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Choosing = Answer<'choosing'>;

/** What suits, as the form knows it. */
interface Suits {
  version: number;
  timeIds: number[];
}

const suitsOf = ({ version, times }: Choosing): Suits => ({
  version,
  timeIds: times.filter(({ suits }) => suits).map(({ id }) => id),
});

function withKept(problem: Problem | undefined): unknown {
  const current = problem?.current as Choosing | undefined;
  return current ? { ...problem, current: suitsOf(current) } : problem;
}

function useChoice(token: string, choosing: Choosing) {
  const [choose] = api.useChooseMutation();
  return useKeptForm<Suits, Pick<Suits, 'timeIds'>, Pick<Suits, 'timeIds'>>({
    kept: suitsOf(choosing),
    keepAs: `choose-${token}`,
    fieldsOf: ({ timeIds }) => ({ timeIds }),
    save: async ({ timeIds }, version) => {
      const { data, error } = await choose({ params: { token }, body: { version, timeIds } });
      if (!data) return { error: withKept(problemOf(error)) };
      return { data: suitsOf(data) };
    },
  });
}

const When = ({ time }: { time: Choosing['times'][number] }) => (
  <>
    <b>{dateInWords(time.date, 'with-year')}</b>{' '}
    <span className="font-mono">
      {time.time}–{time.until}
    </span>
  </>
);

/** The times to tick. */
function Choice({ token, choosing }: { token: string; choosing: Choosing }) {
  const choice = useChoice(token, choosing);
  const { watch, change, submit, formState, problem, theirs, isDirty } = choice;
  const timeIds = watch('timeIds');
  const toggle = (id: number): void =>
    change({
      timeIds: timeIds.includes(id) ? timeIds.filter((one) => one !== id) : [...timeIds, id],
    });
  return (
    <form className="mt-4 grid gap-3" noValidate onSubmit={submit}>
      <fieldset className="grid gap-2">
        <legend className="mb-1 font-semibold">{say.tickAllThatSuitYou}</legend>
        {choosing.times.map((time) => (
          <label
            key={time.id}
            className={`flex items-center gap-3 rounded-small border p-3 ${timeIds.includes(time.id) ? 'border-moss bg-moss-tint' : 'border-edge bg-sheet'}`}
          >
            <input
              type="checkbox"
              className="size-5 accent-bracken"
              disabled={time.isPast}
              checked={timeIds.includes(time.id)}
              onChange={() => toggle(time.id)}
            />
            <span>
              <When time={time} />
              {time.isPast && <span className="text-soft"> {say.isPast}</span>}
            </span>
          </label>
        ))}
      </fieldset>
      {theirs && <Theirs {...choice}>{say.itWasAnsweredOtherwiseMeanwhile}</Theirs>}
      {problem && !theirs && (
        <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
      )}
      <p>
        <Button
          kind="act"
          type="submit"
          disabled={formState.isSubmitting || (choosing.answered && !isDirty)}
        >
          {timeIds.length === 0 ? say.noneOfTheseSuitsMe : say.theseSuitMe}
        </Button>
      </p>
      {choosing.answered && !isDirty && <p className="text-soft">{say.thankYouCanChangeIt}</p>}
    </form>
  );
}

/** How it was settled. */
function Settled({ choosing }: { choosing: Choosing }) {
  const settled = choosing.times.find(({ isSettled }) => isSettled);
  if (choosing.state === 'stopped') return <p className="mt-4">{say.theTimesWereTakenBack}</p>;
  if (!settled) return <p className="mt-4">{say.noneOfTheTimesHas}</p>;
  return (
    <p className="mt-4 rounded-small bg-moss-tint p-3 text-moss-deep">
      <Said
        as={settled.suits ? say.itIsHeldInvited : say.itIsHeldWithout}
        when={<When time={settled} />}
      />
    </p>
  );
}

/** A guest says which of some times suit them: without an account, by an address of their own. */
export default function ChoosePage() {
  const token = useParams().token ?? '';
  const asked = api.useChoosingQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-lg px-5 py-7">
      <Loaded asked={asked} isPart>
        {(choosing) => (
          <>
            <ScreenTitle tab={fill(say.whichTimeSuitsYou, { choosing: choosing.title })}>
              {say.whichTimeSuitsYouShort}
            </ScreenTitle>
            <p className="mt-1">
              {fill(choosing.host ? say.whatWithAndWhere : say.whatAndWhere, {
                title: choosing.title,
                minutes: choosing.minutes,
                host: choosing.host,
                school: choosing.school,
              })}
            </p>
            <p className="mt-1 text-soft">
              <Said
                as={choosing.state === 'open' ? say.youAnswerUntil : say.youAnswerFor}
                email={choosing.email}
                date={dateInWords(choosing.closes.date)}
                time={choosing.closes.time}
                place={choosing.zone.split('/').at(-1)?.replace(/_/g, ' ')}
              />
            </p>
            {choosing.state === 'open' ? (
              <Choice token={token} choosing={choosing} />
            ) : (
              <Settled choosing={choosing} />
            )}
          </>
        )}
      </Loaded>
    </main>
  );
}

import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import { HELPS, type Answer, type Helps, type Problem } from '@glen/contract';
import { actFor } from '../../app/behalf.js';
import { api, problemOf } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { FieldError } from '../../ui/Field.js';
import { Loading } from '../../ui/States.js';
import { ChoicePart } from '../../ui/choices.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Helping = Answer<'helping'>;
type One = Helping['forMe'][number];

const WORDS: Record<Helps, string> = say.words;

const inWords = new Intl.ListFormat('en', { type: 'conjunction' });

/** What they may do and until when: `schedule and post, until Fri 16 Oct`. */
function mayInWords(one: One): string {
  const what = inWords.format(HELPS.filter((help) => one[help]).map((help) => WORDS[help]));
  return one.until === '' ? what : fill(say.whatUntilDate, { what, date: dateInWords(one.until) });
}

function HelpRow({ one, isMine }: { one: One; isMine: boolean }) {
  const [end, { isLoading }] = api.useEndHelpMutation();
  const [problem, setProblem] = useState<Problem>();
  const { teacher, helper } = one;
  const stop = async (): Promise<void> => {
    const { error } = await end({ params: { helpId: one.id } });
    setProblem(error ? problemOf(error) : undefined);
  };
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
      <span className="min-w-0 flex-1 basis-60">
        <b>{isMine ? helper.name : fill(say.youFor, { teacher: teacher.name })}</b>:{' '}
        {mayInWords(one)}
      </span>
      {!isMine && (
        <Button onClick={() => actFor({ ...teacher, by: helper.id })}>
          {fill(say.actFor, { teacher: teacher.name })}
        </Button>
      )}
      <Button
        kind="link"
        disabled={isLoading}
        aria-label={
          isMine
            ? fill(say.noLonger, { helper: helper.name })
            : fill(say.noLongerFor, { teacher: teacher.name })
        }
        onClick={() => void stop()}
      >
        {say.noLongerShort}
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </li>
  );
}

/** In the order in which they are offered, from the least. */
const OFFERED: { value: string; label: string; may: Record<Helps, boolean> }[] = [
  {
    value: 'all',
    label: say.schedulePostAndPrepareLinks,
    may: { schedules: true, posts: true, prepares: true },
  },
  {
    value: 'schedule-post',
    label: say.scheduleAndPost,
    may: { schedules: true, posts: true, prepares: false },
  },
  {
    value: 'schedule',
    label: say.schedule,
    may: { schedules: true, posts: false, prepares: false },
  },
  { value: 'post', label: say.post, may: { schedules: false, posts: true, prepares: false } },
];

interface Wanted {
  helperId: number;
  what: string;
  until: string;
}

const START: Wanted = { helperId: 0, what: 'all', until: '' };

/** Lets somebody act on one's behalf, in a sentence. */
function Allow({ staff }: { staff: Helping['staff'] }) {
  const [allow] = api.useAllowHelpMutation();
  const form = useServerForm<Wanted, Wanted, Helping>({
    start: START,
    send: ({ helperId, what, until }) => {
      const { may } = OFFERED.find((one) => one.value === what)!;
      return allow({ body: { helperId, ...may, ...(until === '' ? {} : { until }) } });
    },
    onDone: () => form.reset(START),
  });
  const { helperId, what, until } = form.watch();
  const wrong = form.errorAt('helperId', 'until');
  return (
    <form noValidate className="mt-2" onSubmit={form.submit}>
      <p className="max-w-3xl text-lg leading-sentence">
        <Said
          as={say.mayForMeUntil}
          actsMe={
            <ChoicePart
              label={say.whoActsForMe}
              value={String(helperId)}
              choices={staff.map((one) => ({ value: String(one.id), label: one.name }))}
              onChange={(id) => form.change({ helperId: Number(id) })}
            />
          }
          what={
            <ChoicePart
              label={say.whatTheyMayDo}
              value={what}
              choices={OFFERED}
              onChange={(next) => form.change({ what: next })}
            />
          }
          lastDay={
            <DateField
              dress="part"
              aria-label={say.theLastDayTheyMay}
              placeholder={say.furtherNotice}
              value={until}
              invalid={form.errorAt('until') !== undefined}
              onChange={(next) => form.change({ until: next })}
            />
          }
        />
      </p>
      {wrong && <FieldError>{wrong}</FieldError>}
      {form.problem && !wrong && <FieldError>{form.problem.title}</FieldError>}
      <p className="mt-3">
        <Button type="submit" disabled={form.isSending || helperId === 0}>
          {say.letThemActForMe}
        </Button>
      </p>
    </form>
  );
}

/** Whom one lets act on one's behalf, and on whose behalf one may. */
export function OnBehalf() {
  const { data } = api.useHelpingQuery();
  if (!data) return <Loading />;
  return (
    <section aria-label={say.onBehalf} className="mt-8 max-w-3xl">
      <h2 className="mb-1 text-xl">{say.onBehalf}</h2>
      <p className="text-soft">{say.aColleagueOrTheOffice}</p>
      <ul className="mt-1">
        {data.byMe.map((one) => (
          <HelpRow key={one.id} one={one} isMine={false} />
        ))}
        {data.forMe.map((one) => (
          <HelpRow key={one.id} one={one} isMine />
        ))}
      </ul>
      <Allow staff={data.staff} />
    </section>
  );
}

import { AFTER_LESSON_SEEN_BY, usualUntil, wallClockAt, type AfterLessonSeenBy } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { DateField } from '../../ui/DateField.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { TextField, WebAddressField } from '../../ui/TextField.js';
import * as say from './words.js';

type After = Answer<'afterLesson'>;
type Thing = After['things'][number];

/** Who sees something, in words. */
export const SEEN_BY: Record<AfterLessonSeenBy, string> = say.seenBy;

interface Values {
  title: string;
  words: string;
  address: string;
  seenBy: AfterLessonSeenBy;
  until: string;
}

interface FormProps {
  of: { seriesId: number; on: string };
  /** Left out: something new. */
  thing?: Thing;
  onDone: () => void;
}

/** Sends what was said: of a new thing, or of one as it was read. */
function useSending({ of, thing }: Omit<FormProps, 'onDone'>) {
  const [add] = api.useAddAfterLessonMutation();
  const [edit] = api.useEditAfterLessonMutation();
  const params = { seriesId: of.seriesId };
  return ({ title, words, address, seenBy, until }: Values) => {
    const body = { on: of.on, title, words, seenBy, until };
    if (thing) {
      const { id, version } = thing;
      const to = thing.kind === 'address' ? { address } : {};
      return edit({ params, body: { ...body, ...to, id, version } });
    }
    if (address === '') return add({ params, body: { ...body, kind: 'note' } });
    return add({ params, body: { ...body, kind: 'address', address } });
  };
}

/** What the form begins with: a thing as it was read, or nothing for four weeks. */
const startOf = (thing: Thing | undefined, today: string): Values =>
  thing
    ? { ...thing, address: thing.address ?? '' }
    : { title: '', words: '', address: '', seenBy: 'everyone', until: usualUntil(today) };

/** Puts something under a lesson, or changes it. */
export function AfterLessonForm({ of, thing, onDone }: FormProps) {
  const now = useNow();
  const { data: me } = api.useMeQuery();
  const today = wallClockAt(now, me!.school.zone).date;
  const form = useServerForm<Values, Values, After>({
    start: startOf(thing, today),
    send: useSending({ of, ...(thing && { thing }) }),
    onDone,
  });
  const { register, watch, change, errorAt, problem, theirs, isSending, submit } = form;
  return (
    <form className="my-3 grid max-w-xl gap-3" noValidate onSubmit={submit}>
      <TextField label={say.whatItIs} error={errorAt('title')} {...register('title')} />
      {(!thing || thing.kind === 'address') && (
        <WebAddressField
          label={thing ? say.itsAddress : say.itsAddressWhereItHas}
          error={errorAt('address')}
          {...register('address')}
        />
      )}
      <Field label={say.inWords} error={errorAt('words')}>
        {(p) => <textarea rows={3} {...p} {...register('words')} className={inputClass} />}
      </Field>
      <div>
        <p className="mb-1 text-sm font-semibold">{say.whoSeesIt}</p>
        <PickOne
          label={say.whoSeesIt}
          value={watch('seenBy')}
          choices={AFTER_LESSON_SEEN_BY.map((who) => [who, SEEN_BY[who]] as const)}
          onChange={(seenBy: AfterLessonSeenBy) => change({ seenBy })}
        />
      </div>
      <Field label={say.untilTheEndOf} error={errorAt('until')}>
        {(p) => <DateField {...p} value={watch('until')} onChange={(until) => change({ until })} />}
      </Field>
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      {theirs !== undefined && <p className="text-soft">{say.somebodyElseHasChangedIt}</p>}
      <p className="flex flex-wrap gap-2">
        <Button kind="act" type="submit" disabled={isSending}>
          {thing ? say.saveTheChange : say.putItThere}
        </Button>
        <Button onClick={onDone}>{thing ? say.leaveItAsItIs : say.putNothingThere}</Button>
      </p>
    </form>
  );
}

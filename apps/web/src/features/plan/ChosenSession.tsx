import { useState } from 'react';
import { Link } from 'react-router';
import { addMinutes, classTitle, dateInWords, type EditScope } from '@glen/core';
import type { ClassItem, Problem } from '@glen/contract';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/choices.js';
import { mayEdit } from '../school/mayEdit.js';
import type { Change } from './chosen.js';
import { RemovePart } from './RemovePart.js';
import { ReasonField, cancelFor } from './ReasonField.js';
import type { Notch } from './strip/layout.js';
import { stateOf, type StripSeries } from './strip/inWords.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface ChosenProps {
  notch: Notch;
  series: StripSeries;
  classPeriod: ClassItem;
  now: string;
  send: (changes: Change[], label: string) => Promise<Problem | undefined>;
  onClose: () => void;
}

const SCOPES: { value: EditScope; label: string }[] = [
  { value: 'one', label: say.onlyThisOne },
  { value: 'onwards', label: say.thisOneAndAllLater },
  { value: 'whole', label: say.theWholeSeries },
];

const CANCEL_LABEL: Record<EditScope, string> = say.cancelLabel;

const REMOVE_LABEL: Record<EditScope, string> = say.removeLabel;

/** Which dates of a series are meant, after "Cancelled: Navigation 3, …". */
function datesInWords(scope: EditScope, date: string): string {
  if (scope === 'one') return dateInWords(date);
  return scope === 'whole' ? say.theWholeSeries : fill(say.fromDateOn, { date: dateInWords(date) });
}

function Head({ notch, series, classPeriod, now, onClose }: ChosenProps) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <Pennant pennant={classPeriod.pennant} />
      <div className="min-w-0 flex-1">
        <h2 className="text-lg">{notch.title ?? series.title}</h2>
        <p className="text-md text-soft">
          {dateInWords(notch.date, 'with-year')}, {notch.time}–
          {addMinutes(notch.time, notch.minutes)} · {stateOf(notch, series, now)} ·{' '}
          {classTitle(classPeriod)}
          {series.repeats ? ` · ${series.words}` : ''}
        </p>
      </div>
      <Button kind="link" onClick={onClose}>
        {say.close}
      </Button>
    </div>
  );
}

function TitleForm({ title, save }: RetitleProps) {
  const { register, submit } = useServerForm<{ title: string }, { title: string }, void>({
    start: { title },
    send: async (typed) => {
      await save(typed.title);
      return {};
    },
    onDone: () => {},
  });
  return (
    <form className="flex gap-2" noValidate onSubmit={submit}>
      <input
        autoFocus
        aria-label={say.newTitle}
        className="rounded-small border border-edge bg-sheet px-2.5 py-1"
        {...register('title')}
      />
      <Button type="submit" kind="strong">
        {say.retitle}
      </Button>
    </form>
  );
}

interface RetitleProps {
  title: string;
  save: (title: string) => Promise<void>;
}

function Retitle(props: RetitleProps) {
  const [isOpen, setOpen] = useState(false);
  if (isOpen) return <TitleForm {...props} />;
  return <Button onClick={() => setOpen(true)}>{say.retitle}</Button>;
}

interface ScopePartProps {
  scope: EditScope;
  onChange: (scope: EditScope) => void;
}

function ScopePart({ scope, onChange }: ScopePartProps) {
  return (
    <>
      <Said
        as={say.withThem}
        them={
          <ChoicePart
            label={say.whichOfThem}
            value={scope}
            onChange={(value) => onChange(value as EditScope)}
            choices={SCOPES}
          />
        }
      />
    </>
  );
}

interface GoingProps extends Pick<ChosenProps, 'notch' | 'series' | 'now'> {
  scope: EditScope;
  /** What goes, in words. */
  of: string;
  run: (change: Change['change'], label: string) => Promise<void>;
}

/** The two ways for a session not to be held: cancelled, so that people are told; removed, as if it had never been. */
function GoingParts({ notch, series, now, scope, of, run }: GoingProps) {
  const [reason, setReason] = useState('');
  return (
    <>
      {notch.status !== 'cancelled' && notch.end > now && (
        <span className="flex items-center gap-2">
          <Button
            kind="danger"
            onClick={() => void run(cancelFor(reason), fill(say.cancelledWhat, { what: of }))}
          >
            {CANCEL_LABEL[scope]}
          </Button>
          <ReasonField reason={reason} onChange={setReason} />
        </span>
      )}
      {notch.start > now && (
        <RemovePart
          linkId={series.linkId}
          draft={series.draft}
          label={REMOVE_LABEL[scope]}
          remove={() => void run({ kind: 'remove' }, fill(say.removedWhat, { what: of }))}
        />
      )}
    </>
  );
}

function Actions({ notch, series, now, send, onClose }: ChosenProps) {
  const [scope, setScope] = useState<EditScope>('one');
  const [problem, setProblem] = useState<Problem>();
  const isCancelled = notch.status === 'cancelled';
  const isAhead = notch.end > now;
  const of = `${series.title}, ${datesInWords(scope, notch.date)}`;
  const run = async (change: Change['change'], label: string): Promise<void> => {
    const failure = await send(
      [{ seriesId: series.id, version: series.version, key: notch.key, scope, change }],
      label,
    );
    setProblem(failure);
    if (!failure) onClose();
  };
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-2.5">
        {series.repeats && <ScopePart scope={scope} onChange={setScope} />}
        <Link className={buttonClass()} to={`/plan/${series.id}?on=${notch.key}`}>
          {say.changeDots}
        </Link>
        {!series.draft && (
          <Link className={buttonClass()} to={`/slots/${series.id}`}>
            {say.slotsDots}
          </Link>
        )}
        <Retitle
          title={notch.title ?? series.title}
          save={(title) => run({ kind: 'set', title }, fill(say.retitledTitle, { title }))}
        />
        {isCancelled && (
          <Button
            onClick={() => void run({ kind: 'restore' }, fill(say.heldAfterAllWhat, { what: of }))}
          >
            {say.holdItAfterAll}
          </Button>
        )}
        <GoingParts {...{ notch, series, now, scope, of }} run={run} />
        {notch.was && !isCancelled && scope === 'one' && (
          <Button
            onClick={() => void run({ kind: 'restore' }, fill(say.backWhereItWas, { what: of }))}
          >
            {say.putItBackWhereIt}
          </Button>
        )}
        {isAhead && !isCancelled && (
          <p className="text-sm text-soft max-half:hidden">{say.dragItToAnotherDay}</p>
        )}
      </div>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

/** What is known of a chosen session, and what can be done with it or with its series. */
export function ChosenSession(props: ChosenProps) {
  return (
    <section
      aria-label={say.theChosenSession}
      className="rounded-big border border-line bg-sheet p-4.5 shadow-soft"
    >
      <Head {...props} />
      {mayEdit(props.classPeriod) ? (
        <Actions {...props} />
      ) : (
        <p className="mt-2 text-md text-soft">{say.itsHostsCanChangeIt}</p>
      )}
    </section>
  );
}

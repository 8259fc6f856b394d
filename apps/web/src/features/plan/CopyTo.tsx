import { Popover } from 'radix-ui';
import { useMemo, useRef, useState, type FormEvent } from 'react';
import {
  addDays,
  classTitle,
  dateInWords,
  expandPlan,
  type SchoolCalendar,
  type SessionPlan,
} from '@glen/core';
import type { ClassItem, Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { CardPart } from '../../ui/SentencePart.js';
import { CopyTried } from './CopyTried.js';
import { DatePicker } from './DatePicker.js';
import { DatesCard, someDates } from './RangeParts.js';
import { planOfSession } from './sheetPlans.js';
import { useChanges } from './useChanges.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

function ClassBoxes({
  classes,
  chosen,
  onChange,
}: {
  classes: ClassItem[];
  chosen: number[];
  onChange: (chosen: number[]) => void;
}) {
  return (
    <>
      {classes.map((c) => (
        <label key={c.id} className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-bracken"
            checked={chosen.includes(c.id)}
            onChange={(e) =>
              onChange(e.target.checked ? [...chosen, c.id] : chosen.filter((id) => id !== c.id))
            }
          />
          {classTitle(c)}
        </label>
      ))}
    </>
  );
}

/** Where a series is copied to; nowhere: to the next term of its own class period. */
interface Wanted {
  classIds: number[];
  from: string;
  except: string[];
}

/** Copies a series; the copies can be taken back. */
function useCopy(session: Session, tomorrow: string, onDone: () => void) {
  const [copy] = api.useCopySeriesMutation();
  const { offerToTakeBack } = useChanges();
  const toNextTerm = useRef(false);
  const form = useServerForm<Wanted, Wanted, unknown>({
    start: { classIds: [], from: tomorrow, except: [] },
    send: async ({ classIds, from, except }) => {
      const body = toNextTerm.current ? { nextTerm: true as const } : { classIds, from, except };
      const asked = { params: { seriesId: session.seriesId }, body };
      const answer = await copy(asked);
      const label = toNextTerm.current
        ? say.copiedToTheNextTerm
        : many(say.copiedToClassPeriods, classIds.length);
      if (answer.data) offerToTakeBack(label, answer.data.touched, () => copy(asked).unwrap());
      return answer;
    },
    onDone: () => {
      form.reset();
      onDone();
    },
  });
  return {
    ...form,
    copyTo: (where: 'chosen' | 'next term'): void => {
      toNextTerm.current = where === 'next term';
      form.submit();
    },
  };
}

/** From when on the copies are held, and which dates none of them has. */
function FromWhen({ form, plan, school, today }: FromWhenProps) {
  const { watch, change } = form;
  const { from, except } = watch();
  const own = useMemo(() => datesFrom(plan, school, from), [plan, school, from]);
  return (
    <p className="leading-sentence">
      <Said
        as={say.fromDateOnDates}
        from={
          <CardPart label={say.copiedFrom} shown={dateInWords(from, 'with-year')}>
            <DatePicker
              date={from}
              school={school}
              onPick={(day) => change({ from: day < today ? today : day })}
            />
          </CardPart>
        }
        dates={
          <DatesCard
            label={say.datesNotCopied}
            dates={except}
            own={own}
            onlyOwn
            first={from}
            school={school}
            shown={
              except.length === 0
                ? say.allItsDates
                : fill(say.butNotOn, { date: someDates(except) })
            }
            onPick={(dates) => change({ except: dates })}
          />
        }
      />
    </p>
  );
}

/** The dates that a series holds from a day on, to the end of the school year. */
function datesFrom(plan: SessionPlan, school: SchoolCalendar, from: string): string[] {
  const last = school.terms.at(-1)?.last ?? from;
  const window = { from, to: addDays(last > from ? last : from, 1) };
  return expandPlan(plan, school, window).flatMap(({ key, status }) =>
    status === 'skipped' ? [] : [key],
  );
}

interface FromWhenProps {
  plan: SessionPlan;
  form: ReturnType<typeof useCopy>;
  school: SchoolCalendar;
  today: string;
}

function CopyCard({
  session,
  classes,
  school,
  now,
  today,
  onDone,
}: CopyProps & { onDone: () => void }) {
  const form = useCopy(session, addDays(today, 1), onDone);
  const { watch, change, copyTo, isSending, errorAt, problem } = form;
  const { classIds: chosen, from, except } = watch();
  const wrong = errorAt('classIds', 'from', 'except') ?? problem?.title;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    copyTo('chosen');
  };
  const plan = useMemo(() => planOfSession(session, school), [session, school]);
  const leaveOut = (keys: string[]): void =>
    change({ except: [...new Set([...except, ...keys])].sort() });
  return (
    <form onSubmit={submit} className="grid gap-2">
      <p className="text-md text-soft">{say.eachMeetsInItsOwn}</p>
      <FromWhen form={form} plan={plan} school={school} today={today} />
      <ClassBoxes
        classes={classes.filter((c) => c.id !== session.classId)}
        chosen={chosen}
        onChange={(classIds) => change({ classIds })}
      />
      {classes
        .filter((c) => chosen.includes(c.id))
        .map((of) => (
          <CopyTried key={of.id} {...{ plan, of, school, now, from, except, leaveOut }} />
        ))}
      <div className="mt-1 flex flex-wrap gap-2">
        <Button kind="strong" type="submit" disabled={isSending || chosen.length === 0}>
          {chosen.length > 1 ? fill(say.copyTo, { chosenCount: chosen.length }) : say.copy}
        </Button>
        <Button disabled={isSending} onClick={() => copyTo('next term')}>
          {say.toTheNextTerm}
        </Button>
      </div>
      {wrong && <FieldError>{wrong}</FieldError>}
    </form>
  );
}

interface CopyProps {
  session: Session;
  classes: ClassItem[];
  school: SchoolCalendar;
  /** An instant of school time, and the school's local date. */
  now: string;
  today: string;
}

/** Copies a series: to other class periods, each at its own bell period, or to the next term. */
export function CopyTo(props: CopyProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>{say.copyToDots}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          collisionPadding={8}
          aria-label={say.copyThisSeries}
          className="z-30 max-h-(--radix-popover-content-available-height) w-96 max-w-view overflow-y-auto rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          <CopyCard {...props} onDone={() => setOpen(false)} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

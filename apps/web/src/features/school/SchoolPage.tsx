import type { SchoolCalendar } from '@glen/core';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Theirs } from '../../ui/Theirs.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Bells } from './Bells.js';
import { Editing } from './Cells.js';
import { Closures } from './Closures.js';
import { Cycle } from './Cycle.js';
import { SchoolTabs } from './SchoolTabs.js';
import { useAlone } from './useAlone.js';
import { Terms } from './Terms.js';
import { YearLine } from './YearLine.js';
import { calendarNotes } from './calendarNotes.js';
import { followInWords, useCalendarDraft, type KeptCalendar } from './useCalendarDraft.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Draft = ReturnType<typeof useCalendarDraft>;

/** How big a calendar is, to tell two of them apart. */
const sizeInWords = ({ terms, closures, bellFor }: KeptCalendar['calendar']): string =>
  fill(say.termsClosuresAndSingleDays, {
    termsCount: terms.length,
    closuresCount: closures.length,
    bellForCount: bellFor.length,
  });

/** Somebody else saved meanwhile: theirs and mine, and which is to count. */
function TwoCalendars({ draft, theirs }: { draft: Draft; theirs: KeptCalendar }) {
  const mine = draft.calendar as KeptCalendar['calendar'];
  return (
    <Theirs what={say.theCalendar} saveOver={draft.saveOver} takeTheirs={draft.takeTheirs}>
      {fill(say.theirsHasYoursHas, {
        theirs: sizeInWords(theirs.calendar),
        yours: sizeInWords(mine),
      })}
    </Theirs>
  );
}

function SaveBar({ draft }: { draft: Draft }) {
  const { effects, wrong, isSending, problem, theirs, submit, asItWas } = draft;
  const isBeside = draft.errorAt('calendar') !== undefined;
  return (
    <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 rounded-big border border-line bg-sheet px-5 py-3.5 shadow-soft">
      <Button kind="act" disabled={isSending || wrong !== undefined} onClick={() => submit()}>
        {effects?.changed
          ? fill(say.changeIt, { follow: followInWords(effects.changed) })
          : say.changeTheCalendar}
      </Button>
      <Button onClick={asItWas}>{say.asItWas}</Button>
      {problem && !theirs && !isBeside && <FieldError>{problem.title}</FieldError>}
    </div>
  );
}

function Editor({ kept, today }: { kept: KeptCalendar; today: string }) {
  const alone = useAlone();
  const draft = useCalendarDraft(kept);
  const { read, calendar, change, errorAt, theirs } = draft;
  const { mayEdit } = read;
  /** Another closure, on a day of the school year: today, where that is one. */
  const closeOn = (date: string): void => {
    const [first, last] = [calendar.terms[0]!.first, calendar.terms.at(-1)!.last];
    const day = date < first || date > last ? first : date;
    const closure = { name: say.closed, first: day, last: day, kind: 'holiday' as const };
    change({ closures: [...calendar.closures, closure] });
  };
  return (
    <Screen margin={<Margin title={say.whatWillHappen} notes={calendarNotes(draft)} />}>
      <SchoolTabs />
      <header className="mb-4 flex flex-wrap items-baseline gap-x-4">
        <ScreenTitle tab={alone ? say.yourCalendar : say.schoolCalendar} />
        <p className="text-soft">{fill(say.timesAre, { zone: calendar.zone })}</p>
      </header>
      <YearLine
        school={draft.wrong ? (read.calendar as SchoolCalendar) : calendar}
        today={today}
        onPick={mayEdit ? closeOn : undefined}
      />
      <Editing value={{ mayEdit, errorAt }}>
        {theirs && <TwoCalendars draft={draft} theirs={theirs} />}
        <div className="grid gap-4">
          <Terms calendar={calendar} change={change} />
          <Closures
            calendar={calendar}
            change={change}
            region={draft.region}
            onRegion={draft.setRegion}
            onAdd={() => closeOn(today)}
          />
          <Bells calendar={calendar} change={change} />
          <Cycle calendar={calendar} change={change} />
        </div>
        {mayEdit && draft.isDirty && <SaveBar draft={draft} />}
      </Editing>
    </Screen>
  );
}

/** The school's calendar: the head and the office change it, others read it. */
export default function SchoolPage({ me }: { me: Me }) {
  const asked = api.useSchoolCalendarQuery();
  const now = useNow();
  return (
    <Loaded asked={asked} lines={8}>
      {(kept) => <Editor kept={kept} today={wallClock(now, me.school.zone).date} />}
    </Loaded>
  );
}

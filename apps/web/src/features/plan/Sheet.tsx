import type { ReactNode } from 'react';
import type { DryRun, Note, NoteAction, SlotPattern } from '@glen/core';
import { repeats } from '@glen/core';
import type { Session } from '@glen/contract';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError, InlineField, inputClass } from '../../ui/Field.js';
import { HalfNote } from '../../ui/HalfNote.js';
import { shownWhole } from '../../ui/shownWhole.js';
import { CopyTo } from './CopyTo.js';
import { PhraseLine } from './PhraseLine.js';
import { draftOfSession } from './sheetDraft.js';
import { tryableSlots } from './slotsDraft.js';
import { planInScope, planOfSession } from './sheetPlans.js';
import { SheetActions } from './SheetActions.js';
import { DateList } from './DateList.js';
import { SheetSentence } from './SheetSentence.js';
import { TwoVersions } from './TwoVersions.js';
import { useCancelling, type Cancelling } from './useCancelling.js';
import { usePhrase, type Phrase } from './usePhrase.js';
import {
  canLeaveOut,
  mayPress,
  useSheetForm,
  type SheetForm,
  type SheetStart,
} from './useSheetForm.js';
import * as say from './words.js';

/** What the sheet says to the page around it, at every keystroke. */
export interface SheetPreview {
  run: DryRun | undefined;
  classId: number;
  notes: Note[];
  act: (action: NoteAction) => void;
  /** How its sessions would be cut into slots, where they would. */
  slots: SlotPattern | undefined;
  /** Leaves a date of the series out, or takes it in again, by its key; where that can be. */
  toggle: ((key: string) => void) | undefined;
}

interface SheetProps extends SheetStart {
  /** The page around the sheet: it shows what the sheet says, on the strip and in the margin. */
  frame: (preview: SheetPreview, sheet: ReactNode) => ReactNode;
}

/** What else can be done with a saved session: copied, or taken along as a file. */
function SavedTools({ read, form }: { read: Session; form: SheetForm }) {
  const { classes, school, now, today } = form;
  return (
    <span className="ml-auto flex gap-2">
      {repeats(planOfSession(read, school)) && (
        <CopyTo session={read} {...{ classes, school, now, today }} />
      )}
      {!read.undated && (
        <a className={buttonClass()} href={`/api/series/${read.seriesId}/calendar`} download>
          {say.calendarFile}
        </a>
      )}
    </span>
  );
}

/** A new session can be typed; a saved one copied, or taken along as a file. */
function SheetHead({ form, phrase }: { form: SheetForm; phrase: Phrase }) {
  const { read, isSeries, isOne, save } = form;
  const edits = isSeries && !isOne ? say.changeSessionsShort : say.changeASession;
  return (
    <header className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <h2 className="text-xl">{read ? edits : say.newSession2}</h2>
      {read ? (
        <SavedTools read={read} form={form} />
      ) : (
        <PhraseLine phrase={phrase} onEnter={() => mayPress(form) && save({ asDraft: false })} />
      )}
    </header>
  );
}

/** What somebody should know of a saved session before changing it. */
function SheetState({ read, hold }: { read: Session; hold: Cancelling['hold'] }) {
  return (
    <>
      {read.draft && (
        <p className="mb-4 rounded-small bg-gorse-tint px-3 py-2 text-gorse-deep">
          {read.undated ? say.thisIsADraftWithoutADate : say.thisIsADraft}
        </p>
      )}
      {read.status === 'cancelled' && (
        <p className="mb-4 flex items-center gap-3 rounded-small bg-berry-tint px-3 py-2 text-berry-deep">
          {say.thisSessionIsCancelled}
          <Button onClick={() => void hold(read)}>{say.holdItAfterAll}</Button>
        </p>
      )}
    </>
  );
}

/** Somebody else was faster: theirs and mine, to choose from. */
function Stale({ form, theirs }: { form: SheetForm; theirs: Session }) {
  const { draft, read, scope, school, takeRead, save } = form;
  const draftOfTheirs = draftOfSession(
    theirs,
    planInScope(theirs, scope, school),
    scope,
    school.zone,
  );
  return (
    <TwoVersions
      mine={draft}
      theirs={draftOfTheirs}
      school={school}
      onKeepMine={() => {
        takeRead(theirs);
        const { version } = theirs;
        save({ asDraft: draft.draft, version, undated: read!.undated });
      }}
      onTakeTheirs={() => takeRead(theirs, draftOfTheirs)}
    />
  );
}

function Words({ form: { draft, change, errorAt } }: { form: SheetForm }) {
  return (
    <div className="mt-3 flex flex-wrap gap-x-6 gap-y-3">
      <InlineField label={say.title} error={errorAt('title')}>
        {(p) => (
          <input
            {...p}
            className={inputClass}
            value={draft.title}
            onChange={(e) => change({ title: e.target.value, titleIsOurs: false })}
          />
        )}
      </InlineField>
      <InlineField label={say.description} error={errorAt('description')}>
        {(p) => (
          <textarea
            {...p}
            rows={1}
            placeholder={say.studentsReadIt}
            className={inputClass}
            value={draft.description}
            onChange={(e) => change({ description: e.target.value })}
          />
        )}
      </InlineField>
    </div>
  );
}

/** The sentence sheet: a session or a series, new or to be changed, with what it will do at every keystroke. */
export function Sheet({ frame, ...start }: SheetProps) {
  const form = useSheetForm(start);
  const phrase = usePhrase(form, start.now);
  const { cancel, remove, hold } = useCancelling(form);
  const { read, draft, trouble, theirs, tried, act } = form;
  const sheet = (
    <section
      ref={shownWhole}
      aria-label={read ? say.changeASession : say.newSession2}
      className="scroll-my-3 rounded-big border border-line bg-sheet p-5 shadow-soft"
    >
      <SheetHead form={form} phrase={phrase} />
      {form.half && <HalfNote onThrowAway={form.throwAway} />}
      {read && <SheetState read={read} hold={hold} />}
      {theirs && <Stale form={form} theirs={theirs} />}
      <SheetSentence form={form} />
      <DateList form={form} />
      <Words form={form} />
      {trouble && <FieldError>{trouble.title}</FieldError>}
      <SheetActions form={form} cancel={cancel} remove={remove} ask={phrase.ask} />
    </section>
  );
  const preview: SheetPreview = {
    run: tried.run,
    classId: draft.classId,
    slots: tryableSlots(draft),
    notes: [...phrase.notes, ...tried.notes],
    toggle: canLeaveOut(form) ? form.toggleDate : undefined,
    act: (action) => {
      if (!phrase.act(action)) act(action);
    },
  };
  return <>{frame(preview, sheet)}</>;
}

import { classTitle, dateInWords, type PlanChange } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { ByTheLink, TogetherWith } from './ByTheLink.js';
import { DatePicker } from './DatePicker.js';
import { EveryParts } from './EveryParts.js';
import { AlsoPart, ExceptPart, RangeParts } from './RangeParts.js';
import { SessionRules } from './SessionRules.js';
import { SlotsPart } from './SlotsPart.js';
import { withClass, type Scope } from './sheetDraft.js';
import { canLeaveOut, type SheetForm } from './useSheetForm.js';
import { WhenParts } from './WhenParts.js';
import { fill, many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const SCOPES: { value: Scope; label: string }[] = [
  { value: 'one', label: say.onlyThisOne },
  { value: 'onwards', label: say.thisOneAndAllLater },
  { value: 'whole', label: say.theWholeSeries },
];

/** Which of a series' dates an edit is about. */
function ScopeLine({ form: { read, scope, rescope, isOne, tried } }: { form: SheetForm }) {
  return (
    <p className="mb-1 text-lg leading-sentence">
      <Said
        as={say.changeOf}
        them={
          <ChoicePart
            label={say.whichOfThem}
            value={scope}
            onChange={(value) => rescope(value as Scope)}
            choices={SCOPES}
          />
        }
        what={
          tried.run && !isOne ? (
            <b>{tried.run.words}</b>
          ) : (
            <b>
              {dateInWords(read!.date)}, {read!.time}
            </b>
          )
        }
      />
    </p>
  );
}

function WhichClass({
  form: { read, classItem, draft, classes, school, change },
}: {
  form: SheetForm;
}) {
  if (read) return <b>{classTitle(classItem)}</b>;
  return (
    <ChoicePart
      label={say.classPeriod}
      value={String(draft.classId)}
      choices={classes.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
      onChange={(id) =>
        change(
          withClass(
            draft,
            classes.find((c) => c.id === Number(id))!,
            school,
          ),
        )
      }
    />
  );
}

function OnDate({ form: { isOne, wrong, draft, school, change } }: { form: SheetForm }) {
  return (
    <>
      <Said
        as={say.whatOnDate}
        what={isOne ? '' : ' '}
        date={
          <CardPart
            label={say.date}
            invalid={wrong('first')}
            shown={dateInWords(draft.first, 'with-year')}
          >
            <DatePicker date={draft.first} school={school} onPick={(first) => change({ first })} />
          </CardPart>
        }
      />
    </>
  );
}

const SHOWN_CHANGES = 3;

function changeInWords(c: PlanChange): string {
  const key = dateInWords(c.key);
  if (c.kind === 'cancel') return fill(say.keySkipped, { key });
  const date = dateInWords(c.date);
  if (!c.time) return fill(say.keyToDate, { key, date });
  return fill(say.keyToDateAndTime, { key, date, time: c.time });
}

/** Dates of a series that were changed by themselves. */
function ChangedSingly({ changes, onUndo }: { changes: PlanChange[]; onUndo: () => void }) {
  return (
    <p className="mt-2 text-md text-soft">
      {many(
        changes.length > SHOWN_CHANGES ? say.changedSinglyAndMore : say.changedSingly,
        changes.length,
        {
          changes: changes.slice(0, SHOWN_CHANGES).map(changeInWords).join('; '),
        },
      )}{' '}
      <Button kind="link" onClick={onUndo}>
        {say.undoThese}
      </Button>
    </p>
  );
}

/** The dates of the pattern, those that are left out among them. */
const patternOf = ({ tried: { run } }: SheetForm): string[] =>
  [...(run?.rows ?? []), ...(run?.leftOut ?? [])].map((row) => row.key);

/** The session or series as one sentence whose marked parts are changed in place. */
export function SheetSentence({ form }: { form: SheetForm }) {
  const { draft, change, school, wrong, read, classes, isSeries, isOne, message } = form;
  const parts = { draft, change, school, wrong };
  return (
    <>
      {isSeries && <ScopeLine form={form} />}
      <p className="text-lg leading-sentence">
        <Said
          as={say.teachByTheLinkUnder}
          whichClass={<WhichClass form={form} />}
          every={isOne ? null : <EveryParts {...parts} />}
          onDate={draft.every === 'once' && <OnDate form={form} />}
          when={<WhenParts {...parts} />}
          range={draft.every !== 'once' && <RangeParts {...parts} />}
          also={
            !isOne && (draft.every !== 'once' || draft.alsoOn.length > 0) && <AlsoPart {...parts} />
          }
          except={canLeaveOut(form) && <ExceptPart {...parts} dates={patternOf(form)} />}
          slots={<SlotsPart form={form} />}
          byTheLink={<ByTheLink draft={draft} read={read} change={change} />}
          together={<TogetherWith draft={draft} read={read} classes={classes} change={change} />}
          rules={
            read && !read.undated ? (
              <SessionRules session={read} scope={isOne ? 'date' : 'series'} zone={school.zone} />
            ) : (
              <b>{say.itsEntryRules}</b>
            )
          }
        />
      </p>
      {message && <FieldError>{message}</FieldError>}
      {draft.changes.length > 0 && !isOne && (
        <ChangedSingly changes={draft.changes} onUndo={() => change({ changes: [] })} />
      )}
    </>
  );
}

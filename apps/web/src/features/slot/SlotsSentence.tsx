import type { Answer, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button } from '../../ui/Button.js';
import { ChoicePart } from '../../ui/choices.js';
import { FieldError } from '../../ui/Field.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { Theirs } from '../../ui/Theirs.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Kept = Answer<'seriesSlots'>;
type Ways = NonNullable<Sent<'setSlots'>['ways']>;

/** A series that is cut, as the form knows it. */
interface KeptWays extends Ways {
  version: number;
}

const LEAVES = [
  { value: 'asked', label: say.isAskedToLeave },
  { value: 'by-itself', label: say.makesWayByThemselves },
];

const schema = async () => (await import('@glen/contract/forms')).slotWaysForm;
const fieldsOf = ({ version: _, ...fields }: KeptWays): Ways => fields;

const keptOf = ({ version, ways }: Kept): KeptWays => ({ ...ways!, version: version! });

/** What another has made of it meanwhile, as the form knows it; nothing where there are no slots any more. */
function withKept(problem: Problem | undefined): unknown {
  const current = problem?.current as Kept | undefined;
  if (!current) return problem;
  return { ...problem, current: current.ways === null ? undefined : keptOf(current) };
}

function useWays(seriesId: number, kept: KeptWays) {
  const [save] = api.useSetSlotsMutation();
  return useKeptForm<KeptWays, Ways, Ways>({
    kept,
    keepAs: `slots-${seriesId}`,
    fieldsOf,
    schema,
    save: async (ways, version) => {
      const { data, error } = await save({ params: { seriesId }, body: { version, ways } });
      return data ? { data: keptOf(data) } : { error: withKept(problemOf(error)) };
    },
  });
}

type Editing = ReturnType<typeof useWays>;

const numberOf = (typed: string): number => (/^\d+$/.test(typed) ? Number(typed) : NaN);
const shown = (value: number): string => (Number.isNaN(value) ? '' : String(value));

type NumberField = Exclude<keyof Ways, 'leaves'>;

function Part({ editing, field, label }: { editing: Editing; field: NumberField; label: string }) {
  return (
    <NumberPart
      label={label}
      value={shown(editing.watch(field))}
      invalid={editing.errorAt(field) !== undefined}
      onChange={(v) => editing.change({ [field]: numberOf(v) })}
    />
  );
}

/** What a break is at first, where there is to be one. */
const USUAL_BREAK = { breakEvery: 4, breakMinutes: 10 };
const NO_BREAK = { breakEvery: 0, breakMinutes: 0 };

/** Whether there are breaks, and how long after how many. */
function Break({ editing }: { editing: Editing }) {
  const hasBreak = editing.watch('breakEvery') !== 0 || editing.watch('breakMinutes') !== 0;
  return (
    <>
      <ChoicePart
        label={say.whetherThereAreBreaks}
        marked={hasBreak}
        value={hasBreak ? 'break' : 'none'}
        choices={[
          { value: 'none', label: say.withoutABreak },
          { value: 'break', label: say.withABreakOf },
        ]}
        onChange={(v) => editing.change(v === 'break' ? USUAL_BREAK : NO_BREAK)}
      />
      {hasBreak && (
        <>
          {' '}
          <Said
            as={say.minutesAfterEverySlots}
            minutesBreak={
              <Part editing={editing} field="breakMinutes" label={say.minutesOfABreak} />
            }
            slotsBefore={
              <Part editing={editing} field="breakEvery" label={say.slotsBeforeABreak} />
            }
          />
        </>
      )}
    </>
  );
}

function Sentence({ editing }: { editing: Editing }) {
  return (
    <p className="text-lg leading-sentence">
      <Said
        as={say.eachSessionIsCutInto}
        minutesSlot={<Part editing={editing} field="minutes" label={say.minutesOfASlot} />}
        minutesBetween={<Part editing={editing} field="gap" label={say.minutesBetweenTwo} />}
        what={<Break editing={editing} />}
        slotsWeek={<Part editing={editing} field="most" label={say.slotsInAWeek} />}
        daysBefore={<Part editing={editing} field="opensDays" label={say.daysBefore} />}
        minutesBefore={<Part editing={editing} field="closesMinutes" label={say.minutesBefore} />}
        becomesWhoever={
          <ChoicePart
            label={say.whatBecomesOfWhoever}
            value={editing.watch('leaves')}
            choices={LEAVES}
            onChange={(v) => editing.change({ leaves: v as Ways['leaves'] })}
          />
        }
        minutesWithout={
          <Part editing={editing} field="missedAfter" label={say.minutesWithoutThem} />
        }
      />
    </p>
  );
}

const FIELDS = [
  'minutes',
  'gap',
  'breakEvery',
  'breakMinutes',
  'most',
  'opensDays',
  'closesMinutes',
  'missedAfter',
] as const;

/** How a series is cut into slots, as a sentence whose parts are changed. */
export function SlotsSentence({ seriesId, kept }: { seriesId: number; kept: Kept }) {
  const editing = useWays(seriesId, keptOf(kept));
  const { formState, problem, theirs, isDirty, submit, errorAt } = editing;
  const wrong = FIELDS.map((field) => errorAt(field)).find((message) => message !== undefined);
  return (
    <form className="grid max-w-2xl gap-4" noValidate onSubmit={submit}>
      {theirs && (
        <Theirs {...editing}>
          {fill(say.theirsSlotsOfMinutes, { minutes: (theirs as KeptWays).minutes })}
        </Theirs>
      )}
      <Sentence editing={editing} />
      {wrong && <FieldError>{wrong}</FieldError>}
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || formState.isSubmitting}>
          {say.saveTheSlots}
        </Button>
      </p>
    </form>
  );
}

import { PENNANT_HUES, PENNANT_PATTERNS } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Theirs } from '../../ui/Theirs.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Checked = Omit<Sent<'editClass'>, 'version'>;
type Typed = Checked & { period: string };

const schema = async () =>
  (await import('@glen/contract/forms')).classWords.omit({ version: true });

const PATTERNS = PENNANT_PATTERNS.map((value) => ({ value, label: value }));

const HUE_WORDS: Record<(typeof PENNANT_HUES)[number], string> = {
  loch: 'blue-green',
  moss: 'green',
  gorse: 'gold',
  berry: 'red',
  plum: 'plum',
  bracken: 'rust',
};
const HUES = PENNANT_HUES.map((value) => ({ value, label: HUE_WORDS[value] }));

const typedOf = ({ title, period, pennant }: ClassItem): Typed => ({
  title,
  period: period ?? '',
  pennant: pennant as Typed['pennant'],
});

/** A class period's own words, with the version that they were read at. */
type Kept = Pick<ClassPeriod, 'class' | 'version'>;

const fieldsOf = ({ class: c }: Kept): Typed => typedOf(c);

function useClassWords(kept: Kept) {
  const [edit] = api.useEditClassMutation();
  const params = { classId: kept.class.id };
  return useKeptForm<Kept, Typed, Checked>({
    kept,
    keepAs: `class ${kept.class.id}`,
    fieldsOf,
    schema,
    save: (sent, version) => edit({ params, body: { ...sent, version } }),
  });
}

type Words = ReturnType<typeof useClassWords>;

/** Its pennant, as a sentence whose parts can be changed. */
function Flown({ register, watch, setValue }: Words) {
  const pennant = watch('pennant');
  const dirty = { shouldDirty: true };
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
      <Pennant pennant={pennant} size="large" />
      <p className="text-lg leading-sentence">
        <Said
          as={say.itFliesOnIn}
          lettersPennant={
            <input
              aria-label={say.lettersOfThePennant}
              className={`${inputClass} !inline-block !w-16 !py-1 text-center`}
              maxLength={4}
              {...register('pennant.letters')}
            />
          }
          pattern={
            <ChoicePart
              label={say.pattern}
              value={pennant.pattern}
              onChange={(v) => setValue('pennant.pattern', v as Typed['pennant']['pattern'], dirty)}
              choices={PATTERNS}
            />
          }
          colour={
            <ChoicePart
              label={say.colour}
              value={pennant.hue}
              onChange={(v) => setValue('pennant.hue', v as Typed['pennant']['hue'], dirty)}
              choices={HUES}
            />
          }
        />
      </p>
    </div>
  );
}

/** What a class period is called, where it stands in the timetable, and what it flies. */
export function ClassWords({ classPeriod }: { classPeriod: ClassPeriod }) {
  const form = useClassWords(classPeriod);
  const { register, formState, problem, isDirty, theirs, takeTheirs, saveOver, submit } = form;
  const { errors, isSubmitting } = formState;
  return (
    <form className="grid max-w-2xl gap-4" noValidate onSubmit={submit}>
      <div className="grid gap-4 sm:grid-cols-[1fr_9rem]">
        <TextField
          label={say.whatIsItCalled}
          error={errors.title?.message}
          {...register('title')}
        />
        {!classPeriod.class.isOccasion && (
          <TextField
            label={say.period}
            hint={say.asTheBellsLabelIt}
            error={errors.period?.message}
            {...register('period')}
          />
        )}
      </div>
      <Flown {...form} />
      {errors.pennant?.letters && <FieldError>{errors.pennant.letters.message}</FieldError>}
      {theirs && (
        <Theirs saveOver={saveOver} takeTheirs={takeTheirs}>
          {fill(say.theirsIs, {
            classTitle: classTitle(theirs.class),
            letters: theirs.class.pennant.letters,
          })}
        </Theirs>
      )}
      {problem && !theirs && <FieldError>{problem.title}</FieldError>}
      <p>
        <Button type="submit" kind="act" disabled={!isDirty || isSubmitting}>
          {say.saveTheChanges}
        </Button>
      </p>
    </form>
  );
}

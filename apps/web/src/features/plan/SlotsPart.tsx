import { ChoicePart } from '../../ui/choices.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { SheetForm } from './useSheetForm.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface SlotsPartProps {
  form: SheetForm;
}

function Minutes({ form: { draft, change, errorAt } }: SlotsPartProps) {
  const invalid = errorAt('slots.minutes', 'slots.gap') !== undefined;
  return (
    <>
      {' '}
      <Said
        as={say.minutesWithBetween}
        minutesSlot={
          <NumberPart
            label={say.minutesOfASlot}
            value={draft.slotMinutes}
            invalid={invalid}
            onChange={(slotMinutes) => change({ slotMinutes })}
          />
        }
        minutesBetween={
          <NumberPart
            label={say.minutesBetweenTwo}
            value={draft.slotGap}
            invalid={invalid}
            onChange={(slotGap) => change({ slotGap })}
          />
        }
      />
    </>
  );
}

/** Whether everybody meets at once, or one after the other in slots that they sign up for; of one on the books that is said on a page of its own. */
export function SlotsPart(props: SlotsPartProps) {
  const { draft, change, read } = props.form;
  if (read) return null;
  return (
    <>
      ,{' '}
      <ChoicePart
        label={say.allAtOnce}
        marked={draft.inSlots}
        value={draft.inSlots ? 'slots' : 'all'}
        choices={[
          { value: 'all', label: say.withAllAtOnce },
          { value: 'slots', label: say.inSlotsOf },
        ]}
        onChange={(value) => change({ inSlots: value === 'slots' })}
      />
      {draft.inSlots && <Minutes {...props} />}
    </>
  );
}

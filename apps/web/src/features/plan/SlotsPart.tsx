import { ChoicePart } from '../../ui/choices.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { SheetForm } from './useSheetForm.js';

interface SlotsPartProps {
  form: SheetForm;
}

function Minutes({ form: { draft, change, errorAt } }: SlotsPartProps) {
  const invalid = errorAt('slots.minutes', 'slots.gap') !== undefined;
  return (
    <>
      {' '}
      <NumberPart
        label="Minutes of a slot"
        value={draft.slotMinutes}
        invalid={invalid}
        onChange={(slotMinutes) => change({ slotMinutes })}
      />{' '}
      minutes with{' '}
      <NumberPart
        label="Minutes between two"
        value={draft.slotGap}
        invalid={invalid}
        onChange={(slotGap) => change({ slotGap })}
      />{' '}
      between
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
        label="All at once or in slots"
        marked={draft.inSlots}
        value={draft.inSlots ? 'slots' : 'all'}
        choices={[
          { value: 'all', label: 'with all at once' },
          { value: 'slots', label: 'in slots of' },
        ]}
        onChange={(value) => change({ inSlots: value === 'slots' })}
      />
      {draft.inSlots && <Minutes {...props} />}
    </>
  );
}

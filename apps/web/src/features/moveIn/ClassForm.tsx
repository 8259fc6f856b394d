import type { ClassItem, Me, Sent } from '@glen/contract';
import type { SchoolCalendar } from '@glen/core';
import { api } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField, WebAddressField } from '../../ui/TextField.js';
import { ChoicePart } from '../../ui/choices.js';
import { YearStrip } from './YearStrip.js';
import { readMeets, type Meets } from './readMeets.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Made = { class: ClassItem };
type Checked = Pick<Sent<'addClass'>, 'title' | 'room' | 'anyoneKnocks'>;

/** The form's fields; `when` is words, which become a plan as they are sent. */
interface Typed {
  title: string;
  when: string;
  room: string;
  anyoneKnocks: boolean;
}

const NOTHING: Typed = { title: '', when: '', room: '', anyoneKnocks: true };

const schema = async () =>
  (await import('@glen/contract/forms')).newClass.pick({
    title: true,
    room: true,
    anyoneKnocks: true,
  });

/** Whatever is wrong with the plan was typed as words. */
const fieldOf = (path: string): string => (path.startsWith('plan') ? 'when' : path);

const KNOCKING = [
  { value: 'yes', label: say.anyoneWithTheLinkKnocks },
  { value: 'no', label: say.nobodyGetsIn },
];

interface FormProps {
  me: Me;
  school: SchoolCalendar;
  /** What was made, and when it meets, if that was said. */
  onMade: (made: ClassItem, meets: Meets | undefined) => void;
}

/** The form, with the plan that its words come to. */
function useClassForm({ me, school, onMade }: FormProps) {
  const [add] = api.useAddClassMutation();
  const { date } = wallClock(useNow(), me.school.zone);
  const form = useServerForm<Typed, Checked, Made>({
    start: NOTHING,
    schema,
    send: (sent) => add({ body: { ...sent, ...(meets ? { plan: meets.plan } : {}) } }),
    onDone: ({ class: made }) => onMade(made, meets),
    fieldOf,
  });
  const { meets, wrong } = readMeets(form.watch('when'), { school, today: date });
  const submit = (event: React.SyntheticEvent): void => {
    if (wrong === undefined) return form.submit(event);
    event.preventDefault();
    form.setError('when', { message: wrong }, { shouldFocus: true });
  };
  return { ...form, meets, wrong, submit };
}

type Making = ReturnType<typeof useClassForm>;

const RoomField = ({ register, formState }: Making) => (
  <WebAddressField
    label={say.whereIsItsRoomMay}
    hint={say.whateverYouUseTodayStudents}
    error={formState.errors.room?.message}
    {...register('room')}
  />
);

const WhoComes = ({ watch, setValue }: Making) => (
  <div>
    <p className="text-sm font-semibold">{say.whoComes}</p>
    <p className="text-lg leading-sentence">
      <Said
        as={say.theRollWhichYouFill}
        untilRoll={
          <ChoicePart
            label={say.untilTheRollIsFilled}
            value={watch('anyoneKnocks') ? 'yes' : 'no'}
            onChange={(v) => setValue('anyoneKnocks', v === 'yes')}
            choices={KNOCKING}
          />
        }
      />
    </p>
  </div>
);

/** A class period in four fields, of which one must be filled: its link stands as soon as it is made. */
export function ClassForm(props: FormProps) {
  const making = useClassForm(props);
  const { register, formState, problem, submit, meets, wrong } = making;
  const { errors, isSubmitting } = formState;
  return (
    <form noValidate onSubmit={submit}>
      <div className="grid gap-x-7 gap-y-5 md:grid-cols-2">
        <TextField
          label={say.whatIsItCalled}
          error={errors.title?.message}
          autoFocus
          {...register('title')}
        />
        <RoomField {...making} />
        <TextField
          label={say.whenDoesItMeetMay}
          hint={meets?.words ?? say.inWordsSuchAs}
          error={errors.when?.message ?? wrong}
          {...register('when')}
        />
        <WhoComes {...making} />
      </div>
      {meets && <YearStrip school={props.school} dates={meets.dates} />}
      {problem && <FieldError>{problem.title}</FieldError>}
      <p className="mt-5 border-t border-dashed border-edge pt-5">
        <Button type="submit" kind="act" disabled={isSubmitting}>
          {say.makeItsLink}
        </Button>
      </p>
    </form>
  );
}

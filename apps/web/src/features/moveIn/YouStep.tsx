import type { SchoolCalendar } from '@glen/core';
import type { Calendar, Me, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import type { MovingIn } from './useMoveInDraft.js';
import * as say from './words.js';

type You = Sent<'finishMoveIn'>['you'];

interface StepProps {
  token: string;
  moving: MovingIn;
  calendar: SchoolCalendar;
  onDone: (me: Me) => void;
}

/** The server says `you.email`; here the field is called `email`. */
const fieldOf = (path: string): string => path.replace(/^you\./, '');

const youSchema = async () => (await import('@glen/contract/forms')).movedIn.shape.you;

/** The first account, as it is typed; sending it makes the school. */
function useYouForm({ token, moving: { draft }, calendar, onDone }: StepProps) {
  const [finish] = api.useFinishMoveInMutation();
  const school = { ...draft.school, region: draft.school.region || null };
  return useServerForm<You, You, Me>({
    start: { ...draft.you, password: '' },
    schema: youSchema,
    send: (you) =>
      finish({ params: { token }, body: { school, calendar: calendar as Calendar, you } }),
    onDone,
    fieldOf,
  });
}

/** Page 3: you. It makes the school, and from then on the address for moving in is dead. */
export function YouStep(props: StepProps) {
  const { register, formState, problem, submit } = useYouForm(props);
  const { errors, isSubmitting } = formState;
  const { alone } = props.moving.draft.school;
  /** Kept as it is typed; the password is not. */
  const kept = (field: 'name' | 'email') =>
    register(field, {
      onChange: (e: { target: { value: string } }) =>
        props.moving.change('you', { [field]: e.target.value }),
    });
  return (
    <form className="grid max-w-xl gap-4" noValidate onSubmit={submit}>
      <TextField
        label={say.whatAreYouCalled}
        error={errors.name?.message}
        autoFocus
        autoComplete="name"
        {...kept('name')}
      />
      <TextField
        label={say.yourAddress}
        hint={say.youSignInWithIt}
        error={errors.email?.message}
        type="email"
        autoComplete="username"
        {...kept('email')}
      />
      <TextField
        label={say.aPassword}
        hint={say.severalWordsAreEasy}
        error={errors.password?.message}
        type="password"
        autoComplete="new-password"
        {...register('password')}
      />
      {problem && (
        <FieldError>
          {problem.title} {problem.detail}
        </FieldError>
      )}
      <p>
        <Button type="submit" kind="act" disabled={isSubmitting}>
          {alone ? say.makeIt : say.makeTheSchool}
        </Button>
      </p>
    </form>
  );
}

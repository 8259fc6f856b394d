import type { Answer, Sent } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import * as say from './words.js';

type Typed = Sent<'changePassword'>;

const START: Typed = { now: '', next: '' };

const schema = async () => (await import('@glen/contract/forms')).changePasswordBody;

/** Another password for the account in use, by the one it has. */
export function NewPassword({ email }: { email: string }) {
  const [change] = api.useChangePasswordMutation();
  const form = useServerForm<Typed, Typed, Answer<'changePassword'>>({
    start: START,
    schema,
    send: (body) => change({ body }),
    onDone: () => {
      form.reset(START);
      toast(say.thePasswordIsChanged);
    },
  });
  const { register, formState, problem, submit } = form;
  const { errors, isSubmitting } = formState;
  return (
    <form className="flex flex-wrap items-start gap-3" noValidate onSubmit={submit}>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <div className="w-64">
        <TextField
          label={say.thePasswordNow}
          type="password"
          autoComplete="current-password"
          error={errors.now?.message}
          {...register('now')}
        />
      </div>
      <div className="w-64">
        <TextField
          label={say.theNewPassword}
          type="password"
          autoComplete="new-password"
          error={errors.next?.message}
          {...register('next')}
        />
      </div>
      <Button type="submit" className="mt-6 py-2" disabled={isSubmitting}>
        {say.changeIt}
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

type First = Sent<'firstPassword'>;

const firstSchema = async () => (await import('@glen/contract/forms')).firstPasswordBody;

/** A password for an account to which there is no way in yet. */
export function FirstPassword({ email }: { email: string }) {
  const [set] = api.useFirstPasswordMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<
    First,
    First,
    Answer<'firstPassword'>
  >({
    start: { next: '' },
    schema: firstSchema,
    send: (body) => set({ body }),
    onDone: () => void toast(say.fromNowOnYouSign),
  });
  return (
    <form className="flex flex-wrap items-start gap-3" noValidate onSubmit={submit}>
      <input type="hidden" name="username" autoComplete="username" value={email} readOnly />
      <div className="w-64">
        <TextField
          label={say.aPassword}
          type="password"
          autoComplete="new-password"
          error={errorAt('next')}
          {...register('next')}
        />
      </div>
      <Button type="submit" className="mt-6 py-2" disabled={isSending}>
        {say.setThePassword}
      </Button>
      {problem && errorAt('next') === undefined && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

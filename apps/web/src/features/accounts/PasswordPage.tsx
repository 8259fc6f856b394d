import { useNavigate, useParams } from 'react-router';
import type { Answer, Me, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Loaded } from '../../app/Loaded.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Typed = Sent<'setPassword'>;

const schema = async () => (await import('@glen/contract/forms')).newPasswordBody;

interface FormProps {
  token: string;
  whose: Answer<'passwordFor'>;
}

function PasswordForm({ token, whose }: FormProps) {
  const navigate = useNavigate();
  const [set] = api.useSetPasswordMutation();
  const { register, formState, problem, submit } = useServerForm<Typed, Typed, Me>({
    start: { password: '' },
    schema,
    send: (body) => set({ params: { token }, body }),
    onDone: () => {
      restartLive();
      void navigate('/', { replace: true });
    },
  });
  return (
    <form className="mt-5 grid gap-4" noValidate onSubmit={submit}>
      <input type="hidden" name="username" autoComplete="username" value={whose.email} readOnly />
      <TextField
        label={say.yourNewPassword}
        hint={say.severalWordsAreEasy}
        error={formState.errors.password?.message}
        autoFocus
        type="password"
        autoComplete="new-password"
        {...register('password')}
      />
      {problem && <FieldError>{problem.title}</FieldError>}
      <Button type="submit" kind="act" disabled={formState.isSubmitting}>
        {say.setItAndGoIn}
      </Button>
    </form>
  );
}

/** Setting a password by the one-time address that somebody was given. */
export default function PasswordPage() {
  const token = useParams().token ?? '';
  const asked = api.usePasswordForQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-9">
      <Loaded asked={asked} lines={3} isPart>
        {(whose) => (
          <>
            <p className="text-soft">{whose.school}</p>
            <ScreenTitle tab={say.chooseAPassword}>
              {fill(say.helloWhose, { whose: whose.name })}
            </ScreenTitle>
            <p className="mt-2">
              <Said as={say.youSignInAsChoose} email={<b className="break-all">{whose.email}</b>} />
            </p>
            <PasswordForm token={token} whose={whose} />
          </>
        )}
      </Loaded>
    </main>
  );
}

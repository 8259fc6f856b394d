import { useNavigate, useParams } from 'react-router';
import type { Answer, Me, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Loaded } from '../../app/Loaded.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TextField } from '../../ui/TextField.js';

type Typed = Sent<'comeAsGuest'>;
type Invitation = Answer<'guestFor'>;

const schema = async () => (await import('@glen/contract/forms')).comeAsGuestBody;

function NameForm({ token, code }: { token: string; code: string }) {
  const navigate = useNavigate();
  const [come] = api.useComeAsGuestMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<Typed, Typed, Me>({
    start: { name: '' },
    schema,
    send: (body) => come({ params: { token }, body }),
    onDone: () => {
      restartLive();
      void navigate(`/door/${code}`, { replace: true });
    },
  });
  return (
    <form className="mt-5 grid gap-4" noValidate onSubmit={submit}>
      <TextField
        label="What you are called"
        hint="By this name the host lets you in, and others inside see you."
        maxLength={120}
        autoComplete="name"
        autoFocus
        error={errorAt('name')}
        {...register('name')}
      />
      {problem && errorAt('name') === undefined && <FieldError>{problem.title}</FieldError>}
      <Button type="submit" kind="act" disabled={isSending}>
        This is me: to the door
      </Button>
    </form>
  );
}

const Invited = ({ token, to }: { token: string; to: Invitation }) => (
  <>
    <p className="text-soft">{to.school}</p>
    <ScreenTitle tab={`You are invited: ${to.title}`}>You are invited: {to.title}</ScreenTitle>
    <p className="mt-2">
      {to.host} invites <b className="break-all">{to.email}</b>. If that is not you, close this
      page: the address works once.
    </p>
    {to.signsIn ? (
      <>
        <p className="mt-3">
          There is an account with this address already. Sign in with it there.
        </p>
        <p className="mt-4">
          <a className={buttonClass('act')} href={`/door/${to.code}`}>
            To the door
          </a>
        </p>
      </>
    ) : (
      <NameForm token={token} code={to.code} />
    )}
  </>
);

/** Coming as a guest, by the one-time address that a host has sent. */
export default function GuestPage() {
  const token = useParams().token ?? '';
  const asked = api.useGuestForQuery({ params: { token } });
  return (
    <main id="main" className="mx-auto min-h-dvh max-w-md px-5 py-9">
      <Loaded asked={asked} lines={3} isPart>
        {(to) => <Invited token={token} to={to} />}
      </Loaded>
    </main>
  );
}

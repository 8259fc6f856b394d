import { useNavigate, useParams } from 'react-router';
import type { Answer, Me, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Loaded } from '../../app/Loaded.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { TextField } from '../../ui/TextField.js';
import { YesOrNo, type YesNo } from './YesOrNo.js';
import { fill, list } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Typed = Sent<'comeAsGuest'>;
type Invitation = Answer<'guestFor'>;

const doorOf = ({ code, watches }: Invitation): string => `/${watches ? 'watch' : 'door'}/${code}`;

const schema = async () => (await import('@glen/contract/forms')).comeAsGuestBody;

function NameForm({ token, to }: { token: string; to: Invitation }) {
  const navigate = useNavigate();
  const [come] = api.useComeAsGuestMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<Typed, Typed, Me>({
    start: { name: to.name },
    schema,
    send: (body) => come({ params: { token }, body }),
    onDone: () => {
      restartLive();
      void navigate(doorOf(to), { replace: true });
    },
  });
  return (
    <form className="mt-5 grid gap-4" noValidate onSubmit={submit}>
      <TextField
        label={say.whatYouAreCalled}
        hint={say.byThisNameTheHost}
        maxLength={120}
        autoComplete="name"
        autoFocus
        error={errorAt('name')}
        {...register('name')}
      />
      {problem && errorAt('name') === undefined && <FieldError>{problem.title}</FieldError>}
      <Button type="submit" kind="act" disabled={isSending}>
        {say.thisIsMe}
      </Button>
    </form>
  );
}

/** Saying beforehand whether one will come; the address works on. */
function WillYouCome({ token, said }: { token: string; said: YesNo }) {
  const [answer, { error }] = api.useSayAsGuestMutation();
  return (
    <YesOrNo
      label={say.willYouCome}
      said={said}
      problem={problemOf(error)}
      onSay={(next) => void answer({ params: { token }, body: { said: next } })}
    />
  );
}

const Invited = ({ token, to }: { token: string; to: Invitation }) => (
  <>
    <p className="text-soft">{to.school}</p>
    <ScreenTitle tab={fill(say.youAreInvited, { to: to.title })}>
      {fill(say.youAreInvited, { to: to.title })}
    </ScreenTitle>
    <p className="mt-2">
      <Said
        as={to.when.length > 0 ? say.invitesOn : say.invites}
        host={to.host}
        email={<b className="[overflow-wrap:anywhere]">{to.email}</b>}
        dates={list(to.when)}
      />
    </p>
    <WillYouCome token={token} said={to.said} />
    {to.signsIn ? (
      <>
        <p className="mt-3">{say.thereIsAnAccount}</p>
        <p className="mt-4">
          <a className={buttonClass('act')} href={doorOf(to)}>
            {say.toTheDoor}
          </a>
        </p>
      </>
    ) : (
      <NameForm token={token} to={to} />
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

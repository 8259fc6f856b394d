import { useState, type ReactNode } from 'react';
import { rolesInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { hasPasskeys } from '../../app/passkeys.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { kindInWords } from './kindInWords.js';
import { PasskeySignIn } from './PasskeySignIn.js';
import { SignOnButtons } from './SignOnButtons.js';
import { SignOnTroubleNote } from './SignOnTrouble.js';
import { SignedOutThere } from './SignedOutThere.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type DemoPerson = Answer<'demoPeople'>['people'][number];

interface Typed {
  email: string;
  password: string;
}

/** Signing in by password. */
function PasswordForm({ onDone }: { onDone?: () => void }) {
  const [signIn] = api.useSignInMutation();
  const { register, errorAt, problem, isSending, submit } = useServerForm<Typed, Typed, unknown>({
    start: { email: '', password: '' },
    send: (body) => signIn({ body }),
    onDone: () => {
      restartLive();
      onDone?.();
    },
  });
  return (
    <form className="grid gap-4" noValidate onSubmit={submit}>
      <TextField
        label={say.address}
        error={errorAt('email')}
        type="email"
        autoComplete="username"
        {...register('email')}
      />
      <TextField
        label={say.password}
        error={errorAt('password')}
        type="password"
        autoComplete="current-password"
        {...register('password')}
      />
      {problem && <FieldError>{problem.title}</FieldError>}
      <Button type="submit" kind="act" disabled={isSending}>
        {say.signIn}
      </Button>
    </form>
  );
}

interface SignInProps {
  me: Me;
  /** The kind of account that is wanted here: its provider stands out. */
  wanted?: 'school' | 'personal' | undefined;
  /** Whether a provider of a kind asks who they are, though it knows them already. */
  asksAnew?: (kind: 'school' | 'personal') => boolean;
  onDone?: () => void;
}

/** All ways of signing in that there are; on a page of their own, and at a door, where the link is kept. */
export function SignInWays({ me, wanted, asksAnew, onDone }: SignInProps) {
  const { providers, passwords } = me.ways;
  const mayUsePasskey = me.ways.passkeys === 'open' && hasPasskeys();
  const stands = providers.some(({ kind }) => kind === wanted);
  return (
    <div className="grid gap-5">
      <div className="grid gap-2">
        <SignOnButtons providers={providers} wanted={wanted} asksAnew={asksAnew} />
        {mayUsePasskey && <PasskeySignIn onDone={onDone} />}
      </div>
      {passwords && (
        <ByPassword isFolded={stands} isAlone={providers.length === 0 && !mayUsePasskey}>
          <PasswordForm {...(onDone ? { onDone } : {})} />
        </ByPassword>
      )}
    </div>
  );
}

interface ByPasswordProps {
  /** Another way in stands out: this one is a press away. */
  isFolded: boolean;
  isAlone: boolean;
  children: ReactNode;
}

function ByPassword({ isFolded, isAlone, children }: ByPasswordProps) {
  const [isOpen, setOpen] = useState(!isFolded);
  if (isOpen)
    return (
      <div className="grid gap-3">
        {!isAlone && <p className="text-soft">{say.orByAddressAndPassword}</p>}
        {children}
      </div>
    );
  return (
    <p>
      <Button kind="link" onClick={() => setOpen(true)}>
        {say.byAddressAndPassword}
      </Button>
    </p>
  );
}

function DemoPersonRow({
  person,
  onDone,
}: {
  person: DemoPerson;
  onDone?: (() => void) | undefined;
}) {
  const [signInAs, { isLoading }] = api.useDemoSignInMutation();
  return (
    <li className="flex flex-wrap items-center gap-2 border-b border-line py-1.5">
      <span className="min-w-0 flex-1">
        {person.name} <span className="text-sm text-soft">{rolesInWords(person.roles)}</span>
      </span>
      {person.accounts.map((a) => (
        <Button
          key={a.id}
          disabled={isLoading}
          aria-label={fill(say.signInAs, { person: person.name, kind: kindInWords(a.kind) })}
          className="!px-2 !py-0.5 !text-sm"
          onClick={() =>
            void signInAs({ body: { accountId: a.id } }).then(() => {
              restartLive();
              onDone?.();
            })
          }
        >
          {a.kind === 'school' ? say.school : say.home}
        </Button>
      ))}
    </li>
  );
}

/** The demo’s people, one click each. */
export function DemoPeople({ onDone }: { onDone?: () => void }) {
  const { data } = api.useDemoPeopleQuery();
  const [find, setFind] = useState('');
  const wanted = (data?.people ?? []).filter((p) =>
    p.name.toLowerCase().includes(find.trim().toLowerCase()),
  );
  return (
    <section aria-label={say.peopleOfTheDemo} className="min-w-0">
      <h2 className="text-lg">{say.orBeSomeone}</h2>
      <input
        type="search"
        aria-label={say.findAPerson}
        placeholder={say.findAPerson}
        className={`${inputClass} mt-2`}
        value={find}
        onChange={(e) => setFind(e.target.value)}
      />
      <ul className="mt-2 h-90 overflow-auto" tabIndex={0} aria-label={say.people}>
        {wanted.map((p) => (
          <DemoPersonRow key={p.id} person={p} onDone={onDone} />
        ))}
      </ul>
    </section>
  );
}

export function SignInPage({ me }: { me: Me }) {
  return (
    <main id="main" className="mx-auto grid min-h-dvh max-w-4xl content-center gap-8 px-6 py-10">
      <header className="flex items-center gap-3">
        <img src="/mark.svg" alt="" width="44" height="44" />
        <div>
          <ScreenTitle tab={say.signIn} size="large">
            {say.glen}
          </ScreenTitle>
          <p className="text-soft">{fill(say.theDoorsToYourOnline, { school: me.school.name })}</p>
        </div>
      </header>
      <div className={`grid gap-10 ${me.demo ? 'md:grid-cols-2' : 'max-w-md'}`}>
        <section aria-label={say.signIn}>
          <h2 className="mb-3 text-lg">{say.signIn}</h2>
          <SignedOutThere />
          <SignOnTroubleNote me={me} />
          <SignInWays me={me} />
        </section>
        {me.demo && <DemoPeople />}
      </div>
      <p className="text-soft">
        <Said
          as={say.hereForALessonFollow}
          what={(text) => (
            <a className="text-bracken-deep underline" href="/door">
              {text}
            </a>
          )}
        />
      </p>
    </main>
  );
}

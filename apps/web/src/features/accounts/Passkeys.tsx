import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { hasPasskeys, makePasskey } from '../../app/passkeys.js';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Passkey = Answer<'passkeys'>['passkeys'][number];

interface Named {
  name: string;
}

const schema = async () => (await import('@glen/contract/forms')).renamePasskeyBody;

function Rename({ passkey, onDone }: { passkey: Passkey; onDone: () => void }) {
  const [rename] = api.useRenamePasskeyMutation();
  const { register, errorAt, submit } = useServerForm<Named, Named, unknown>({
    start: { name: passkey.name },
    schema,
    send: (body) => rename({ params: { passkeyId: passkey.id }, body }),
    onDone,
  });
  return (
    <form className="flex flex-wrap items-end gap-3" noValidate onSubmit={submit}>
      <div className="w-64">
        <TextField
          label={say.whatYouCallIt}
          className="!py-1.5"
          maxLength={80}
          autoFocus
          error={errorAt('name')}
          {...register('name')}
        />
      </div>
      <Button type="submit">{say.saveTheName}</Button>
      <Button kind="link" onClick={onDone}>
        {say.asItWas}
      </Button>
    </form>
  );
}

function standing({ isShared, addedAt, usedAt }: Passkey, zone: string): string {
  const on = (instant: string): string => dateInWords(wallClock(instant, zone).date);
  const used = usedAt === null ? say.notUsedYet : fill(say.lastUsed, { on: on(usedAt) });
  return [fill(say.addedOn, { on: on(addedAt) }), used, isShared ? say.onYourOtherDevicesToo : '']
    .filter(Boolean)
    .join(', ');
}

function Row({ passkey, zone }: { passkey: Passkey; zone: string }) {
  const [remove, { error, isLoading }] = api.useRemovePasskeyMutation();
  const [isNaming, setNaming] = useState(false);
  const problem = problemOf(error);
  if (isNaming)
    return (
      <li className="border-t border-line py-3">
        <Rename passkey={passkey} onDone={() => setNaming(false)} />
      </li>
    );
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-3">
      <div className="min-w-52 flex-1">
        <b>{passkey.name}</b>
        <p className="text-sm text-soft">{standing(passkey, zone)}</p>
        {problem && <FieldError>{problem.title}</FieldError>}
      </div>
      <Button
        kind="link"
        aria-label={fill(say.renamePasskey, { passkey: passkey.name })}
        onClick={() => setNaming(true)}
      >
        {say.rename}
      </Button>
      <Button
        kind="danger-link"
        disabled={isLoading}
        aria-label={fill(say.takeAway, { passkey: passkey.name })}
        onClick={() => void remove({ params: { passkeyId: passkey.id } })}
      >
        {say.takeAwayShort}
      </Button>
    </li>
  );
}

/** Makes one on this device, under a name by which its owner knows the device again. */
function Another() {
  const [ask] = api.usePasskeyOptionsMutation();
  const [add] = api.useAddPasskeyMutation();
  const form = useServerForm<Named, Named, unknown>({
    start: { name: '' },
    schema,
    send: async ({ name }) => {
      const { data, error } = await ask();
      if (!data) return { error };
      const response = await makePasskey(data.options);
      // What was typed stays.
      if (!response) return { error: wrongAt('name', say.noPasskeyWasMade) };
      return add({ body: { name, response } });
    },
    onDone: () => form.reset({ name: '' }),
  });
  const { register, errorAt, problem, isSending, submit } = form;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-3" noValidate onSubmit={submit}>
      <div className="w-64">
        <TextField
          label={say.aPasskeyOnThisDevice}
          placeholder={say.myPhone}
          className="!py-1.5"
          maxLength={80}
          error={errorAt('name')}
          {...register('name')}
        />
      </div>
      <Button type="submit" disabled={isSending}>
        {say.addThePasskey}
      </Button>
      {problem && errorAt('name') === undefined && <FieldError>{problem.title}</FieldError>}
    </form>
  );
}

function OwnPasskeys({ zone }: { zone: string }) {
  const asked = api.usePasskeysQuery();
  return (
    <>
      <Loaded asked={asked} isPart>
        {({ passkeys }) => (
          <ul>
            {passkeys.map((passkey) => (
              <Row key={passkey.id} passkey={passkey} zone={zone} />
            ))}
          </ul>
        )}
      </Loaded>
      {hasPasskeys() ? <Another /> : <p>{say.thisBrowserHasNoPasskeys}</p>}
    </>
  );
}

/** Why there are none. */
const WHY_NONE = say.whyNone;

/** The passkeys of the account in use. */
export function Passkeys({ me }: { me: Me }) {
  const { passkeys } = me.ways;
  return (
    <section aria-label={say.passkeys}>
      <h2 className="mb-2 text-xl">{say.passkeys}</h2>
      {passkeys === 'open' ? (
        <>
          <p className="mb-3 text-soft">{say.signInByWhatUnlocks}</p>
          <OwnPasskeys zone={me.school.zone} />
        </>
      ) : (
        <p className="text-soft">{WHY_NONE[passkeys]}</p>
      )}
    </section>
  );
}

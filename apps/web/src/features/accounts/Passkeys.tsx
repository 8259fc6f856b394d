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
          label="What you call it"
          className="!py-1.5"
          maxLength={80}
          autoFocus
          error={errorAt('name')}
          {...register('name')}
        />
      </div>
      <Button type="submit">Call it so</Button>
      <Button kind="link" onClick={onDone}>
        As it was
      </Button>
    </form>
  );
}

function standing({ isShared, addedAt, usedAt }: Passkey, zone: string): string {
  const on = (instant: string): string => dateInWords(wallClock(instant, zone).date);
  const used = usedAt === null ? 'not used yet' : `last used ${on(usedAt)}`;
  return [`added ${on(addedAt)}`, used, isShared ? 'on your other devices too' : '']
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
      <Button kind="link" aria-label={`Rename ${passkey.name}`} onClick={() => setNaming(true)}>
        Rename
      </Button>
      <Button
        kind="danger-link"
        disabled={isLoading}
        aria-label={`Take away ${passkey.name}`}
        onClick={() => void remove({ params: { passkeyId: passkey.id } })}
      >
        Take away
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
      if (!response) return { error: wrongAt('name', 'No passkey was made.') };
      return add({ body: { name, response } });
    },
    onDone: () => form.reset({ name: '' }),
  });
  const { register, errorAt, problem, isSending, submit } = form;
  return (
    <form className="mt-2 flex flex-wrap items-end gap-3" noValidate onSubmit={submit}>
      <div className="w-64">
        <TextField
          label="A passkey on this device, called"
          placeholder="My phone"
          className="!py-1.5"
          maxLength={80}
          error={errorAt('name')}
          {...register('name')}
        />
      </div>
      <Button type="submit" disabled={isSending}>
        Add it
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
      {hasPasskeys() ? <Another /> : <p>This browser has no passkeys.</p>}
    </>
  );
}

/** Why there are none. */
const WHY_NONE = {
  'no-domain':
    'There are none here: a passkey belongs to a name, and people reach this Glen by a number or without https.',
  shut: 'The school takes none.',
};

/** The passkeys of the account in use. */
export function Passkeys({ me }: { me: Me }) {
  const { passkeys } = me.ways;
  return (
    <section aria-label="Passkeys">
      <h2 className="mb-2 text-xl">Passkeys</h2>
      {passkeys === 'open' ? (
        <>
          <p className="mb-3 text-soft">
            Sign in by what unlocks your device, without typing anything.
          </p>
          <OwnPasskeys zone={me.school.zone} />
        </>
      ) : (
        <p className="text-soft">{WHY_NONE[passkeys]}</p>
      )}
    </section>
  );
}

import { useState } from 'react';
import { api, problemOf } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { askForPasskey } from '../../app/passkeys.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import * as say from './words.js';

/** Signs in by a passkey: the browser shows those that it has for this school. */
export function PasskeySignIn({ onDone }: { onDone?: (() => void) | undefined }) {
  const [ask, asked] = api.usePasskeySignInOptionsMutation();
  const [signIn, signedIn] = api.usePasskeySignInMutation();
  const [isUnused, setUnused] = useState(false);
  const problem = problemOf(asked.error ?? signedIn.error);
  const press = async (): Promise<void> => {
    setUnused(false);
    const { data } = await ask();
    if (!data) return;
    const response = await askForPasskey(data.options);
    if (!response) return setUnused(true);
    const done = await signIn({ body: { response } });
    if (!done.data) return;
    restartLive();
    onDone?.();
  };
  return (
    <div>
      <Button
        className="w-full !py-2"
        disabled={asked.isLoading || signedIn.isLoading}
        onClick={() => void press()}
      >
        {say.useAPasskey}
      </Button>
      {isUnused && <p className="mt-1 text-sm text-soft">{say.noPasskeyWasUsed}</p>}
      {problem && <FieldError>{problem.title}</FieldError>}
    </div>
  );
}

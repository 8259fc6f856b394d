import { useState } from 'react';
import type { Answer } from '@glen/contract';
import { buttonClass } from '../../ui/Button.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type There = NonNullable<Answer<'signOut'>['there']>;

const KEY = 'glen-signed-out';

/** Where else somebody may sign out who has just signed out here: said once, in this tab. */
export function keepSignedOut(answer: Answer<'signOut'> | undefined): void {
  if (answer?.there) sessionStorage.setItem(KEY, JSON.stringify(answer.there));
}

function takeSignedOut(): There | null {
  const kept = sessionStorage.getItem(KEY);
  sessionStorage.removeItem(KEY);
  return kept === null ? null : (JSON.parse(kept) as There);
}

/** After signing out: the provider may still know who sits here, and lets them in again at one press. */
export function SignedOutThere() {
  const [there] = useState(takeSignedOut);
  if (!there) return null;
  return (
    <div role="status" className="mb-4 rounded-small border border-line bg-shade p-3.5">
      <p>{fill(say.youAreSignedOut, { there: there.name })}</p>
      <p className="mt-2">
        <a className={buttonClass()} href={there.address}>
          {fill(say.signOutOfToo, { there: there.name })}
        </a>
      </p>
    </div>
  );
}

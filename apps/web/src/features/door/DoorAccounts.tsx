import { useState } from 'react';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Button } from '../../ui/Button.js';
import { kindInWords } from '../accounts/AccountMenu.js';
import { DemoPeople, SignInForm } from '../accounts/SignIn.js';

/** Which account stands at the door, and a way to another without losing the link. */
export function DoorAccounts({ me, reason }: { me: Me; reason: string }) {
  const [switchTo] = api.useSwitchAccountMutation();
  const [other, setOther] = useState(false);
  const asks = reason === 'sign-in' || reason === 'use-school-account';
  const others = me.accounts.filter((a) => a.id !== me.account?.id);
  return (
    <section aria-label="Your account" className="mt-5 border-t border-line pt-4">
      {me.account ? (
        <p>
          You are <b>{me.person?.name}</b>,{' '}
          <span className="whitespace-nowrap">{kindInWords(me.account.kind)}</span>
          <br />
          <span className="text-sm break-all text-soft">{me.account.email}</span>
        </p>
      ) : (
        <p>You are not signed in.</p>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        {others.map((a) => (
          <Button
            key={a.id}
            kind={asks && a.kind === 'school' ? 'act' : 'plain'}
            className="max-w-full"
            onClick={() => void switchTo({ body: { accountId: a.id } }).then(restartLive)}
          >
            <span className="truncate">Use {a.email}</span>
          </Button>
        ))}
        {!other && !(asks && others.length === 0) && (
          <Button kind="link" onClick={() => setOther(true)}>
            {me.account ? 'Come in as somebody else' : 'Sign in'}
          </Button>
        )}
      </div>
      {(other || (asks && others.length === 0)) && (
        <div className="mt-4 grid gap-6">
          <SignInForm onDone={() => setOther(false)} />
          {me.demo && <DemoPeople onDone={() => setOther(false)} />}
        </div>
      )}
    </section>
  );
}

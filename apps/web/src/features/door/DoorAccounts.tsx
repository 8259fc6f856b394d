import { useState } from 'react';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Button } from '../../ui/Button.js';
import { kindInWords } from '../accounts/kindInWords.js';
import { DemoPeople, SignInWays } from '../accounts/SignIn.js';
import { SignOnTroubleNote } from '../accounts/SignOnTrouble.js';
import { useWrongHere } from './wrongHere.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Door = Answer<'door'>;

/** Refusals that another account could mend. */
const OTHER_ACCOUNT = ['sign-in', 'use-school-account', 'not-on-roll', 'not-invited'];
/** Those that ask for one before anything else is done. */
const ASKS = ['sign-in', 'use-school-account'];

/** The kind of account that a door asks for; nothing where any will do. */
const kindWanted = ({ rules }: Door): 'school' | undefined =>
  ['roll', 'school', 'invited'].includes(rules.whoMayEnter) ? 'school' : undefined;

const InUse = ({ me }: { me: Me }) =>
  me.account ? (
    <p>
      <Said
        as={say.youAre}
        person={<b>{me.person?.name}</b>}
        kind={<span className="whitespace-nowrap">{kindInWords(me.account.kind)}</span>}
      />
      <br />
      <span className="text-sm break-all text-soft">{me.account.email}</span>
    </p>
  ) : (
    <p>{say.youAreNotSignedIn}</p>
  );

/** For whoever has no account of the kind that is asked for. */
const NoneOfThese = ({ me, door }: { me: Me; door: Door }) => (
  <p className="text-soft">
    {fill(say.noSchoolAccountOrLost, { help: me.school.help || door.host || say.yourSchool })}
  </p>
);

/** Which account stands at the door, and a way to another without losing the link. */
export function DoorAccounts({ me, door }: { me: Me; door: Door }) {
  const [switchTo] = api.useSwitchAccountMutation();
  const [isOther, setOther] = useState(false);
  const { reason } = door.decision;
  const isWrong = OTHER_ACCOUNT.includes(reason);
  const wanted = kindWanted(door);
  const wrongHere = useWrongHere(door.code, {
    refused: isWrong ? me.account : null,
    taken: isWrong ? null : me.account,
  });
  const others = me.accounts.filter((a) => a.id !== me.account?.id && !wrongHere.is(a));
  const isAsked = ASKS.includes(reason) && others.length === 0;
  const isOpen = isOther || isAsked;
  return (
    <section aria-label={say.yourAccount} className="mt-5 border-t border-line pt-4">
      <SignOnTroubleNote me={me} />
      <InUse me={me} />
      <div className="mt-2 flex flex-wrap gap-2">
        {others.map((a) => (
          <Button
            key={a.id}
            kind={isWrong && a.kind === (wanted ?? a.kind) ? 'act' : 'plain'}
            className="max-w-full"
            onClick={() => void switchTo({ body: { accountId: a.id } }).then(restartLive)}
          >
            <span className="truncate">{fill(say.useEmail, { email: a.email })}</span>
          </Button>
        ))}
        {!isOpen && (
          <Button kind="link" onClick={() => setOther(true)}>
            {me.account ? say.comeInAsSomebodyElse : say.signIn}
          </Button>
        )}
      </div>
      {isOpen && (
        <div className="mt-4 grid gap-6">
          <SignInWays
            me={me}
            wanted={wanted}
            // Whom a provider would bring back again was wrong here, or is to be somebody else now.
            asksAnew={(kind) => wrongHere.kinds.has(kind) || me.account?.kind === kind}
            onDone={() => setOther(false)}
          />
          {isWrong && wanted && <NoneOfThese me={me} door={door} />}
          {me.demo && <DemoPeople onDone={() => setOther(false)} />}
        </div>
      )}
    </section>
  );
}

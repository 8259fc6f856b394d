import { Popover } from 'radix-ui';
import { Link } from 'react-router';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { restartLive } from '../../app/live.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { kindInWords } from './kindInWords.js';
import { useSignOut } from './useSignOut.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** Which account is in use, always in sight; the others one step away. */
export function AccountMenu({ me, tone = 'bar' }: { me: Me; tone?: 'bar' | 'page' }) {
  const [switchTo] = api.useSwitchAccountMutation();
  const signOut = useSignOut();
  if (!me.person || !me.account) return null;
  const others = me.accounts.filter((a) => a.id !== me.account!.id);
  const soft = tone === 'bar' ? 'text-bar-well' : 'text-soft';
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`min-w-0 rounded-small px-1.5 py-0.5 text-left text-sm leading-tight max-half:min-h-11 ${tone === 'bar' ? 'text-bar-ink' : 'text-ink'}`}
      >
        <span className="block max-w-48 truncate">{me.person.name}</span>
        <span className={`block truncate ${soft}`}>{kindInWords(me.account.kind)}</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={8}
          align="end"
          className="z-30 grid w-72 gap-2 rounded-big border border-line bg-sheet p-4 text-ink shadow-soft"
          aria-label={say.yourAccounts}
        >
          <p className="text-sm text-soft">
            {fill(say.inUseKind, { kind: kindInWords(me.account.kind) })}
          </p>
          <p className="font-semibold break-all">{me.account.email}</p>
          {others.map((a) => (
            <Button
              key={a.id}
              onClick={() => void switchTo({ body: { accountId: a.id } }).then(restartLive)}
            >
              <span className="min-w-0 truncate">{fill(say.useEmail, { email: a.email })}</span>
            </Button>
          ))}
          <Popover.Close asChild>
            <Link to="/word" className={buttonClass()}>
              {say.wordForYou}
            </Link>
          </Popover.Close>
          <Popover.Close asChild>
            <Link to="/account" className={buttonClass()}>
              {say.yourAccount}
            </Link>
          </Popover.Close>
          <Button onClick={signOut}>{say.signOut}</Button>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

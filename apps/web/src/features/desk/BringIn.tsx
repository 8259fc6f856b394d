import { Popover } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Field, FieldError, inputClass } from '../../ui/Field.js';
import { copyAddress } from '../link/copy.js';
import { deskCard } from './HandOver.js';
import type { Desk } from './useDesk.js';

type Brought = Answer<'bringIn'> & { email: string | null };

/** Brings somebody to the running session by name or by mail address; whoever is from outside is named so before. */
export function BringIn({ desk, linkId }: { desk: Desk; linkId: number }) {
  const [bringIn, { error, isLoading, reset }] = api.useBringInMutation();
  const [typed, setTyped] = useState('');
  const [brought, setBrought] = useState<Brought>();
  const wanted = useDeferredValue(typed.trim());
  const isAddress = wanted.includes('@');
  const { data } = api.useFindQuery(
    { query: { q: wanted } },
    { skip: wanted.length < 2 || isAddress },
  );
  const people = isAddress ? [] : (data?.people ?? []);
  const send = async (
    body: { personId: number } | { email: string },
    email: string | null,
  ): Promise<void> => {
    const { data: answer } = await bringIn({ params: { linkId }, body });
    if (!answer) return;
    setBrought({ ...answer, email });
    setTyped('');
  };
  const mailto = (to: string): string =>
    `mailto:${encodeURIComponent(to)}?subject=${encodeURIComponent(desk.title)}&body=${encodeURIComponent(`Come in here: ${desk.link.address}`)}`;
  return (
    <Popover.Root
      onOpenChange={() => {
        reset();
        setBrought(undefined);
        setTyped('');
      }}
    >
      <Popover.Trigger className={buttonClass()}>Bring in…</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label="Bring somebody in"
        >
          <Field label="Name or mail address" hint="They may come in without knocking, this once.">
            {(p) => (
              <input
                {...p}
                className={inputClass}
                autoComplete="off"
                value={typed}
                onChange={(e) => {
                  setTyped(e.target.value);
                  setBrought(undefined);
                }}
              />
            )}
          </Field>
          {people.length > 0 && !brought && (
            <ul className="grid gap-1">
              {people.map((p) => (
                <li key={p.id}>
                  <button
                    type="button"
                    disabled={isLoading}
                    className="w-full rounded-small px-2 py-1 text-left hover:bg-shade"
                    onClick={() => void send({ personId: p.id }, p.email)}
                  >
                    {p.name}{' '}
                    <span className="text-sm text-soft">
                      {p.role === 'guest' ? 'guest, from outside the school' : p.role}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          )}
          {wanted.length >= 2 && !isAddress && data && people.length === 0 && (
            <p className="text-sm text-soft">Nobody by that name. A mail address works too.</p>
          )}
          {isAddress && (
            <>
              <p className="text-sm text-soft">
                Unless the school knows this address, that is somebody from outside.
              </p>
              <Button
                kind="act"
                disabled={isLoading}
                onClick={() => void send({ email: wanted }, wanted)}
              >
                Bring {wanted} in
              </Button>
            </>
          )}
          {error && (
            <FieldError>
              {problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}
            </FieldError>
          )}
          {brought && (
            <div role="status" className="grid gap-2">
              <p>
                <b className="break-all">{brought.name}</b> may come in now
                {brought.ofSchool ? '' : ', from outside the school'}. Glen sends nothing: tell them
                where.
              </p>
              <p className="flex gap-2">
                <Button onClick={() => void copyAddress(desk.link.address)}>Copy link</Button>
                {brought.email && (
                  <a className={buttonClass()} href={mailto(brought.email)}>
                    Write to them
                  </a>
                )}
              </p>
            </div>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

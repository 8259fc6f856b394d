import { Popover } from 'radix-ui';
import { useDeferredValue, useState } from 'react';
import { rolesInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { copyAddress } from '../link/copy.js';
import { deskCard } from './HandOver.js';
import type { Desk } from './useDesk.js';

type Brought = Answer<'bringIn'> & { email: string | null };
type Person = Answer<'find'>['people'][number];
/** By their id, where the school knows them; else by mail address. */
type Whom = { personId: number } | { email: string };

/** What is typed, and whom it may mean. */
function useWanted() {
  const [typed, setTyped] = useState('');
  const wanted = useDeferredValue(typed.trim());
  const isAddress = wanted.includes('@');
  const isSearched = wanted.length >= 2 && !isAddress;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isSearched });
  const people = isSearched ? (data?.people ?? []) : [];
  const isUnknown = isSearched && data !== undefined && people.length === 0;
  return { typed, setTyped, wanted, isAddress, people, isUnknown };
}

interface ChoiceProps {
  people: Person[];
  disabled: boolean;
  choose: (person: Person) => void;
}

function People({ people, disabled, choose }: ChoiceProps) {
  if (people.length === 0) return null;
  return (
    <ul className="grid gap-1">
      {people.map((p) => (
        <li key={p.id}>
          <button
            type="button"
            disabled={disabled}
            className="w-full rounded-small px-2 py-1 text-left hover:bg-shade"
            onClick={() => choose(p)}
          >
            {p.name}{' '}
            <span className="text-sm text-soft">
              {p.roles.includes('guest') ? 'guest, from outside the school' : rolesInWords(p.roles)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function mailto(to: string, desk: Desk): string {
  const subject = encodeURIComponent(desk.title);
  const body = encodeURIComponent(`Come in here: ${desk.link.address}`);
  return `mailto:${encodeURIComponent(to)}?subject=${subject}&body=${body}`;
}

/** Who may come in now, and how to tell them where. */
function MayCome({ brought, desk }: { brought: Brought; desk: Desk }) {
  const { name, ofSchool, email } = brought;
  return (
    <div role="status" className="grid gap-2">
      <p>
        <b className="break-all">{name}</b> may come in now
        {ofSchool ? '' : ', from outside the school'}. Glen sends nothing: tell them where.
      </p>
      <p className="flex gap-2">
        <Button onClick={() => void copyAddress(desk.link.address)}>Copy link</Button>
        {email && (
          <a className={buttonClass()} href={mailto(email, desk)}>
            Write to them
          </a>
        )}
      </p>
    </div>
  );
}

function BringInCard({ desk, linkId }: { desk: Desk; linkId: number }) {
  const [bringIn, { error, isLoading }] = api.useBringInMutation();
  const [brought, setBrought] = useState<Brought>();
  const { typed, setTyped, wanted, isAddress, people, isUnknown } = useWanted();
  const problem = problemOf(error);
  const bring = async (whom: Whom, email: string | null): Promise<void> => {
    const { data: answer } = await bringIn({ params: { linkId }, body: whom });
    if (!answer) return;
    setBrought({ ...answer, email });
    setTyped('');
  };
  return (
    <>
      <TextField
        label="Name or mail address"
        hint="They may come in without knocking, this once."
        autoComplete="off"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setBrought(undefined);
        }}
      />
      {!brought && (
        <People
          people={people}
          disabled={isLoading}
          choose={(p) => void bring({ personId: p.id }, p.email)}
        />
      )}
      {isUnknown && (
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
            onClick={() => void bring({ email: wanted }, wanted)}
          >
            Bring {wanted} in
          </Button>
        </>
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
      {brought && <MayCome brought={brought} desk={desk} />}
    </>
  );
}

/** Brings somebody to the running session by name or by mail address; whoever is from outside is named so before. */
export function BringIn({ desk, linkId }: { desk: Desk; linkId: number }) {
  return (
    <Popover.Root>
      <Popover.Trigger className={buttonClass()}>Bring in…</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label="Bring somebody in"
        >
          <BringInCard desk={desk} linkId={linkId} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

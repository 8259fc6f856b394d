import { Popover } from 'radix-ui';
import { useDeferredValue, useRef, useState, type FormEvent } from 'react';
import { rolesInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { copyAddress } from '../link/copy.js';
import { deskCard } from './HandOver.js';
import type { Desk } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Brought = Answer<'bringIn'> & { email: string | null };
type Person = Answer<'find'>['people'][number];
/** By their id, where the school knows them; else by mail address. */
type Whom = { personId: number } | { email: string };

/** Whom what is typed may mean. */
function useWanted(typed: string) {
  const wanted = useDeferredValue(typed.trim());
  const isAddress = wanted.includes('@');
  const isSearched = wanted.length >= 2 && !isAddress;
  const { data } = api.useFindQuery({ query: { q: wanted } }, { skip: !isSearched });
  const people = isSearched ? (data?.people ?? []) : [];
  const isUnknown = isSearched && data !== undefined && people.length === 0;
  return { isAddress, people, isUnknown };
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
              {p.roles.includes('guest') ? say.guestFromOutsideTheSchool : rolesInWords(p.roles)}
            </span>
          </button>
        </li>
      ))}
    </ul>
  );
}

function mailto(to: string, desk: Desk): string {
  const subject = encodeURIComponent(desk.title);
  const body = encodeURIComponent(fill(say.comeInHere, { address: desk.link.address }));
  return `mailto:${encodeURIComponent(to)}?subject=${subject}&body=${body}`;
}

/** Who may come in now, and how to tell them where. */
function MayCome({ brought, desk }: { brought: Brought; desk: Desk }) {
  const { name, ofSchool, email } = brought;
  return (
    <div role="status" className="grid gap-2">
      <p>
        <Said
          as={ofSchool ? say.mayComeIn : say.mayComeInFromOutside}
          name={<b className="break-all">{name}</b>}
        />
      </p>
      <p className="flex gap-2">
        <Button onClick={() => void copyAddress(desk.link.address)}>{say.copyLink}</Button>
        {email && (
          <a className={buttonClass()} href={mailto(email, desk)}>
            {say.writeToThem}
          </a>
        )}
      </p>
    </div>
  );
}

/** Somebody is brought in: whoever was chosen of those found, else whom the address typed means. */
function useBringIn(linkId: number) {
  const [bringIn] = api.useBringInMutation();
  const [brought, setBrought] = useState<Brought>();
  const chosen = useRef<Person>(undefined);
  const form = useServerForm<{ typed: string }, { typed: string }, Brought>({
    start: { typed: '' },
    send: async ({ typed }) => {
      const person = chosen.current;
      const email = person ? person.email : typed.trim();
      const whom: Whom = person ? { personId: person.id } : { email: typed.trim() };
      const { data, error } = await bringIn({ params: { linkId }, body: whom });
      return data ? { data: { ...data, email } } : { error };
    },
    fieldOf: () => 'typed',
    onDone: (answer) => {
      setBrought(answer);
      form.reset();
    },
  });
  return {
    ...form,
    brought,
    type: (typed: string): void => {
      setBrought(undefined);
      form.change({ typed });
    },
    choose: (person: Person | undefined): void => {
      chosen.current = person;
      form.submit();
    },
  };
}

function BringInCard({ desk, linkId }: { desk: Desk; linkId: number }) {
  const { brought, type, choose, watch, errorAt, problem, isSending } = useBringIn(linkId);
  const typed = watch('typed');
  const { isAddress, people, isUnknown } = useWanted(typed);
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    if (isAddress) choose(undefined);
  };
  return (
    <form onSubmit={submit} className="grid gap-2">
      <TextField
        label={say.nameOrMailAddress}
        hint={say.theyMayComeInWithout}
        autoComplete="off"
        value={typed}
        error={errorAt('typed')}
        onChange={(e) => type(e.target.value)}
      />
      {!brought && <People people={people} disabled={isSending} choose={choose} />}
      {isUnknown && <p className="text-sm text-soft">{say.nobodyByThatName}</p>}
      {isAddress && (
        <>
          <p className="text-sm text-soft">{say.unlessTheSchoolKnowsThis}</p>
          <Button kind="act" type="submit" disabled={isSending}>
            {fill(say.bringIn, { typed: typed.trim() })}
          </Button>
        </>
      )}
      {problem && <FieldError>{problem.title}</FieldError>}
      {brought && <MayCome brought={brought} desk={desk} />}
    </form>
  );
}

/** Brings somebody to the running session by name or by mail address; whoever is from outside is named so before. */
export function BringIn({ desk, linkId }: { desk: Desk; linkId: number }) {
  return (
    <Popover.Root>
      <Popover.Trigger className={buttonClass()}>{say.bringInDots}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          className={deskCard}
          aria-label={say.bringSomebodyIn}
        >
          <BringInCard desk={desk} linkId={linkId} />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

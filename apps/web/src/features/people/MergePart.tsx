import { useDeferredValue, useState } from 'react';
import { rolesInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { Part } from './Part.js';
import type { Person, PersonEdits } from './usePersonEdits.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Row = Answer<'people'>['people'][number];

/** From so many letters on the other record is looked for. */
const FEWEST_LETTERS = 2;
const MOST_SHOWN = 8;

interface FindProps {
  person: Person;
  onChoose: (other: Row) => void;
}

/** The other record, found by name or address. */
function FindOther({ person, onChoose }: FindProps) {
  const [typed, setTyped] = useState('');
  const q = useDeferredValue(typed.trim());
  const { data } = api.usePeopleInfiniteQuery(
    { query: { q, sort: 'name', standing: 'here' } },
    { skip: q.length < FEWEST_LETTERS },
  );
  const found = q.length < FEWEST_LETTERS ? [] : (data?.pages[0]?.people ?? []);
  return (
    <>
      <div className="max-w-sm">
        <TextField
          label={say.theOtherRecordByName}
          type="search"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
      </div>
      <ul aria-label={say.found} className="mt-2">
        {found
          .filter((p) => p.id !== person.id)
          .slice(0, MOST_SHOWN)
          .map((p) => (
            <li key={p.id} className="flex flex-wrap items-center gap-x-3 py-0.5">
              <Button kind="link" onClick={() => onChoose(p)}>
                {p.name}
              </Button>
              <span className="text-sm text-soft">
                {rolesInWords(p.roles)} · {p.email ?? say.noAccount}
              </span>
            </li>
          ))}
      </ul>
    </>
  );
}

interface SheetProps {
  person: Person;
  other: Row;
  edits: PersonEdits;
  onClose: () => void;
}

const listed = (names: string[]): string => (names.length === 0 ? 'none' : names.join(', '));

/** What the two come to, and doing it. */
function Sheet({ facts, person, edits, onClose }: SheetProps & { facts: Answer<'mergeFacts'> }) {
  const { other, why } = facts;
  const merge = async (): Promise<void> => {
    if (await edits.merge(other.id, other.version)) onClose();
  };
  return (
    <div className="mt-3 rounded-big border border-line bg-sheet p-5">
      <p>
        <Said
          as={say.becomesPartOfWhoseName}
          other={<b>{other.name}</b>}
          person={<b>{person.name}</b>}
        />
      </p>
      <dl className="mt-2 grid gap-x-4 gap-y-1 sm:grid-cols-[auto_1fr]">
        <dt className="text-soft">{say.accountsThatComeAlong}</dt>
        <dd className="break-all">{listed(facts.accounts.map((a) => a.email))}</dd>
        <dt className="text-soft">{say.classPeriodsTaught}</dt>
        <dd>{listed(facts.teaches.map((c) => c.title))}</dd>
        <dt className="text-soft">{say.rolls}</dt>
        <dd>{listed(facts.learns.map((c) => c.title))}</dd>
      </dl>
      {why && <p className="mt-2 font-semibold text-berry-deep">{why}</p>}
      <p className="mt-3 flex flex-wrap gap-3">
        <Button kind="danger" disabled={why !== ''} onClick={() => void merge()}>
          {say.makeThemOne}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
      </p>
    </div>
  );
}

function Merging(props: SheetProps) {
  const asked = api.useMergeFactsQuery({
    params: { personId: props.person.id },
    query: { other: props.other.id },
  });
  return (
    <Loaded asked={asked} isPart lines={2}>
      {(facts) => <Sheet facts={facts} {...props} />}
    </Loaded>
  );
}

/** Two records of one person made one. */
export function MergePart({ person, edits }: { person: Person; edits: PersonEdits }) {
  const [isAsking, setAsking] = useState(false);
  const [other, setOther] = useState<Row>();
  const close = (): void => {
    setOther(undefined);
    setAsking(false);
  };
  return (
    <Part title={say.hereTwice}>
      {!isAsking && <Button onClick={() => setAsking(true)}>{say.makeTwoRecordsOneDots}</Button>}
      {isAsking && !other && <FindOther person={person} onChoose={setOther} />}
      {other && <Merging person={person} other={other} edits={edits} onClose={close} />}
    </Part>
  );
}

import { Link, useParams } from 'react-router';
import { notesForPerson } from '@glen/core';
import { rolesInWords } from '@glen/core/light';
import type { Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Chip } from '../../ui/Chip.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { AccountsPart } from './AccountsPart.js';
import { GuardiansPart } from './GuardiansPart.js';
import { LeavingPart } from './LeavingPart.js';
import { MergePart } from './MergePart.js';
import { Part } from './Part.js';
import { PersonWords } from './PersonWords.js';
import { ClassesPart, DoorsPart, GuardsPart } from './PlacesPart.js';
import { usePersonEdits, type Person } from './usePersonEdits.js';
import * as say from './words.js';

const notesOf = (person: Person) =>
  notesForPerson({
    name: person.name,
    roles: person.roles,
    isRetired: person.retiredAt !== null,
    accounts: person.accounts.map((a) => ({
      kind: a.kind,
      hasWayIn: a.hasPassword || a.addressUntil !== null,
    })),
    teaches: person.teaches.length,
    learns: person.learns.length,
    guards: person.guards.length,
  });

const Head = ({ person }: { person: Person }) => (
  <header className="mb-4">
    {person.may.keep && (
      <p>
        <Link className="text-bracken-deep underline-offset-3 hover:underline" to="/school/people">
          {say.people}
        </Link>
      </p>
    )}
    <ScreenTitle tab={person.name} />
    <p className="text-soft">
      {rolesInWords(person.roles)} {person.retiredAt && <Chip>{say.retiredWithin}</Chip>}
    </p>
  </header>
);

/** How a student stood at lessons. */
const TermPart = ({ id }: { id: number }) => (
  <Part title={say.theirTerm}>
    <Link className="text-bracken-deep underline-offset-3 hover:underline" to={`/term/${id}`}>
      {say.whenTheyCameAndWhen}
    </Link>
  </Part>
);

function Page({ person, zone }: { person: Person; zone: string }) {
  const edits = usePersonEdits(person);
  const mayKeep = person.may.keep;
  return (
    <Screen margin={<Margin notes={notesOf(person)} />}>
      <Head person={person} />
      {mayKeep && person.retiredAt === null && <PersonWords person={person} />}
      <AccountsPart person={person} edits={edits} zone={zone} />
      <ClassesPart person={person} />
      <DoorsPart person={person} />
      {person.roles.includes('student') && <TermPart id={person.id} />}
      <GuardiansPart person={person} edits={edits} />
      <GuardsPart person={person} />
      {mayKeep && person.retiredAt === null && <MergePart person={person} edits={edits} />}
      {mayKeep && <LeavingPart person={person} edits={edits} />}
      {mayKeep && (
        <Part title={say.whatHappened}>
          <Link
            className="text-bracken-deep underline-offset-3 hover:underline"
            to={`/school/happened?person=${person.id}`}
          >
            {say.whatTheyDidAndWhat}
          </Link>
        </Part>
      )}
    </Screen>
  );
}

/** One person: for the office, and for hosts of a student. */
export default function PersonPage({ me }: { me: Me }) {
  const personId = Number(useParams().personId);
  const asked = api.usePersonQuery({ params: { personId } });
  return (
    <Loaded asked={asked} lines={8}>
      {({ person }) => <Page key={person.id} person={person} zone={me.school.zone} />}
    </Loaded>
  );
}

import { areStaff, type PersonRole } from '../people/roles.js';
import { worstFirst, type Note } from './note.js';

/** Somebody, as far as there is anything to think about. */
export interface PersonFacts {
  name: string;
  roles: PersonRole[];
  isRetired: boolean;
  /** `hasWayIn`: a password, or a one-time address for one. */
  accounts: { kind: 'school' | 'personal'; hasWayIn: boolean }[];
  teaches: number;
  learns: number;
  guards: number;
}

const RETIRED: Note = {
  severity: 'inform',
  title: 'Retired',
  text: 'No account of theirs signs in. Brought back, they have what they had, as far as it still stands.',
};

function ofAccounts({ name, roles, accounts }: PersonFacts): Note[] {
  const staff = areStaff(roles);
  if (staff && !accounts.some((a) => a.kind === 'school'))
    return [
      {
        severity: 'careful',
        title: 'No school account',
        text: `${name} cannot sign in as one of the staff: give them an account of the school.`,
      },
    ];
  if (accounts.length === 0)
    return [
      {
        severity: 'inform',
        title: 'Comes without an account',
        text: 'By the link, or with the entry code; a host says at the desk who it is, for the register alone.',
      },
    ];
  if (accounts.some((a) => !a.hasWayIn))
    return [
      {
        severity: 'careful',
        title: 'No way in yet',
        text: 'An account has no password. Make a way in for it and give it to them: it works once, for three days.',
      },
    ];
  return [];
}

function ofPlaces({ roles, teaches, learns, guards }: PersonFacts): Note[] {
  if (roles.includes('student') && learns === 0)
    return [
      {
        severity: 'careful',
        title: 'On no roll',
        text: 'No door is theirs until they stand on the roll of a class period.',
      },
    ];
  if (roles.includes('teacher') && teaches === 0)
    return [
      { severity: 'inform', title: 'Teaches nothing yet', text: 'No class period names them.' },
    ];
  if (guards > 0)
    return [
      {
        severity: 'inform',
        title: 'A guardian',
        text: 'They see nothing of the student by that alone.',
      },
    ];
  return [];
}

/** What needs thought about one person. */
export function notesForPerson(person: PersonFacts): Note[] {
  if (person.isRetired) return [RETIRED];
  const notes = [...ofAccounts(person), ...ofPlaces(person)];
  if (notes.some((note) => note.severity === 'careful')) return worstFirst(notes);
  return [
    ...notes,
    {
      severity: 'well',
      title: 'Everything is in place',
      text: 'They can come in wherever they belong.',
    },
  ];
}

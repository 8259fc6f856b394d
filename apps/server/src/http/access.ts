import { areOffice, areStaff } from '@glen/core';
import type { Caller, ClassSubject, Subject } from '@glen/contract';
import type { Db } from '../db/connect.js';
import { nameOfSubject, standingOf, teachesPerson, type Standing } from './accessStore.sql.js';
import { HttpProblem, notFound } from './problem.js';
import type { Who } from './who.js';

/** Whether the account in use is one of the school's staff; a teacher's home account is not. */
export const isStaff = (who: Who): boolean =>
  who.account?.kind === 'school' && who.person !== null && areStaff(who.person.roles);

/** Whether the account in use is the head's or the office's. */
export const isOffice = (who: Who): boolean => isStaff(who) && areOffice(who.person!.roles);

/** Whether somebody who is this to a class period hosts it. */
export const hostsAs = (as: Standing['as'] | undefined): boolean =>
  as === 'host' || as === 'co-teacher';

const isHost = ({ as, isLeftOut }: Standing): boolean => hostsAs(as) && !isLeftOut;

/** Who asks for what. `params` are the path's. */
interface Asked {
  caller: Caller;
  /** It changes something that a class period must go on for. */
  needsGoingOn: boolean;
  /** It outlasts a cover. */
  lasting: boolean;
  of: Subject | undefined;
  params: Record<string, unknown>;
  who: Who;
}

const OPEN: readonly Caller[] = ['anyone', 'demo', 'service'];

/**
 * Throws unless the caller may call: 401 where nobody is signed in, 403 where somebody else is,
 * 404 where the thing asked about does not exist, 409 where its class period has been put away and the call would
 * change it.
 */
export async function authorise(
  db: Db,
  { caller, of, params, who, needsGoingOn, lasting }: Asked,
): Promise<void> {
  if (OPEN.includes(caller)) return;
  if (!who.account) throw new HttpProblem(401, 'Sign in first.');
  if (caller === 'signed-in') return;
  mustBeStaff(who);
  if (caller === 'teacher') return;
  if (caller === 'school-office') return mustBeOffice(who);
  if (caller === 'person-keeper') return mustKeep(db, who, params.personId as number);
  await authoriseInClass(db, {
    caller: caller as ClassCaller,
    of,
    params,
    who,
    needsGoingOn,
    lasting,
  });
}

/** The same for what is of a class period. */
async function authoriseInClass(
  db: Db,
  { caller, of, params, who, needsGoingOn, lasting }: Asked & { caller: ClassCaller },
): Promise<void> {
  const subject = { kind: of as ClassSubject, id: params[of!] as number };
  const standing = await standingOf(db, subject, who.person!.id, ASKS[caller]);
  if (!standing || (standing.isDraft && !isHost(standing)))
    throw notFound(nameOfSubject(subject.kind));
  if (!MAY[caller](standing, who))
    throw new HttpProblem(
      403,
      standing.isLeftOut
        ? 'This link is hosted by those alone who are named at it.'
        : 'This class period is somebody else’s.',
    );
  if (lasting && standing.isCovering && !isOffice(who))
    throw new HttpProblem(403, 'You cover here: this is for whoever teaches it for longer.');
  if (standing.isAtRest && needsGoingOn)
    throw new HttpProblem(409, 'This class period has been put away; bring it back first.');
}

function mustBeStaff(who: Who): void {
  if (isStaff(who)) return;
  const isTheirHome = who.person !== null && areStaff(who.person.roles);
  throw new HttpProblem(
    403,
    isTheirHome
      ? 'Your home account cannot do this; use your school account.'
      : 'This is for the school’s teachers.',
  );
}

function mustBeOffice(who: Who): void {
  if (!isOffice(who)) throw new HttpProblem(403, 'The head and the office look after this.');
}

async function mustKeep(db: Db, who: Who, personId: number): Promise<void> {
  const teaches = await teachesPerson(db, who.person!.id, personId);
  if (teaches === undefined) throw notFound('This person');
  if (!teaches && !isOffice(who)) throw new HttpProblem(403, 'This is no student of yours.');
}

type ClassCaller = Extract<Caller, 'class-host' | 'class-keeper' | 'class-reader' | 'door-host'>;

const ASKS: Record<ClassCaller, 'class' | 'door' | 'link'> = {
  'class-host': 'class',
  'class-keeper': 'class',
  'door-host': 'door',
  'class-reader': 'link',
};

const MAY: Record<ClassCaller, (standing: Standing, who: Who) => boolean> = {
  'class-host': isHost,
  'class-keeper': (standing, who) => isHost(standing) || isOffice(who),
  'door-host': (standing) => isHost(standing) || standing.otherwise,
  'class-reader': (standing, who) => standing.as !== null || standing.otherwise || isOffice(who),
};

import { z } from 'zod';
import { done, id, idParam, version } from '../basics.js';
import {
  changeAddressBody,
  changePasswordBody,
  firstPasswordBody,
  guardianBody,
  happenedQuery,
  happening,
  hostedAnswer,
  mergeFacts,
  newAccount,
  newPerson,
  ownAccount,
  ownSessions,
  ownWishes,
  peopleQuery,
  personDetail,
  personRow,
  personWords,
  retireFacts,
  wayIn,
} from '../keepingSchemas.js';
import { latelyAnswer, latelyBody } from '../latelySchemas.js';
import {
  addPasskeyBody,
  passkeyOptions,
  passkeys,
  renamePasskeyBody,
  signInWays,
  signInWaysBody,
  usedPasskeyBody,
} from '../signOnSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const ofPerson = z.object({ personId: idParam });
const ofPasskey = z.object({ passkeyId: idParam });
const detail = z.object({ person: personDetail });

/** Looking after people, and after one's own account. */
export const people = {
  people: {
    query: peopleQuery,
    answer: z.object({
      people: z.array(personRow),
      /** How many there are in all; told with the first of them. */
      total: z.int().nullable(),
      /** Whether there are more after the last. */
      isMore: z.boolean(),
    }),
  },
  lately: { answer: latelyAnswer },
  noteLately: { body: latelyBody, answer: z.object({ id }) },
  takenBack: { params: z.object({ latelyId: idParam }), answer: done },
  addPerson: { body: newPerson, answer: detail.extend({ wayIn: wayIn.nullable() }) },
  person: { params: ofPerson, answer: detail },
  editPerson: { params: ofPerson, body: personWords, answer: detail },
  addAccount: { params: ofPerson, body: newAccount, answer: detail },
  removeAccount: {
    params: ofPerson,
    body: z.object({ version, accountId: id }),
    answer: detail,
  },
  wayIn: { params: ofPerson, body: z.object({ accountId: id }), answer: wayIn },
  retireFacts: { params: ofPerson, answer: retireFacts },
  hosted: { params: ofPerson, answer: hostedAnswer },
  handOverAll: {
    params: ofPerson,
    body: z.object({
      version,
      classes: z
        .array(z.object({ classId: id, toId: id }))
        .min(1)
        .max(200),
    }),
    answer: hostedAnswer,
  },
  retirePerson: { params: ofPerson, body: z.object({ version }), answer: detail },
  bringBackPerson: { params: ofPerson, body: z.object({ version }), answer: detail },
  mergeFacts: { params: ofPerson, query: z.object({ other: idParam }), answer: mergeFacts },
  mergePeople: {
    params: ofPerson,
    body: z.object({ version, otherId: id, otherVersion: version }),
    answer: detail,
  },
  setGuardians: { params: ofPerson, body: guardianBody, answer: detail },
  happened: {
    query: happenedQuery,
    answer: z.object({ entries: z.array(happening), isMore: z.boolean() }),
  },
  ownAccount: { answer: ownAccount },
  setOwnAccount: { body: ownWishes, answer: ownAccount },
  ownSessions: { answer: ownSessions },
  endOwnSession: { params: z.object({ sessionId: idParam }), answer: ownSessions },
  signOutEverywhere: { answer: done },
  firstPassword: { body: firstPasswordBody, answer: done },
  changePassword: { body: changePasswordBody, answer: done },
  changeAddress: { body: changeAddressBody, answer: ownAccount },
  passkeys: { answer: passkeys },
  passkeyOptions: { answer: passkeyOptions },
  addPasskey: { body: addPasskeyBody, answer: passkeys },
  renamePasskey: { params: ofPasskey, body: renamePasskeyBody, answer: passkeys },
  removePasskey: { params: ofPasskey, answer: passkeys },
  confirmOptions: { answer: passkeyOptions },
  confirm: { body: usedPasskeyBody, answer: done },
  endSignOn: { params: z.object({ signOnId: idParam }), answer: ownAccount },
  endTheirSignOn: { params: ofPerson.extend({ signOnId: idParam }), answer: detail },
  signInWays: { answer: signInWays },
  setSignInWays: { body: signInWaysBody, answer: signInWays },
} satisfies Partial<Record<EndpointName, Shapes>>;

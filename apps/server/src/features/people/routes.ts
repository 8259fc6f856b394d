import type { Glen } from '../../glen.js';
import type { Handlers } from '../../http/mount.js';
import { notFound } from '../../http/problem.js';
import { editPerson, giveAccount, takeAccount, takeIn } from './editPerson.js';
import { setGuardians } from './guardians.js';
import { happened } from './happened.js';
import { changesOf, keepChange, markTakenBack } from './latelyStore.js';
import { peopleList } from './list.js';
import { factsOfMerging, mergePeople } from './merge.js';
import { describePerson } from './person.js';
import { describeHosted, handOverAll } from './handOverAll.js';
import { bringBackPerson, factsOfRetiring, retirePerson } from './retire.js';
import { giveWayIn } from './wayIn.js';

export const peopleRoutes = (glen: Glen) =>
  ({
    people: ({ query }) => peopleList(glen, query),
    addPerson: ({ body, who }) => takeIn(glen, who, body),
    person: ({ params, who }) => describePerson(glen, params.personId, who),
    editPerson: ({ params, body, who }) => editPerson(glen, who, params.personId, body),
    addAccount: ({ params, body, who }) => giveAccount(glen, who, params.personId, body),
    removeAccount: ({ params, body, who }) => takeAccount(glen, who, params.personId, body),
    wayIn: ({ params, body, who }) => giveWayIn(glen, who, params.personId, body),
    retireFacts: ({ params, who }) => factsOfRetiring(glen, params.personId, who),
    hosted: ({ params, who }) => describeHosted(glen, params.personId, who),
    handOverAll: ({ params, body, who }) => handOverAll(glen, params.personId, who, body),
    retirePerson: ({ params, body, who }) => retirePerson(glen, who, params.personId, body.version),
    bringBackPerson: ({ params, body, who }) =>
      bringBackPerson(glen, who, params.personId, body.version),
    mergeFacts: ({ params, query, who }) =>
      factsOfMerging(glen, who, { personId: params.personId, otherId: query.other }),
    mergePeople: ({ params, body, who }) => mergePeople(glen, who, params.personId, body),
    setGuardians: ({ params, body, who }) => setGuardians(glen, who, params.personId, body),
    happened: ({ query }) => happened(glen, query),
    lately: async ({ who }) => ({ changes: await changesOf(glen.db, who.person!.id) }),
    noteLately: async ({ body, who }) => ({
      id: await keepChange(glen.db, who.person!.id, body, glen.clock.school()),
    }),
    takenBack: async ({ params, who }) => {
      if (!(await markTakenBack(glen.db, params.latelyId, who.person!.id)))
        throw notFound('This change');
      return { ok: true };
    },
  }) satisfies Partial<Handlers>;

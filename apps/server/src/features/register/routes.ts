import type { Glen } from '../../glen.js';
import { STREAMED, type Handlers } from '../../http/mount.js';
import { absencesFor, excuse, unexcuse } from './absences.js';
import { correct, uncorrect } from './correct.js';
import { readRegister } from './register.js';
import { settle } from './settle.js';
import { hostsSeries } from './store.js';
import { classTerm, ownTerm, personTerm } from './term.js';
import { describeWays, setWays } from './ways.js';
import { weekRegisters } from './week.js';
import { weekFile } from './weekFile.js';

export const registerRoutes = (glen: Glen) =>
  ({
    register: async ({ params: { seriesId }, query, who }) => {
      const mayEdit = await hostsSeries(glen.db, seriesId, who.person!.id);
      return readRegister(glen, { seriesId, key: query.on }, { personId: who.person!.id, mayEdit });
    },
    correctRegister: ({ params, who, body }) =>
      correct(glen, params.seriesId, who.person!.id, body),
    uncorrectRegister: ({ params, who, body }) =>
      uncorrect(glen, params.seriesId, who.person!.id, body),
    settleRegister: ({ params: { seriesId }, who, body }) =>
      settle(glen, { seriesId, key: body.on }, who.person!.id),
    weekRegisters: ({ query, who }) => weekRegisters(glen, who, query),
    weekFile: async ({ query, who, res }) => {
      const { text, name } = await weekFile(glen, who, query);
      res
        .set('Content-Disposition', `attachment; filename="${name}"`)
        .type('text/csv; charset=utf-8')
        .send(text);
      return STREAMED;
    },
    registerWays: ({ who }) => describeWays(glen, who),
    setRegisterWays: ({ who, body }) => setWays(glen, who, body),
    personTerm: ({ params, who }) => personTerm(glen, params.personId, who),
    ownTerm: ({ who }) => ownTerm(glen, who.person?.id ?? null),
    classTerm: ({ params, who }) => classTerm(glen, params.classId, who),
    absences: ({ params, who }) => absencesFor(glen, params.personId, who),
    addAbsence: ({ params, who, body }) => excuse(glen, params.personId, who, body),
    endAbsence: async ({ params, who, body }) => {
      await unexcuse(glen, params.personId, who, body.absenceId);
      return { ok: true };
    },
  }) satisfies Partial<Handlers>;

import { z } from 'zod';
import { date, done, id, idParam, version } from '../basics.js';
import { ofClass, ofSeries } from '../params.js';
import {
  absence,
  absenceBody,
  classTermAnswer,
  correctBody,
  ownTermAnswer,
  personTermAnswer,
  registerAnswer,
  registerWaysAnswer,
  registerWaysForm,
  uncorrectBody,
  weekAnswer,
  weekQuery,
} from '../registerSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const ofPerson = z.object({ personId: idParam });
/** A date of a series as the pattern gave it. */
const onDate = z.object({ on: date });
const absences = z.object({ absences: z.array(absence) });

/** Who came. */
export const register = {
  register: { params: ofSeries, query: onDate, answer: registerAnswer },
  correctRegister: { params: ofSeries, body: correctBody, answer: registerAnswer },
  uncorrectRegister: { params: ofSeries, body: uncorrectBody, answer: registerAnswer },
  settleRegister: { params: ofSeries, body: onDate, answer: registerAnswer },
  weekRegisters: { query: weekQuery.extend({ after: idParam.optional() }), answer: weekAnswer },
  weekFile: { query: weekQuery, answer: z.null() },
  registerWays: { answer: registerWaysAnswer },
  setRegisterWays: { body: registerWaysForm.extend({ version }), answer: registerWaysAnswer },
  personTerm: { params: ofPerson, answer: personTermAnswer },
  ownTerm: { answer: ownTermAnswer },
  classTerm: { params: ofClass, answer: classTermAnswer },
  absences: { params: ofPerson, answer: absences },
  addAbsence: { params: ofPerson, body: absenceBody, answer: absences },
  endAbsence: { params: ofPerson, body: z.object({ absenceId: id }), answer: done },
} satisfies Partial<Record<EndpointName, Shapes>>;

import type { EndpointName } from '../endpoints.js';
import { byCode, ofSeries } from '../params.js';
import {
  doorProgrammeAnswer,
  programmeAnswer,
  programmeQuery,
  setProgrammeBody,
  shiftProgrammeBody,
} from '../programmeSchemas.js';
import type { Shapes } from './shapes.js';

/** What comes after what in one session. */
export const programme = {
  programme: { params: ofSeries, query: programmeQuery, answer: programmeAnswer },
  setProgramme: { params: ofSeries, body: setProgrammeBody, answer: programmeAnswer },
  shiftProgramme: { params: ofSeries, body: shiftProgrammeBody, answer: programmeAnswer },
  doorProgramme: { params: byCode, answer: doorProgrammeAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;

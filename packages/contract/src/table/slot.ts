import type { EndpointName } from '../endpoints.js';
import { byCode, ofSeries } from '../params.js';
import {
  changeSignUpBody,
  dropSignUpBody,
  seriesSlotsAnswer,
  signUpAnswer,
  signUpBody,
  signUpForBody,
  slotWaysBody,
} from '../slotSchemas.js';
import type { Shapes } from './shapes.js';

/** Sessions that are cut into slots, and signing up for them. */
export const slot = {
  seriesSlots: { params: ofSeries, answer: seriesSlotsAnswer },
  setSlots: { params: ofSeries, body: slotWaysBody, answer: seriesSlotsAnswer },
  signUpFor: {
    params: ofSeries,
    body: signUpForBody.omit({ seriesId: true }),
    answer: seriesSlotsAnswer,
  },
  dropTheirSlot: { params: ofSeries, body: dropSignUpBody, answer: seriesSlotsAnswer },
  signUps: { params: byCode, answer: signUpAnswer },
  signUp: { params: byCode, body: signUpBody, answer: signUpAnswer },
  changeSignUp: { params: byCode, body: changeSignUpBody, answer: signUpAnswer },
  dropSignUp: { params: byCode, body: dropSignUpBody, answer: signUpAnswer },
} satisfies Partial<Record<EndpointName, Shapes>>;

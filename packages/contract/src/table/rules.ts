import { z } from 'zod';
import { date, id, text, time, version } from '../basics.js';
import { doorAnswer } from '../doorSchemas.js';
import { ofClass, ofLink, ofSeries } from '../params.js';
import {
  hostsGoneBody,
  ruleField,
  rulesAnswer,
  rulesSchema,
  someRulesSchema,
} from '../ruleSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

/** Entry rules in their layers, and trying a door. */
export const rules = {
  schoolRules: { answer: rulesAnswer },
  setSchoolRules: {
    body: z.object({
      version,
      rules: rulesSchema,
      locked: z.array(ruleField),
      hostsGone: hostsGoneBody,
    }),
    answer: rulesAnswer,
  },
  ownRules: { answer: rulesAnswer },
  setOwnRules: {
    body: z.object({ version, rules: someRulesSchema, hostsGone: hostsGoneBody }),
    answer: rulesAnswer,
  },
  linkRules: { params: ofLink, answer: rulesAnswer },
  setLinkRules: {
    params: ofLink,
    body: z.object({ version, rules: someRulesSchema, hostsGone: hostsGoneBody }),
    answer: rulesAnswer,
  },
  seriesRules: { params: ofSeries, query: z.object({ on: date.optional() }), answer: rulesAnswer },
  setSeriesRules: {
    params: ofSeries,
    body: z.object({
      version,
      key: date.optional(),
      rules: someRulesSchema,
      hostsGone: hostsGoneBody,
    }),
    answer: rulesAnswer,
  },
  rules: { params: ofClass, answer: rulesAnswer },
  setRules: {
    params: ofClass,
    body: z.object({ version, rules: someRulesSchema, hostsGone: hostsGoneBody }),
    answer: rulesAnswer,
  },
  tryDoor: {
    params: ofLink,
    body: z.object({
      /** Nobody signed in where left out. */
      accountId: id.optional(),
      /** Instead of an account: anybody of a kind who is nothing to the class period in particular. */
      kind: z.enum(['colleague', 'other-student', 'signed-in-guest', 'caller']).optional(),
      at: z.object({ date, time }).optional(),
      /** Whether a host is in at that time; as it is now where left out. */
      hostIn: z.boolean().optional(),
      entryCode: text(60).optional(),
      watchOnly: z.boolean().optional(),
    }),
    answer: doorAnswer,
  },
} satisfies Partial<Record<EndpointName, Shapes>>;

import { z } from 'zod';
import { date, done, id, time } from '../basics.js';
import { foundLink } from '../linkSchemas.js';
import {
  clock,
  demoPerson,
  foundPerson,
  meSchema,
  moveClock,
  comeAsGuestBody,
  newPasswordBody,
  signInBody,
} from '../peopleSchemas.js';
import { beginSignOnBody, passkeyOptions, signedOut, usedPasskeyBody } from '../signOnSchemas.js';
import {
  answerInvitationBody,
  guestForAnswer,
  invitationsAnswer,
  sayBody,
} from '../guestSchemas.js';
import type { EndpointName } from '../endpoints.js';
import type { Shapes } from './shapes.js';

const byToken = z.object({ token: z.string().max(60) });
const atProvider = z.object({ provider: z.string().max(40) });

/** Signing in, the demo school, and finding things. */
export const accounts = {
  me: { answer: meSchema },
  signIn: { body: signInBody, answer: meSchema },
  guestFor: { params: byToken, answer: guestForAnswer },
  sayAsGuest: { params: byToken, body: sayBody, answer: guestForAnswer },
  invitations: { answer: invitationsAnswer },
  answerInvitation: { body: answerInvitationBody, answer: invitationsAnswer },
  comeAsGuest: { params: byToken, body: comeAsGuestBody, answer: meSchema },
  passkeySignInOptions: { answer: passkeyOptions },
  passkeySignIn: { body: usedPasskeyBody, answer: meSchema },
  signOut: { answer: signedOut },
  beginSignOn: {
    params: atProvider,
    body: beginSignOnBody,
    answer: z.object({ address: z.string() }),
  },
  signOnBack: { params: atProvider, query: z.looseObject({}), answer: z.null() },
  signedOutThere: {
    params: atProvider,
    body: z.object({ logout_token: z.string().min(1).max(20000) }),
    answer: done,
  },
  passwordFor: {
    params: byToken,
    answer: z.object({ name: z.string(), email: z.string(), school: z.string() }),
  },
  setPassword: { params: byToken, body: newPasswordBody, answer: meSchema },
  switchAccount: { body: z.object({ accountId: id }), answer: meSchema },
  live: { query: z.object({ doors: z.string().max(2000).optional() }), answer: z.null() },
  openapi: { answer: z.record(z.string(), z.unknown()) },
  demoPeople: { answer: z.object({ people: z.array(demoPerson) }) },
  demoSignIn: { body: z.object({ accountId: id }), answer: meSchema },
  demoClock: { body: moveClock, answer: clock },
  find: {
    query: z.object({ q: z.string().max(80) }),
    answer: z.object({
      people: z.array(foundPerson),
      sessions: z.array(
        z.object({
          id,
          seriesId: id,
          key: date,
          classId: id,
          linkId: id,
          title: z.string(),
          date,
          time,
          mine: z.boolean(),
        }),
      ),
      links: z.array(foundLink),
    }),
  },
} satisfies Partial<Record<EndpointName, Shapes>>;

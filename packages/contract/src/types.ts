import type { z } from 'zod';
import type { EndpointName } from './endpoints.js';
import type {
  calendarSchema,
  classItemSchema,
  pennantSchema,
  sessionSchema,
} from './planSchemas.js';
import type { linkDetail, linkRow } from './linkSchemas.js';
import type { moveInDraft } from './moveInSchemas.js';
import type {
  accountSchema,
  deskVisitorSchema,
  meSchema,
  ownDoorSchema,
  personSchema,
  problemSchema,
  schemas,
} from './schemas.js';
import type { signOnOf } from './keepingSchemas.js';
import type { postSchema } from './postSchemas.js';

type Schemas = typeof schemas;
type Part<N extends EndpointName, P extends string> = P extends keyof Schemas[N]
  ? Schemas[N][P] extends z.ZodType
    ? z.infer<Schemas[N][P]>
    : undefined
  : undefined;

/** What crosses HTTP at each endpoint, by inference from the schemas. */
export type Params<N extends EndpointName> = Part<N, 'params'>;
export type Query<N extends EndpointName> = Part<N, 'query'>;
export type Body<N extends EndpointName> = Part<N, 'body'>;
/** A body as it is sent: fields with a default may be left out. */
export type Sent<N extends EndpointName> = 'body' extends keyof Schemas[N]
  ? Schemas[N]['body'] extends z.ZodType
    ? z.input<Schemas[N]['body']>
    : undefined
  : undefined;
export type Answer<N extends EndpointName> = Part<N, 'answer'>;

export type Account = z.infer<typeof accountSchema>;
export type Person = z.infer<typeof personSchema>;
export type MoveInDraft = z.infer<typeof moveInDraft>;
export type Me = z.infer<typeof meSchema>;
/** A provider that an account signs on at. */
export type SignOnOf = z.infer<typeof signOnOf>;
export type ClassItem = z.infer<typeof classItemSchema>;
export type Session = z.infer<typeof sessionSchema>;
export type OwnDoor = z.infer<typeof ownDoorSchema>;
export type Post = z.infer<typeof postSchema>;
export type DeskVisitor = z.infer<typeof deskVisitorSchema>;
export type LinkRow = z.infer<typeof linkRow>;
export type LinkDetail = z.infer<typeof linkDetail>;
export type Pennant = z.infer<typeof pennantSchema>;
export type Calendar = z.infer<typeof calendarSchema>;
export type Problem = z.infer<typeof problemSchema>;

/** What a stream of changes says: only which thing changed. */
export interface LiveChange {
  thing: 'clock' | 'me' | 'classes' | 'class' | 'posts' | 'desk' | 'door' | 'school' | 'notices';
  id: number;
}

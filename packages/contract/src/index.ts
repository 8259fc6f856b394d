export {
  CONFIRM_FIRST,
  NOT_MOVED_IN,
  OVER_ANOTHER,
  endpointNames,
  endpointOf,
  endpoints,
  type Caller,
  type ClassSubject,
  type Endpoint,
  type EndpointName,
  type Subject,
} from './endpoints.js';
export type {
  Account,
  Answer,
  Body,
  Calendar,
  ClassItem,
  DeskVisitor,
  LinkDetail,
  LinkRow,
  LiveChange,
  Me,
  MoveInDraft,
  OwnDoor,
  Params,
  Pennant,
  Person,
  Post,
  Problem,
  Query,
  Sent,
  Session,
  SignOnOf,
} from './types.js';
export { WAYS_BACK } from './waysBack.js';
export type { WayBack } from './latelySchemas.js';
export { HELPS, HELP_OF, ON_BEHALF, type Helps } from './helping.js';

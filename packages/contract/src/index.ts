export { endpointNames, endpointOf, endpoints, type Caller, type ClassSubject, type Endpoint, type EndpointName } from './endpoints.js';
export type {
  Account, Answer, Body, Calendar, ClassItem, DeskVisitor, LinkDetail, LinkRow, LiveChange, Me, OwnDoor, Params, Pennant, Person, Post, Problem, Query, Sent, Session,
} from './types.js';

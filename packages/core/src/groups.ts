/** The part of the core that reads files of groups, with what it needs and no more. */
export { decodeText, readGroups, type ReadGroups, type RollPerson } from './group/readGroups.js';
export { GlenInputError } from './input.js';

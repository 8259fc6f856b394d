// What comes after what in one session.
export {
  programmeAt,
  programmeMoments,
  programmeToTell,
  shiftProgramme,
  countsAsTold,
  type ProgrammeItem,
  type ProgrammeNow,
} from './programme.js';
export { programmeInText, readProgramme, type ReadProgramme } from './readProgramme.js';

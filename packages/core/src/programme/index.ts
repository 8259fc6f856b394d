// What comes after what in one session.
export {
  programmeAt,
  programmeMoments,
  shiftProgramme,
  PROGRAMME_WARNING_MINUTES,
  type ProgrammeItem,
  type ProgrammeNow,
} from './programme.js';
export { programmeInText, readProgramme, type ReadProgramme } from './readProgramme.js';

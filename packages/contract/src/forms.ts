import { z } from 'zod';

// Pages are served with a content security policy that forbids making code from text.
z.config({ jitless: true });

/** What forms are checked against before they are sent; the server checks by the same. */
export { movedIn } from './moveInSchemas.js';
export { classCopy, classWords, newClass } from './classSchemas.js';
export {
  changeAddressBody,
  changePasswordBody,
  firstPasswordBody,
  newAccount,
  newPerson,
  ownWishes,
  personWords,
} from './keepingSchemas.js';
export { aboutSchool, comeAsGuestBody, newPasswordBody } from './peopleSchemas.js';
export { absenceForm, correctionForm, registerWaysForm } from './registerSchemas.js';
export { slotWaysForm } from './slotSchemas.js';
export { renamePasskeyBody, signInWaysBody } from './signOnSchemas.js';

/** What lately says, sentence by sentence; pages ask for it by name. */

// LatelyPage
export const takenBackShort = 'taken back';
export const untilSomebodyChangesTheSame = 'Until somebody changes the same';
export const aChangeIsTakenBack =
  'A change is taken back as long as nobody, you included, has changed the same thing since. A letter that was sent is not recalled.';
export const nothingYet = 'Nothing yet';
export const whatYouChangeStandsHere = 'What you change stands here, each with its way back.';

// LatelyPart
export const lately = 'Lately';
export const takeItBack = 'Take it back: {what}';
export const takeItBackShort = 'Take it back';
export const allMyLastChanges = 'All my last changes';

// useLately
export const itWasChangedAgain = 'It was changed again in the meantime, so it stays as it is.';
export const takenBack = 'Taken back: {what}';

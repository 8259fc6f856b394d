/** What evening says, sentence by sentence; pages ask for it by name. */

// DeskProgramme
export const theRestBeginsMinutesLater = 'The rest begins {by} minutes later.';
export const theRestLaterBy = 'The rest later by';
export const byMin = '{by} min';
export const programme = 'Programme';
export const programmeChangeIt = 'Programme<link>Change it</link>';

// ProgrammeList
export const now = 'now';
export const inSpan = 'in {span}';

// ProgrammePage
export const lineWhy = 'Line {line}: {why}';
export const suchAs1845Chartwork = 'Such as: 18:45 Chartwork, what it is for (Tomas Verhage)';
export const nothing = 'nothing';
export const theirsText = 'Theirs: {text}';
export const whatComesAfterWhat =
  'What comes after what: a time and what it is, a line each; who speaks in brackets';
export const aWordAtTheDoor = 'A word at the door, for whoever comes';
export const saveTheProgramme = 'Save the programme';
export const programmeTitle = 'Programme: {title}';
export const itsSessions = 'Its sessions';
export const itsDesk = 'Its desk';
export const atTheDoor = 'At the door';
export const itSaysWhat =
  'It says what is on and what comes next; those inside hear of it two minutes before.';

// Rehearsal
export const somebodyWithoutAnAccount = 'Somebody without an account';
export const aGuestWithAHome = 'A guest with a home account';
export const aStudentOfAnotherClass = 'A student of another class';
export const minutesBefore = '{beforeMinutes} minutes before';
export const theBeginning = 'The beginning';
export const onceItIsOver = 'Once it is over';
export const theDoorAtEachPoint = 'The door at each point';
export const when = 'When';
export const rehearseTheDoor = 'Rehearse the door';
export const whatItSays =
  'What it says on the day, from {addMinutes} on: asked of the same rules as the real one. Nobody hears of it.';
export const tryItAtEachPoint = 'Try it at each point';

/** What reach says, sentence by sentence; pages ask for it by name. */

// MomentPart
export const dayToCome = 'Day to come';
export const timeToCome = 'Time to come';
export const atWhatTime = 'At what time';
export const now = 'now';
export const whenTheNextSessionBegins = 'when the next session begins';
export const atATimeToCome = 'at a time to come';

// ReachDay
export const people = {
  one: '1 person',
  other: '{n} people',
};
export const itIsForNobodyYet = 'It is for nobody yet.';
export const noSession = 'No session';
export const over = '· over';
export const noLinksYet = 'No links yet';
export const thoseOfClassPeriods = 'Those of class periods that you host stand here.';
export const forTheDaysSessions = 'For the day’s sessions, the worst first';
export const withoutASessionThatDay = 'Without a session that day';
export const whoSeesWhichOfAll = 'Who sees which of all my links';
export const whoSeesWhichLink = 'Who sees which link';
export const link = 'Link';
export const day = 'Day';
export const forLinkOnDayShown = 'For {link}, on {day} {shown}.';

// ReachGrid
export const stateWords = {
  right: '',
  old: 'old link',
  other: 'other door',
};
export const peopleAndPlaces = {
  one: '{people} people, 1 place',
  other: '{people} people, {n} places',
};
export const inAll = 'In all';
export const theLink = 'the link';
export const notPutThereByGlen = 'not put there by Glen';
export const studentsAndPlaces = 'Students and places';
export const whoSeesWhichLinkA =
  'Who sees which link: a column for each student, a row for each place';

// ReachPage
export const allMyLinks = 'all my links';
export const onceTheOfficePutsYou =
  'Once the office puts you down for a class period, its reach stands here.';
export const nobodyIsMeantToSee = 'Nobody is meant to see it';
export const itsAudienceIsEmpty = 'Its audience is empty, and nobody reads it by chance.';
export const forLinksMomentPart = 'For {links}, {momentPart}.';
export const lettersDoNotReach = {
  one: 'Letters do not reach one',
  other: 'Letters do not reach {n}',
};
export const mendTheAddressAtPeople =
  '{names}: mend the address at People, or tell them another way.';

// SiteTrouble
export const thisIsWhatItLast = '{trouble} This is what it last confirmed.';

// StudentsBoard
export const itIsOver = 'It is over.';
export const nothingThere = 'Nothing there.';
export const doorsOfTheDay = 'Doors of the day';
export const none = 'None.';
export const opens = 'opens {opens}';
export const classStream = 'Class stream';
export const pinnedOnTop = 'Pinned on top';
export const nothingInIt = 'Nothing in it.';
export const coursePage = 'Course page';
export const calendar = 'Calendar';
export const asSeesIt = 'As {person} sees it';

// StudentSeesPage
export const noStudentsYet = 'No students yet';
export const onceOneOfYourClass =
  'Once one of your class periods has a roll, you can look with the eyes of each of them.';
export const whoElseSeesIt = 'Who else sees it';
export const classPeriod = 'Class period';
export const inClassIdSeesMomentPart = 'in {classId} sees, {momentPart}:';
export const student = 'Student';
export const theCourseSiteItself = 'The course site itself';
export const tryTheDoorAs = 'Try the door as {person}';
export const whatAStudentSees = 'What a student sees';

// useRemedies
export const joinClass = 'Join {class}';
export const yourDoor = '{link}: your door';
export const thatDidNotWork = 'That did not work.';
export const posted = 'Posted.';

// verdicts
export const exactlyOneRightLink = 'exactly one right link';
export const noLink = 'no link';
export const anOldLink = 'an old link';
export const twoDoorsForTheSame = 'two doors for the same';
export const byHandOnly = 'by hand only';
export const notForThem = 'not for them';
export const notForThemAndThey = 'not for them, and they see nothing';
export const seesNothingHere = 'sees nothing here';
export const anOldLinkHere = 'an old link here';
export const anotherDoorHere = 'another door here';
export const theRightLinkHere = 'the right link here';
export const theRightLinkHereBy = 'the right link here, by hand';

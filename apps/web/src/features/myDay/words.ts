/** What myDay says, sentence by sentence; pages ask for it by name. */

// Invitations
export const invitesYou = {
  inside: '{host} invites you: {what}.',
  speaker: '{host} invites you to speak: {what}.',
  watcher: '{host} invites you to watch: {what}.',
} as const;
export const willYouCome = 'Will you come?';
export const yourInvitations = 'Your invitations';

// MyDay
export const yourClasses = 'Your classes';
export const theDoorOf = 'The door of {title}';
export const itsDoor = 'Its door';
export const myTermWhenICame = 'My term: when I came';
export const youAreHere =
  'You are here with your home account. These doors know your school account; switch at your name.';
export const noDoorsToday = 'No doors today';
export const theNextOneStandsBelow = 'The next one stands below.';
export const whenASessionIsPlanned = 'When a session is planned for you, its door stands here.';
export const nextAfterToday = 'Next after today: {after}, {date} {time}';
export const yourDoors = 'Your doors';
export const youAreHereWith = 'You are here with your home account';
export const yourClassPeriodsBelong =
  'Your class periods belong to your school account. Switch to it at your name.';
export const inYourOwnCalendar = 'In your own calendar';
export const aCalendarProgramThatSubscribes =
  'A calendar program that subscribes to this address shows your sessions with their links. Keep it to yourself.';
export const anotherDoor = 'Another door';
export const youWereGivenALink = 'You were given a link?';
export const followTheLinkOrType = 'Follow the link, or type its code here.';

// NextSession
export const beginsIn = 'Begins in {span}';
export const endsIn = 'Ends in {span}';
export const runsOver = 'Runs over';
export const toTheDesk = 'To the desk';
export const openTheDoorNow = 'Open the door now';
export const changeIt = 'Change it';
export const runningNow = 'Running now';
export const next = 'Next';
export const sinceYesterday = 'Since yesterday';

// OwnDoorRow
export const over = 'Over';
export const openNow = 'Open now';
export const waitsFor = 'Waits for {host}';
export const opensIn = 'Opens {time} · in {span}';
export const yourSlot = 'Your slot: {time}';
export const takeASlot = 'Take a slot';
export const changeYourSlot = 'Change your slot';
export const toTheDoorOfDoor = 'To the door of {door}';
export const withHost = 'with {host}';
export const ofWithHost = '{classTitle} · with {host}';

// sessionParts
export const doorOpenInside = 'Door open · {inside} inside';
export const ended = 'Ended';
export const doorOpensIn = 'Door opens {time} · in {span}';
export const doorWaitsForAHost = 'Door waits for a host';
export const kindWords = {
  stream: 'On the stream',
  item: 'On the course page',
  calendar: 'In the calendar',
  'by-hand': 'By hand',
  mail: 'By mail',
};
export const aPostFailed = 'A post failed';
export const toPasteByHand = 'To paste by hand';
export const kindAt = '{kind} at {time}';
export const kindOnDateAt = '{kind} {date} at {time}';
export const kindSinceDate = '{kind} since {date}';
export const postedNowhere = 'Posted nowhere';
export const withWhat = 'with {what}';
export const forCoverFor = 'For {coverFor}';

// SessionRow
export const draftStudentsSeeNothing = 'Draft: students see nothing of it';
export const cancelled = 'Cancelled';
export const cancelledWhy = 'Cancelled: {why}';
export const movedTo = 'Moved to {date}, {time}';
export const nobodyCame = 'Nobody came';
export const cameOfRollSizeCame = '{came} of {rollSize} came';
export const deskOf = 'Desk of {title}, {time}';
export const desk = 'Desk';
export const toTheDoorOf = 'To the door of {title}, {time}';
export const toTheDoor = 'To the door';
export const detailsOf = 'Details of {title}, {time}';
export const details = 'Details';

// StartYourOwn
export const startYourOwn = 'Start your own';
export const everyoneHereIsMadeUp =
  'Everyone here is made up. On a machine of yours <code>./glen serve</code> begins with nothing, and after four short pages your first link stands.';

// Today
export const cycleDay = '{cycleDay} day';
export const bellBells = '{bell} bells';
export const weekOf = 'week {week} of {term}';
export const nothingPlanned = 'nothing planned';
export const sessions = {
  one: '1 session',
  other: '{n} sessions',
};
export const today = 'Today';
export const scheduleASession = 'Schedule a session';
export const noClassPeriodsYet = 'No class periods yet';
export const theOfficePutsYouDown =
  'The office puts you down for yours; their sessions then stand here in order.';
export const makeOneAndItsSessions =
  '<link>Make one</link>, and its sessions stand here in order; or the office puts you down for one.';
export const nothingToday = 'Nothing today';
export const everyClassPeriodHas =
  'Every class period has its link already. Schedule a session and it stands here, in order, with its door.';
export const earlierToday = 'Earlier today: {count}';

// WhatIsLeft
export const done = 'Done:';
export const fillItsRoll = 'Fill its roll';
export const sayWhereItsRoomIs = 'Say where its room is';
export const putTheLinkWhereStudents = 'Put the link where students look';
export const tryItsDoorAsAnybody = 'Try its door as anybody';
export const whatIsLeft = 'What is left';

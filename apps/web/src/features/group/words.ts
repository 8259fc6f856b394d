/** What group says, sentence by sentence; pages ask for it by name. */

// AddOne
export const knownByThatName = 'Known by that name';
export const putOnTheRoll = 'Put {name} on the roll';
export const name = 'Name';
export const address = 'Address';
export const blankTheyComeWithout = 'Blank: they come without an account.';
export const putOnTheRollShort = 'Put on the roll';

// EmptyRoll
export const nobodyOnTheRollYet = 'Nobody on the roll yet';

// FillRoll
export const fillTheRoll = 'Fill the roll';
export const pasteAListOfThem = 'Paste a list of them';
export const addressesByWhichTheySet = 'Addresses by which they set their passwords';

// FromFile
export const thisFileIsTooLarge =
  'This file is over 20 MB. A list of groups is far smaller; is it the right one?';
export const theBrowserCouldNotOpen = 'The browser could not open this file.';
export const whatTheFileSays = 'What the file says';
export const groupsOf = {
  one: '1 group',
  other: '{n} groups',
};
export const studentsInGroups = '{name}: {students} in {groups}';
export const ofTheRollInNone = '{leftCount} of the roll in none';
export const andMoreLinesLikeThese = 'and {problemsCount} more lines like these';
export const useTheseGroups = 'Use these groups';
export const fileOfGroups = 'File of groups';
export const fromAFileDots = 'From a file…';
export const readingNameDots = 'Reading {name}…';

// GroupCards
export const groupWork = 'Group work';
export const hasALink = '{group} has a link of its own.';
export const giveItALink = 'Give it a link';
export const tutor = 'Tutor';
export const tutorOf = 'Tutor of {group}';
export const none = 'none';
export const nameOfGroup = 'Name of group {i}';
export const removeGroup = 'Remove {group}';
export const remove = 'Remove';
export const linkLabel = 'Link: {label}';

// groupsDraft
export const groupI = 'Group {i}';

// LeaveRoll
export const theirPlaceIn = 'their place in {name}';
export const aLink = '“{label}”, a link that is for them';
export const withThatEnds = 'With that ends {parts}.';
export const takingOff = 'Taking {name} off';
export const broughtBackTheyHaveIt = '{ends} Brought back, they have it again.';
export const takeThemOff = 'Take them off';

// MoveOnRoll
export const movingPerson = 'Moving {person}';
export const thereIsNoOtherClass = 'There is no other class period of yours to move them to.';
export const whereTo = 'Where to';
export const moveThemToGroups = 'Move them to {where}; groups and links of their own end here.';
export const moveThem = 'Move them';

// PasteList
export const what = {
  add: 'put on the roll',
  make: 'new to the school, and put on the roll',
  there: 'on the roll already',
  doubt: 'asked about',
  wrong: 'left out',
};
export const lineWhy = 'line {line}: {why}';
export const lines = {
  one: '1 line',
  other: '{n} lines',
};
export const lineLine = 'line {line}';
export const andMoreLikeThese = 'and {theseCount} more like these';
export const whatTheListDoes = 'What the list does';
export const toBeAskedAboutTick = 'To be asked about; tick those that are right:';
export const putStudentsOnTheRoll = {
  one: 'Put 1 student on the roll',
  other: 'Put {n} students on the roll',
};
export const leaveIt = 'Leave it';
export const aListOfNames = 'A list of names and addresses';
export const anselGrueAGrueSchool =
  'Ansel Grue <a.grue@school.example>\nor columns copied out of a table';
export const seeWhatItDoes = 'See what it does';

// readGroups.worker
export const thisFileCannotBeRead = 'This file cannot be read as a table.';

// RollList
export const groupOf = 'Group of {person}';
export const noGroup = 'no group';
export const noAccount = 'no account';
export const moveToAnotherRoll = 'Move {name} to another roll';
export const takeOffTheRoll = 'Take {name} off the roll';
export const lettersDoNotReachThem =
  'Letters do not reach them: mend their address, or tell them another way. {unreached}';
export const theRoll = 'The roll';

// RollTab
export const groupDraftCount = 'Group {draftCount}';
export const groups = 'Groups';
export const howManyGroups = 'How many groups';
export const splitIntoGroups = 'Split into {howMany} groups:';
export const inTheRollsOrder = 'in the roll’s order';
export const atRandom = 'at random';
export const addAGroup = 'Add a group';
export const giveAWholeNumber = 'Give a whole number from 1 to {most}.';
export const theGroups = 'the groups';
export const theirsYours = 'Theirs: {theirs}. Yours: {yours}.';
export const saveTheGroups = 'Save the groups';
export const asTheyWere = 'As they were';

// sayWhy
export const thatDidNotWork = 'That did not work.';

// useGroups
export const theGroupsAreChanged = 'The groups are changed.';

// useLeaving
export const isOffTheRoll = '{name} is off the roll.';
export const isBackOnTheRoll = '{name} is back on the roll.';
export const isOnTheRollOf = '{name} is on the roll of {classTitle}.';

// useRollEdits
export const students = {
  one: '1 student',
  other: '{n} students',
};
export const allOfThem = 'All of them are on the roll already.';
export const onTheRoll = '{students} on the roll.';
export const onTheRollAndClosed = '{students} on the roll. From now on it says who gets in.';

// WaysIn
export const youSignInAsSet =
  'You sign in as {email}. Set your password here, once, within three days:';
export const copyTheAddressOf = 'Copy the address of {way}';
export const addressCopied = 'Address copied.';
export const copy = 'Copy';
export const waysIn = 'Ways in';
export const everybodyHasSetAPassword = 'Everybody has set a password';
export const theirWaysIn = 'Their ways in';
export const eachWorksOnce =
  'Each works once and for three days. They are shown now and never again; new ones can be made any time, and make these useless.';
export const printThemInStrips = 'Print them in strips';
export const done = 'Done';

// WereHere
export const takenOffThisRoll = {
  one: 'One was taken off this roll',
  other: '{n} were taken off this roll',
};
export const takenOff = 'Taken off';
export const untilDate = 'until {date}';
export const bringBack = 'Bring {name} back';
export const bringBackShort = 'Bring back';

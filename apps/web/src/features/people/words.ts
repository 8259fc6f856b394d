/** What people says, sentence by sentence; pages ask for it by name. */

// AccountsPart
export const schoolAccount = 'school account';
export const homeAccount = 'home account';
export const aWayInIsOut = 'a way in is out until {date} {time}';
export const signsOnAt = 'signs on at {signOns}';
export const hasAPassword = 'has a password';
export const noPasswordYet = 'no password yet';
export const makeAWayInFor = 'Make a way in for {email}';
export const newWayIn = 'New way in';
export const makeAWayIn = 'Make a way in';
export const endFor = 'End {name} for {email}';
export const whoeverSignsOnThereNext =
  'Whoever signs on there next with this address is bound to the account again';
export const endName = 'End {name}';
export const takeAway = 'Take {email} away';
export const takeAwayShort = 'Take away';
export const anotherAccountByItsAddress = 'Another account, by its address';
export const whichKind = 'Which kind';
export const addTheAccount = 'Add the account';
export const accounts = 'Accounts';
export const noAccountAtAll = 'No account.';

// GuardiansPart
export const guardiansName = 'Guardian’s name';
export const theirAddress = 'Their address';
export const mayBeBlank = 'May be blank.';
export const addThem = 'Add them';
export const parentsOrGuardians = 'Parents or guardians';
export const theySeeNothing = 'They see nothing of the student by being named here.';
export const noAddress = 'no address';
export const isNoGuardianOfTheirs = '{name} is no guardian of theirs';

// HappenedPage
export const everything = 'Everything';
export const signingIn = 'Signing in';
export const links = 'Links';
export const sessions = 'Sessions';
export const posts = 'Posts';
export const doors = 'Doors';
export const school = 'School';
export const services = 'Services';
export const whatItSaidBefore = 'What it said before and after';
export const glen = 'Glen';
export const byOnTheirBehalf = '(by {helper}, on their behalf)';
export const onePerson = 'one person';
export const onlyWhatDidAndWhat = 'Only what {what} did, and what was done to them.';
export const showEverybodys = 'Show everybody’s';
export const aboutWhat = 'About what';
export const nothingOfThisKindYet = 'Nothing of this kind yet';
export const whateverSomebodyChangesIsWritten =
  'Whatever somebody changes is written down here, with what it said before.';
export const showWhatWasBefore = 'Show what was before';

// LeavingPart
export const classPeriodsTheyTeach = {
  one: '1 class period they teach',
  other: '{n} class periods they teach',
};
export const privateLinks = {
  one: '1 private link',
  other: '{n} private links',
};
export const nothingElseEndsWithThat = 'Nothing else ends with that.';
export const withThatEndsTheirPlace = 'With that ends their place in {parts}.';
export const thisIsYouSomebodyElse = 'This is you: somebody else of the office can retire you.';
export const nobodyWouldBeLeft = 'Nobody would be left to look after the school.';
export const nobodyElseHostsTheseHand = 'Nobody else hosts these; hand them over first:';
export const noAccountOfSigns =
  'No account of {person} signs in any more; whoever is signed in is out at once. All they had and did is kept. {ends}';
export const sessionsAre = {
  one: '1 session is',
  other: '{n} sessions are',
};
export const stillToComeWhereThey =
  '{count} still to come where they host, the next {date} {time} ({classTitle}).';
export const retirePerson = 'Retire {person}';
export const comingBack = 'Coming back';
export const theySignInAsBefore =
  'They sign in as before, and have what they had as far as it still stands.';
export const bringBack = 'Bring {person} back';
export const leaving = 'Leaving';
export const retireDots = 'Retire…';
export const handOverWhatTheyHostDots = 'Hand over what they host…';

// MergePart
export const theOtherRecordByName = 'The other record, by name or address';
export const found = 'Found';
export const becomesPartOfWhoseName =
  '{other} becomes part of {person}, whose name stays. It cannot be taken back.';
export const accountsThatComeAlong = 'Accounts that come along';
export const classPeriodsTaught = 'Class periods taught';
export const rolls = 'Rolls';
export const makeThemOne = 'Make them one';
export const hereTwice = 'Here twice?';
export const makeTwoRecordsOneDots = 'Make two records one…';

// PeoplePage
export const everyone = 'Everyone';
export const teachers = 'Teachers';
export const students = 'Students';
export const guests = 'Guests';
export const here = 'Here';
export const retired = 'Retired';
export const peopleCounted = {
  one: '1 person',
  other: '{n} people',
};
export const findByNameOrAddress = 'Find by name or address';
export const whomToShow = 'Whom to show';
export const hereOrRetired = 'Here or retired';
export const nobodyFits = 'Nobody fits';
export const tryFewerLettersOrEveryone = 'Try fewer letters, or everyone instead of some.';
export const nobodyIsRetired = 'Nobody is retired';
export const whoeverLeavesTheSchool =
  'Whoever leaves the school is retired on their page: they sign in no more, and all they had is kept.';
export const nobodyIsHereYet = 'Nobody is here yet';
export const takeSomebodyInOrFill = 'Take somebody in, or fill a roll.';

// PeopleTable
export const teaches = 'teaches {teaches}';
export const onRolls = {
  one: 'on a roll',
  other: 'on {n} rolls',
};
export const noClassPeriod = 'no class period';
export const noAccount = 'no account';
export const byName = 'by name';
export const byLastName = 'by last name';
export const newestFirst = 'newest first';
export const order = 'Order';
export const name = 'Name';
export const whatTheyAre = 'What they are';
export const address = 'Address';
export const classPeriods = 'Class periods';
export const people = 'People';
export const peopleInOrder = 'People in order';

// PersonPage
export const retiredWithin = 'retired';
export const theirTerm = 'Their term';
export const whenTheyCameAndWhen = 'When they came, and when they are known to be away';
export const whatHappened = 'What happened';
export const whatTheyDidAndWhat = 'What they did, and what was done to them';

// PersonWords
export const theirsIs = 'Theirs is {theirs}, {roles}.';
export const saveTheChange = 'Save the changes';

// PlacesPart
export const openNow = 'open now';
export const whatTheySeeThere = 'What they see there';
export const theirDoors = 'Their doors';
export const noDoorTodayAndNone = 'No door today, and none in the two weeks to come.';
export const guardianOf = 'Guardian of';

// RolesPart
export const head = 'Head';
export const teachesAndLooksAfter = 'teaches, and looks after the school';
export const office = 'Office';
export const looksAfterPeopleRolls = 'looks after people, rolls and the calendar';
export const teacher = 'Teacher';
export const teachesClassPeriods = 'teaches class periods';
export const student = 'Student';
export const standsOnRolls = 'stands on rolls';
export const guest = 'Guest';
export const isInvitedByName = 'is invited by name';
export const whatThey = 'What they are to the school';

// TakeIn
export const theSchools = 'the school’s';
export const theirOwnFromHome = 'their own, from home';
export const isTakenIn = '{person} is taken in.';
export const isTakenInWithout = '{person} is taken in, without an account.';
export const done = 'Done';
export const whatTheySign = 'What they sign in with. Blank: they have no account.';
export const whoseAddressItIs = 'Whose address it is';
export const takeThemIn = 'Take them in';
export const leaveIt = 'Leave it';
export const takeSomebodyIn = 'Take somebody in';

// usePersonEdits
export const theySignInOnceMore = 'They sign in once more the next time.';
export const personIsRetired = '{person} is retired.';
export const personIsBack = '{person} is back.';
export const theyAreOneNow = 'They are one now.';
export const oneRollOrMore = {
  one: '1 roll',
  other: '{n} rolls',
};
export const groups = {
  one: '1 group',
  other: '{n} groups',
};

/** What classes says, sentence by sentence; pages ask for it by name. */

// AboutTab
export const theLinkStays = 'The link stays';
export const whateverItIsCalled =
  'Whatever it is called and whoever teaches it: students come by the same link.';

// AtTheEnd
export const oneSession = 'one session';
export const takesToComeOff = 'takes {count} to come off the plan';
export const itsLink = 'its link';
export const stopsCount = 'stops {count}';
export const onePost = 'one post';
export const takesDown = 'takes {count} down';
export const nothingOfIt = 'Nothing of it is in use.';
export const partsAndLast = '{parts} and {last}';
export const puttingItAway = 'Putting it away {last}.';
export const whenItIsOver = 'When it is over';
export const itsRollAndAllIt =
  '{consequence} Its roll and all it had stay, and you can bring it back.';
export const itsDoorIsOpenJust = 'Its door is open just now: close the room first.';
export const putItAway = 'Put it away';

// Classes
export const youHost = 'you host';
export const youCoTeach = 'you co-teach';
export const youVisitAndPresent = 'you visit and present';
export const youHostAtOne = 'you host at one of its links';
export const everyLinkStandsSomewhere = 'Every link stands somewhere';
export const onTheClassStreams = 'On the class streams, or about to.';
export const itsLinkIsStoppedGive = 'Its link is stopped: give it a new one';
export const onTheRoll = '{rollSize} on the roll';
export const occasions = 'Occasions';
export const colleaguesATalkAFamily =
  'Colleagues, a talk, a family: a link and sessions for whom you name, without a roll.';
export const arePutAway = {
  one: '1 is put away',
  other: '{n} are put away',
};
export const classes = 'Classes';
export const classPeriods = {
  one: '1 class period',
  other: '{n} class periods',
};
export const whoCame = 'Who came';
export const allMyLinks = 'All my links';
export const sheetOfLinks = 'Sheet of links';
export const makeAClassPeriod = 'Make a class period';
export const noClassPeriodsYet = 'No class periods yet';
export const makeOneAndItsLink =
  'Make one, and its link stands here at once; or the office puts you down for one.';
export const theOfficePutsYouDown =
  'The office puts you down for yours; each then stands here with its link.';

// ClassHead
export const studentsHaveNoWay =
  'Students have no way in: this class period’s link has been stopped.';
export const giveItANewLink = 'Give it a new link';
export const lookAtTheOldOne = 'Look at the old one';
export const theLastingLink = 'The lasting link';
export const withCoTeacher = 'with {coTeacher}';
export const presenterPresents = '{presenter} presents';

// ClassParts
export const aboutWhat = 'About {what}';

// ClassWords
export const lettersOfThePennant = 'Letters of the pennant';
export const pattern = 'Pattern';
export const colour = 'Colour';
export const itFliesOnIn = 'It flies {lettersPennant} on {pattern} in {colour}.';
export const period = 'Period';
export const asTheBellsLabelIt = 'As the bells label it.';
export const theirsIs = 'Theirs is “{classTitle}”, with {letters} on its pennant.';
export const saveTheChanges = 'Save the changes';

// CopyClass
export const theRoll = 'the roll';
export const itsTeachers = 'its teachers';
export const itsEntryRules = 'its entry rules';
export const whatIsTheNewOne = 'What is the new one called?';
export const itsPeriod = 'Its period';
export const itTakesOver = 'It takes over';
export const makeTheClassPeriod = 'Make the class period';
export const anotherLikeIt = 'Another like it';
export const forAnotherPeriod =
  'For another period, or for next year: with a link of its own, its lessons still to be said.';
export const makeAnotherLikeIt = 'Make another like it';

// MakeOccasion
export const whomIName = 'whom I name';
export const whoeverKnocksAndIsLet = 'whoever knocks and is let in';
export const everybodyWithTheLink = 'everybody with the link';
export const whatIsItCalled = 'What is it called?';
export const whoComes = 'Who comes';
export const inComes = 'Who comes in: {comes}.';
export const makeItsLink = 'Make its link';
export const leaveIt = 'Leave it';
export const makeAnOccasion = 'Make an occasion';

// NameTeacher
export const hosts = 'hosts';
export const coTeaches = 'co-teaches';
export const visitsAndPresents = 'visits and presents';
export const orSomebodyNewByAddress = 'Or somebody new, by address';
export const theyGetAWay = 'They get a way in to hand on.';
export const name = 'Name {name}';
export const somebodyMore = 'Somebody more';
export const asWhat = 'As what';

// partStates
export const noneAhead = 'none ahead';
export const nextAhead = 'next {day} {time} · {aheadCount} ahead';
export const straightIn = '{who}, straight in';
export const someStraightIn = '{who}; {straight} straight in';
export const noneWorks = 'none works';
export const nOut = '{n} out';
export const nQueued = '{n} queued';
export const nFailed = '{n} failed';
export const nByHand = '{n} by hand';
export const itStandsNowhere = 'it stands nowhere';

// PutAwayLine
export const putAwayOn = 'Put away on {date}.';
export const itsLinkIsStoppedAll = '{date} Its link is stopped; all it had is kept.';
export const bringItBack = 'Bring it back';

// SessionsTab
export const ahead = 'Ahead';
export const past = 'Past';
export const cancelled = 'Cancelled';
export const cancelledWhy = 'Cancelled: {why}';
export const skipped = 'Skipped:';
export const withWhat = 'with {what}';
export const heldAtTheDoorOf = 'held at the door of {heldAt}';
export const draftNoDateYet = 'Draft, no date yet';
export const draft = 'Draft';
export const cameOfRollSizeCame = '{came} of {rollSize} came';
export const someDay = 'some day';
export const slotsOf = 'Slots of {title}, {date}';
export const slots = 'Slots';
export const programmeOf = 'Programme of {title}, {date}';
export const programme = 'Programme';
export const changeTitleDate = 'Change {title}, {date}';
export const change = 'Change';
export const showAll = 'Show all {sessionsCount}';
export const scheduleASession = 'Schedule a session';
export const toTheDesk = 'To the desk';
export const nothingPlanned = 'Nothing planned';
export const theLinkWorksAll = 'The link works all the same: a host may open its door at any time.';

// tabs
export const tabNames = {
  sessions: 'Sessions',
  entry: 'Entry',
  links: 'Links',
  posts: 'Posts',
  roll: 'Roll',
  people: 'Who comes',
  about: 'About',
};

// Teachers
export const coversForUntil = 'covers for {covers} until {date}';
export const asWhatIsHere = 'As what {name} is here';
export const teachesItNoLongerName = '{name} teaches it no longer';
export const whoTeachesIt = 'Who teaches it';

// useRest
export const isPutAwayClassTitle = '{classTitle} is put away.';
export const classTitleIsBack = '{classTitle} is back.';

// useTeachers
export const nameIsNamed = '{name} is named.';
export const isNamedAgain = '{name} is named again.';
export const teachesItNoLonger = '{name} teaches it no longer.';

// WhoComesTab
export const inviteNoLonger = 'Invite {name} no longer';
export const nobodyIsNamedYet = 'Nobody is named yet';
export const namePeopleOfTheSchool =
  'Name people of the school, and guests by their address. Whether others may knock, its entry rules say.';
export const whomItIsFor = 'Whom it is for';

// WhoPresents
export const atTitle = 'at {title}';
export const takesOver = 'Takes over while no host is in';
export const takesOverOf = '{names} takes over while no host is in';
export const whoPresentsWhen = 'Who presents when';
export const theHosts = 'The hosts';
export const atAnyTime = '{what}: at any time.';
export const atNoneOfTheNext = 'At none of the next dates is anybody named besides.';
export const andMoreUntil = 'And {moreCount} more, until {date}.';

/** What moveIn says, sentence by sentence; pages ask for it by name. */

// BeginPage
export const itsLinkForAsLong = 'Its link, for as long as the class lasts';
export const doneShowMeToday = 'Done: show me today';
export const anotherClassPeriod = 'Another class period';
export const fillItsRoll = 'Fill its roll';
export const youAre = 'You are {name}';
export const aClassPeriodMore = 'Another class period · {school}';
export const backToTheClassPeriods = 'Back to the class periods';
export const anotherClassPeriodOf = 'Another class period';

// BellPattern
export const minutesOfPause = 'Minutes of pause {at}';
export const pauseAfterPeriod = 'Pause {at} after period';
export const afterPeriod = ', {minutes} after period {after}';
export const noPause = 'No pause {at}';
export const labels = {
  count: 'How many periods',
  minutes: 'Minutes of a period',
  between: 'Minutes between',
};
export const theFirstBeginsAt = 'The first begins at';
export const periodsOfMinutesFromMinutes =
  'periods of {minutes} minutes from {firstBegins}, {between} minutes between{breaks}.';
export const noBellsSessionsHave = 'No bells: sessions have a time of their own.';
export const weHaveBells = 'We have bells';
export const anotherLongerPause = 'Another longer pause';
export const weHaveNoBells = 'We have no bells';

// ClassForm
export const anyoneWithTheLinkKnocks = 'anyone with the link knocks';
export const nobodyGetsIn = 'nobody gets in';
export const whereIsItsRoomMay = 'Where is its room? (may come later)';
export const whateverYouUseTodayStudents =
  'Whatever you use today. Students never need it: they come by Glen’s link, and you can change it any day.';
export const whoComes = 'Who comes?';
export const untilTheRollIsFilled = 'Until the roll is filled';
export const theRollWhichYouFill = 'The roll, which you fill next; until then {untilRoll}.';
export const whatIsItCalled = 'What is it called?';
export const whenDoesItMeetMay = 'When does it meet? (may come later)';
export const inWordsSuchAs = 'In words: every Tuesday 18:30 to 20:00 until term ends';
export const makeItsLink = 'Make its link';

// MoveInFrame
export const movingInASchool = 'Moving in · a school of your own on this machine';
export const glen = 'Glen';
export const pages = 'Pages';
export const everythingHereCanBeChanged =
  'Everything here can be changed later. Left now, it waits where you were; nothing typed is lost.';

// MoveInPage
export const holidays = {
  one: '1 holiday',
  other: '{n} holidays',
};
export const whatYouTeach = 'What you teach';
export const theSchool = 'The school';
export const theYear = 'The year';
export const you = 'You';
export const yourFirstClassPeriod = 'Your first class period';
export const somebodyElseIsMoving = 'Somebody else is moving in here too, or you in another window';
export const keepMine = 'Keep mine';
export const takeWhatIsThere = 'Take what is there';
export const movingIn = 'Moving in';

// NotMovedIn
export const nobodyHasMovedInHere = 'Nobody has moved in here yet';
export const toMakeASchoolOpen =
  'To make a school, open the address that Glen told as it started, in the window where it was started. If it is lost, start Glen again: it tells a new one, and whatever was typed is still there.';
export const lookingForAClassAsk = 'Looking for a class? Ask whoever sent you here for its link.';

// readMeets
export const noDayFitsThat = 'No day of the school year fits that.';
export const sessions = {
  one: '1 session',
  other: '{n} sessions',
};

// SchoolStep
export const aSchoolWithSeveralTeachers = 'a school with several teachers';
export const aClassOfMyOwn = 'a class of my own: I teach alone';
export const region = 'Region';
export const nowhere = 'nowhere';
export const whatItIs = 'What it is';
export const timeZone = 'Time zone';
export const orderOfDates = 'Order of dates';
export const clock = 'Clock';
export const itIsItsTimes =
  'It is {whatIt}. Its times are those of {timeZone}, its dates are written {orderDates} and its hours {clock}; public holidays are those of {regionPart}.';
export const sayWhatItIsCalled = 'Say what it is called.';
export const whatDoYourStudentsKnow = 'What do your students know it as?';
export const whatIsTheSchoolCalled = 'What is the school called?';
export const whomDoStudentsAskWhen =
  'Whom do students ask when something technical fails? (may come later)';
export const shownAtTheDoor =
  'Shown at the door, so that they do not ask the teacher who is teaching.';
export const nextTheYear = 'Next: the year';

// YearStep
export const term = 'Term';
export const firstDayOfTerm = 'First day of term {i}';
export const lastDayOfTerm = 'Last day of term {i}';
export const firstToLast = '{first} to {last}';
export const nameOfTerm = 'Name of term {i}';
export const takeOutTerm = 'Take out term {i}';
export const anotherTerm = 'Another term';
export const noRegionIsChosenThey = 'No region is chosen; they can come later.';
export const lookingThemUpDots = 'Looking them up…';
export const noneFallsOnASchool = 'None falls on a school day.';
export const bells = 'Bells';
export const alternatingDays = 'Alternating days';
export const labelsOfAlternatingDays = 'Labels of alternating days';
export const noneOrAB = 'none, or A, B';
export const thisIsLikelyChangeWhat =
  'This is likely; change what is not so. Lessons “until term ends” follow it by themselves.';
export const terms = 'Terms';
export const publicHolidaysThatAreClosed = 'Public holidays that are closed';
export const bellsAndAlternatingDays = 'Bells and alternating days, if you want any';
export const nextYou = 'Next: you';

// YearStrip
export const sessionsFromTo = '{datesCount} sessions from {from} to {until}';

// YouStep
export const whatAreYouCalled = 'What are you called?';
export const yourAddress = 'Your address';
export const youSignInWithIt = 'You sign in with it. No mail is sent.';
export const aPassword = 'A password';
export const severalWordsAreEasy = 'Several words are easy to keep in mind.';
export const makeIt = 'Make it';
export const makeTheSchool = 'Make the school';

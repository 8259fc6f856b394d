/** What school says, sentence by sentence; pages ask for it by name. */

// AboutSchoolPage
export const everyTeacher = 'every teacher';
export const headAndOfficeAlone = 'head and office alone';
export const aSchoolWithSeveralTeachers = 'a school with several teachers';
export const aClassOfMyOwn = 'a class of my own: I teach alone';
export const theOfficeAlone = 'the office alone';
export const theOfficeOrAHost = 'the office or a host of theirs';
export const whoMakesClassPeriods = 'Who makes class periods';
export const whoGivesANewWay = 'Who gives a new way in';
export const classPeriodsAreMade =
  'Class periods are made, and new teachers taken in, by {makesClass}. A student who has lost their password gets a new way in from {givesNew}.';
export const byMailAndInGlen = 'by mail, and in Glen';
export const inGlenAlone = 'in Glen alone';
export const notAtAll = 'not at all';
export const howPeopleHearOfChanges = 'How people hear of changes';
export const howPeopleAreReminded = 'How people are reminded';
export const howPeopleAreTold = 'How people are told of their day';
export const howPeopleAreRemindedOf = 'How people are reminded of an evening';
export const howPeopleReadWhatTeachers = 'How people read what teachers write';
export const howThoseWhoTeach = 'How those who teach are told who came in the week';
export const whoeverHasNotSaidOtherwise =
  'Whoever has not said otherwise hears of changes {changes}, is reminded an hour before a session {reminders}, told of their day that morning {mornings}, reminded of an evening a week before {evenings}, reads what teachers write to them {posts}, and, if they teach, is told who came in the week {weeks}.';
export const whatItIs = 'What it is';
export const timeZone = 'Time zone';
export const orderOfDates = 'Order of dates';
export const clock = 'Clock';
export const itIsTimesAreThose =
  'It is {whatIt}. Times are those of {timeZone}, its dates are written {orderDates} and its hours {clock}.';
export const nobody = 'nobody';
export const theirsIsByTheTimes =
  'Theirs is “{theirs}”, by the times of {zone}; asked for help: {help}.';
export const whatDoYourStudentsKnow = 'What do your students know it as?';
export const whatIsTheSchoolCalled = 'What is the school called?';
export const whomDoStudentsAskWhen = 'Whom do students ask when something technical fails?';
export const shownAtTheDoor =
  'Shown at the door, so that they do not ask the teacher who is teaching.';
export const saveTheChanges = 'Save the changes';
export const goesByTheTimesOf = '{about} goes by the times of {zone}.';
export const whenSomethingTechnicalFailsStudents =
  'When something technical fails, students ask {help}.';
export const nobodyIsNamedYetWhom =
  'Nobody is named yet whom students ask when something technical fails.';
export const everyTeacherMakesClassPeriods = 'Every teacher makes class periods.';
export const headAndOfficeMakeClass = 'Head and office make class periods.';
export const aStudentWhoHasLost =
  'A student who has lost their password gets a new way in from the office.';
export const aStudentWhoHasLostTheir =
  'A student who has lost their password gets a new way in from the office or a host of theirs.';
export const whatWillHappen = 'What will happen';

// Bells
export const setBellsCount = 'Set {bellsCount}';
export const anotherBellSet = 'Another bell set';
export const onWhichWeekday = 'On which weekday';
export const bellsOnS = 'Bells on {weekdayName}s';
export const noTeaching = 'no teaching';
export const singleDaysWithOtherBells = 'Single days with other bells';
export const dayWithOtherBells = 'Day {i} with other bells';
export const bellsOfDay = 'Bells of day {i}';
export const anotherDay = 'Another day';
export const teachByBells = 'Teach by bells';
export const bells = 'Bells';
export const sessionsInABellPeriod = 'Sessions in a bell period go by the set in force that day.';

// BellSet
export const periodOfSetName = '{period} of {setName}';
export const labelOfPeriodOf = 'Label of period {at} of {setName}';
export const periodBegins = 'Period {name} begins';
export const periodEnds = 'Period {name} ends';
export const nameBells = '{name} bells';
export const nameOfBellSet = 'Name of bell set {at}';
export const takeOutShort = 'Take out';
export const anotherPeriod = 'Another period';

// calendarNotes
export const nothingIsChangedYet = 'Nothing is changed yet';
export const whateverYouChangeHereThis =
  'Whatever you change here, this column says first what it does to everybody’s sessions.';
export const yoursToRead = 'Yours to read';
export const theHeadAndTheOffice =
  'The head and the office change it; you are told here when that moves your sessions.';
export const teachersAreTold = {
  one: 'One teacher is told',
  other: '{n} teachers are told',
};
export const notQuite = 'Not quite';

// Cells
export const takeOut = 'Take out {name}';

// Closures
export const staffDay = 'staff day';
export const cycleDaysAfter = 'Cycle days after {closure}';
export const cycleShiftsIs = 'cycle shifts: {day} is {shifted}';
export const cycleGoesOnIs = 'cycle goes on: {day} is {goesOn}';
export const nameOfClosure = 'Name of closure {at}';
export const firstDayOf = 'First day of {name}';
export const to = 'to';
export const lastDayOf = 'Last day of {name}';
export const kindOf = 'Kind of {name}';
export const closures = 'Closures';
export const daysWithoutLessonsInside =
  'Days without lessons inside a term. A series that skips closures leaves these out.';
export const anotherClosure = 'Another closure';

// Cycle
export const teachingDays = 'teaching days';
export const cycleDays = 'Cycle days';
export const daysThatAlternateSuch =
  'Days that alternate, such as A and B, for half-classes and timetables of two weeks.';
export const beginACycle = 'Begin a cycle';
export const none = 'None.';
export const seriesCanKeepToSome = 'Series can keep to some of these days only.';
export const whatTheCycleCounts = 'What the cycle counts';
export const alternateByFrom = 'alternate by{cycleCounts} from';
export const labelsWithCommas = 'Labels, with commas';
export const firstDayOfTheCycle = 'First day of the cycle';

// HolidayChoice
export const addChosenCount = 'Add {chosenCount}';

// Holidays
export const region = 'Region';
export const allThatFall = 'All that fall in a term are closures already.';
export const publicHolidaysDots = 'Public holidays…';
export const publicHolidays = 'Public holidays';

// SchoolPage
export const termsClosuresAndSingleDays =
  '{termsCount} terms, {closuresCount} closures and {bellForCount} single days';
export const theCalendar = 'the calendar';
export const theirsHasYoursHas = 'Theirs has {theirs}; yours has {yours}.';
export const changeIt = 'Change it; {follow}';
export const changeTheCalendar = 'Change the calendar';
export const asItWas = 'As it was';
export const closed = 'Closed';
export const yourCalendar = 'Your calendar';
export const schoolCalendar = 'School calendar';
export const timesAre = 'times are {zone}';

// SchoolTabs
export const calendar = 'Calendar';
export const about = 'About';
export const people = 'People';
export const signingIn = 'Signing in';
export const whatHappened = 'What happened';
export const registers = 'Registers';
export const whoCovers = 'Who covers';
export const entryRules = 'Entry rules';
export const myOwnDefaults = 'My own defaults';
export const aboutTheSchool = 'About the school';

// Terms
export const term = 'Term';
export const nameOfTerm = 'Name of term {at}';
export const firstDayOfTerm = 'First day of {term}';
export const lastDayOfTerm = 'Last day of {term}';
export const terms = 'Terms';
export const bothDaysCountUntilTerm = 'Both days count. “Until term ends” follows these by itself.';
export const anotherTerm = 'Another term';

// useBells
export const labelBegins = '{label} begins';
export const labelEnds = '{label} ends';

// useCalendarDraft
export const sessionsFollow = {
  one: 'one session follows',
  other: '{n} sessions follow',
};
export const theCalendarIsChanged = 'The calendar is changed.';
export const theCalendarIsChangedAnd = 'The calendar is changed, and {follow}.';

// YearLine
export const bellBellsDate = '{bell} bells, {date}';
export const hatchedHoliday = 'hatched: holiday';
export const goldStaffDay = 'gold: staff day';
export const redExaminations = 'red: examinations';
export const dotOtherBells = 'dot: other bells';
export const pressADayToClose = 'press a day to close it';
export const fromDateToDate = 'from {from} to {until}';
export const termsClosures = '{termsCount} terms, {closuresCount} closures';
export const theSchoolYear = 'The school year {span}: {count}';

// zones
export const dayFirstDate = '14 Oct 2026';
export const dayFirst = 'day first';
export const monthFirstDate = 'Oct 14, 2026';
export const monthFirst = 'month first';
export const yearFirst = 'year first';
export const pm = '2:05 pm';

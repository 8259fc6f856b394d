/** What frame says, sentence by sentence; pages ask for it by name. */

// BehalfBar
export const youSeeWhatTheySee = 'you see what they see, and both names stand under what you do.';
export const youActFor = 'You act for {behalf}: {problem}';
export const backToYourself = 'Back to yourself';

// DayLine
export const timeByHandWhere = '{time} by hand: {where}';
export const todaysHours = 'Today’s hours';

// DaySession
export const draft = 'draft';
export const noHostIsIn = 'no host is in';

// DemoClock
export const demoDayMoveTheClock = 'Demo day, {shown}. Move the clock';
export const demoDay = 'Demo day ·';

// DemoClockCard
export const toTheNextBell = 'To the next bell';
export const minutesOn = '{n} minutes on';
export const minutesBack = '{n} minutes back';
export const minOn = '+{n} min';
export const minBack = '−{n} min';
export const date = 'Date';
export const time = 'Time';
export const goThere = 'Go there';
export const moveTheDemosClock = 'Move the demo’s clock';

// Finder
export const nothingByThatName = 'Nothing by that name.';
export const classPeriods = 'Class periods';
export const sessions = 'Sessions';
export const links = 'Links';
export const doWord = 'Do';
export const findOrDoTitle = 'Find or do';
export const aPersonAClassPeriod = 'A person, a class period, a session, something to do';
export const keys = 'Keys';

// finderEntries
export const copyTheLinkOf = 'Copy the link of {t}';
export const openTheDoorOfNow = 'Open the door of {t} now';
export const postTheLinkOf = 'Post the link of {t}';
export const whoSeesTheLinkOf = 'Who sees the link of {t}';
export const changeTheEntryRulesOf = 'Change the entry rules of {t}';
export const tryTheDoorOf = 'Try the door of {t}';
export const copyTheLink = 'Copy the link of {t} as an invitation, a QR code, a calendar file';
export const makeAnotherLinkOf = 'Make another link of {t}';
export const replaceOrStopTheLink = 'Replace or stop the link of {t}';
export const partIntoGroups = 'Part {t} into groups';
export const scheduleASession = 'Schedule a session';
export const makeAClassPeriod = 'Make a class period';
export const newClassCourseGroupLink = 'new class course group link';
export const undoWhat = 'Undo: {what}';
export const undoTheLastChange = 'Undo the last change';
export const wordForYouWhatOthers = 'Word for you: what others changed';
export const newsNoticesLetters = 'news notices letters';
export const latelyTakeBackWhatI = 'Lately: take back what I changed';
export const undoChangesHistory = 'undo changes history';
export const takeItElsewhere = 'Take it elsewhere';
export const cartridgePageSlidePosterBanner = 'cartridge page slide poster banner feed export';
export const whatAStudentSees = 'What a student sees';
export const streamPageCalendar = 'stream page calendar';
export const writeAPostForMany = 'Write a post for many places';
export const streamsPagesCalendars = 'streams pages calendars';
export const printTodaysRunSheet = 'Print today’s run sheet';
export const printTheSheetOfLinks = 'Print the sheet of links';
export const findATime = 'Find a time at which people are free';
export const busyChooseOfferTalk = 'busy choose offer talk';
export const eveningsByAppointment = 'Evenings by appointment';
export const parentsFamiliesGuardiansTalkSlots = 'parents families guardians talk slots';
export const whoCameThisWeek = 'Who came this week';
export const registerAttendanceAbsentLate = 'register attendance absent late';
export const allMyLinks = 'All my links';
export const tableFindFilter = 'table find filter';
export const myOwnEntryRules = 'My own entry rules';
export const people = 'People';
export const accountsRolesRetiredPassword = 'accounts roles retired password';
export const whatHappened = 'What happened';
export const logWhoDidWhat = 'log who did what';
export const aboutTheSchool = 'About the school';
export const nameZoneHelpOffice = 'name zone help office';
export const yourAccount = 'Your account';
export const passwordAddressColours = 'password address colours';
export const theSchoolsEntryRules = 'The school’s entry rules';
export const defaultsLocks = 'defaults locks';
export const useTheAccount = 'Use the account {email}';
export const signOut = 'Sign out';
export const itsDesk = 'its desk';

// foundEntries
export const tryTheDoorOfWhere = 'try the door of {where}';
export const theirPage = 'their page';
export const addressCopied = 'Address copied.';
export const copyTheAddress = 'copy the address';
export const linkOfStopped = '{label}, {title}, stopped';

// keys
export const findOrDo = 'find or do';
export const todayPlanClassesPostsSchool = 'Today, Plan, Classes, Posts, School';
export const scheduleASessionWithin = 'schedule a session';
export const doItAgain = 'do it again';
export const onThePlanWeek = 'on the plan: week or term';
export const onThePlanPick = 'on the plan: pick a session up, arrows move it, Enter puts it down';
export const backOn = 'back, on';
export const atTheDeskLet = 'at the desk: let the next one in';
export const atTheDeskLetAll = 'at the desk: let all of the roll in';
export const atTheDeskOpen = 'at the desk: open the door, or go in';
export const thisList = 'this list';

// TopBar
export const today = 'Today';
export const plan = 'Plan';
export const classes = 'Classes';
export const posts = 'Posts';
export const school = 'School';
export const places = 'Places';
export const setup = 'Setup';
export const findOrDoDots = 'Find or do…';
export const toThePage = 'To the page';
export const glen = 'Glen';

/** What plan says, sentence by sentence; pages ask for it by name. */

// ByTheLink
export const ofTheClassPeriod = 'of the class period';
export const byTheLink = 'By the link';
export const forAudience = 'for {audience}';
export const ofItsOwnAFresh = 'of its own, a fresh one';
export const forAnEvening = 'for an evening or a talk';
export const togetherWith = 'together with {others}';
export const noOtherClass = 'no other class';
export const togetherWithNames = 'Together with: {names}';
export const theyMeetAtThisDoor = 'They meet at this door then; their own doors lead here';

// chosen
export const fromDateToDate = '{from} to {until}';

// ChosenDays
export const sessions = {
  one: '1 session',
  other: '{n} sessions',
};
export const daysToMoveThemBy = 'Days to move them by';
export const byDaysMoveDays = 'by {daysMove} days';
export const moveWhat = 'Move {what}';
export const movedByDays = 'Moved by {days} days: {heldWords}, {range}';
export const cancelledHeldWordsRange = 'Cancelled: {heldWords}, {range}';
export const heldAfterAll = 'Held after all: {cancelledWords}, {range}';
export const whatTheChosenDaysHold = 'What the chosen days hold';
export const sessionCancelled = '{title}, cancelled';
export const theChosenDays = 'The chosen days';
export const nothingOfYoursIsAhead = 'nothing of yours is ahead';
export const cancelHeldWords = 'Cancel {heldWords}';
export const holdAfterAll = 'Hold {cancelledWords} after all';
export const close = 'Close';

// ChosenSession
export const theWholeSeries = 'the whole series';
export const fromDateOn = 'from {date} on';
export const onlyThisOne = 'only this one';
export const thisOneAndAllLater = 'this one and all later ones';
export const cancelLabel = {
  one: 'Cancel it',
  onwards: 'Cancel these',
  whole: 'Cancel all that are ahead',
};
export const removeLabel = {
  one: 'Remove it, as if it had never been',
  onwards: 'Remove these, as if they had never been',
  whole: 'Remove all that are ahead',
};
export const newTitle = 'New title';
export const retitle = 'Retitle';
export const whichOfThem = 'Which of them';
export const withThem = 'With {them}:';
export const cancelledWhat = 'Cancelled: {what}';
export const removedWhat = 'Removed: {what}';
export const changeDots = 'Change…';
export const slotsDots = 'Slots…';
export const retitledTitle = 'Retitled: {title}';
export const heldAfterAllWhat = 'Held after all: {what}';
export const holdItAfterAll = 'Hold it after all';
export const backWhereItWas = 'Back where it was: {what}';
export const putItBackWhereIt = 'Put it back where it was';
export const dragItToAnotherDay = 'Drag it to another day, or press m and the arrows.';
export const theChosenSession = 'The chosen session';
export const itsHostsCanChangeIt = 'Its hosts can change it.';

// CopyTo
export const copiedToTheNextTerm = 'Copied to the next term.';
export const copiedToClassPeriods = {
  one: 'Copied to one class period.',
  other: 'Copied to {n} class periods.',
};
export const copiedFrom = 'Copied from';
export const fromDateOnDates = 'From {from} on, {dates}';
export const datesNotCopied = 'Dates not copied';
export const allItsDates = 'all its dates';
export const eachMeetsInItsOwn = 'Each meets in its own bell period, on its own link.';
export const copyTo = 'Copy to {chosenCount}';
export const copy = 'Copy';
export const toTheNextTerm = 'To the next term';
export const copyToDots = 'Copy to…';
export const copyThisSeries = 'Copy this series';

// CopyTried
export const nothingIsLeftFromThen = '{classTitle}: nothing is left from then on.';
export const sessionsCounted = {
  one: 'one session',
  other: '{n} sessions',
};

// DateList
export const skippedWhy = 'skipped: {why}';
export const cancelledWhy = 'cancelled: {why}';
export const cancelledAlone = 'cancelled';
export const leftOut = 'left out';
export const movedFromDateAndTime = 'moved from {date}, {time}';
export const inThePast = 'in the past';
export const allItsDatesInWords = 'All its dates in words';
export const takeInAgain = 'Take in again';
export const leaveOut = 'Leave out';

// DayList
export const cancelled2 = 'cancelled';
export const moved = 'moved';
export const overlaps = 'overlaps';
export const draft = 'draft';
export const todayDate = 'Today, {date}';
export const fromTheBeginning = 'From the beginning';
export const nothingUntil = 'Nothing until {date}';
export const aSessionNeedsAClass =
  'A session needs a class period, a day and a time; the link is there already.';
export const twoWeeksMore = 'Two weeks more';

// EveryParts
export const noDay = 'no day';
export const monToThu = 'Mon to Thu';
export const monToFri = 'Mon to Fri';
export const weekdays = 'Weekdays';
export const whichDayOfTheMonth = 'Which day of the month';
export const day = 'day';
export const the = 'the';
export const onDayMonth = 'on {dayMonth}';
export const dayOfTheMonth = 'Day of the month';
export const whichOne = 'Which one';
export const weekdayOfTheMonth = 'Weekday of the month';
export const everyWeek = 'every week';
export const everySecondWeek = 'every second week';
export const everyFewWeeks = 'every few weeks';
export const everySchoolDay = 'every school day';
export const everyDay = 'every day';
export const everyFewDays = 'every few days';
export const everyMonth = 'every month';
export const everyFewMonths = 'every few months';
export const byARuleFromElsewhere = 'by a rule from elsewhere';
export const howOften = 'How often';
export const cycleDays = 'Cycle days';
export const whateverTheCycleDay = 'whatever the cycle day';
export const onLDays = 'on {l} days';
export const everyHowManyS = 'Every how many {every}s';
export const intervalEveryS = '{interval} {every}s';
export const onWeekdayPart = 'on {weekdayPart}';

// inWords
export const heldAtTheDoorOf = 'held at the door of {heldAt}';
export const movedFromDate = 'moved from {date}';
export const movedFromTimeWithin = 'moved from {time}';

// landing
export const thereBells = '{there} bells';
export const noBellGivesIt = '{when}: no bell gives it a time there.';
export const theSeriesMeetsThatDay = 'the series meets that day already';
export const clashesWith = 'clashes with {clashes}';
export const whenFree = '{when}: free.';

// LandingWords
export const enterPutsItDownEscape = 'Enter puts it down, Escape leaves it.';

// moved
export const movedFrom = 'Moved from {date}, {time}';
export const movedFromTime = 'Moved from {time}';
export const longerMinLonger = '{longer} min longer';
export const whatMinShorter = '{what} min shorter';

// Pages
export const classPeriodsShown = {
  one: '1 class period',
  other: '{n} class periods',
};
export const pagesOfThePlan = 'Pages of the plan';
export const ofTheSchoolOnThis = '{shown} of the school on this page';
export const fromTheFirst = 'From the first';
export const theNextOnes = 'The next ones';

// PhraseLine
export const leaveItOut = 'Leave it out';
export const orTypeIt = 'Or type it';
export const orTypeItSuchAs = 'or type it: Nav 3 mon & wed p3 until term ends';

// PlanBody
export const noClassPeriodsYet = 'No class periods yet';
export const onceTheOfficePutsYou =
  'Once the office puts you down for one, its sessions stand here.';
export const oneRowForEachClass =
  '{range}, one row for each class period. Arrows go about, Enter chooses, m moves, Delete cancels.';
export const nothingPlannedHere = 'Nothing planned here';
export const theWeek = 'The week';
export const atAGlance = '{range} at a glance';
export const withoutADateTitle = 'Without a date';
export const draftsWithoutADate = 'Drafts without a date:';
export const planRange = 'Plan: {range}';
export const whatWillHappen = 'What will happen';

// PlanHead
export const weekBefore = 'Week before';
export const thisWeek = 'This week';
export const weekAfter = 'Week after';
export const year = 'Year';
export const heldSessions = '{held} sessions';
export const scheduleASession = 'Schedule a session';
export const allClassPeriods = 'All class periods';
export const week = 'Week';
export const termShort = 'Term';

// PlanPage
export const onlyItsHostsCanChange = 'Only its hosts can change this session.';
export const youHostNoClassPeriod = 'You host no class period, so there is nothing to schedule.';

// planRange
export const weekOf = 'Week of {date}';
export const plan = 'Plan';
export const theSchoolYear = 'The school year';
export const term = '{term} term';
export const weeksTeachingDays = '{first} – {last} · {weeks} weeks · {teachingDays} teaching days';

// RangeParts
export const untilTermEnds = 'until term ends';
export const untilExaminationsBegin = 'until examinations begin';
export const untilTheSchoolYearEnds = 'until the school year ends';
export const aDate = 'a date';
export const someWeeks = 'some weeks';
export const aNumberOfSessions = 'a number of sessions';
export const withoutEnd = 'without end';
export const lastDate = 'Last date';
export const weeks = 'Weeks';
export const weeksWeeks = '{weeks} weeks';
export const sessionsHeld = 'Sessions held';
export const sessionsHeldSessionsHeld = '{sessionsHeld} sessions held';
export const date = 'Date';
export const untilWhen = 'Until when';
export const closures = 'Closures';
export const skipClosures = 'skip closures';
export const meetOnClosedDaysToo = 'meet on closed days too';
export const fromDateEveryEndPartAndClosures = 'from {date} {every}{endPart}, and {closures}';
export const datesAndMore = '{dates} and {more} more';
export const andOnNoOtherDay = 'and on no other day';
export const andAlsoOn = 'and also on {date}';
export const extraDates = 'Extra dates';
export const withNoneLeftOut = 'with none left out';
export const butNotOn = 'but not on {date}';
export const datesLeftOut = 'Dates left out';

// ReasonField
export const whyItIsCancelled = 'Why it is cancelled';
export const whyIfYouLikeStorm = 'why, if you like: storm';

// RemovePart
export const betterCancelItUnlessIt = 'Better cancel it, unless it is a mistake of a moment ago.';
export const removingItIsRight = 'Removing it is right.';
export const removeDots = 'Remove…';
export const removeTheSession = 'Remove the session';

// saveLabel
export const theDay = 'the day';
export const noSessionToSchedule = 'No session to schedule';
export const yesScheduleSessions = 'Yes, schedule {held} sessions';
export const scheduleInThePast = 'Schedule {held} in the past';
export const scheduleItInThePast = 'Schedule it in the past';
export const scheduleSessions = 'Schedule {held} sessions';
export const scheduleSSession = 'Schedule {day}’s session';
export const makeItSessions = 'Make it {held} sessions';
export const saveTheChange = 'Save the change';
export const changeSessions = 'Change {ahead} sessions';
export const cancelTheSession = 'Cancel the session';
export const cancelTheWholeSeries = 'Cancel the whole series';
export const cancelFromHereOn = 'Cancel from here on';

// SessionRules
export const itsLinksEntryRules = 'its link’s entry rules';
export const entryRulesOfItsOwn = {
  one: 'one entry rule of its own',
  other: '{n} entry rules of its own',
};
export const entryRules = 'Entry rules: {shown}';
export const entryOnAlone = 'Entry on {date} alone';
export const entryFor = 'Entry for {session}';

// Sheet
export const calendarFile = 'Calendar file';
export const changeSessionsShort = 'Change sessions';
export const changeASession = 'Change a session';
export const newSession2 = 'New session';
export const thisIsADraft = 'This is a draft: students see nothing of it, and its door stays shut.';
export const thisIsADraftWithoutADate =
  'This is a draft without a date: students see nothing of it, and its door stays shut.';
export const thisSessionIsCancelled = 'This session is cancelled.';
export const studentsReadIt = 'Students read it in their day.';

// SheetActions
export const keepAsADraft = 'Keep as a draft';
export const draftWithoutADate = 'Draft without a date';
export const removeAllThatAreAhead = 'Remove all that are ahead';
export const removeItAsIfIt = 'Remove it, as if it had never been';
export const thatIsSessionsPressOnce =
  'That is {held} sessions. Press once more to schedule them all.';
export const leaveIt = 'Leave it';

// sheetDraft
export const atATime = 'at a time';
export const fromABell = 'from a bell';

// SheetSentence
export const changeOf = 'Change {them} of {what}:';
export const classPeriod = 'Class period';
export const whatOnDate = '{what}on {date}';
export const keySkipped = '{key} skipped';
export const keyToDate = '{key} to {date}';
export const keyToDateAndTime = '{key} to {date}, {time}';
export const changedSingly = {
  one: 'One date changed singly: {changes}.',
  other: '{n} dates changed singly: {changes}.',
};
export const changedSinglyAndMore = {
  one: 'One date changed singly: {changes} ….',
  other: '{n} dates changed singly: {changes} ….',
};
export const undoThese = 'Undo these';
export const itsEntryRules = 'its entry rules';
export const teachByTheLinkUnder =
  'Teach {whichClass} {every}{onDate} {when}{range}{also}{except}{slots}, by the link {byTheLink},{together} under {rules}.';

// SlotsPart
export const minutesOfASlot = 'Minutes of a slot';
export const minutesBetweenTwo = 'Minutes between two';
export const minutesWithBetween = '{minutesSlot} minutes with {minutesBetween} between';
export const allAtOnce = 'All at once or in slots';
export const withAllAtOnce = 'with all at once';
export const inSlotsOf = 'in slots of';

// Strip
export const termStrip = 'Term strip';

// StripGround
export const today = 'today';

// StripReadout
export const cycleDay = '{cycleDay} day';
export const bellBells = '{bell} bells';
export const leftOutEnterTakesIt = 'left out; Enter takes it in again';
export const enterLeavesItOut = 'Enter leaves it out';
export const ofTheSeriesInHand = '{date}, {time}: of the series in hand, {state}';
export const nothingOn = '{date}: nothing';
export const nothingOnWhy = '{date}: nothing, {why}';
export const eachNotchIsASession =
  'Each notch is a session. Choose one, drag it to another day, or sweep over days.';
export const theClassPeriod = 'The class period is not among the rows shown.';

// TwoVersions
export const title = 'Title';
export const when = 'When';
export const datesChangedSingly = 'Dates changed singly';
export const isItScheduled = 'Scheduled?';
export const noADraft = 'no, a draft';
export const yes = 'yes';
export const none = 'none';
export const description = 'Description';
export const yours = 'Yours';
export const asItStandsNow = 'As it stands now';

// useCancelling
export const cancelledWhole = 'Cancelled: {title}, the whole series';
export const cancelledFrom = 'Cancelled: {title}, from {date} on';
export const removedOne = 'Removed: {title}, {date}';
export const removedWhole = 'Removed: {title}, the whole series';
export const removedFrom = 'Removed: {title}, from {date} on';
export const itIsHeldAfterAll = 'It is held after all.';

// useDryRun
export const notQuite = 'Not quite';

// usePhrase
export const textAs = '“{text}” as {as}';
export const noInstead = 'No: {instead}';
export const readAs = 'Read as';
export const whatIs = 'What is “{said}”?';

// usePlanActions
export const movedToDate = 'Moved: {title}, to {date}';
export const movedToDateAndTime = 'Moved: {title}, to {date}, {time}';
export const cancelledTitleDate = 'Cancelled: {title}, {date}';
export const cancelledSessions = 'Cancelled: {aheadCount} sessions';

// useSaveSheet
export const keptAsADraft = 'Kept as a draft';
export const scheduled = 'Scheduled';
export const withoutADate = 'without a date';
export const scheduledNow = 'Scheduled.';
export const changed = 'Changed.';

// useSheetForm
export const noSessionWouldBeHeld = 'No session would be held. {text}';

// WeekBlock
export const periodShort = 'p{period}';
export const wordsClashes = '{words}, clashes';

// WeekDay
export const newAt = 'new, {time}';
export const newAtClashes = 'new, {time}, clashes';

// WeekView
export const dragASessionToAnother =
  'Drag a session to another day or time, or press m and the arrows.';

// WhenParts
export const minutes = 'Minutes';
export const forMinutes = 'for {minutes} minutes';
export const time = 'Time';
export const whoseTime = 'Whose time';
export const schoolTime = 'school time';
export const zTime = '{z} time';
export const theLastBell = 'the last bell';
export const theFirstBell = 'the first bell';
export const periodBegins = 'period {l} begins';
export const periodEnds = 'period {l} ends';
export const minutesFromTheBell = 'Minutes from the bell';
export const afterOrBefore = 'After or before';
export const after = 'after';
export const before = 'before';
export const whichBell = 'Which bell';
export const minutesFromMinAfterOrBell = ': {minutesFrom} min {afterOr} {bell}';
export const notOnThisDay = 'not on this day';
export const inPeriodL = 'in period {l}';
export const bellPeriodOrTime = 'Bell period or time';
export const atATimeOfDay = 'at a time of day';
export const someMinutesFromABell = 'some minutes from a bell';
export const slots = {
  one: '1 slot',
  other: '{n} slots',
};

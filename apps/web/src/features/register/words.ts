/** What register says, sentence by sentence; pages ask for it by name. */

// AfterLesson
export const recordingMin = 'recording, {minutes} min';
export const takeAway = 'Take {title} away';
export const nobodyWillFindItAny =
  'Nobody will find it any more, and the video service deletes it. Nothing brings it back.';
export const nobodyWillFindItAnyMore = 'Nobody will find it any more, and nothing brings it back.';
export const takeItAway = 'Take it away';
export const leaveItThere = 'Leave it there';
export const seenByUntilDate = '{seenBy}, until {date}';
export const changeThing = 'Change {thing}';
export const change = 'Change';
export const takeAwayThing = 'Take {thing} away';
export const takeAwayDots = 'Take away…';
export const afterTheLesson = 'After the lesson';
export const nothingIsThereYetNotes =
  'Nothing is there yet. Notes, addresses and recordings stand at the door, below its sign.';
export const thisStandsAtTheDoor = 'This stands at the door, below its sign.';
export const putANote = 'Put a note or an address there';

// AfterLessonForm
export const seenBy = {
  hosts: 'for its hosts alone',
  came: 'for those who came',
  everyone: 'for everybody whom the link is for',
};
export const whatItIs = 'What it is';
export const itsAddress = 'Its address';
export const itsAddressWhereItHas = 'Its address, where it has one';
export const inWords = 'In words';
export const whoSeesIt = 'Who sees it';
export const untilTheEndOf = 'Until the end of';
export const somebodyElseHasChangedIt =
  'Somebody else has changed it meanwhile. Close this and look again.';
export const saveTheChange = 'Save the changes';
export const putItThere = 'Put it there';
export const leaveItAsItIs = 'Leave it as it is';
export const putNothingThere = 'Put nothing there';

// Away
export const dateToDateAway = '{from} to {until}';
export const saysBy = 'says {by}';
export const knownToBeAwayShort = 'Known to be away';
export const onNoDayToCome = 'On no day to come.';

// ClassTermPage
export const termTitle = 'Term: {title}';
export const noRegisterYet = 'No register yet';
export const asSoonAsOne = 'As soon as one is settled, its term begins here.';

// Correct
export const correctName = 'Correct {name}';
export const whatCountsAs = 'What {name} counts as';
export const countsAs = 'counts as {status}';
export const because = 'because';
export const phoneDiedWas = 'phone died, was in the room';
export const saveTheCorrection = 'Save the correction';
export const letWhatWasMeasuredCount = 'Let what was measured count';
export const leaveIt = 'Leave it';

// Excuse
export const allLessons = 'all lessons';
export const excuseBeforehand = 'Excuse beforehand';
export const awayFrom = 'Away from';
export const fromWhichLessons = 'From which lessons';
export const fromLessons = 'from {fromLessons}';
export const ill = 'ill';
export const excuseThem = 'Excuse them';

// MyTermPage
export const myTerm = 'My term';
export const yourSchoolDoesNotShow = 'Your school does not show registers to students.';
export const whenYouCame =
  'When you came to a lesson and left it is kept for {keptDays} days; from then on only how the register stood. What is wrong in it, tell your teacher: they can correct it.';

// RegisterPage
export const nobodyIsCountedAbsentUnless =
  'Nobody is counted absent, unless you say of somebody that they were there.';
export const itsRoomCannotBeLooked =
  'Its room cannot be looked into: told is who came through the door, not how long they stayed.';
export const whenEachWas = 'When each was in is kept no longer; how the register stood stays.';
export const whoCame = 'Who came: {title}';
export const whoCameShort = 'Who came';
export const theWholeWeek = 'The whole week';
export const soFar = '{said}, so far';
export const askedWithACheckIn = 'Asked with a check-in: “{question}”';
export const nobodyCame = 'Nobody came';
export const itWasForNobody = 'It was for nobody by name, and nobody came by its link.';
export const theRegister = 'The register';
export const whenEachWasIn =
  'When each was in is kept until {date}; from then on only how the register stood.';

// RegisterRow
export const checkedIn = 'checked in {time}';
export const fromTheSameDeviceAs = 'from the same device as {names}';
export const somebody = 'Somebody';
export const knownToBeAway = 'known to be away: {excuse}';
export const wordThatCameSinceIt = 'word that came since it was settled: {since}';
export const minutesMin = '{minutes} min';
export const correct = 'Correct';

// RegisterWaysPage
export const monday = 'Monday';
export const tuesday = 'Tuesday';
export const wednesday = 'Wednesday';
export const thursday = 'Thursday';
export const friday = 'Friday';
export const saturday = 'Saturday';
export const sunday = 'Sunday';
export const onNoDay = 'on no day';
export const onDaysAtFour = 'on {label}s at 16:00';
export const seeTheirOwnTerm = 'see their own term';
export const doNotSeeTheirs = 'do not see theirs';
export const goesWithTheRoom = 'goes with the room';
export const isKeptForItsHosts = 'is kept for its hosts';
export const whoComesIsTold = 'who comes is told so at the door';
export const nobodyIsTold = 'Nobody is told of the week';
export const staffAreTold = 'Staff are told of the week on {dayName}s';
export const whatBecomesOfChats = 'What becomes of chats';
export const whatIsWritten = 'What is written in the chat of a session {becomesChats}.';
export const whenStaffAreTold = 'When staff are told of the week';
export const whatStudentsSee = 'What students see';
export const lessonsMissedInARow = 'Lessons missed in a row';
export const daysThatArrivalsAreKept = 'Days that arrivals are kept';
export const thoseWhoTeach =
  'Those who teach, and the head, are told who came in the week {whenStaff}. Students {studentsSee}. When somebody has missed {lessonsMissed} lessons in a row, their hosts are told (0: never). When each came and left is kept {daysThat} days; from then on only how each register stood. {chatsPart}';
export const theirsDay = 'Theirs: {day}.';
export const studentsSeeTheirOwn = 'Students see their own term.';
export const studentsDoNotSeeTheirs = 'Students do not see theirs.';
export const nobodyIsToldWhenSomebody = 'Nobody is told when somebody misses lessons in a row.';
export const hostsAreToldWhenSomebody =
  'Hosts are told when somebody has missed {missedInRow} lessons in a row.';
export const whenEachCameAndLeft =
  'When each came and left is kept {keptDays} days; then only how each register stood.';
export const chatIsKept = 'What is written in the chat of a session is kept for its hosts.';
export const chatGoes = 'What is written in the chat of a session goes with the room.';
export const registers = 'Registers';
export const whatBecomesOfRegisters = 'What becomes of registers';
export const whoCameThisWeek = 'Who came this week';

// Settle
export const byItself = 'by itself';
export const by = 'by {by}';
export const settledOnItMayStill =
  'Settled {by} on {date}, {time}. It may still be corrected, with a reason.';
export const notSettledYetADay = 'Not settled yet: a day after the session it settles by itself.';
export const settleTheRegister = 'Settle the register';

// Spans
export const fromTimeToTime = '{from} to {until}';
export const notIn = 'Not in';
export const inFromSaid = 'In from {said}';

// states
export const measuredOnly = 'measured: {measured}';
export const present = 'present';
export const partly = 'partly';
export const excused = 'excused';
export const absent = 'absent';
export const guest = 'guest';
export const measured = {
  present: 'in',
  partly: 'in for a part of it',
  absent: 'not in',
  guest: 'in as a guest',
};
export const measuredMin = 'measured: {measured}, {minutes} min';
export const leftEarly = 'left early';

// TermPage
export const term = 'Term: {term}';

// TermShown
export const termFromTo = '{term}, {from} to {until}';
export const noRegisterOfThisTerm = 'No register of this term is settled yet.';

// TermStrip
export const weekOf = 'week of {date}: {stood}';

// WeekGrid
export const notSettled = 'not settled';
export const registerOf = 'Register of {title}, {date} {time}: {said}';
export const registerNotSettled = 'Register of {title}, {date} {time}: {said}, not settled';
export const personByPerson = '{what}, person by person';
export const theWeek = 'The week';
export const classPeriod = 'Class period';

// WeekPage
export const whoCameWeekOf = 'Who came: week of {date}';
export const whoCameThatWeek = 'Who came';
export const whoCameIn = 'Who came: {title}';
export const weekBefore = 'Week before';
export const fromDateToDate = '{from} to {until}';
export const weekAfter = 'Week after';
export const saveAsCsv = 'Save as CSV';
export const theWholeTerm = 'The whole term';
export const print = 'Print';
export const nothingIsOpen = 'Nothing is open.';
export const noSessionsThisWeek = 'No sessions this week';
export const whoComesToThose = 'Who comes to those that you host is told here.';
export const theNextClassPeriods = 'The next class periods';

// WeekPeople
export const late = 'late';
export const nobodyWasCountedThisWeek = 'Nobody was counted this week.';
export const personByPersonShort = 'Person by person';
export const name = 'Name';

// weekWords
export const states = {
  'to-come': 'to come',
  running: 'so far',
  held: '',
  'not-opened': 'never opened',
};
export const presentOfAll = '{present} of {all}';
export const presentPartlyExcusedAbsentLate =
  '{present} present, {partly} partly, {excused} excused, {absent} absent, {late} late';

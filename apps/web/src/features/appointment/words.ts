/** What appointment says, sentence by sentence; pages ask for it by name. */

// AppointmentEveningPage
export const full = 'full';
export const takenOfSlotsCountTaken = '{taken} of {slotsCount} taken';
export const yourSlots = 'Your slots';
export const yourDesk = 'Your desk';
export const free = 'free';
export const about = 'about {about}';
export const closeTheChoice = 'Close the choice';
export const letGuestsChooseAgain = 'Let guests choose again';
export const appointmentsTitle = 'Appointments: {title}';
export const guestsChoose = 'guests choose';
export const printTheLists = 'Print the lists';
export const whoSeesWhom = 'Who sees whom';

// AppointmentsPage
export const closed = 'closed';
export const inNumbers = '{teachers}, {guests}, {taken} of {times} taken';
export const planAnEvening = 'Plan an evening';
export const noEveningByAppointment = 'No evening by appointment';
export const familiesSeeSeveralTeachers =
  'Families see several teachers on one evening, ten minutes each, by video. They choose their times on one page, without an account; each teacher has a link of their own.';
export const appointments = 'Appointments';
export const eveningsByAppointment = 'Evenings by appointment';

// Guests
export const takeOff = 'Take off: {name}';
export const takeOffDots = 'Take off…';
export const takeOffShort = 'Take off';
export const theirAddressLeadsNowhereAny = 'Their address leads nowhere any more.';
export const ofTheirsBecomeFree =
  '{count} of theirs become free, and their address leads nowhere any more.';
export const takeThemOff = 'Take them off';
export const keepThem = 'Keep them';
export const theWay = 'The way in of {name} is copied.';
export const copyTheWayInOf = 'Copy the way in of {name}';
export const copyTheirWayIn = 'Copy their way in';
export const hasChosenNothingYet = 'has chosen nothing yet';
export const copyTheAddressOf = 'Copy the address of {name}';
export const whereChoosesIsCopied = 'Where {name} chooses is copied.';
export const copyWhereTheyChoose = 'Copy where they choose';
export const inviteMoreByName = 'Invite more, by name and address, a line each';
export const inviteThem = 'Invite them';
export const guests = 'Guests';
export const eachHasALetter =
  'Each has a letter with an address of their own, and another the day before.';
export const noLettersGoOutHere =
  'No letters go out here: send each the address where they choose.';
export const chosenNothingYet = '{count} chosen nothing yet.';

// OwnAppointments
export const giveUp = 'Give up {time}, {host}';
export const giveItUpDots = 'Give it up…';
export const giveUpTime = 'Give up {time}';
export const keepIt = 'Keep it';
export const toTheDoor = 'To the door';
export const youAreSigned = 'You are signed in on this device: each door knows you.';
export const whoeverInvitedYouSendsYou =
  'Whoever invited you sends you your way in, which works once.';
export const theDoorsKnowYouOnce =
  'The doors know you once you have come in by a letter on this device. It takes a minute: better before the evening.';
export const yourWayInGoesTo = 'Your way in goes to {email}.';
export const sendMeMyWayIn = 'Send me my way in';
export const yourAppointments = 'Your appointments';
export const printThisList = 'Print this list';

// OwnEveningPage
export const youChooseForOthersSee =
  'You choose for {email}. Others see that a time is taken, not by whom. Times are those of {zonePlace}.';
export const timesAreNotChosenHere = 'Times are not chosen here any more. Ask whoever invited you.';

// PlanEvening
export const familiesEvening = 'Families’ evening';
export const timesWithEach = {
  one: '1 time with each.',
  other: '{n} times with each.',
};
export const timesWithEachUntil = {
  one: '1 time with each until {until}.',
  other: '{n} times with each until {until}.',
};
export const theDay = 'The day';
export const from = 'From';
export const minutesInAll = 'Minutes in all';
export const minutesEach = 'Minutes each';
export const minutesBetween = 'Minutes between';
export const onFromForMinutesEach =
  'On {day} from {from} for {minutes} minutes, {slot} minutes each with {gap} between.';
export const asWhichClassPeriod = 'As which class period, {name}';
export const asClassId = 'as {classId}';
export const whoSeesGuestsEach = 'Who sees guests, each on a link of their own';
export const whatItIsCalled = 'What it is called';
export const whichGuestsChooseByName = 'Which guests choose, by name and address, a line each';
export const planItAndInviteThem = 'Plan it and invite them';
export const backToTheList = 'Back to the list';

// Wishes
export const asItFits = '{time}, as it fits';
export const noTimeFits = 'no time fits';
export const aboutWhom = 'About whom, {host}';
export const aboutWhomSuchAsOdo = 'About whom, such as Odo';
export const whenHost = 'When, {host}';
export const asItFitsShort = 'as it fits';
export const atNth = 'at {nth}';
export const notAfterAll = 'Not after all';
export const onDate = 'on {date}';
export const seeHost = 'See {host}';
export const see = 'See';
export const seeOnceMore = 'See {host} once more';
export const onceMoreAboutAnotherChild = 'Once more, about another child';
export const takeTime = 'Take {time}';
export const takeTheseTimes = 'Take these {timesCount} times';
export const noTimeIsLeft = 'No time is left that fits for {unmet}.';
export const whomToSee = 'Whom to see';
export const whomWouldYouLike = 'Whom would you like to see?';
export const whomElseWouldYouLike = 'Whom else would you like to see?';
export const timesAreFittedInOne =
  'Times are fitted in one after another, over as early as can be. Change any of them.';
export const times = {
  one: '1 time',
  other: '{n} times',
};
export const teachers = {
  one: '1 teacher',
  other: '{n} teachers',
};
export const guestsCounted = {
  one: '1 guest',
  other: '{n} guests',
};
export const have = {
  one: '1 has',
  other: '{n} have',
};

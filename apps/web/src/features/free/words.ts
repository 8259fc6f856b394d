/** What free says, sentence by sentence; pages ask for it by name. */

// BusyStrip
export const freeAllDay = 'free all day';
export const busyHere = 'busy {here}';
export const whenTheyAreBusy = 'When they are busy';

// FreePage
export const whatItIsCalled = 'What it is called';
export const hostedAsWhichClassPeriod = 'Hosted as which class period';
export const onePressSchedules =
  'One press schedules {called} on a fresh link for them alone, hosted as {hostedAs}.';
export const noTimeAtWhichAll = 'No time at which all who must come are free.';
export const theseComeNearestWhoever = 'These come nearest; whoever is in the way is named.';
export const thereIsNoRoom = 'There is no room for it within these hours and days.';
export const tickSomeToHaveGuests =
  'Tick some to have guests choose between them, without an account.';
export const freeTimes = 'Free times';
export const busyIsWhenSomebodyHas =
  'Busy is when somebody has a session, a slot or a class period. With what, nobody sees.';
export const sayItAnotherWay = 'Say it another way';

// FreeSentence
export const whoMustCome = 'Who must come';
export const nobodyYet = 'nobody yet';
export const whoMayCome = 'Who may come';
export const nobodyElse = 'nobody else';
export const forWhoMustCome = 'for {mustCome}, who must come, and {come} if they can';
export const theFirstDay = 'The first day';
export const theLastDay = 'The last day';
export const noEarlierThan = 'No earlier than';
export const noLaterThan = 'No later than';
export const onWhichDays = 'On which days';
export const onSchoolDays = 'on school days';
export const onEveryDay = 'on every day';
export const fromToBetweenAnd =
  'from {firstDay} to {lastDay} between {noEarlier} and {noLater} {onDays}';
export const minutes = 'Minutes';
export const whatCountsAsBusy = 'What counts as busy';
export const notDuringClassPeriods = 'not during class periods';
export const duringClassPeriodsToo = 'during class periods, too';
export const findMinutes = 'Find {minutes} minutes {who}, {when}, {countsAs}.';

// PeoplePart
export const nameAndNamesCountMore = '{name} and {namesCount} more';
export const namesAndLast = '{names} and {last}';
export const withoutName = 'Without {name}';

// TimesList
export const everybodyCan = 'everybody can';
export const withoutNames = 'without {names}';
export const offerToGuests = 'Offer {when} to guests';
export const scheduleItOn = 'Schedule it on {when}';
export const scheduleIt = 'Schedule it';

// useSchedule
export const timeSetAside = 'Time set aside';
export const talkWithOthers = 'Talk with {othersCount} others';
export const talkWith = 'Talk with {others}';
export const scheduledTitleDateTime = 'Scheduled: {title}, {date} {time}';

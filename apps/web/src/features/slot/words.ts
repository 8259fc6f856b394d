/** What slot says, sentence by sentence; pages ask for it by name. */

// HeldSessions
export const toWhom = 'To whom';
export const giveItToThem = 'Give it to them';
export const isSNoLonger = '{time} is {name}’s no longer.';
export const free = 'free';
export const didNotCome = '{name} did not come';
export const takeTheSlotAtFrom = 'Take the slot at {time} from {signUp}';
export const takeItFromThem = 'Take it from them';
export const giveTheSlot = 'Give the slot at {time} to somebody';
export const giveItToDots = 'Give it to…';
export const waitingForOne = 'Waiting for one: {waiting}';
export const allFree = '· all {slotsCount} free';

// SignUpPage
export const youWaitForASlot = '{date}: you wait for a slot';
export const youDidNotCome = '{when}: you did not come, and it was offered on';
export const forGroup = 'for {group}';
export const changeIt = 'Change it';
export const stopWaiting = 'Stop waiting';
export const giveItUp = 'Give it up';
export const forOneThatBecomesFree = '{count} for one that becomes free.';
export const notForYou = {
  'sign-in': 'Sign in to take a slot.',
  'not-yours':
    'These slots are for those on its list, signed in with their school account. Look which account is in use.',
  host: 'You host here. Who has which slot, and how they are cut, stands with the sessions of the class.',
};
export const noSlotsYet = 'No slots yet';
export const asSoonAsThere = 'As soon as there are some, they stand here. Come back later.';
export const yours = 'Yours';
export const pressTheSlotThatYou = 'Press the slot that you would rather have, or your own.';
export const signUp = 'Sign up: {classTitle}';
export const withHost = 'with {host}';
export const youAreOthersSee = 'You are {email}. Others see that a slot is taken, not by whom.';
export const toTheDoor = 'To the door';

// SlotsPage
export const peopleComeWheneverIt = 'People come whenever it is open';
export const cutIntoSlotsEachTakes =
  'Cut into slots, each takes one where they look already, and the door lets them in one after another: early ones wait in the lobby, whose turn it is goes straight in.';
export const cutItIntoSlots = 'Cut it into slots of {minutes} minutes';
export const theSignUpAddress = 'The sign-up address is copied.';
export const copyTheSignUpAddress = 'Copy the sign-up address';
export const noSlotsAnyMoreDots = 'No slots any more…';
export const noSlotsAnyMore = 'No slots any more';
export const nobodyHasOnePeopleCome = 'Nobody has one. People come whenever it is open.';
export const takenSlots = {
  one: '1 taken slot is',
  other: '{n} taken slots are',
};
export const offAndWhoeverHasOne =
  '{count} off, and whoever has one is told. Nothing brings them back.';
export const endTheSlots = 'End the slots';
export const keepThem = 'Keep them';
export const noSessionAheadIsLong = 'No session ahead is long enough for a slot.';
export const slotsKept = 'Slots: {kept}';
export const itsSessions = 'Its sessions';
export const itsDesk = 'Its desk';

// SlotsSentence
export const isAskedToLeave = 'is asked to leave by their host';
export const makesWayByThemselves = 'makes way by themselves';
export const whetherThereAreBreaks = 'Whether there are breaks';
export const withoutABreak = 'without a break';
export const withABreakOf = 'with a break of';
export const minutesOfABreak = 'Minutes of a break';
export const slotsBeforeABreak = 'Slots before a break';
export const minutesAfterEverySlots = '{minutesBreak} minutes after every {slotsBefore} slots';
export const minutesOfASlot = 'Minutes of a slot';
export const minutesBetweenTwo = 'Minutes between two';
export const slotsInAWeek = 'Slots in a week';
export const daysBefore = 'Days before';
export const minutesBefore = 'Minutes before';
export const whatBecomesOfWhoever = 'What becomes of whoever is in';
export const minutesWithoutThem = 'Minutes without them';
export const eachSessionIsCutInto =
  'Each session is cut into slots of {minutesSlot} minutes, with {minutesBetween} between, {what}. Each may have {slotsWeek} in a week (0: as many as they like), from {daysBefore} days before until {minutesBefore} minutes before it begins. When the next one’s slot begins, whoever is in {becomesWhoever}. Whoever has not come after {minutesWithout} minutes has it no longer, and it is offered on (0: never).';
export const theirsSlotsOfMinutes = 'Theirs: slots of {minutes} minutes.';
export const saveTheSlots = 'Save the slots';

// TakeSlot
export const forName = 'for {name}';
export const waitForASlot = 'Wait for a slot';
export const saveMySlot = 'Save my slot';
export const moveTo = 'Move to {time}';
export const takeTime = 'Take {time}';
export const whatItIsAbout = 'What it is about, in a line';
export const somethingToLook = 'Something to look at, by its address, perhaps';
export const forWhom = 'For whom';
export const forMe = 'for me';
export const back = 'Back';
export const wait = {
  one: '1 waits',
  other: '{n} wait',
};

/** What desk says, sentence by sentence; pages ask for it by name. */

// BringIn
export const guestFromOutsideTheSchool = 'guest, from outside the school';
export const comeInHere = 'Come in here: {address}';
export const mayComeInFromOutside =
  '{name} may come in now, from outside the school. Glen sends nothing: tell them where.';
export const mayComeIn = '{name} may come in now. Glen sends nothing: tell them where.';
export const copyLink = 'Copy link';
export const writeToThem = 'Write to them';
export const nameOrMailAddress = 'Name or mail address';
export const theyMayComeInWithout = 'They may come in without knocking, this once.';
export const nobodyByThatName = 'Nobody by that name. A mail address works too.';
export const unlessTheSchoolKnowsThis =
  'Unless the school knows this address, that is somebody from outside.';
export const bringIn = 'Bring {typed} in';
export const bringInDots = 'Bring in…';
export const bringSomebodyIn = 'Bring somebody in';

// CheckIn
export const whoeverIsInGives =
  'Whoever is in gives a sign of being there, by an address or by four letters that you read out.';
export const openForSoManyMinutes = 'Open for so many minutes';
export const withAQuestionPerhaps = 'With a question, perhaps';
export const answeredInAFewWords = 'Answered in a few words; it stands in the register.';
export const askForACheckIn = 'Ask for a check-in';
export const checkedIn = 'Checked in';
export const fromTheSameDeviceAs = 'from the same device as {others}';
export const peopleAre = {
  one: '1 person is',
  other: '{n} people are',
};
export const checkedInInside = '{given} checked in, {count} inside';
export const toBeTypedAt = 'to be typed at {typeAt}';
export const readOutOrTyped = 'Read out {code}';
export const openUntil = '{many}. Open until {time}.';
export const copiedForTheChat = 'Copied for the chat.';
export const copyForTheChat = 'Copy for the chat';
export const endTheCheck = 'End the check-in';
export const theLastOneIsOver = 'The last one is over: {many}. It stands in the register.';
export const checkIn = 'Check-in: {givenCount}';
export const checkInDots = 'Check-in…';
export const checkInShort = 'Check-in';

// Column
export const byPhone = 'by phone';
export const notSignedInThisName = 'not signed in: this name is not proven';
export const notSignedInShort = 'not signed in';
export const host = 'host';
export const watchesOnly = 'watches only';
export const mayShareForAWhile = 'may share for a while';
export const presentsForAWhile = 'presents for a while';
export const presenter = 'presenter';

// Desk
export const lateByMin = 'late by {lateBy} min';
export const backAgain = 'back again';
export const hereOnTheRoll = 'Here, on the roll';
export const as = 'as “{as}”';
export const wasInUntil = 'was in until {time}';
export const missingFromTheRoll = 'Missing from the roll';
export const nobodyIsOnTheRoll = 'Nobody is on the roll.';
export const nobodyIsMissing = 'Nobody is missing.';
export const yourTurnAsActingHost = 'Your turn as acting host is over';
export const theSessionHasEnded =
  'The session has ended, and its door is its own hosts’ again. <link>Back to Today</link>';
export const waitingCountWaiting = '{waitingCount} waiting: {waiting}';

// DeskHead
export const nothingPlanned = 'Nothing planned';
export const doorOpen = 'Door open';
export const ended = 'Ended';
export const doorNotOpenedYet = 'Door not opened yet';
export const knocksSound = 'Knocks sound';
export const knocksAreSilent = 'Knocks are silent';
export const tellMeElsewhereToo = 'Tell me elsewhere too';
export const smallDesk = 'Small desk';
export const shutTheDoor = 'Shut the door';
export const closeTheRoom = 'Close the room';
export const entryRules = 'Entry rules';

// deskNotes
export const whoWaitAreNot = {
  one: 'One who waits is not on the roll',
  other: '{n} who wait are not on the roll',
};
export const letTheRollInShort = 'Let the roll in';
export const nobodyKnowsWhoCallsLet =
  'Nobody knows who calls: let them in and have them say it, or ask them elsewhere first.';
export const lookAtNameAndAccount = 'Look at name and account before you let them in.';
export const whoeverComesSignsInFirst = 'Whoever comes signs in first';
export const untilThisSessionEndsNobody =
  'Until this session ends nobody knocks without an account.';
export const manyStrangersKnock = 'Many strangers knock';
export const theyHaveNoAccount =
  'They have no account. At most twenty of them wait, and five a minute knock from one network.';
export const askForAnAccount = 'Ask for an account from now on';
export const peopleWaitAndNoHost = 'People wait and no host is in';
export const goInFirstTheyCannot = 'Go in first; they cannot be in the room alone.';
export const noHost = 'No host is in the room';
export const pastItsEnd = 'Past its end';
export const theDoorStaysOpenWhile =
  'The door stays open while you are in; whoever dropped out can come back.';
export const withTogether = 'With {together}';
export const theyMeetAtThisDoor =
  'They meet at this door too; their students are on this roll today.';
export const youCount = 'You count as in the room.';
export const youCountAs = 'You count as not in the room.';
export const iHaveLeftTheRoom = 'I have left the room';
export const iAmInTheRoom = 'I am in the room';
export const aRoomThatGlenCannot = 'A room that Glen cannot look into';
export const whoCameThroughThisDoor =
  'Who came through this door is known, who has left is not. Putting out, muting and letting present are done in the room itself. {counted}{behind}';
export const endTheRoomItselfToo = 'End the room itself, too';
export const nobodyComesInByThis =
  'Nobody comes in by this door. Whoever is inside stays until you end the room there, for everybody, before you leave it.';
export const lookAtTheRoomBefore = 'Look at the room before you use it';
export const notLookedAt = {
  one: 'One thing that only its own settings keep, such as its lobby or who has host’s powers, is not ticked yet.',
  other:
    '{n} things that only its own settings keep, such as its lobby or who has host’s powers, are not ticked yet.',
};
export const toTheList = 'To the list';
export const theLinkWasReplacedWhile = 'The link was replaced while this runs';
export const whoeverIsInsideStaysWhoever =
  'Whoever is inside stays. Whoever comes now needs the new link, or an old one that leads on.';
export const copyTheNewOne = 'Copy the new one';
export const youAreActingHost = 'You are acting host';
export const itWasHandedOver =
  'It was handed over to you: you let people in until this session ends.';
export const theLinkIsShut =
  'The link is shut for all but hosts. Opening the door begins it again.';
export const nothingIsPlannedOnThis = 'Nothing is planned on this link';
export const openingTheDoorSchedules = 'Opening the door schedules a session, from this minute.';
export const opensByItselfAt = 'Opens by itself at {time}';
export const inYouCanOpenIt = 'In {span}. You can open it before.';
export const everyoneOnTheRoll = 'Everyone on the roll is here';
export const hereOfAll = '{here} of {all}.';

// ExpectedGuests
export const hasSaidYes = 'has said yes';
export const guestsCameExpected = 'Guests: {came} came, {expected} expected';
export const guestsWhoHaveNotCome = 'Guests who have not come yet';

// Extend
export const runLongerDots = 'Run longer…';
export const letItRunLonger = 'Let it run longer';
export const itEndsAtPeopleInside =
  'It ends at {time}. People inside may stay as long as you do; the planned end moves with it.';
export const itWasToEnd =
  'It was to end at {time}. People inside may stay as long as you do; the planned end moves with it.';
export const minutesMinMore = '{minutes} min more';
export const till = 'till {time}';
export const tillInto = 'till {time}, into {next}';

// HandOver
export const namedPresenter = 'named presenter';
export const whoTakesOver = 'Who takes over?';
export const actingHostAlready = 'acting host already';
export const inside = 'inside';
export const notInYet = 'not in yet';
export const theyAreWithoutAHost = 'They are without a host until somebody comes.';
export const isHostUntilThisSession = '{name} is host until this session ends.';
export const andILeaveTheRoom = 'and I leave the room';
export const letsPeopleInFromNow = '{to} lets people in from now on, until this session ends.';
export const isNotInYetUntil = '{to} is not in yet. Until they come, nobody can be let in.';
export const notedAboutThem = 'Noted about them: {powers}';
export const glenHandsOverTheDoor =
  'Glen hands over the door. Host’s powers in the room itself it cannot: give them there before you leave.';
export const handOverTo = 'Hand over to {to}';
export const handOverToAndLeave = 'Hand over to {to} and leave';
export const handOver = 'Hand over';
export const handOverDots = 'Hand over…';
export const handTheSessionOver = 'Hand the session over';
export const thisClassPeriodHas =
  'This class period has no co-teacher or named presenter to hand over to.';

// Inside
export const shareNoLonger = 'Share no longer';
export const letShare = 'Let share';
export const mute = 'Mute';
export const muteEverybody = 'Mute everybody';
export const announceNobodyWhoComes = 'Announce nobody who comes or goes';
export const announceWhoComesAndGoes = 'Announce who comes and goes';
export const shareByTheRulesAgain = 'Share by the rules again';
export const letEverybodyShare = 'Let everybody share';
export const keepFromComingBackIn = 'Keep {name} from coming back in';
export const keepFromComingBackInShort = 'Keep from coming back in';
export const letPresent = 'Let {name} present';
export const letPresentShort = 'Let present';
export const presentsNoLonger = '{name} presents no longer';
export const noLonger = 'No longer';
export const more = 'More';
export const moreWith = 'More with {name}';
export const putOut = 'Put {name} out';
export const putOutShort = 'Put out';
export const letInOnTheirWay = 'Let in, on their way';
export const insideTitle = 'Inside';
export const forAll = 'For all';
export const forAllInside = 'For all inside';
export const everybodyMayShareInThis = 'Everybody may share in this session.';
export const nobodyIsInTheRoom = 'Nobody is in the room.';

// knock
export const deskOf = 'Desk: {title}';
export const deskWhereWait = '({waiting}) Desk: {title}';
export const firstAndMoreCountMore = '{first} and {moreCount} more';
export const knockWho = 'Knock: {who}';

// LineOfSlots
export const notHereYet = 'not here yet';
export const inTheLobbyShort = 'in the lobby';
export const onTheWayIn = 'on the way in';
export const free = 'free';
export const now = 'now';
export const didNotCome = '{one} did not come';
export const leaves = {
  asked: 'The next one walks in at their time; ask the one before to leave.',
  'by-itself': 'The next one walks in at their time, and the one before makes way.',
};
export const theLineOfSlots = 'The line of slots';
export const theLineOfSlotsChange = 'The line of slots<link>Change them</link>';
export const waitingForOne = 'Waiting for one: {waiting}';

// Lobby
export const aWordFor = 'A word for {visitor}';
export const aWordForThem = 'A word for them, if you like';
export const turnAway = 'Turn away';
export const letWait = 'Let wait';
export const peopleCome = 'people come in by their slots';
export const sinceKnockedAtLobbyReason = 'since {knockedAt}; {lobbyReason}';
export const letInVisitor = 'Let {visitor} in';
export const turnAwayVisitor = 'Turn {visitor} away';
export const turnAwayDots = 'Turn away…';
export const waitForASeat = {
  one: 'One waits for a seat: the room holds {capacity}, and all are taken. They come in by themselves, in their order.',
  other:
    '{n} wait for a seat: the room holds {capacity}, and all are taken. They come in by themselves, in their order.',
};
export const letAllIn = 'Let all in';
export const inTheLobbyTitle = 'In the lobby';
export const turnedAwayOrKeptOut = 'Turned away or kept out';
export const turnedAwayOrPutOut = 'Turned away or put out';
export const letBack = 'Let {name} back';
export const letBackShort = 'Let back';
export const broughtIn = 'Brought in';
export const fromOutsideTheSchool2 = '· from outside the school';

// openDoor
export const openItAllTheSame = 'Open it all the same';
export const theDoorDidNotOpen = 'The door did not open.';

// RoomFirst
export const noRoomIsBehindThis = 'No room is behind this door yet: where is yours?';
export const pasteItsAddressOnceIt =
  'Paste its address once. It stays behind the link, and visitors see it only as they are let in.';
export const openTheDoorWithThis = 'Open the door with this room';

// SmallDesk
export const unknown = {
  none: 'not signed in',
  phone: 'by phone',
};
export const inTheLobby = 'In the lobby {waitingCount}';
export const nobodyKnocks = 'Nobody knocks.';
export const onTheRoll = 'on the roll';
export const notOnTheRoll = 'not on the roll';
export const letIn = 'Let {name} in';
export const letInShort = 'Let in';
export const insideMissing = '{insideCount} inside · {missingCount} missing';
export const letTheRollIn = 'Let the roll in ({ofRoll})';
export const nextOneIn = 'next one in ·';
export const allOfTheRoll = 'all of the roll';
export const desk = 'Desk';

// useDesk
export const thatDidNotWork = 'That did not work.';
export const notSignedIn = '{name} (not signed in)';
export const goIn = 'Go in';
export const toTheRoomAgain = 'To the room again';
export const openItAgain = 'Open it again';
export const openTheDoorNow = 'Open the door now';

// WhoIsThis
export const whoIs = 'Who {name} is';
export const nobodyOnTheRoll = 'nobody on the roll';
export const thisIs = 'This is {id}';

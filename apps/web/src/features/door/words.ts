/** What door says, sentence by sentence; pages ask for it by name. */

// AfterLessons
export const whatWasWritten = 'what was written';
export const recordingMin = 'recording, {minutes} min';
export const thereUntil = '{date}, {time} · there until {until}';
export const afterTheLessons = 'After the lessons';

// DoorAccounts
export const youAre = 'You are {person}, {kind}';
export const youAreNotSignedIn = 'You are not signed in.';
export const yourSchool = 'your school';
export const noSchoolAccountOrLost = 'No school account, or lost your way in? Ask {help}.';
export const yourAccount = 'Your account';
export const useEmail = 'Use {email}';
export const comeInAsSomebodyElse = 'Come in as somebody else';
export const signIn = 'Sign in';

// DoorHead
export const onYourClock = '{time}; {localDate}{localTime} on your clock';
export const yourClassMeetsAtThis =
  'Your class meets at this door today, together with {classTitle}.';
export const yourLinkWasReplacedIt = 'Your link was replaced; it leads here all the same.';
export const yourLinkWasReplacedItLeads =
  'Your link was replaced. It leads here until {date}; keep the new one, in the address above.';
export const titleTheDoor = '{title}, the door';
export const withHost = 'with {host}';
export const ofWithHost = '{classTitle} · with {host}';

// DoorPage
export const timeOnDate = '{time} on {date}';
export const yourSlots = 'Your slots';
export const goingInDots = 'Going in…';
export const ifNothingHappensGo = 'If nothing happens, go in once more.';
export const timeUntilTheDoorOpens = 'Time until the door opens';
export const toThatDoor = 'To that door';
export const noRoomIsBehindThis = 'No room is behind this door yet; the host gives one.';
export const toTheDesk = 'To the desk';
export const toYourOwnDay = 'To your own day';
export const howToGetInStep = 'How to get in, step by step';
export const somethingTechnicalFailsAskHelp = 'Something technical fails? Ask: {help}';
export const notShown = {
  404: 'No door has this code',
  429: 'Too many tries',
};
export const theDoorCannotBeReached = 'The door cannot be reached';

// EnterForm
export const cameraAndMicrophoneAreOff =
  'Camera and microphone are off until you switch them on inside.';
export const whatTheRoomDoes =
  'What the room does with camera and microphone, Glen does not know: come in with both off.';
export const enter = { in: 'Go in', watch: 'Go in to watch' };
export const onlyWatch = 'Only watch';
export const youSeeAndHearWhat = 'You see and hear what goes on, and cannot be seen or heard.';
export const yourName = 'Your name';
export const theHostSeesIt = 'The host sees it.';
export const entryCode = 'Entry code';
export const knock = 'Knock';
export const waitInLine = 'Wait in line';

// HowToPage
export const howToGetIn = 'How to get in: {title}';
export const yourTeacher = 'your teacher';
export const thisLinkHasBeenStopped =
  'This link has been stopped: nobody gets in by it any more. Ask {host} for the new one.';
export const printThis = 'Print this';
export const somethingTechnicalFailsAsk = '<strong>Something technical fails?</strong> Ask: {help}';
export const yourSlot = 'Your slot';
export const takeASlot = 'Take a slot';
export const stepByStep = 'Step by step';
export const theLobby = 'The lobby';
export const byTelephone = 'By telephone';
export const whenItDoesNotWork = 'When it does not work';

// TryDevices
export const tryAgain = 'Try again';
export const askingForTheDots = 'Asking for the {name}…';
export const switchOn = 'Switch {name} on';
export const switchOff = 'Switch {name} off';
export const yourOwnPicture = 'Your own picture';
export const saySomething = 'Say something:';
export const levelOfYourMicrophone = 'Level of your microphone';
export const onThisPageAloneNobody =
  'On this page alone: nobody sees or hears you, and both go off as you go in.';
export const tryYourCameraAndMicrophone = 'Try your camera and microphone';

// TypeCode
export const aCodeIsAWord =
  'A code is a word and 11 letters or digits, such as heron-7k3m9qvd2xt. Look again: a letter may be missing.';
export const theCodeOfYourDoor = 'The code of your door';
export const capitalsSpacesAndTheHyphen = 'Capitals, spaces and the hyphen do not matter.';
export const toTheDoor = 'To the door';
export const whichDoor = 'Which door?';

// useEntering
export const thatCodeDoesNotFit =
  'That code does not fit. Compare it with what was sent with the link.';

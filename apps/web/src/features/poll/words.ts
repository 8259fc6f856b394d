/** What poll says, sentence by sentence; pages ask for it by name. */

// ChoosePage
export const tickAllThatSuitYou = 'Tick all that suit you';
export const isPast = 'is past';
export const itWasAnsweredOtherwiseMeanwhile = 'It was answered otherwise meanwhile.';
export const noneOfTheseSuitsMe = 'None of these suits me';
export const theseSuitMe = 'These suit me';
export const thankYouCanChangeIt = 'Thank you. You can change it until it is settled.';
export const theTimesWereTakenBack = 'The times were taken back. You need not answer.';
export const noneOfTheTimesHas = 'None of the times has come about.';
export const itIsHeldInvited =
  'It is held {when}. You are invited: your way in comes with a letter, or from whoever asked you.';
export const itIsHeldWithout =
  'It is held {when}. By what you said that does not suit you, so you are not expected.';
export const whichTimeSuitsYou = 'Which time suits you? {choosing}';
export const whichTimeSuitsYouShort = 'Which time suits you?';
export const whatAndWhere = '{title}, {minutes} minutes, {school}';
export const whatWithAndWhere = '{title}, {minutes} minutes, with {host}, {school}';
export const youAnswerFor = 'You answer for {email}. Times are those of {place}.';
export const youAnswerUntil =
  'You answer for {email}, until {date}, {time}. Times are those of {place}.';

// Offered
export const open = 'open';
export const scheduled = 'scheduled';
export const noTimeHasComeAbout = 'no time has come about';
export const takenBack = 'taken back';
export const hasAnswered = 'has answered';
export const hasNotAnsweredYet = 'has not answered yet';
export const takeBack = 'Take back: {title}';
export const takeItBackDots = 'Take it back…';
export const whoeverWasAskedIsTold =
  'Whoever was asked is told, and what they said counts no longer.';
export const takeItBack = 'Take it back';
export const keepIt = 'Keep it';
export const minutes = '{minutes} minutes';
export const untilDateTime = 'until {date}, {time}';
export const itsClassPeriod = 'Its class period';
export const suitsOf = '{date} {what} suits {chosen} of {guestsCount}';
export const offered = 'Offered';
export const whereTheyChoose = 'Where they choose';
export const guestsAreAsked = {
  one: '1 guest is asked.',
  other: '{n} guests are asked.',
};
export const eachHasALetter = 'Each has a letter with an address of their own.';
export const sendEachTheirOwnAddress =
  'Send each their own address: no letters go out here. They are told this once.';
export const theAddressesAreCopied = 'The addresses are copied.';
export const copyThem = 'Copy them';

// OfferTimes
export const closesOn = 'Closes on';
export const closesAt = 'Closes at';
export const theyChooseWithoutAnAccount =
  'They choose without an account. It settles by itself once all have answered, or on {closesOn} at {closesAt}: what suits most of them is scheduled, and they are invited.';
export const offerTheseTimes = 'Offer these times';
export const toWhichGuestsByName = 'To which guests, by name and address, a line each';
export const tickTwoTimesAtLeast = 'Tick two times at least';
export const offerTheseTimesTimesCount = 'Offer these {timesCount} times';

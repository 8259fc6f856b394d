/** What link says, sentence by sentence; pages ask for it by name. */

// AddPerson
export const addSomebodyByName = 'Add somebody by name or address';
export const addSomebodyByNameTitle = 'Add somebody by name';
export const aNameOrAGuests = 'A name, or a guest’s address';
export const aName = 'A name';
export const inviteAsAGuest = 'Invite {wanted}, as a guest';
export const nobodyByThatName = 'Nobody by that name.';

// Addresses
export const whyReplaced = {
  leaked: 'leaked',
  'tidy-up': 'tidied up',
  'new-year': 'new year',
  other: 'replaced',
};
export const worksLikeTheNewOne = 'works like the new one';
export const leadsOnUntil = 'leads on until {date}';
export const ledOnUntil = 'led on until {date}';
export const replaceTheLinkDots = 'Replace the link…';
export const undoTheLastReplacement = 'Undo the last replacement';
export const theLinkHasBeenStopped = 'The link has been stopped.';
export const stopTheLink = 'Stop the link';
export const theLinkWorksAgain = 'The link works again.';
export const letTheLinkWorkAgain = 'Let the link work again';
export const toReadItOutThen =
  'To read it out: {word}, then {groups}. Typed at <what>/door</what>, capitals and spaces do not matter.';

// AllLinks
export const linksAreForNobody = {
  one: 'One link is for nobody',
  other: '{n} links are for nobody',
};
export const byTheirRulesNobody = 'By their rules nobody but hosts gets in there.';
export const linksWork = '{linksCount} links work';
export const chooseSomeToCopyThem =
  'Choose some to copy them together, or to print a sheet with a QR code for each.';
export const findALink = 'Find a link';
export const findANameAClass = 'Find: a name, a class period, a group, a rule';
export const which = 'Which';
export const copyLinks = 'Copy {chosenCount} links';
export const printWithQrCodes = 'Print {chosenCount} with QR codes';
export const printAllWithQrCodes = 'Print all with QR codes';
export const noLinksYet = 'No links yet';
export const onceTheOfficePutsYouDown =
  'Once the office puts you down for a class period, its link stands here.';
export const noLinkFits = 'No link fits';
export const tryFewerLettersOrLook = 'Try fewer letters, or look among the stopped ones.';
export const allMyLinks = 'All my links';
export const linksCountLinks = '{linksCount} links';
export const rowsCountOfLinksCount = '{rowsCount} of {linksCount}';

// AudiencePart
export const aGroup = 'a group';
export const anotherClassPeriod = 'another class period';
export const groups = 'Groups';
export const otherClassPeriods = 'Other class periods';
export const guestFromOutside = 'guest, from outside';
export const singlePeople = 'Single people';
export const somebody = 'somebody';
export const whomItIsFor = 'Whom it is for: {chosen}';
export const allOf = 'All of {classTitle}';

// ByPhone
export const phoneNumberPinPhonePin = '{phoneNumber}, pin {phonePin}';
export const byPhonePinCallersNeed =
  'By phone: {phoneNumber}, pin {phonePin}. Callers need no account.';
export const numberAndPinAreCopied = 'Number and pin are copied.';
export const copyNumberAndPin = 'Copy number and pin';

// copy
export const linkCopied = 'Link copied.';
export const linksCopied = {
  one: 'Link copied.',
  other: '{n} links copied.',
};
export const wordsWithTheLinkCopied = 'Words with the link copied.';

// CopyAs
export const files = 'Files';
export const orTakeIt = 'Or take it as a file';
export const takeTheLinkAlong = 'Take the link along';
export const takeAlongTheLinkOf = 'Take the link along: {title}';
export const close = 'Close';

// GuestList
export const moreWereInvitedWhoseNamesAreNot = {
  one: 'One more was invited, whose name is not kept any longer.',
  other: '{n} more were invited, whose names are not kept any longer.',
};
export const theyAreToldWhatIt =
  'They are told what it is called, when it is and who hosts it; inside they see others by name, and are seen.';
export const alwaysTitle = 'Always';
export const guests = 'Guests';
export const fromOutsideTheSchool = 'From outside the school';
export const inviteGuests = 'Invite guests';

// GuestRow
export const comesAsOthersDo = 'comes as others do';
export const presentsAndGoesStraightIn = 'presents, and goes straight in';
export const onlyWatches = 'only watches';
export const hasNoSeat = 'has no seat';
export const said = { yes: 'will come', no: 'will not come' };
export const aLetterDidNotReach =
  'A letter did not reach them: copy their way in, and send it another way. {refused}';
export const howComes = 'How {email} comes';
export const mailTheWayInTo = 'Mail the way in to {email}';
export const mailTheirWayIn = 'Mail their way in';
export const copyTheWayInFor = 'Copy the way in for {email}';
export const copyTheirWayIn = 'Copy their way in';
export const saveALetter = 'Save a letter with the way in for {email}';
export const saveItAsALetter = 'Save it as a letter';
export const inviteNoLonger = 'Invite {email} no longer';

// guestsReadSoFar
export const suchAsRasmusVaneRasmus = 'Such as: Rasmus Vane <rasmus@home.example>';
export const guestsCounted = {
  one: 'One guest',
  other: '{n} guests',
};
export const noAddressInLine = '{count}; no address in line {line}.';

// HostsPart
export const hostHereAndNowhereElse = 'Host here, and nowhere else in the class period';
export const nobody = { class: 'nobody else', named: 'nobody yet' };
export const theClassPeriodsHostsAnd = 'the class period’s hosts and';
export const nobodyBut = 'nobody but';
export const itsOtherTeachersAreLeft = 'its other teachers are left out';
export const whoHostsIt = 'Who hosts it';
export const hostsOfItsOwn = 'Hosts of its own: {hosts}';
export const theyAloneHostHere = 'They alone host here';

// InvitationFiles
export const qrCodeSvg = 'QR code, SVG';
export const qrCodePng = 'QR code, PNG';
export const calendarFile = 'Calendar file, {date} {time}';

// InvitationParts
export const partWords = {
  words: 'Words with the link',
  when: 'When',
  address: 'The address, written out',
  code: 'The entry code',
  howTo: 'How to get in',
  phone: 'Phone number and pin',
};
export const whatGoesIn = 'What goes in';
export const everything = 'Everything';
export const wordsOnly = 'Words only';
export const theClassOrWhomI = 'The class, or whom I send it to';
export const anyoneItGoes = 'Anyone: it goes on a public page';
export const whoWillReadIt = 'Who will read it';
export const theWords = 'The words that are the link';

// InvitationShown
export const copyWords = {
  rich: 'Copy it, rich and plain',
  text: 'Copy it as plain text',
  markdown: 'Copy it as Markdown',
};
export const whatWillBeCopied = 'What will be copied';
export const nothingIsChosen = 'Nothing is chosen.';
export const form = 'Form';

// InviteGuests
export const comeAsOthersDo = 'come as others do';
export const presentAndGoStraightIn = 'present, and go straight in';
export const onlyWatch = 'only watch';
export const haveNoSeat = 'have no seat';
export const wheneverThisLinkIsUsed = 'whenever this link is used';
export const namesAndAddressesALine = 'Names and addresses, a line each';
export const howTheyCome = 'How they come';
export const whatTheyAreInvitedTo = 'What they are invited to';
export const theyHowComeAreInvited = 'They {howCome} {areInvited}.';
export const inviteThem = 'Invite them';
export const notNow = 'Not now';

// linkColumns
export const theSchools = 'school’s';
export const wholeClass = 'whole class';
export const none = 'none';
export const never = 'never';
export const noneYet = 'none yet';
export const link = 'Link';
export const forWord = 'For';
export const room = 'Room';
export const next = 'Next';
export const lastUsed = 'Last used';

// LinkLine
export const copyLink = 'Copy link';
export const copyAsDots = 'Copy as…';

// LinkPage
export const itStandsNowhereYet = 'It stands nowhere yet';
export const copyItToWhomIt = 'Copy it to whom it is for, or post it.';
export const classTitleLinks = '{classTitle}, links';
export const theClassPeriodsOwnWithin = 'the class period’s own';
export const howStudentsGetIn = 'How students get in';
export const toTheDesk = 'To the desk';
export const entry = 'Entry';
export const whereItStands = 'Where it stands';
export const behindTheDoor = 'Behind the door';
export const whoElseMeetsHere = 'Who else meets here';
export const itsAddresses = 'Its addresses';
export const mended = 'Mended.';

// linkSearch
export const straightIn = '{who}; {straightIn} straight in';
export const withACode = 'with a code';
export const standsOpen = 'stands open';
export const schoolsVideoService = 'school’s video service';

// LinkSentence
export const aLesson = 'a lesson';
export const aOneToOne = 'a one-to-one';
export const dropInHelpWithin = 'drop-in help';
export const anEventWithGuests = 'an event with guests';
export const aProjectGroup = 'a project group';
export const forAndFor = 'For {purpose}, and for {audience}.';
export const oneHostsHere = {
  named: '{hosts} hosts here and nobody else.',
  too: '{hosts} hosts here too.',
} as const;
export const someHostHere = {
  named: '{hosts} host here and nobody else.',
  too: '{hosts} host here too.',
} as const;
export const somebodyChangedThisLinkJustNow =
  'Somebody changed this link just now. It is shown as it stands; change it again if you still want to.';
export const itIsFor = 'It is for: {v}.';
export const itIsCalled = 'It is called {label}.';
export const whatKindOfSession = 'What kind of session';
export const changed = 'Changed.';
export const forCalledUsedAs =
  'For {purpose}, called {name}, used as {kind}. It is for {audience}, hosted by {hostedBy} {hosts}. Students {whetherShown}.';

// LinkSheet
export const qrCodeOfTheDoor = 'QR code of the door of {title}';
export const theSameLinkAllYear =
  'The same link all year. On a phone, point the camera at the code; or type it at /door.';
export const whatIsPrinted = 'What is printed';
export const onlyTheCardsTwo = 'Only the cards, two to a row on a wide page, none cut in two.';
export const theSheetOfLinks = 'The sheet of links';
export const printTheSheet = 'Print the sheet';
export const noLinksToPrint = 'No links to print';
export const onceTheOfficePutsYou =
  'Once the office puts you down for a class period, its card stands here.';

// LinksTab
export const makeAnotherLink = 'Make another link';

// LinkTable
export const chooseAll = 'Choose all';
export const chooseLabelClassTitle = 'Choose {label}, {classTitle}';
export const links = 'Links';

// NameCard
export const giveItAName = 'Give it a name.';
export const callIt = 'Call it that';
export const nameName = 'Name: {name}';

// NamePresenter
export const doesNotTakeOver = 'does not take over';
export const takesOverWhileNoHost = 'takes over while no host is in';
export const theFirstDayTheyPresent = 'The first day they present';
export const now = 'now';
export const theLastDayTheyPresent = 'The last day they present';
export const furtherNotice = 'further notice';
export const fromFirstDayUntilLastDay = 'from {firstDay} until {lastDay}';
export const whoPresents = 'Who presents';
export const whenTheyPresent = 'When they present';
export const whetherTheyTakeOver = 'Whether they take over';
export const presentsAnd = '{presents} presents {whenPresent}{what}, and {whetherTake}.';
export const nameThePresenter = 'Name the presenter';

// NewLink
export const somethingElseDots = 'something else…';
export const whatItIsFor = 'What it is for';
export const inYourWords = 'In your words';
export const inYourWordsWithin = 'in your words';
export const name = 'Name';
export const whetherStudentsSeeIt = 'Whether students see it';
export const forCalledIt =
  'For {purposeParts}, called {namePart}. It is for {audiencePart}, hosted by {hostedBy} {hostsPart}. Students {whetherStudents}.';
export const newLink2 = 'New link';
export const aNewLinkShort = 'A new link';
export const youCanChangeItsEntry = '{what} You can change its entry rules afterwards.';
export const itTakesTheClassPeriods =
  'It takes the class period’s entry rules; you can change them afterwards.';
export const makeTheLink = 'Make the link';
export const leaveIt = 'Leave it';

// noted
export const oneToOne = 'One-to-one';
export const projectGroup = 'Project group';
export const theWholeClassPeriod = 'the whole class period';
export const nobodyYet = 'nobody yet';
export const namesAndNamesCountMore = '{names} and {namesCount} more';
export const lessons = 'Lessons';
export const groupWork = 'Group work';
export const dropInHelp = 'Drop-in help';
export const talksWithParents = 'Talks with parents';
export const openEvening = 'Open evening';
export const seeItInTheirDay = 'see it in their day';
export const doNotSeeIt = 'do not see it';

// Presenters
export const presentsNoLonger = '{name} presents no longer {words}.';
export const presentNoLonger = '{name}, {words}: present no longer';
export const noLonger = 'No longer';
export const byTheClassPeriodAlways = '{always}, by the class period, always.';
export const hostsNobodyIsNamed = 'Hosts; nobody is named by the class period.';
export const whoPresentsHere = 'Who presents here';

// ReplaceLink
export const theLinkIsNow = 'The link is now /door/{code}.';
export const itGotIntoTheWrong = 'it got into the wrong hands';
export const iAmTidyingUp = 'I am tidying up';
export const aNewYearBegins = 'a new year begins';
export const anotherReason = 'another reason';
export const stopsAtOnce = 'stops at once';
export const leadsOnToTheNew = 'leads on to the new one for a while';
export const keepsWorking = 'keeps working';
export const followers = {
  stop: 'Whoever follows the old one is told that it has stopped; its own audience is told where to look.',
  forward:
    'Until then whoever follows the old one comes to the same door; after it they are told where to look.',
  keep: 'Whoever follows the old one comes to the same door, for good.',
};
export const why = 'Why';
export const whatBecomesOfTheOld = 'What becomes of the old one';
export const until = 'Until';
export const giveItANewAddress = 'Give it a new address, because {why}. The old one {becomesOld}.';
export const giveItANewAddressUntil =
  'Give it a new address, because {why}. The old one {becomesOld}, until {until}.';
export const glenHasPutItNowhere =
  'Glen has put it nowhere itself. What you have pasted by hand keeps the old address.';
export const glenPutsTheNewOne = '{places}: Glen puts the new one there by itself.';
export const glenPutsTheNewOneRead =
  '{places}: {readers} students see the old one there today; Glen puts the new one there by itself.';
export const aSessionIsRunningWhoever = 'A session is running: whoever is inside stays.';
export const sessionsPeopleRulesAndPlacements =
  'Sessions, people, rules and placements stay with the door.';
export const somebodyChangedThisLinkJust =
  'Somebody changed this link just now; look again and press once more.';
export const replaceTheLink = 'Replace the link';
export const replaceIt = 'Replace it';

// Room
export const glensDoorKeepsWhoMay =
  'Glen’s door keeps who may enter, the lobby, the code and the times. Whoever has been inside knows the room’s own address; Glen cannot see who leaves it.';
export const youCanPutAnyRoom =
  'You can put any room that you have behind this door; the link stays the same.';
export const theDoorSays =
  'The door says so to whoever comes, and asks you for its address as you open it. The link stays the same.';
export const aRoomOfYourOwnRoom = 'A room of your own: {room}';
export const theSchoolsVideoServiceIt =
  'The school’s video service. It keeps every rule above by itself.';
export const noRoomIsThereYet = 'No room is there yet.';
export const aSessionIsRunningIt = 'A session is running: it stays in the room that it began in.';
export const setTheseInTheRoom = 'Set these in the room yourself';
export const somebodyChangedThisLinkJustNowLook =
  'Somebody changed this link just now; look again and save once more.';
export const theRoomsAddress = 'The room’s address';
export const visitorsSeeItOnlyOnce = 'Visitors see it only once they are let in.';
export const putItBehindTheDoor = 'Put it behind the door';
export const changeTheRoom = 'Change the room';
export const useARoom = 'Use a room of your own';
export const backToTheSchoolsVideo = 'Back to the school’s video service';
export const takeTheRoomAway = 'Take the room away';

// RoomChecks
export const noted = 'Noted.';
export const somebodyChangedThisLinkJustNowNote =
  'Somebody changed this link just now; note it once more.';
export const whoHasHostsPowers = 'Who has host’s powers in the room, and with which account';
export const keepThisNote = 'Keep this note';
export const inTheRoomItself = 'In the room itself';
export const allLookedAt = 'all looked at';
export const ofToLookAt = '{left} of {checksCount} to look at';
export const inTheRoomItselfWhat = 'In the room itself {what}';
export const glenCannotReachIntoThis =
  'Glen cannot reach into this room. Go there, see to each, and tick it.';
export const whatYouSaw = 'What you saw in the room';
export const hostsPowersThere = 'Host’s powers there: {powers}';

// SortableLinks
export const theClassPeriodsOwn = 'The class period’s own';
export const stopped = 'Stopped';
export const notShownToStudents = 'Not shown to students';
export const standsOpenWithoutAHost = 'Stands open without a host';
export const aRoomOfYourOwn = 'A room of your own';
export const forNobodyYet = 'For nobody yet';
export const purposeFor = '{purpose}, for {audience}';
export const forAudience = 'For {audience}';
export const people = {
  one: '1 person',
  other: '{n} people',
};
export const hostedByToo = 'hosted by {hosts} too';
export const linksInTheirOrder = 'Links in their order';
export const standsElsewhereInTheList = '{name} stands elsewhere in the list.';

// Stands
export const struckThrough = 'struck through';
export const takenDown = 'taken down';
export const notThereAnyMore = 'not there any more';
export const byHandToDo = 'by hand: to do';
export const doneByHand = 'done by hand';
export const byHandToTakeDown = 'by hand: to take down';
export const changeUnderWay = 'change under way';
export const readThere = '{readers} read there';
export const sinceReadThere = 'since {date} {time}, {readers} read there';
export const nowhereYetCopyIt = 'Nowhere yet. Copy it to whom it is for, or post it.';
export const ofPlacesHaveFollowed =
  '{followed} of {all} places have followed; the rest are on their way. You need not wait here.';
export const whoSeesIt = 'Who sees it';

// Together
export const ownDoorLeadsHere = '{title}, {words}; its own door leads here then.';
export const ownDoorStaysShut = '{title}, {words}; its own door stays shut then, with a word.';
export const atItsOwnDoorAgain = '{title}, {words}: at its own door again';
export const atItsOwnDoorAgainShort = 'At its own door again';
export const leadsHereThen = 'leads here then';
export const staysShutThen = 'stays shut then, with a word';
export const whichClassPeriod = 'Which class period';
export const when = 'When';
export const itsOwnDoorMeanwhile = 'Its own door meanwhile';
export const meetsHereItsOwnDoor = '{classPeriod} meets here {when}; its own door {itsOwn}.';
export const bringThemTogether = 'Bring them together';
export const nobodyClassPeriodsThatMeet =
  'Nobody. Class periods that meet at the same time can share this door, so that nobody takes the wrong one.';

// useGuests
export const isInvitedNoLonger = '{guest} is invited no longer.';
export const copiedSendItToAlone = 'Copied: send it to {email} alone. It works once.';
export const theirWay = 'Their way in is on its way to {email}. It works once.';
export const aLetterToIsSaved =
  'A letter to {email} is saved: open it with your mail program, and send it.';

// useInvitation
export const asItWillLook = 'As it will look';
export const plainText = 'Plain text';
export const markdown = 'Markdown';
export const copiedRichAndPlain = 'Copied, rich and plain.';
export const copied = 'Copied.';

// useLinkEdits
export const itIsForOthersNow = 'It is for others now.';

// useLinkTable
export const working = 'Working';
export const all = 'All';

// useLookedAt
export const thatDidNotWork = 'That did not work.';

// useNewLink
export const aNewLink = 'A new link: {made}.';

// useRoom
export const anotherRoomIsBehind = 'Another room is behind the door.';
export const theSchoolsVideoService = 'The school’s video service is behind the door.';
export const noRoomIsBehind = 'No room is behind the door any more.';

// useTogether
export const meetsHere = '{title} meets here {words}.';
export const meetsAtItsOwnDoor = '{shared} meets at its own door again.';

// WatchAddress
export const copyThisAddress = 'Copy this address';
export const toWatchAndNothingElse = 'To watch, and nothing else:';
export const theAddressToWatch = 'The address to watch at is copied.';
export const makeAnotherInstead = 'Make another instead';
export const stopThisAddress = 'Stop this address';
export const makeAnAddressToWatch = 'Make an address to watch at';
export const byItsEntryRulesNobody =
  'By its entry rules nobody may only watch; whoever follows it is told so.';

// whens
export const always = 'always';
export const atEveryDateOf = 'at every date of {title}';
export const onDateTime = 'on {date}, {time}';
export const onWeekdayNameS = 'on {weekdayName}s';

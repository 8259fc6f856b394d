/** What entry says, sentence by sentence; pages ask for it by name. */

// DefaultsPage
export const nothingIsFixedForEveryone = 'Nothing is fixed for everyone';
export const rulesAreFixedForEveryone = {
  one: 'One rule is fixed for everyone',
  other: '{n} rules are fixed for everyone',
};
export const allAsTheSchoolHas = 'All as the school has it';
export const rulesAreYourOwn = {
  one: 'One rule is your own',
  other: '{n} rules are your own',
};
export const yoursToRead = 'Yours to read';
export const theHeadAndTheOffice =
  'The head and the office change these. Your own defaults are a page of their own.';
export const aLockBesideARule = 'A lock beside a rule takes it out of everybody’s hands.';
export const teachersSeeThem = '{names}. Teachers see them with a lock.';
export const school = {
  title: 'The school’s entry rules',
  words:
    'They count for every door, unless its teacher, class period, link or session says otherwise.',
};
export const alone = {
  title: 'Your entry rules',
  words:
    'They count for every door of yours, unless its class period, link or session says otherwise.',
};
export const fixedForEveryoneNames = '{names}: fixed for everyone.';
export const theSchoolHasFixed = 'The school has fixed: {names}.';
export const theSchoolHasFixedNone = 'The school has fixed none.';
export const yourOwnEntryRules = 'Your own entry rules';
export const theyCountForTheClass =
  'They count for the class periods that you are the first host of, unless the class period, link or session says otherwise.';

// doorWords
export const keepTheLinkItWorks = 'Keep the link: it works again next time.';
export const classTitleIsOver = '{classTitle} is over';
export const itsClassPeriodHasBeen = 'Its class period has been put away, and this door with it.';
export const thisLinkHasBeenStopped = 'This link has been stopped';
export const hasAnotherOneNowUse = '{elsewhere} has another one now. Use that from now on.';
export const thisLinkIsNoLonger = 'This link is no longer used';
export const lookAtYourClassStream =
  'Look at your class stream for the new one, or ask your teacher.';
export const youWerePutOut = 'You were put out';
export const aHostHasPutYou =
  'A host has put you out of this session. {host} can let you back; this page will notice.';
export const hostSaysWord = '{host} says: “{word}”';
export const turnedYouAwayFromThis = '{host} turned you away from this session.';
export const youWereNotLetIn = 'You were not let in';
export const ifThatWasAMistake =
  '{said} If that was a mistake, write to them; they can let you back, and this page will notice.';
export const signInToGoIn = 'Sign in to go in';
export const anyAccountWillDo = 'Any account will do, your school’s or your own.';
export const signInWithYourSchool = 'Sign in with your school account';
export const thisDoorIsForPeople =
  'This door is for people of the school. Your link is kept while you sign in.';
export const nobodyHasWaitedLonger = 'Nobody has waited longer.';
export const peopleHaveWaitedLonger = {
  one: 'One person has waited longer.',
  other: '{n} people have waited longer.',
};
export const noHost = 'No host is in the room just now.';
export const theDoorIsOpen = 'The door is open';
export const knockAndLetsYouIn = 'Knock, and {hostIn} lets you in.';
export const knockAllTheSame = '{nobodyIn} Knock all the same.';
export const isInTheRoom = '{hostIn} is in the room and can see that you are waiting.';
export const theNextOneToCome = '{nobodyIn} The next one to come sees that you are waiting.';
export const youAreInTheLobby = 'You are in the lobby';
export const isNotInYet = '{host} is not in yet';
export const leaveThisPageOpenIt =
  'Leave this page open: it goes on by itself when a host arrives.';
export const noRoomIsBehindThis = 'No room is behind this door yet';
export const youAreHostHereOpen =
  'You are host here: open it at the desk, and give the address of your room.';
export const hasYetToPutOne =
  '{host} has yet to put one there. Leave this page open: it goes on by itself.';
export const thisSessionHasEnded = 'This session has ended';
export const theHostHasEndedIt = 'The host has ended it for everyone. {nextTime}';
export const thisSessionIsOver = 'This session is over';
export const notByPhone = 'Not by phone';
export const thisDoorTakesNoPhone =
  'This door takes no phone callers. Open the link in a browser instead.';
export const thereIsNoWatchOnly = 'There is no watch-only way in';
export const askHost = 'Ask {host}.';
export const goInAsYourselfInstead = 'Go in as yourself instead.';
export const theDoorIsOpenTo = 'The door is open to watch';
export const youSeeAndHearWhat = 'You see and hear what goes on, and cannot be seen or heard.';
export const thisDoorNeedsYourSchool = 'This door needs your school account';
export const youAreHere = 'You are here with your home account. Switch below; the link is kept.';
export const youAreNotInvited = 'You are not invited to this one';
export const ifYouThinkYouShould = 'If you think you should be, ask {host}.';
export const youAreNotOnThis = 'You are not on this door’s list';
export const checkThatTheLink =
  'Check that the link is the one meant for you. If it is, ask {host} to look at the list.';
export const nothingIsPlannedHereNow = 'Nothing is planned here now';
export const theLinkIsRightWhen =
  'The link is right. When a session is scheduled or the host opens the door, this page will notice.';
export const theDoorOpensAt = 'The door opens at {opensAt}';
export const theDoorIsNotOpen = 'The door is not open yet';
export const leaveThisPageOpenYou =
  'Leave this page open: you will be let on by yourself when it opens.';
export const thisDoorAsks = 'This door asks for a code';
export const itWasSent = 'It was sent with the link.';
export const thatCodeDoesNotFit = 'That code does not fit';
export const compareItWithWhatWas = 'Compare it with what was sent with the link.';
export const notThisOne = {
  title: 'You are invited to another one',
  text: 'At this door, but not to the session that is next here. Yours stands on your own day.',
};
export const open = { title: 'The door is open', text: 'You can go straight in.' };
export const leaveThisPageOpenYouGo =
  'Leave this page open: you go in by yourself when a seat comes free.';
export const meanwhileYouMayWatch = 'Meanwhile you may watch.';
export const youAreNext = 'You are next';
export const theRoomIsFull = 'The room is full. {openPage}';
export const theRoomIsFullBefore = {
  one: 'The room is full; 1 goes before you',
  other: 'The room is full; {n} go before you',
};
export const nobodyWaitsYet = 'Nobody waits yet.';
export const waitAlready = {
  one: '1 waits already.',
  other: '{n} wait already.',
};
export const theRoomIsFullShort = 'The room is full';
export const waitInLine = 'Wait in line, and you go in by yourself when a seat comes free. {wait}';
export const thisLessonMeets = 'This lesson meets at the door of {elsewhere}';
export const thisDoorStaysShutMeanwhile =
  'This door stays shut meanwhile. Go there; you are expected.';
export const theHost = 'The host';

// EntryTab
export const theSchoolOverrulesYou = 'The school overrules you';
export const theSchoolHasFixedThis = '{fields}: the school has fixed this for everyone.';
export const whereEachRuleComesFrom = 'Where each rule comes from';
export const rulesByWhere =
  'From the school: {school}. From the host’s own defaults: {teacher}. Set for this class period: {own}.';
export const rulesByWhereFixed =
  'From the school: {school}, {fixed} of them fixed by it. From the host’s own defaults: {teacher}. Set for this class period: {own}.';
export const hideSources = 'Hide sources';
export const showSources = 'Show sources';
export const wellGuarded = 'Well guarded';
export const nothingUnsafeNothingThatUndoes = 'Nothing unsafe, nothing that undoes itself.';
export const actionDone = '{action}: done.';

// HostsGone
export const minutesMin = '{minutes} min';
export const backToInWords = 'Back to {inWords}';
export const asUsual = 'as usual';
export const whenEverybodyIsOutAfter = 'When everybody is out after all hosts have left, {source}';
export const outOfAPastedRoom = 'Out of a pasted room Glen puts nobody: that is its hosts’ to do.';
export const whenAllHostsHaveLeftPeople = 'When all hosts have left, people stay until it shuts.';
export const whenAllHostsHaveLeftEverybody =
  'When all hosts have left, everybody is out after {minutes}.';

// OutcomeTable
export const whileNoHost = 'While no host is in, whoever takes over is host: {takesOver}.';
export const everyoneIsTakenToKnow = 'Everyone is taken to know the entry code.';
export const soAtTheDoor = 'So, at the door';
export const pressACellToChange =
  'Press a cell to change it; whoever is nearer or farther follows.';
export const comesIn = 'comes in';
export const presents = 'presents';

// Presets
export const allOfIt = 'All of it is so already.';
export const valueStays = '{value} stays';
export const fixedByTheSchool = 'fixed by the school';
export const becomes = 'becomes';
export const whatItIsFor = 'What it is for';
export const nothingToChange = 'Nothing to change';
export const changeTheseLines = {
  one: 'Change this line',
  other: 'Change these {n} lines',
};
export const rulesAsForDots = 'Rules as for…';
export const rulesAsForAPurpose = 'Rules as for a purpose';

// RuleCards
export const saveTheRule = 'Save the rule';
export const entryCode = 'Entry code: {value}';
export const entryCodeShort = 'Entry code';
export const askedOfEveryoneButHosts =
  'Asked of everyone but hosts, named presenters and callers. Posts that give it change with it. Leave it blank for none.';
export const makeOne = 'Make one';
export const makeAnother = 'Make another';
export const giveAWholeNumber = 'Give a whole number from 1 to {most}.';
export const roomForPeople = 'Room for {value} people';

// RulePart
export const freeAgain = 'free again';
export const fixedForEveryone = 'fixed for everyone';
export const fixedForEveryoneRuleName = '{ruleName}: fixed for everyone';
export const locked = 'locked';
export const byHand = 'by hand';

// RulesEditor
export const own = {
  school: 'for the school',
  teacher: 'as your own defaults',
  class: 'for this class period alone',
  link: 'for this link alone',
  series: 'for this series alone',
  occurrence: 'for this date alone',
};
export const byHandTheRoomBehind =
  '<what>by hand</what> The room behind the door cannot be told this; somebody sets it there.';
export const before = 'Before';
export const opensCode = 'Opens {opensBefore}, {withoutHost}. Code: {code}.';
export const atTheDoor = 'At the door';
export const whoComesIn = {
  all: '{whoMayEnter} may enter; {straightIn} goes straight in. {presenters} present. Phones: {phone}.',
  one: '{whoMayEnter} may enter; {straightIn} goes straight in, the rest wait in the lobby. {presenters} present. Phones: {phone}.',
  some: '{whoMayEnter} may enter; {straightIn} go straight in, the rest wait in the lobby. {presenters} present. Phones: {phone}.',
} as const;
export const inside = 'Inside';
export const after = 'After';
export const allArriveAndCamerasHosts =
  'All arrive {arriveMuted} and {mayUnmute}; cameras: hosts {hostCamera}, others {camera}. Chat {chat}. Recording {recording}.';
export const shutOrWhenAHost = 'Shut {closesAfter}, or when a host ends it.';
export const rareRules = 'Rare rules';
export const alsoRoomFor = 'Also {watching}. Room for {capacity}.';
export const screensAreSharedByComings =
  'Screens are shared by {sharing}; comings and goings are {chime}.';
export const rulesAreSet = {
  one: '1 rule is set',
  other: '{n} rules are set',
};
export const ruleIsBackToTheDefault = '{ruleName}: back to the default';
export const whenAllHostsHaveLeftOut = 'When all hosts have left: out after {ownHostsGone} min';
export const somebodyChangedTheseRulesJust =
  'Somebody changed these rules just now. They are shown as they stand; choose again if you still want your change.';
export const theRulesAreThoseOf = 'The rules are those of: {name}.';

// sentences
export const onTime = 'on time';
export const nMinBefore = '{n} min {before}';
export const asTheyLike = 'as they like';
export const whenTheDoorOpens = 'When the door opens';
export const whetherPeopleMay = 'Whether people may be in without a host';
export const onceAHostIsIn = 'once a host is in';
export const evenWithoutAHost = 'even without a host';
export const whoMayEnter = 'Who may enter';
export const invitedPeople = 'Invited people';
export const theRoll = 'The roll';
export const anyoneOfTheSchool = 'Anyone of the school';
export const anyoneSignedIn = 'Anyone signed in';
export const anyoneWithTheLink = 'Anyone with the link';
export const whoGoesStraightIn = 'Who goes straight in';
export const onlyHosts = 'only hosts';
export const hostsAndPresenters = 'hosts and presenters';
export const theRollWithin = 'the roll';
export const anyoneOfTheSchoolWithin = 'anyone of the school';
export const phoneCallers = 'Phone callers';
export const notLetIn = 'not let in';
export const waitInTheLobby = 'wait in the lobby';
export const straightIn = 'straight in';
export const watchingOnly = 'Watching only';
export const noWatchOnlyWayIn = 'no watch-only way in';
export const aWatchOnlyWayIn = 'a watch-only way in';
export const whoPresents = 'Who presents';
export const onlyHostsTitle = 'Only hosts';
export const hostsAndNamedPeople = 'Hosts and named people';
export const hostsAndTheSchoolsStaff = 'Hosts and the school’s staff';
export const everyone = 'Everyone';
export const microphonesOnArrival = 'Microphones on arrival';
export const withMicrophoneOn = 'with microphone on';
export const whetherPeopleMaySwitch = 'Whether people may switch their microphone on';
export const maySpeak = 'may speak';
export const mayNotSpeak = 'may not speak';
export const camerasOfTheOthers = 'Cameras of the others';
export const camerasOfHosts = 'Cameras of hosts';
export const whoSharesAScreen = 'Who shares a screen';
export const chat = 'Chat';
export const comingsAndGoings = 'Comings and goings';
export const notAnnounced = 'not announced';
export const recording = 'Recording';
export const whenAHostStartsIt = 'when a host starts it';
export const fromTheStart = 'from the start';
export const whenTheDoorShuts = 'When the door shuts';
export const atTheEnd = 'at the end';
export const minAfterTheEnd = '{n} min after the end';
export const valuePeople = '{value} people';
export const valueMin = '{value} min';
export const theEntryCode = 'The entry code';
export const howManyFitIn = 'How many fit in';

// tableWords
export const kindWords = {
  host: 'Hosts',
  'named-presenter': 'A named presenter',
  'on-roll': 'Student on the roll',
  'on-roll-home-account': 'Same student, home account',
  'other-student': 'Student of another class',
  colleague: 'A colleague',
  'signed-in-guest': 'Guest with a home account',
  stranger: 'Anyone with the link',
  phone: 'By phone',
};
export const kindsAmong = {
  host: 'hosts',
  'named-presenter': 'named presenters',
  'on-roll': 'the roll',
  'on-roll-home-account': 'home accounts of the roll',
  'other-student': 'other students',
  colleague: 'colleagues',
  'signed-in-guest': 'guests',
  stranger: 'anyone with the link',
  phone: 'phones',
};
export const straightInPresents = 'straight in, presents';
export const lobbyThenPresents = 'lobby, then presents';
export const waitsTill = 'waits till {opensAt}';
export const waitsTillItOpens = 'waits till it opens';
export const waitsForAHost = 'waits for a host';
export const waits = 'waits';
export const askedToSwitch = 'asked to switch';
export const askedToSignIn = 'asked to sign in';
export const turnedAway = 'turned away';
export const namedPresenter = 'named presenter';
export const leftOutAsAnyColleague = 'left out, as any colleague';
export const beforeOpensAt = 'before {opensAt}';
export const beforeItOpens = 'before it opens';
export const openNoHost = 'open, no host';
export const hostIsIn = 'host is in';
export const afterTheEnd = 'after the end';
export const mayCome = 'may come';
export const columnWords = {
  comesIn: 'comes in',
  presents: 'presents',
  withoutHost: 'without a host',
};
export const alsoNamed = 'also {named}';
export const alsoNamedAndMore = 'also {named} and {rest} more';

// TryDoor
export const aColleague = 'A colleague';
export const aStudentOfAnotherClass = 'A student of another class';
export const aGuestWithAHome = 'A guest with a home account';
export const somebodyNotSignedIn = 'Somebody not signed in';
export const aPhoneCaller = 'A phone caller';
export const whichDay = 'On which day';
export const whatTime = 'At what time';
export const hostsInOrOut = 'Hosts in or out, as now';
export const withAHostIn = 'With a host in';
export const withNoHostIn = 'With no host in';
export const withAHost = 'With a host';
export const withTheCode = 'With the code';
export const withThisCode = 'With this code';
export const toWatchOnly = 'to watch only';
export const theDoorSays = 'The door says: {words} {text}';
export const tryTheDoorAsDots = 'Try the door as…';
export const tryAs = 'Try as';
export const atThisMoment = 'At this moment';

// useRuleEdits
export const sources = {
  school: 'from the school',
  teacher: 'from the host’s own defaults',
  class: 'set for this class period',
  link: 'set for this link',
  series: 'set for this series',
  occurrence: 'set for this date alone',
};
export const backToTheDefault = 'back to the default';
export const outAfterMin = 'out after {minutes} min';
export const whenAllHostsHaveLeft = 'When all hosts have left: {inWords}.';
export const backToTheDefaultRuleName = '{ruleName}: back to the default.';
export const backTo = 'Back to {value}, {source}';

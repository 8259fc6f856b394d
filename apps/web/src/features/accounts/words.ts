/** What accounts says, sentence by sentence; pages ask for it by name. */

// AccountMenu
export const yourAccounts = 'Your accounts';
export const inUseKind = 'In use: {kind}';
export const useEmail = 'Use {email}';
export const wordForYou = 'Word for you';
export const yourAccount = 'Your account';
export const signOut = 'Sign out';

// AccountPage
export const asThisMachineHasIt = 'as this machine has it';
export const asTheSchoolDoes = 'as the school does';
export const dayFirst = '14 Oct 2026';
export const monthFirst = 'Oct 14, 2026';
export const pm = '2:05 pm';
export const youAreCalledTheSchool = 'You are called {name}; the school says so.';
export const whenOthersChangeWhatTouches = 'When others change what touches you';
export const anHourBeforeWhatYou = 'An hour before what you teach or attend begins';
export const yourDayInTheMorning = 'Your day, in the morning';
export const anEveningThatYouCome = 'An evening that you come to, a week before';
export const whatTeachersWriteToYou = 'What teachers write to you';
export const whoCameInTheWeek = 'Who came in the week to what you teach';
export const ways = { mail: 'by mail, and in Glen', glen: 'in Glen alone', none: 'not at all' };
export const asTheSchoolDoesWay = 'as the school does: {way}';
export const noMailServiceIsSet =
  'No mail service is set up here: what would come by mail stands in Glen alone.';
export const youWriteDates = 'You write dates';
export const youWriteTimes = 'You write times';
export const yourAccountWithin = 'your account';
export const thereYouAreCalled = 'There you are called {theirs}.';
export const whatYouAreCalled = 'What you are called';
export const colours = 'Colours';
export const saveTheChanges = 'Save the changes';
export const theSchoolSays = 'The school says by which address it knows you.';
export const itCanBeChangedOnce = 'It can be changed once the account has a password.';
export const itIsChangedWhile = 'It is changed while that account is in use.';
export const oneMoreAccountOfMine = 'One more account of mine';
export const signOnWithIt =
  'Sign on with it, and it is yours here too: at a door you change to it in one press.';
export const theAccountInUseHas =
  '{email}, the account in use, has none: you came in otherwise. The office can give you a way to set one.';
export const theAccountInUseHasNone =
  '{email}, the account in use, has none: you came by an address that worked once. Set one to sign in by it later, at any browser.';
export const ofTheAccountInUse =
  'Of {name}, the account in use. Every other browser is signed out of it.';
export const addresses = 'Addresses';

// Browsers
export const aBrowserThatDoes = 'A browser that does not say what it is';
export const signedInLastUsed = 'signed in {since}, last used {last}';
export const thisOne = 'this one';
export const signOutThere = 'Sign out there';
export const yesSignOutHereToo = 'Yes, sign out here too';
export const signOutEverywhere = 'Sign out everywhere';
export const whereYouAreSignedIn = 'Where you are signed in';
export const aBrowserThatNobodyUses =
  'A browser that nobody uses for two weeks is signed out by itself, and each after three months.';

// ClaimRules
export const onTheRollOf = 'on the roll of';
export const notLabel = 'Not {label}';
export const anotherRoll = 'Another roll';
export const anotherDots = 'another…';
export const noneYet = 'none yet';
export const provider = 'Provider';
export const claim = 'Claim';
export const groups = 'groups';
export const whatItHolds = 'What it holds';
export const cadets = 'cadets';
export const whatTheyAre = 'What they are';
export const whereSaysOfThem =
  'Where {provider} says of them {claim} with {holds} in it, they are a {are}{role}.';
export const takeAwayRule = 'Take away rule {at}';
export const newcomers = 'Newcomers';
export const whoeverSigns =
  'Whoever signs on with a school account that Glen does not know yet is not let in: the office takes them in first.';
export const whoeverSignsOn =
  'Whoever signs on with a school account that Glen does not know yet is taken in by these; others are not let in. Whoever is known already stays what they are.';
export const takeNewcomersInByWhat = 'Take newcomers in by what is claimed';

// GuestPage
export const byThisNameTheHost = 'By this name the host lets you in, and others inside see you.';
export const thisIsMe = 'This is me: to the door';
export const willYouCome = 'Will you come?';
export const youAreInvited = 'You are invited: {to}';
export const invites =
  '{host} invites {email}. If that is not you, close this page: the address lets somebody in once.';
export const invitesOn =
  '{host} invites {email}, {dates}. If that is not you, close this page: the address lets somebody in once.';
export const thereIsAnAccount =
  'There is an account with this address already. Sign in with it there.';
export const toTheDoor = 'To the door';

// kindInWords
export const schoolAccount = 'school account';
export const homeAccount = 'home account';

// NewAddress
export const youSign = 'You sign in with the new address from now on.';
export const theNewAddress = 'The new address';
export const yourPassword = 'Your password';
export const changeIt = 'Change it';
export const leaveIt = 'Leave it';
export const changeTheAddress = 'Change the address {email}';

// NewPassword
export const thePasswordIsChanged = 'The password is changed.';
export const thePasswordNow = 'The password now';
export const theNewPassword = 'The new password';
export const fromNowOnYouSign = 'From now on you sign in by your address and this password.';
export const aPassword = 'A password';
export const setThePassword = 'Set the password';

// OwnSignOns
export const signsOnAtSince = 'Signs on at {name}, since {date}';
export const signOnAtNoLonger = 'Sign on at {name} no longer';
export const noLonger = 'No longer';

// Passkeys
export const whatYouCallIt = 'What you call it';
export const saveTheName = 'Save the name';
export const asItWas = 'As it was';
export const notUsedYet = 'not used yet';
export const lastUsed = 'last used {on}';
export const addedOn = 'added {on}';
export const onYourOtherDevicesToo = 'on your other devices too';
export const renamePasskey = 'Rename {passkey}';
export const rename = 'Rename';
export const takeAway = 'Take away {passkey}';
export const takeAwayShort = 'Take away';
export const noPasskeyWasMade = 'No passkey was made.';
export const aPasskeyOnThisDevice = 'A passkey on this device, called';
export const myPhone = 'My phone';
export const addThePasskey = 'Add the passkey';
export const thisBrowserHasNoPasskeys = 'This browser has no passkeys.';
export const whyNone = {
  'no-domain':
    'There are none here: a passkey belongs to a name, and people reach this Glen by a number or without https.',
  shut: 'The school takes none.',
};
export const passkeys = 'Passkeys';
export const signInByWhatUnlocks = 'Sign in by what unlocks your device, without typing anything.';

// PasskeySignIn
export const useAPasskey = 'Use a passkey';
export const noPasskeyWasUsed = 'No passkey was used.';

// PasswordPage
export const yourNewPassword = 'Your new password';
export const severalWordsAreEasy = 'Several words are easy to keep in mind.';
export const setItAndGoIn = 'Set it and go in';
export const chooseAPassword = 'Choose a password';
export const helloWhose = 'Hello, {whose}';
export const youSignInAsChoose =
  'You sign in as {email}. Choose a password; this address works once.';

// SignedOutThere
export const youAreSignedOut =
  'You are signed out of Glen. {there} may still be signed in at this browser, and would let whoever sits here in again.';
export const signOutOfToo = 'Sign out of {there} too';

// SignIn
export const address = 'Address';
export const password = 'Password';
export const signIn = 'Sign in';
export const orByAddressAndPassword = 'or by address and password';
export const byAddressAndPassword = 'By address and password';
export const signInAs = 'Sign in as {person}, {kind}';
export const school = 'school';
export const home = 'home';
export const peopleOfTheDemo = 'People of the demo';
export const orBeSomeone = 'Or be someone of the demo school';
export const findAPerson = 'Find a person';
export const people = 'People';
export const glen = 'Glen';
export const theDoorsToYourOnline = 'The doors to your online classes · {school}';
export const hereForALessonFollow =
  'Here for a lesson? Follow the link your teacher posted, or <what>type its code</what>.';

// SignInWaysPage
export const whatChangesEverybody = 'What changes everybody';
export const headAndOfficeShow =
  'Head and office show a passkey before they change the calendar, the school’s entry rules, what is said of the school, or this';
export const headAndOfficeCould =
  'Head and office could be asked for a passkey here, but there are none at this address: a passkey belongs to a name, and people reach this Glen by a number or without https.';
export const howPeopleSignIn = 'How people sign in';
export const theirsTakesNewcomers = 'Theirs takes newcomers in by {rulesCount} rules.';

// SignOnButtons
export const useName = 'Use {name}';

// TroubleNote
export const tryAgain = 'Try {provider} again';

// waysNotes
export const comesBackTo = 'Comes back to {back}, is told of sign-outs at {out}.';
export const passwordsAreTheOnlyWay = 'Passwords are the only way in';
export const whoeverRunsGlenCanSet =
  'Whoever runs Glen can set up a provider of accounts that speaks OpenID Connect (docs/running.md, GLEN_SIGN_ON); it stands here then.';
export const hasToKnowGlensAddresses = '{name} has to know Glen’s addresses';

// WaysTable
export const who = {
  staff: 'Staff',
  students: 'Students',
  guests: 'Guests and home accounts',
};
export const notForThem = 'not for them';
export const addressAndPassword = 'Address and password';
export const passkey = 'Passkey';
export const wayIn = 'Way in';

// YesOrNo
export const yesIWill = 'Yes, I will';
export const no = 'No';

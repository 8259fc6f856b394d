/**
 * Who may call an endpoint.
 * anyone: nobody need be signed in · signed-in: any account · teacher: any of the school's staff ·
 * class-reader: its hosts, co-teachers and visiting teachers, the head and the office ·
 * class-host: its hosts and co-teachers · class-keeper: those, the head and the office ·
 * person-keeper: the head and the office, and the hosts of a class period on whose roll that person stands · door-host: those, and until its end whoever a session was handed over to · demo: anyone, and only where the demo school runs ·
 * service: the video service or a provider of accounts, by signature · school-office: the head and the office.
 */
export type Caller =
  | 'anyone'
  | 'signed-in'
  | 'teacher'
  | 'class-reader'
  | 'class-host'
  | 'class-keeper'
  | 'person-keeper'
  | 'door-host'
  | 'school-office'
  | 'demo'
  | 'service';

/** The path parameter from which the class period of a class-… endpoint is found. */
export type ClassSubject =
  'classId' | 'seriesId' | 'postId' | 'placementId' | 'linkId' | 'visitorId';

/** What a path parameter of an endpoint speaks of: something of a class period, or a person. */
export type Subject = ClassSubject | 'personId';

/** The problem type (RFC 9457) of an answer before there is a school. */
export const NOT_MOVED_IN = 'urn:glen:not-moved-in';
/** The problem type of a change for which the school asks to see a passkey first. */
export const CONFIRM_FIRST = 'urn:glen:confirm-first';
/** The problem type of a door that would be opened while another session of the same host is on; `anyway` opens it. */
export const OVER_ANOTHER = 'urn:glen:over-another';

export interface Endpoint {
  method: 'GET' | 'POST' | 'PUT';
  path: string;
  who: Caller;
  of?: Subject;
  /** A change that a class period takes though it has been put away. */
  atRest?: true;
  /** It outlasts a cover: not for whoever is there for one alone. */
  lasting?: true;
  /** It changes everybody: the school may ask whoever does it to show a passkey first. */
  confirms?: true;
  /** What it does, in a line, for the OpenAPI document. */
  does: string;
}

/** Every address that Glen answers, once. No schemas here, so that the browser's first load stays small. */
// One endpoint a line reads as the table that it is.
// prettier-ignore
export const endpoints = {
  me: { method: 'GET', path: '/api/me', who: 'anyone', does: 'Which account is in use, which others are at hand, and what time the school has' },
  signIn: { method: 'POST', path: '/api/sign-in', who: 'anyone', does: 'Sign in with an address and a password' },
  signOut: { method: 'POST', path: '/api/sign-out', who: 'anyone', does: 'Sign out of every account in this browser' },
  passwordFor: { method: 'GET', path: '/api/password/:token', who: 'anyone', does: 'Whose password a one-time address sets' },
  setPassword: { method: 'POST', path: '/api/password/:token', who: 'anyone', does: 'Set a password by a one-time address, and sign in; the address is dead from then on' },
  switchAccount: { method: 'POST', path: '/api/switch-account', who: 'signed-in', does: 'Switch to an account of one’s own that is signed in here' },
  beginSignOn: { method: 'POST', path: '/api/sign-on/:provider', who: 'anyone', does: 'Where to sign on at a provider of accounts; the way back ends where it was begun' },
  signOnBack: { method: 'GET', path: '/sign-on/:provider/back', who: 'anyone', does: 'The way back from a provider of accounts (OpenID Connect Core 1.0, 3.1.2.5): signs in, and sends on' },
  signedOutThere: { method: 'POST', path: '/api/sign-on/:provider/signed-out', who: 'service', does: 'A provider tells that somebody has signed out there (OpenID Connect Back-Channel Logout 1.0)' },
  guestFor: { method: 'GET', path: '/api/guest/:token', who: 'anyone', does: 'What a guest is invited to, by a one-time address' },
  comeAsGuest: { method: 'POST', path: '/api/guest/:token', who: 'anyone', does: 'Come as a guest by a one-time address, once' },
  sayAsGuest: { method: 'PUT', path: '/api/guest/:token/said', who: 'anyone', does: 'Say by a one-time address whether one will come; it works on' },
  invitations: { method: 'GET', path: '/api/invitations', who: 'signed-in', does: 'What one is invited to as a guest, by the address in use' },
  answerInvitation: { method: 'PUT', path: '/api/invitations', who: 'signed-in', does: 'Say whether one will come to what one is invited to' },
  passkeySignInOptions: { method: 'POST', path: '/api/sign-in/passkey/options', who: 'anyone', does: 'What a browser asks its passkeys by (Web Authentication level 2, 5.5)' },
  passkeySignIn: { method: 'POST', path: '/api/sign-in/passkey', who: 'anyone', does: 'Sign in by a passkey' },
  live: { method: 'GET', path: '/api/live', who: 'anyone', does: 'Server-sent events that say which thing changed' },
  openapi: { method: 'GET', path: '/api/openapi.json', who: 'anyone', does: 'This document' },

  moveIn: { method: 'GET', path: '/api/move-in/:token', who: 'anyone', does: 'How far somebody is with moving in, by the one-time address told at the last start' },
  keepMoveIn: { method: 'PUT', path: '/api/move-in/:token', who: 'anyone', does: 'Keep what has been typed while moving in' },
  moveInHolidays: { method: 'GET', path: '/api/move-in/:token/holidays', who: 'anyone', does: 'Public holidays of a region between two dates, while moving in' },
  finishMoveIn: { method: 'POST', path: '/api/move-in/:token/finish', who: 'anyone', does: 'Make the school, its year and the first account, and sign in; the address is dead from then on' },

  people: { method: 'GET', path: '/api/people', who: 'school-office', does: 'The people of the school, found, filtered and in order, a hundred at a time' },
  addPerson: { method: 'POST', path: '/api/people', who: 'school-office', does: 'Take somebody in to the school' },
  person: { method: 'GET', path: '/api/people/:personId', who: 'person-keeper', of: 'personId', does: 'One person: roles, accounts, class periods, the doors of their day, guardians' },
  editPerson: { method: 'PUT', path: '/api/people/:personId', who: 'school-office', does: 'Change what somebody is called and what they are to the school' },
  addAccount: { method: 'POST', path: '/api/people/:personId/accounts', who: 'school-office', does: 'Give somebody another account' },
  removeAccount: { method: 'POST', path: '/api/people/:personId/accounts/remove', who: 'school-office', does: 'Take an account away; whoever is signed in with it is out' },
  wayIn: { method: 'POST', path: '/api/people/:personId/way-in', who: 'person-keeper', of: 'personId', does: 'A one-time address by which somebody sets their password; those before are dead' },
  retireFacts: { method: 'GET', path: '/api/people/:personId/retire', who: 'school-office', does: 'What retiring somebody would touch' },
  hosted: { method: 'GET', path: '/api/people/:personId/hosted', who: 'teacher', does: 'All that somebody hosts, for them, the head and the office to hand over' },
  handOverAll: { method: 'POST', path: '/api/people/:personId/hand-over', who: 'teacher', does: 'Hand over what somebody hosts: class periods, with the links and groups that are theirs in them' },
  retirePerson: { method: 'POST', path: '/api/people/:personId/retire', who: 'school-office', does: 'Retire somebody: their accounts sign in no more, and what they had ends; it is kept' },
  bringBackPerson: { method: 'POST', path: '/api/people/:personId/bring-back', who: 'school-office', does: 'Bring somebody back with what they had, as far as it still stands' },
  mergeFacts: { method: 'GET', path: '/api/people/:personId/merge', who: 'school-office', does: 'What making two records of one person one would bring together' },
  mergePeople: { method: 'POST', path: '/api/people/:personId/merge', who: 'school-office', does: 'Make two records of one person one; this one stays' },
  setGuardians: { method: 'PUT', path: '/api/people/:personId/guardians', who: 'person-keeper', of: 'personId', does: 'Say who a student’s parents or guardians are' },
  happened: { method: 'GET', path: '/api/happened', who: 'school-office', does: 'Who did what to what, the newest first' },
  ownAccount: { method: 'GET', path: '/api/account', who: 'signed-in', does: 'One’s own account and wishes' },
  setOwnAccount: { method: 'PUT', path: '/api/account', who: 'signed-in', does: 'Change what one is called, how times and colours are shown, and what one is told' },
  ownSessions: { method: 'GET', path: '/api/account/sessions', who: 'signed-in', does: 'The browsers that one is signed in with' },
  endOwnSession: { method: 'POST', path: '/api/account/sessions/:sessionId/end', who: 'signed-in', does: 'Sign out at another browser of one’s own' },
  signOutEverywhere: { method: 'POST', path: '/api/account/sign-out-everywhere', who: 'signed-in', does: 'Sign out at all browsers of one’s own, this one too' },
  firstPassword: { method: 'POST', path: '/api/account/first-password', who: 'signed-in', does: 'Set a password for the account in use, where there is no other way in to it' },
  changePassword: { method: 'POST', path: '/api/account/password', who: 'signed-in', does: 'Change the password of the account in use; its other browsers are signed out' },
  changeAddress: { method: 'POST', path: '/api/account/address', who: 'signed-in', does: 'Change the address of an account of one’s own' },

  demoPeople: { method: 'GET', path: '/api/demo/people', who: 'demo', does: 'The demo school’s people and their accounts' },
  demoSignIn: { method: 'POST', path: '/api/demo/sign-in', who: 'demo', does: 'Sign in as one of them' },
  demoClock: { method: 'POST', path: '/api/demo/clock', who: 'demo', does: 'Move school time' },

  myDay: { method: 'GET', path: '/api/my-day', who: 'signed-in', does: 'The doors of one’s own day, as a student or invited guest' },
  find: { method: 'GET', path: '/api/find', who: 'teacher', does: 'People, sessions and links by a few letters' },

  signInWays: { method: 'GET', path: '/api/school/sign-in', who: 'school-office', does: 'How people sign in, and what is made of what a provider of accounts claims' },
  setSignInWays: { method: 'PUT', path: '/api/school/sign-in', who: 'school-office', confirms: true, does: 'Change how people sign in; one way in stays open to everybody' },
  passkeys: { method: 'GET', path: '/api/account/passkeys', who: 'signed-in', does: 'The passkeys of the account in use' },
  passkeyOptions: { method: 'POST', path: '/api/account/passkeys/options', who: 'signed-in', does: 'What a browser makes a passkey by (Web Authentication level 2, 5.4)' },
  addPasskey: { method: 'POST', path: '/api/account/passkeys', who: 'signed-in', does: 'Keep a passkey that the browser has made' },
  renamePasskey: { method: 'PUT', path: '/api/account/passkeys/:passkeyId', who: 'signed-in', does: 'Call a passkey of one’s own otherwise' },
  removePasskey: { method: 'POST', path: '/api/account/passkeys/:passkeyId/remove', who: 'signed-in', does: 'Take a passkey of one’s own away' },
  confirmOptions: { method: 'POST', path: '/api/account/confirm/options', who: 'signed-in', does: 'What a browser asks for a passkey of the account in use by' },
  confirm: { method: 'POST', path: '/api/account/confirm', who: 'signed-in', does: 'Show a passkey of the account in use once more, as the school asks before what changes everybody' },
  endSignOn: { method: 'POST', path: '/api/account/sign-ons/:signOnId/end', who: 'signed-in', does: 'End signing on at a provider for an account of one’s own' },
  endTheirSignOn: { method: 'POST', path: '/api/people/:personId/sign-ons/:signOnId/end', who: 'school-office', of: 'personId', does: 'End signing on at a provider for somebody’s account, so that it may be bound anew' },
  school: { method: 'GET', path: '/api/school', who: 'teacher', does: 'The school’s calendar' },
  schoolCalendar: { method: 'GET', path: '/api/school/calendar', who: 'teacher', does: 'The school’s calendar as it can be edited, with its version' },
  previewCalendar: { method: 'POST', path: '/api/school/calendar/preview', who: 'school-office', does: 'Which sessions an edited calendar would move, take off or bring back' },
  setCalendar: { method: 'PUT', path: '/api/school/calendar', who: 'school-office', confirms: true, does: 'Change the school’s calendar; the sessions follow and their teachers are told' },
  aboutSchool: { method: 'GET', path: '/api/school/about', who: 'teacher', does: 'What the school is called, its time zone, and who makes class periods' },
  previewZone: { method: 'POST', path: '/api/school/about/zone', who: 'school-office', does: 'Which sessions another time zone would have begin at another moment' },
  setAboutSchool: { method: 'PUT', path: '/api/school/about', who: 'school-office', confirms: true, does: 'Change that; with another zone sessions keep their hours on the clock' },
  holidays: { method: 'GET', path: '/api/school/holidays', who: 'school-office', does: 'Public holidays of a region during the school year' },
  seenNotice: { method: 'POST', path: '/api/notices/:noticeId/seen', who: 'signed-in', does: 'Put a notice of one’s own away' },
  words: { method: 'GET', path: '/api/words', who: 'signed-in', does: 'What one has been told, the newest first' },
  letterStop: { method: 'GET', path: '/api/letters/stop/:token', who: 'anyone', does: 'Which letters somebody gets by the address in one of them' },
  setLetterStop: { method: 'POST', path: '/api/letters/stop/:token', who: 'anyone', does: 'No more letters of a kind, or letters again, by the address in one of them' },
  lately: { method: 'GET', path: '/api/lately', who: 'teacher', does: 'One’s own last changes, with what takes each back' },
  noteLately: { method: 'POST', path: '/api/lately', who: 'teacher', does: 'Keep what takes a change of one’s own back' },
  takenBack: { method: 'POST', path: '/api/lately/:latelyId/taken-back', who: 'teacher', does: 'Note that a change of one’s own was taken back' },
  feeds: { method: 'GET', path: '/api/feeds', who: 'signed-in', does: 'The private addresses of one’s calendar feeds' },
  replaceFeed: { method: 'POST', path: '/api/feeds', who: 'signed-in', does: 'Make a feed’s address, or a new one in its place' },
  switchOffFeed: { method: 'POST', path: '/api/feeds/off', who: 'signed-in', does: 'Switch a feed off: its address leads nowhere any more' },
  setFeedAlarm: { method: 'POST', path: '/api/feeds/alarm', who: 'signed-in', does: 'How long before a session calendars that read a feed remind' },
  newsFeed: { method: 'GET', path: '/api/news/:token', who: 'anyone', does: 'What is posted in a class period (Atom), by its private address' },
  calendarFeed: { method: 'GET', path: '/api/calendar/:token', who: 'anyone', does: 'A calendar feed (iCalendar), by its private address' },
  today: { method: 'GET', path: '/api/today', who: 'teacher', does: 'The day’s run sheet and what needs thought' },
  classes: { method: 'GET', path: '/api/classes', who: 'teacher', does: 'The class periods one teaches or visits' },
  classPeriod: { method: 'GET', path: '/api/classes/:classId', who: 'class-reader', of: 'classId', does: 'One class period: link, people, sessions' },

  addClass: { method: 'POST', path: '/api/classes', who: 'teacher', does: 'Make a class period with its lasting link; its room and its lessons may come with it or later' },
  editClass: { method: 'PUT', path: '/api/classes/:classId', who: 'class-keeper', of: 'classId', does: 'Change what a class period is called, where it stands in the timetable, and its pennant' },
  copyClass: { method: 'POST', path: '/api/classes/:classId/copy', who: 'class-host', of: 'classId', atRest: true, lasting: true, does: 'Make another class period like this one, with a link of its own' },
  putAwayFacts: { method: 'GET', path: '/api/classes/:classId/put-away', who: 'class-keeper', of: 'classId', does: 'What putting a class period away would touch' },
  putAwayClass: { method: 'POST', path: '/api/classes/:classId/put-away', who: 'class-keeper', of: 'classId', lasting: true, does: 'Put a class period away: its doors stop and its sessions to come are taken off; all it had is kept' },
  bringBackClass: { method: 'POST', path: '/api/classes/:classId/bring-back', who: 'class-keeper', of: 'classId', atRest: true, does: 'Bring a class period back that was put away, with its links and what is still to come' },
  setStaff: { method: 'PUT', path: '/api/classes/:classId/staff', who: 'class-keeper', of: 'classId', lasting: true, does: 'Say who hosts, co-teaches and presents in a class period, by finding them or by name and address' },
  knockUntilRoll: { method: 'PUT', path: '/api/classes/:classId/knock-until-roll', who: 'class-keeper', of: 'classId', does: 'Let anyone with the link knock until the roll is filled, or no longer' },
  previewRoll: { method: 'POST', path: '/api/classes/:classId/roll/preview', who: 'class-keeper', of: 'classId', does: 'What a pasted list of names would do to the roll, line by line' },
  addToRoll: { method: 'POST', path: '/api/classes/:classId/roll', who: 'class-keeper', of: 'classId', does: 'Put people on the roll; those whom the school does not know yet are made' },
  rollTouched: { method: 'GET', path: '/api/classes/:classId/roll/touched', who: 'class-keeper', of: 'classId', does: 'What taking somebody off the roll would end: groups and private links' },
  rollLeft: { method: 'GET', path: '/api/classes/:classId/roll/left', who: 'class-keeper', of: 'classId', does: 'Who was taken off the roll, the latest first' },
  bringBackToRoll: { method: 'POST', path: '/api/classes/:classId/roll/bring-back', who: 'class-keeper', of: 'classId', does: 'Bring people back who were taken off the roll, with their groups and private links' },
  moveOnRoll: { method: 'POST', path: '/api/classes/:classId/roll/move', who: 'class-keeper', of: 'classId', does: 'Move people to the roll of another class period' },
  takeOffRoll: { method: 'POST', path: '/api/classes/:classId/roll/take-off', who: 'class-keeper', of: 'classId', does: 'Take people off the roll' },
  passwordAddresses: { method: 'POST', path: '/api/classes/:classId/password-addresses', who: 'class-keeper', of: 'classId', does: 'One-time addresses by which students of the roll set their passwords' },

  strip: { method: 'GET', path: '/api/strip', who: 'teacher', does: 'Class periods with every date of their series between two dates' },
  bookings: { method: 'GET', path: '/api/classes/:classId/bookings', who: 'class-reader', of: 'classId', does: 'What the class period’s people, link and students have on the books' },

  freeTimes: { method: 'POST', path: '/api/free-times', who: 'teacher', does: 'Times at which people are free: of the school’s staff, and of students whom one teaches; busy, never with what' },
  polls: { method: 'GET', path: '/api/polls', who: 'teacher', does: 'Times that one has offered to guests to choose from, and what they said' },
  addPoll: { method: 'POST', path: '/api/classes/:classId/polls', who: 'class-host', of: 'classId', does: 'Offer some times to guests, who need no account; it settles by itself once all have answered, or when it closes' },
  stopPoll: { method: 'POST', path: '/api/classes/:classId/polls/stop', who: 'class-host', of: 'classId', does: 'Take offered times back' },
  programme: { method: 'GET', path: '/api/series/:seriesId/programme', who: 'class-host', of: 'seriesId', does: 'What comes after what in one session' },
  setProgramme: { method: 'PUT', path: '/api/series/:seriesId/programme', who: 'class-host', of: 'seriesId', does: 'Say what comes after what in one session, a line each' },
  shiftProgramme: { method: 'POST', path: '/api/series/:seriesId/programme/shift', who: 'class-host', of: 'seriesId', does: 'Have the rest of a programme begin later, or sooner' },
  doorProgramme: { method: 'GET', path: '/api/door/:code/programme', who: 'anyone', does: 'What comes after what in the session at a door, for whoever may read what it is about' },
  choosing: { method: 'GET', path: '/api/choose/:token', who: 'anyone', does: 'The times that a guest is offered, by an address of their own' },
  choose: { method: 'POST', path: '/api/choose/:token', who: 'anyone', does: 'Say which of the offered times suit one, as often as one likes until it is settled' },

  appointments: { method: 'GET', path: '/api/appointments', who: 'teacher', does: 'Evenings by appointment that one planned or takes part in; the head and the office see all' },
  addAppointments: { method: 'POST', path: '/api/appointments', who: 'teacher', does: 'Plan an evening by appointment, as class periods that one hosts; the head and the office, for anybody who teaches' },
  appointmentEvening: { method: 'GET', path: '/api/appointments/:eveningId', who: 'teacher', does: 'Who sees whom when on one evening; who only takes part sees their own part' },
  setAppointments: { method: 'PUT', path: '/api/appointments/:eveningId', who: 'teacher', does: 'Have guests choose no longer, or again: whoever planned it, the head and the office' },
  addAppointmentGuests: { method: 'POST', path: '/api/appointments/:eveningId/guests', who: 'teacher', does: 'Invite guests to an evening by appointment: whoever planned it, the head and the office' },
  dropAppointmentGuest: { method: 'POST', path: '/api/appointments/:eveningId/guests/drop', who: 'teacher', does: 'Take a guest off an evening by appointment, with what they have: whoever planned it, the head and the office' },
  appointmentWayIn: { method: 'POST', path: '/api/appointments/:eveningId/way-in', who: 'teacher', does: 'A one-time address to pass on to a guest who has an appointment: whoever planned it, the head and the office' },
  ownAppointments: { method: 'GET', path: '/api/own-appointments/:token', who: 'anyone', does: 'Whom a guest can see on an evening, and when, by an address of their own' },
  changeAppointments: { method: 'POST', path: '/api/own-appointments/:token', who: 'anyone', does: 'Take appointments and give others up, all at once' },
  wayToAppointment: { method: 'POST', path: '/api/own-appointments/:token/way-in', who: 'anyone', does: 'Have the way in to an appointment sent to one’s mailbox' },

  addSession: { method: 'POST', path: '/api/classes/:classId/sessions', who: 'class-host', of: 'classId', does: 'Schedule a session' },
  register: { method: 'GET', path: '/api/series/:seriesId/register', who: 'class-keeper', of: 'seriesId', atRest: true, does: 'Who was in at one session, and when' },
  correctRegister: { method: 'POST', path: '/api/series/:seriesId/register/correct', who: 'class-host', of: 'seriesId', atRest: true, does: 'Say of somebody in a register that it was otherwise than measured, and why' },
  uncorrectRegister: { method: 'POST', path: '/api/series/:seriesId/register/uncorrect', who: 'class-host', of: 'seriesId', atRest: true, does: 'Let what was measured of somebody in a register count again' },
  settleRegister: { method: 'POST', path: '/api/series/:seriesId/register/settle', who: 'class-host', of: 'seriesId', atRest: true, does: 'Settle the register of a session that is over: what is said from then on is a correction' },
  weekRegisters: { method: 'GET', path: '/api/registers', who: 'teacher', does: 'Who came in a week: to the sessions that one hosts, for the head and the office to all' },
  weekFile: { method: 'GET', path: '/api/registers.csv', who: 'teacher', does: 'The same as comma-separated values (RFC 4180), a line for each person and session' },
  registerWays: { method: 'GET', path: '/api/school/registers', who: 'teacher', does: 'What the school does with its registers' },
  setRegisterWays: { method: 'PUT', path: '/api/school/registers', who: 'school-office', does: 'Change what the school does with its registers' },
  personTerm: { method: 'GET', path: '/api/people/:personId/term', who: 'person-keeper', of: 'personId', does: 'How somebody stood this term, week by week: at the lessons that one hosts, for the head and the office at all' },
  ownTerm: { method: 'GET', path: '/api/my-term', who: 'signed-in', does: 'How one stood oneself this term, where the school shows it' },
  classTerm: { method: 'GET', path: '/api/classes/:classId/term', who: 'class-keeper', of: 'classId', does: 'How those of a class period stood this term, week by week' },
  absences: { method: 'GET', path: '/api/people/:personId/absences', who: 'person-keeper', of: 'personId', does: 'Days to come on which somebody is known to be away' },
  addAbsence: { method: 'POST', path: '/api/people/:personId/absences', who: 'person-keeper', of: 'personId', does: 'Excuse somebody beforehand: from all lessons for the head and the office, from those of their own class periods for hosts' },
  endAbsence: { method: 'POST', path: '/api/people/:personId/absences/end', who: 'person-keeper', of: 'personId', does: 'Take an excuse away again' },
  session: { method: 'GET', path: '/api/series/:seriesId', who: 'class-reader', of: 'seriesId', does: 'One session' },
  editSession: { method: 'PUT', path: '/api/series/:seriesId', who: 'class-host', of: 'seriesId', does: 'Change a session' },
  changeSessions: { method: 'POST', path: '/api/sessions/change', who: 'teacher', does: 'Move, cancel, take back or retitle dates of series, all or none' },
  takeBackChange: { method: 'POST', path: '/api/sessions/take-back', who: 'teacher', does: 'Undo the last change of series, where nobody has changed them since' },
  seriesFile: { method: 'GET', path: '/api/series/:seriesId/calendar', who: 'class-reader', of: 'seriesId', does: 'One series as a calendar file (iCalendar)' },
  copySeries: { method: 'POST', path: '/api/series/:seriesId/copy', who: 'class-host', of: 'seriesId', does: 'Copy a series to other class periods, or to the next term' },

  rules: { method: 'GET', path: '/api/classes/:classId/rules', who: 'class-reader', of: 'classId', does: 'Entry rules with the source of each' },
  setRules: { method: 'PUT', path: '/api/classes/:classId/rules', who: 'class-host', of: 'classId', does: 'Set the class period’s own entry rules' },

  posts: { method: 'GET', path: '/api/classes/:classId/posts', who: 'class-reader', of: 'classId', does: 'The posts of a class period, and what stands where' },
  allPosts: { method: 'GET', path: '/api/posts', who: 'teacher', does: 'The posts of all the class periods that one teaches or visits' },
  addPost: { method: 'POST', path: '/api/classes/:classId/posts', who: 'class-host', of: 'classId', does: 'Post links to streams, course pages, calendars and places filled by hand: now, at a time, or by their sessions' },
  previewPost: { method: 'POST', path: '/api/classes/:classId/posts/preview', who: 'class-host', of: 'classId', does: 'What a post would do, before it is saved' },
  postNow: { method: 'POST', path: '/api/posts/:postId/now', who: 'class-host', of: 'postId', does: 'Have the post about one session go out before its time' },
  editPost: { method: 'PUT', path: '/api/posts/:postId', who: 'class-host', of: 'postId', does: 'Change a post, out or waiting' },
  withdrawPost: { method: 'POST', path: '/api/posts/:postId/withdraw', who: 'class-host', of: 'postId', atRest: true, does: 'Take a post down' },
  restorePost: { method: 'POST', path: '/api/posts/:postId/restore', who: 'class-host', of: 'postId', does: 'Put a withdrawn post back' },
  retryPost: { method: 'POST', path: '/api/posts/:postId/retry', who: 'class-host', of: 'postId', atRest: true, does: 'Try a failed post again now' },

  postHistory: { method: 'GET', path: '/api/posts/:postId/history', who: 'class-reader', of: 'postId', does: 'Who did what to a post' },
  coursePage: { method: 'GET', path: '/api/classes/:classId/course-page', who: 'class-reader', of: 'classId', does: 'The sections of the class period’s course page, as the course site has them' },
  headings: { method: 'GET', path: '/api/classes/:classId/headings', who: 'class-reader', of: 'classId', does: 'Glen’s own headings on a class period’s course page, with what is under each in order' },
  orderItems: { method: 'PUT', path: '/api/classes/:classId/headings/order', who: 'class-host', of: 'classId', does: 'Put what is under one of Glen’s own headings in order' },
  placementForms: { method: 'GET', path: '/api/placements/:placementId/forms', who: 'class-reader', of: 'placementId', does: 'What to paste at a place that is filled by hand, in each form' },
  placementLetter: { method: 'GET', path: '/api/placements/:placementId/letter', who: 'class-host', of: 'placementId', atRest: true, does: 'The same as a letter for one’s own mail program, to all who read it' },
  placementAction: { method: 'POST', path: '/api/placements/:placementId', who: 'class-host', of: 'placementId', atRest: true, does: 'Try a placement again, put it back, take it down there alone, or say that it has been done by hand' },
  lookAtSite: { method: 'POST', path: '/api/classes/:classId/look', who: 'class-host', of: 'classId', atRest: true, does: 'Compare what Glen has put on the course site with what stands there' },

  reach: { method: 'GET', path: '/api/links/:linkId/reach', who: 'class-reader', of: 'linkId', does: 'Who sees which link for what a link is for, now or at a time to come' },
  reachOfDay: { method: 'GET', path: '/api/reach', who: 'teacher', does: 'Who sees which link, over all the links that one hosts, on a day' },
  studentSees: { method: 'GET', path: '/api/classes/:classId/student-sees', who: 'class-reader', of: 'classId', does: 'The stream, page and calendar of a class period as one of its students sees them, now or at a time to come' },

  links: { method: 'GET', path: '/api/links', who: 'teacher', does: 'Every link that one hosts' },
  unreached: { method: 'GET', path: '/api/classes/:classId/unreached', who: 'class-host', of: 'classId', atRest: true, does: 'Those of a roll whom letters do not reach, with why' },
  classLinks: { method: 'GET', path: '/api/classes/:classId/links', who: 'class-reader', of: 'classId', does: 'The links of a class period in their order' },
  link: { method: 'GET', path: '/api/links/:linkId', who: 'class-reader', of: 'linkId', does: 'One link: whom it is for, its former codes, who shares it' },
  linkPlaces: { method: 'GET', path: '/api/links/:linkId/places', who: 'class-reader', of: 'linkId', does: 'Where a link stands, or is about to, and how many may read it there' },
  addLink: { method: 'POST', path: '/api/classes/:classId/links', who: 'class-host', of: 'classId', does: 'Make another link of a class period' },
  editLink: { method: 'PUT', path: '/api/links/:linkId', who: 'class-host', of: 'linkId', does: 'Change what a link is for and what it is called' },
  setAudience: { method: 'PUT', path: '/api/links/:linkId/audience', who: 'class-host', of: 'linkId', does: 'Change whom a link is for, and who is host there' },
  guestAddress: { method: 'POST', path: '/api/links/:linkId/guest-address', who: 'class-host', of: 'linkId', does: 'A one-time address by which a guest of a link shows that their address is theirs; those before are dead' },
  guests: { method: 'GET', path: '/api/links/:linkId/guests', who: 'class-host', of: 'linkId', does: 'The guests of a link, what they said, and where it can be watched' },
  addGuests: { method: 'POST', path: '/api/links/:linkId/guests', who: 'class-host', of: 'linkId', does: 'Invite guests by name and address: to a link, a series or one date' },
  editGuest: { method: 'PUT', path: '/api/links/:linkId/guests', who: 'class-host', of: 'linkId', does: 'Change what a guest is called and how they come' },
  withdrawGuest: { method: 'POST', path: '/api/links/:linkId/guests/withdraw', who: 'class-host', of: 'linkId', does: 'Invite a guest no longer: they are out at once' },
  setWatchAddress: { method: 'POST', path: '/api/links/:linkId/watch-address', who: 'class-host', of: 'linkId', does: 'Make a fresh address at which a link can be watched, or end it' },
  orderLinks: { method: 'PUT', path: '/api/classes/:classId/links/order', who: 'class-host', of: 'classId', does: 'Put a class period’s links in order' },
  replaceLink: { method: 'POST', path: '/api/links/:linkId/replace', who: 'class-host', of: 'linkId', does: 'Give a link a new code, and say what becomes of the old one' },
  takeBackReplacing: { method: 'POST', path: '/api/links/:linkId/take-back', who: 'class-host', of: 'linkId', does: 'Take the last replacing back, while nobody has used the new code' },
  stopLink: { method: 'POST', path: '/api/links/:linkId/stop', who: 'class-host', of: 'linkId', does: 'Stop a link: its door no longer opens' },
  reopenLink: { method: 'POST', path: '/api/links/:linkId/reopen', who: 'class-host', of: 'linkId', does: 'Let a stopped link work again' },
  lookAtRoom: { method: 'PUT', path: '/api/links/:linkId/room/looked-at', who: 'class-host', of: 'linkId', does: 'Note what has been looked at in the room that a host gave' },
  setRoom: { method: 'PUT', path: '/api/links/:linkId/room', who: 'class-host', of: 'linkId', does: 'Put another room behind a link' },
  shareLink: { method: 'POST', path: '/api/links/:linkId/share', who: 'class-host', of: 'linkId', lasting: true, does: 'Have another class period meet at this door too: always, for a series, or for one date' },
  unshareLink: { method: 'POST', path: '/api/links/:linkId/unshare', who: 'class-host', of: 'linkId', does: 'Have it meet at its own door again' },
  addPresenter: { method: 'POST', path: '/api/links/:linkId/presenters', who: 'class-host', of: 'linkId', does: 'Name somebody who presents at a link: always, for a series or at one date, on a weekday or between dates; perhaps to take over while no host is in' },
  removePresenter: { method: 'POST', path: '/api/links/:linkId/presenters/remove', who: 'class-host', of: 'linkId', does: 'Have somebody present there no longer' },
  covers: { method: 'GET', path: '/api/covers', who: 'teacher', does: 'Who covers for whom, now and to come: one’s own, or all for the head and the office' },
  tryCover: { method: 'POST', path: '/api/covers/try', who: 'teacher', does: 'What a cover would be of, session by session, and what it would clash with; nothing is written' },
  addCover: { method: 'POST', path: '/api/covers', who: 'teacher', does: 'Have somebody cover for a teacher from a day to a day: oneself, or anybody for the head and the office' },
  endCover: { method: 'POST', path: '/api/covers/:coverId/end', who: 'teacher', does: 'End a cover before its time' },
  helping: { method: 'GET', path: '/api/helping', who: 'teacher', does: 'Whom one lets act on one’s behalf, and on whose behalf one may' },
  allowHelp: { method: 'POST', path: '/api/helping', who: 'teacher', does: 'Let somebody schedule, post or prepare on one’s behalf' },
  endHelp: { method: 'POST', path: '/api/helping/:helpId/end', who: 'teacher', does: 'Let somebody act on one’s behalf no longer, or act on somebody’s no longer' },
  presenting: { method: 'GET', path: '/api/classes/:classId/presenting', who: 'class-reader', of: 'classId', does: 'Who presents when in a class period: its next dates that somebody is named at' },
  groups: { method: 'GET', path: '/api/classes/:classId/groups', who: 'class-reader', of: 'classId', does: 'The groups of a class period' },
  setGroups: { method: 'PUT', path: '/api/classes/:classId/groups', who: 'class-keeper', of: 'classId', does: 'Change the groups of a class period' },
  schoolRules: { method: 'GET', path: '/api/school/rules', who: 'teacher', does: 'The school’s defaults of the entry rules, and which are locked' },
  setSchoolRules: { method: 'PUT', path: '/api/school/rules', who: 'school-office', confirms: true, does: 'Change the school’s defaults and locks' },
  ownRules: { method: 'GET', path: '/api/my-rules', who: 'teacher', does: 'One’s own defaults of the entry rules' },
  setOwnRules: { method: 'PUT', path: '/api/my-rules', who: 'teacher', does: 'Change one’s own defaults' },
  linkRules: { method: 'GET', path: '/api/links/:linkId/rules', who: 'class-reader', of: 'linkId', does: 'The layers of rules in force at a link' },
  setLinkRules: { method: 'PUT', path: '/api/links/:linkId/rules', who: 'class-host', of: 'linkId', does: 'Change a link’s own rules' },
  seriesRules: { method: 'GET', path: '/api/series/:seriesId/rules', who: 'class-reader', of: 'seriesId', does: 'The layers of rules of a series, or of one of its dates' },
  setSeriesRules: { method: 'PUT', path: '/api/series/:seriesId/rules', who: 'class-host', of: 'seriesId', does: 'Change the rules of a series, or of one of its dates' },
  hostPresence: { method: 'POST', path: '/api/links/:linkId/presence', who: 'door-host', of: 'linkId', does: 'Say whether one is in a room that Glen cannot look into' },

  invitation: { method: 'GET', path: '/api/links/:linkId/invitation', who: 'class-reader', of: 'linkId', does: 'What an invitation to the link’s next session can say' },
  tryDoor: { method: 'POST', path: '/api/links/:linkId/try', who: 'class-reader', of: 'linkId', atRest: true, does: 'What the door would say to a person at a time' },

  desk: { method: 'GET', path: '/api/links/:linkId/desk', who: 'door-host', of: 'linkId', does: 'Who knocks, who is in, who is missing' },
  openDoor: { method: 'POST', path: '/api/links/:linkId/open', who: 'door-host', of: 'linkId', does: 'Open the door, before its time too, and get a way in as host' },
  closeRoom: { method: 'POST', path: '/api/links/:linkId/close-room', who: 'door-host', of: 'linkId', does: 'Close the room: everyone is out, and the link is shut to all but hosts' },
  extendSession: { method: 'POST', path: '/api/links/:linkId/extend', who: 'door-host', of: 'linkId', does: 'Let the running session last longer' },
  handOver: { method: 'POST', path: '/api/links/:linkId/hand-over', who: 'door-host', of: 'linkId', does: 'Make a co-teacher or named presenter acting host till the end, and leave' },
  bringIn: { method: 'POST', path: '/api/links/:linkId/bring-in', who: 'door-host', of: 'linkId', does: 'Invite a person to the running session, by name or address' },
  letAllIn: { method: 'POST', path: '/api/links/:linkId/let-all-in', who: 'door-host', of: 'linkId', does: 'Let in everyone who waits, or everyone of the roll' },
  letIn: { method: 'POST', path: '/api/visitors/:visitorId/let-in', who: 'door-host', of: 'visitorId', does: 'Let one in from the lobby' },
  turnAway: { method: 'POST', path: '/api/visitors/:visitorId/turn-away', who: 'door-host', of: 'visitorId', does: 'Turn one away at the lobby' },
  putOut: { method: 'POST', path: '/api/visitors/:visitorId/put-out', who: 'door-host', of: 'visitorId', does: 'Put one out of the room' },
  sayWho: { method: 'POST', path: '/api/visitors/:visitorId/who', who: 'door-host', of: 'visitorId', does: 'Say who of the roll somebody is who came without an account: for the register alone' },
  letPresent: { method: 'POST', path: '/api/visitors/:visitorId/present', who: 'door-host', of: 'visitorId', does: 'Let somebody inside present for a while, or no longer' },
  muteVisitor: { method: 'POST', path: '/api/visitors/:visitorId/mute', who: 'door-host', of: 'visitorId', does: 'Switch one person’s microphone off' },
  letShare: { method: 'POST', path: '/api/visitors/:visitorId/share', who: 'door-host', of: 'visitorId', does: 'Let somebody share in the room for a while, or no longer' },
  muteAll: { method: 'POST', path: '/api/links/:linkId/mute-all', who: 'door-host', of: 'linkId', does: 'Switch off the microphones of all who do not host' },
  setChime: { method: 'POST', path: '/api/links/:linkId/chime', who: 'door-host', of: 'linkId', does: 'Have comings and goings announced in the room for this session, or not' },
  letAllShare: { method: 'POST', path: '/api/links/:linkId/let-all-share', who: 'door-host', of: 'linkId', does: 'Let everybody share for this session, or again those alone whom the rules let' },
  letBack: { method: 'POST', path: '/api/visitors/:visitorId/let-back', who: 'door-host', of: 'visitorId', does: 'Let back one who was turned away or put out' },

  door: { method: 'GET', path: '/api/door/:code', who: 'anyone', does: 'What this door is and what it would do with whoever asks' },
  howTo: { method: 'GET', path: '/api/door/:code/how', who: 'anyone', does: 'How to get in by a link, made from the rules in force' },
  enterDoor: { method: 'POST', path: '/api/door/:code/enter', who: 'anyone', does: 'Go in, or knock' },

  afterLesson: { method: 'GET', path: '/api/series/:seriesId/after', who: 'class-keeper', of: 'seriesId', does: 'Recordings, notes and addresses that are there after a session, with who sees each until when' },
  addAfterLesson: { method: 'POST', path: '/api/series/:seriesId/after', who: 'class-host', of: 'seriesId', atRest: true, does: 'Put a note or an address under a session' },
  editAfterLesson: { method: 'POST', path: '/api/series/:seriesId/after/edit', who: 'class-host', of: 'seriesId', atRest: true, does: 'Change what is there after a session: what it is called, who sees it, until when' },
  removeAfterLesson: { method: 'POST', path: '/api/series/:seriesId/after/remove', who: 'class-host', of: 'seriesId', atRest: true, does: 'Take away for good what is there after a session' },
  doorAfterLessons: { method: 'GET', path: '/api/door/:code/after', who: 'anyone', does: 'What is there after lessons at this door, for whoever asks' },
  recording: { method: 'GET', path: '/api/recordings/:thingId', who: 'anyone', does: 'Lead whoever may see a recording to it' },

  seriesSlots: { method: 'GET', path: '/api/series/:seriesId/slots', who: 'class-host', of: 'seriesId', does: 'How the sessions of a series are cut into slots, and who has which' },
  setSlots: { method: 'POST', path: '/api/series/:seriesId/slots', who: 'class-host', of: 'seriesId', does: 'Cut the sessions of a series into slots that people sign up for, cut them otherwise, or no more' },
  signUpFor: { method: 'POST', path: '/api/series/:seriesId/slots/for', who: 'class-host', of: 'seriesId', does: 'Give somebody a slot whom the session is for' },
  dropTheirSlot: { method: 'POST', path: '/api/series/:seriesId/slots/drop', who: 'class-host', of: 'seriesId', does: 'Take somebody’s slot away; they are told' },
  signUps: { method: 'GET', path: '/api/sign-up/:code', who: 'anyone', does: 'What there is to sign up for at a door, and what one has; told to those whom the door is for' },
  signUp: { method: 'POST', path: '/api/sign-up/:code', who: 'signed-in', does: 'Take a slot, or wait for one' },
  changeSignUp: { method: 'POST', path: '/api/sign-up/:code/change', who: 'signed-in', does: 'Change one’s own slot: to another, or what it is about' },
  dropSignUp: { method: 'POST', path: '/api/sign-up/:code/drop', who: 'signed-in', does: 'Give one’s own slot up' },

  deskCheckIn: { method: 'GET', path: '/api/links/:linkId/check-in', who: 'door-host', of: 'linkId', does: 'The last check-in of the running session, and who has given it' },
  openCheckIn: { method: 'POST', path: '/api/links/:linkId/check-in', who: 'door-host', of: 'linkId', does: 'Ask those inside for a sign of being there, for some minutes' },
  endCheckIn: { method: 'POST', path: '/api/links/:linkId/check-in/end', who: 'door-host', of: 'linkId', does: 'End a check-in before its time' },
  checkIn: { method: 'GET', path: '/api/check-ins/:token', who: 'anyone', does: 'What a check-in asks; told to whoever has been let in at the door of its session' },
  findCheckIn: { method: 'POST', path: '/api/check-ins', who: 'anyone', does: 'Which open check-in four letters mean, for whoever has been let in' },
  giveCheckIn: { method: 'POST', path: '/api/check-ins/:token', who: 'anyone', does: 'Check in, once; for whoever has been let in at the door of its session' },

  takeTicket: { method: 'POST', path: '/api/webhooks/video/ticket', who: 'service', does: 'Whether a ticket to a room is still good; asked by the video service as somebody brings it, and good once' },
  phoneCall: { method: 'POST', path: '/api/webhooks/video/call', who: 'service', does: 'What somebody hears who calls and keys in a pin, and whether they go in; asked by the video service until they are in or hang up' },
  askForAccount: { method: 'POST', path: '/api/links/:linkId/ask-for-account', who: 'door-host', of: 'linkId', does: 'Let nobody knock without an account for the rest of the session' },
  videoEvent: { method: 'POST', path: '/api/webhooks/video', who: 'service', does: 'Arrivals and leavings, told by the video service' },
} as const satisfies Record<string, Endpoint>;

export type EndpointName = keyof typeof endpoints;
export const endpointNames = Object.keys(endpoints) as EndpointName[];
export const endpointOf = (name: EndpointName): Endpoint => endpoints[name];

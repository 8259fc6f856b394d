import type { Model, ModelStatic, Sequelize } from 'sequelize';
import { defineAbsence } from './models/Absence.js';
import { defineAfterLesson } from './models/AfterLesson.js';
import { defineCheckedIn } from './models/CheckedIn.js';
import { defineCheckIn } from './models/CheckIn.js';
import { defineCorrection } from './models/Correction.js';
import { defineAppointmentEvening } from './models/AppointmentEvening.js';
import { defineAppointmentGuest } from './models/AppointmentGuest.js';
import { defineAppointmentHost } from './models/AppointmentHost.js';
import { defineProgramme } from './models/Programme.js';
import { defineRegister } from './models/Register.js';
import { defineRegisterRow } from './models/RegisterRow.js';
import { defineRoomWord } from './models/RoomWord.js';
import { defineWeekTold } from './models/WeekTold.js';
import { defineAccount } from './models/Account.js';
import { defineActingHost } from './models/ActingHost.js';
import { defineAuditEntry } from './models/AuditEntry.js';
import { defineBrowserSession } from './models/BrowserSession.js';
import { defineBrowserSessionAccount } from './models/BrowserSessionAccount.js';
import { defineChange } from './models/Change.js';
import { defineClassGroup } from './models/ClassGroup.js';
import { defineClassPeriod } from './models/ClassPeriod.js';
import { defineClassStaff } from './models/ClassStaff.js';
import { defineCover } from './models/Cover.js';
import { defineFailure } from './models/Failure.js';
import { defineFeed } from './models/Feed.js';
import { defineGroupMember } from './models/GroupMember.js';
import { defineGuardian } from './models/Guardian.js';
import { defineMorning } from './models/Morning.js';
import { defineCalendarEntry } from './models/CalendarEntry.js';
import { defineGuest } from './models/Guest.js';
import { defineGuestAddress } from './models/GuestAddress.js';
import { defineHelper } from './models/Helper.js';
import { defineInLine } from './models/InLine.js';
import { defineInvited } from './models/Invited.js';
import { defineJoined } from './models/Joined.js';
import { defineKeptOut } from './models/KeptOut.js';
import { defineKnownBrowser } from './models/KnownBrowser.js';
import { defineLately } from './models/Lately.js';
import { defineLetter } from './models/Letter.js';
import { defineLink } from './models/Link.js';
import { defineLinkAudience } from './models/LinkAudience.js';
import { defineLinkCode } from './models/LinkCode.js';
import { defineLinkHost } from './models/LinkHost.js';
import { defineLinkPerson } from './models/LinkPerson.js';
import { defineLinkPresenter } from './models/LinkPresenter.js';
import { defineMovingIn } from './models/MovingIn.js';
import { defineNotice } from './models/Notice.js';
import { defineOccurrence } from './models/Occurrence.js';
import { defineOutboxJob } from './models/OutboxJob.js';
import { definePasskey } from './models/Passkey.js';
import { definePasswordAddress } from './models/PasswordAddress.js';
import { definePerson } from './models/Person.js';
import { definePersonRole } from './models/PersonRole.js';
import { definePersonWord } from './models/PersonWord.js';
import { definePlacement } from './models/Placement.js';
import { definePoll } from './models/Poll.js';
import { definePollChoice } from './models/PollChoice.js';
import { definePollGuest } from './models/PollGuest.js';
import { definePollPerson } from './models/PollPerson.js';
import { definePollTime } from './models/PollTime.js';
import { definePost } from './models/Post.js';
import { definePostPlace } from './models/PostPlace.js';
import { definePress } from './models/Press.js';
import { defineReminded } from './models/Reminded.js';
import { defineRollEntry } from './models/RollEntry.js';
import { defineRollLeft } from './models/RollLeft.js';
import { defineSchool } from './models/School.js';
import { defineSchoolClock } from './models/SchoolClock.js';
import { defineSecretCheck } from './models/SecretCheck.js';
import { defineSeries } from './models/Series.js';
import { defineShare } from './models/Share.js';
import { defineSessionSignOn } from './models/SessionSignOn.js';
import { defineSignOn } from './models/SignOn.js';
import { defineSignUp } from './models/SignUp.js';
import { defineSitting } from './models/Sitting.js';
import { defineSlotWays } from './models/SlotWays.js';
import { defineSlowed } from './models/Slowed.js';
import { defineToldCode } from './models/ToldCode.js';
import { defineToldDate } from './models/ToldDate.js';
import { defineVisit } from './models/Visit.js';
import { defineVisitor } from './models/Visitor.js';
import { defineWatchAddress } from './models/WatchAddress.js';
import { defineWebhookSeen } from './models/WebhookSeen.js';

/** What people are told, in Glen and by mail. */
const defineTold = (sequelize: Sequelize) => ({
  CalendarEntry: defineCalendarEntry(sequelize),
  Letter: defineLetter(sequelize),
  Morning: defineMorning(sequelize),
  Notice: defineNotice(sequelize),
  Reminded: defineReminded(sequelize),
  ToldCode: defineToldCode(sequelize),
  ToldDate: defineToldDate(sequelize),
});

/** Who came: what was told of it, the registers that are made from that, and what people say to them. */
const defineRegisters = (sequelize: Sequelize) => ({
  Absence: defineAbsence(sequelize),
  AfterLesson: defineAfterLesson(sequelize),
  CheckedIn: defineCheckedIn(sequelize),
  CheckIn: defineCheckIn(sequelize),
  Correction: defineCorrection(sequelize),
  Register: defineRegister(sequelize),
  RegisterRow: defineRegisterRow(sequelize),
  RoomWord: defineRoomWord(sequelize),
  WeekTold: defineWeekTold(sequelize),
  Visit: defineVisit(sequelize),
});

/** Sessions that are cut into slots, and who has which; times that are offered to choose from. */
const defineSlots = (sequelize: Sequelize) => ({
  Poll: definePoll(sequelize),
  PollChoice: definePollChoice(sequelize),
  PollGuest: definePollGuest(sequelize),
  PollPerson: definePollPerson(sequelize),
  PollTime: definePollTime(sequelize),
  Programme: defineProgramme(sequelize),
  AppointmentEvening: defineAppointmentEvening(sequelize),
  AppointmentGuest: defineAppointmentGuest(sequelize),
  AppointmentHost: defineAppointmentHost(sequelize),
  SignUp: defineSignUp(sequelize),
  SlotWays: defineSlotWays(sequelize),
});

/** The tables of a database as models. Each database has its own: several live in one process in the tests. */
const defineTables = (sequelize: Sequelize) => ({
  ...defineTold(sequelize),
  ...defineRegisters(sequelize),
  ...defineSlots(sequelize),
  Account: defineAccount(sequelize),
  ActingHost: defineActingHost(sequelize),
  AuditEntry: defineAuditEntry(sequelize),
  BrowserSession: defineBrowserSession(sequelize),
  BrowserSessionAccount: defineBrowserSessionAccount(sequelize),
  Change: defineChange(sequelize),
  ClassGroup: defineClassGroup(sequelize),
  ClassPeriod: defineClassPeriod(sequelize),
  ClassStaff: defineClassStaff(sequelize),
  Cover: defineCover(sequelize),
  Failure: defineFailure(sequelize),
  Feed: defineFeed(sequelize),
  GroupMember: defineGroupMember(sequelize),
  Guardian: defineGuardian(sequelize),
  Guest: defineGuest(sequelize),
  GuestAddress: defineGuestAddress(sequelize),
  Helper: defineHelper(sequelize),
  InLine: defineInLine(sequelize),
  Invited: defineInvited(sequelize),
  Joined: defineJoined(sequelize),
  KeptOut: defineKeptOut(sequelize),
  KnownBrowser: defineKnownBrowser(sequelize),
  Lately: defineLately(sequelize),
  Link: defineLink(sequelize),
  LinkAudience: defineLinkAudience(sequelize),
  LinkCode: defineLinkCode(sequelize),
  LinkHost: defineLinkHost(sequelize),
  LinkPerson: defineLinkPerson(sequelize),
  LinkPresenter: defineLinkPresenter(sequelize),
  MovingIn: defineMovingIn(sequelize),
  Occurrence: defineOccurrence(sequelize),
  OutboxJob: defineOutboxJob(sequelize),
  Passkey: definePasskey(sequelize),
  PasswordAddress: definePasswordAddress(sequelize),
  Person: definePerson(sequelize),
  PersonRole: definePersonRole(sequelize),
  PersonWord: definePersonWord(sequelize),
  Placement: definePlacement(sequelize),
  Post: definePost(sequelize),
  PostPlace: definePostPlace(sequelize),
  Press: definePress(sequelize),
  RollEntry: defineRollEntry(sequelize),
  RollLeft: defineRollLeft(sequelize),
  School: defineSchool(sequelize),
  SchoolClock: defineSchoolClock(sequelize),
  SecretCheck: defineSecretCheck(sequelize),
  Series: defineSeries(sequelize),
  SessionSignOn: defineSessionSignOn(sequelize),
  Share: defineShare(sequelize),
  SignOn: defineSignOn(sequelize),
  Sitting: defineSitting(sequelize),
  Slowed: defineSlowed(sequelize),
  Visitor: defineVisitor(sequelize),
  WatchAddress: defineWatchAddress(sequelize),
  WebhookSeen: defineWebhookSeen(sequelize),
});

type Tables = ReturnType<typeof defineTables>;

const one = <A extends Model, B extends Model>(
  of: ModelStatic<A>,
  as: string,
  other: ModelStatic<B>,
  foreignKey: string,
) => of.belongsTo(other, { as, foreignKey, constraints: false });

/** What many of another belong to, or one. */
function associateMany(m: Tables): void {
  m.Person.hasMany(m.Account, { foreignKey: 'person_id', as: 'accounts', constraints: false });
  m.Person.hasMany(m.PersonRole, { foreignKey: 'person_id', as: 'roles', constraints: false });
  m.Occurrence.hasOne(m.Sitting, {
    foreignKey: 'occurrence_id',
    as: 'sitting',
    constraints: false,
  });
}

/** The same of registers. */
function associateRegisters(m: Tables): void {
  one(m.CheckedIn, 'visitor', m.Visitor, 'visitor_id');
  one(m.AfterLesson, 'maker', m.Person, 'made_by');
  one(m.Absence, 'person', m.Person, 'person_id');
  one(m.Correction, 'maker', m.Person, 'made_by');
  one(m.Register, 'settler', m.Person, 'settled_by');
  one(m.RegisterRow, 'person', m.Person, 'person_id');
  one(m.Absence, 'maker', m.Person, 'made_by');
  one(m.SignUp, 'person', m.Person, 'person_id');
  one(m.SignUp, 'group', m.ClassGroup, 'group_id');
}

/** What belongs to what, for those that are asked for together. The columns say themselves what they point to. */
function associate(m: Tables): void {
  one(m.SignOn, 'account', m.Account, 'account_id');
  one(m.Passkey, 'account', m.Account, 'account_id');
  one(m.Account, 'person', m.Person, 'person_id');
  one(m.ActingHost, 'sitting', m.Sitting, 'sitting_id');
  one(m.AuditEntry, 'person', m.Person, 'person_id');
  one(m.BrowserSessionAccount, 'account', m.Account, 'account_id');
  one(m.CalendarEntry, 'link', m.Link, 'link_id');
  one(m.ClassGroup, 'tutor', m.Person, 'tutor_id');
  one(m.ClassStaff, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.ClassStaff, 'person', m.Person, 'person_id');
  one(m.ClassStaff, 'cover', m.Cover, 'cover_id');
  one(m.Cover, 'absent', m.Person, 'absent_id');
  one(m.Cover, 'covering', m.Person, 'covering_id');
  one(m.Cover, 'maker', m.Person, 'made_by');
  one(m.GroupMember, 'group', m.ClassGroup, 'group_id');
  one(m.GroupMember, 'person', m.Person, 'person_id');
  one(m.Guest, 'link', m.Link, 'link_id');
  one(m.Helper, 'helper', m.Person, 'helper_id');
  one(m.Helper, 'teacher', m.Person, 'for_id');
  one(m.Invited, 'person', m.Person, 'person_id');
  one(m.Joined, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.Joined, 'occurrence', m.Occurrence, 'occurrence_id');
  one(m.Link, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.LinkAudience, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.LinkAudience, 'group', m.ClassGroup, 'group_id');
  one(m.LinkAudience, 'link', m.Link, 'link_id');
  one(m.LinkAudience, 'person', m.Person, 'person_id');
  one(m.LinkCode, 'link', m.Link, 'link_id');
  one(m.LinkCode, 'replacedBy', m.Person, 'replaced_by');
  one(m.LinkHost, 'link', m.Link, 'link_id');
  one(m.LinkHost, 'person', m.Person, 'person_id');
  one(m.LinkHost, 'cover', m.Cover, 'cover_id');
  one(m.LinkPerson, 'person', m.Person, 'person_id');
  one(m.LinkPresenter, 'person', m.Person, 'person_id');
  one(m.Occurrence, 'link', m.Link, 'link_id');
  one(m.Occurrence, 'series', m.Series, 'series_id');
  one(m.Placement, 'place', m.PostPlace, 'place_id');
  one(m.Post, 'author', m.Person, 'made_by');
  one(m.Post, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.PostPlace, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.PostPlace, 'link', m.Link, 'link_id');
  one(m.PostPlace, 'post', m.Post, 'post_id');
  one(m.RollEntry, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.RollEntry, 'person', m.Person, 'person_id');
  one(m.RollLeft, 'person', m.Person, 'person_id');
  one(m.Series, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.Series, 'link', m.Link, 'link_id');
  one(m.Share, 'classPeriod', m.ClassPeriod, 'class_id');
  one(m.Share, 'link', m.Link, 'link_id');
  one(m.Share, 'series', m.Series, 'series_id');
  one(m.Sitting, 'link', m.Link, 'link_id');
  one(m.Sitting, 'occurrence', m.Occurrence, 'occurrence_id');
  one(m.Visitor, 'account', m.Account, 'account_id');
  one(m.Visitor, 'sitting', m.Sitting, 'sitting_id');
  one(m.WatchAddress, 'link', m.Link, 'link_id');
}

export type Models = Tables;

export function defineModels(sequelize: Sequelize): Models {
  const models = defineTables(sequelize);
  associateMany(models);
  associateRegisters(models);
  associate(models);
  return models;
}

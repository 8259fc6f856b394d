export { GlenInputError } from './input.js';
export {
  SIGNERS,
  checkShutWays,
  mayUseWay,
  signersOf,
  waysFor,
  type ProviderKind,
  type ShutWays,
  type Signers,
  type WayIn,
} from './signOn/ways.js';
export {
  SIGN_ON_REFUSALS,
  matchSignOn,
  type KnownAccount,
  type SignOnClaims,
  type SignOnMatch,
  type SignOnRefusal,
} from './signOn/matchSignOn.js';
export { SIGN_ON_TROUBLES, signOnTroubleInWords, type SignOnTrouble } from './signOn/trouble.js';
export { mapClaims, type ClaimRule } from './signOn/mapClaims.js';
export { isGuestAlone, mayVouch, type AddressOwner } from './signOn/guestAlone.js';
export { ownPath } from './signOn/ownPath.js';
export { GUEST_COMES, comesAt, type GuestComes } from './guest/comes.js';
export { withoutGuest } from './guest/withoutGuest.js';
export { holdsAt, holdsForInWords, type HoldsFor } from './link/holdsFor.js';
export { coverClashes } from './cover/coverClashes.js';
export { coverDays, isOn, whoCovers, type Cover, type Covered } from './cover/whoCovers.js';
export { isByDates, presentsInWords, type Presents } from './link/presents.js';
export { readGuests } from './guest/readGuests.js';
export {
  GUEST_KEPT_DAYS,
  guestCountInWords,
  guestPseudonym,
  invitationEnded,
} from './guest/guestList.js';
export { passkeyHost } from './signOn/passkeyHost.js';
export { waitAfterFailures, waitInWords } from './access/waits.js';
export {
  WEEKDAYS,
  WEEKDAY_NAMES,
  addDays,
  addMinutes,
  dateInWords,
  dateOf,
  dayNumber,
  minuteOfDay,
  mondayOf,
  weekdayIndex,
  timeOf,
  weekdayOf,
  type Weekday,
} from './time/dates.js';
export { placeWallTime, wallClockAt } from './time/instants.js';
export {
  dateShown,
  readTypedDate,
  readTypedTime,
  timeShown,
  type ClockHours,
  type DateOrder,
} from './time/typed.js';
export { utcOf, plusMinutes, plusSeconds, secondsOf } from './time/seconds.js';
export type { SchoolCalendar } from './calendar/school.js';
export { bellsOn, countDays, dayInfo, type DayInfo } from './calendar/dayInfo.js';
export { longerFromNow } from './plan/longerFromNow.js';
export { openedOver } from './margin/openedOver.js';
export { stillInside } from './margin/stillInside.js';
export { sessionsOfNow } from './margin/sessionsOfNow.js';
export { ANSWERING, afterTry, mayAsk, type Breaker } from './outside/breaker.js';
export { lobbyReason } from './entry/lobbyReason.js';
export { callerHears, callerName, type CallAnswer } from './entry/callers.js';
export { ENTRY_CODE_BYTES, makeEntryCode } from './entry/entryCode.js';
export {
  HOSTS_GONE_MINUTES,
  HOST_GRACE_MINUTES,
  areHostsGone,
  closesByItself,
  keptLayer,
  layerOf,
  resolveHostsGone,
  type KeptRules,
} from './entry/hostsGone.js';
export {
  PERSON_ROLES,
  areOffice,
  areStaff,
  rolesInWords,
  type PersonRole,
} from './people/roles.js';
export { actionInWords, type Action } from './audit/actions.js';
export { changesInWords } from './audit/changes.js';
export { withoutCodes } from './audit/withoutCodes.js';
export { notesForPerson, type PersonFacts } from './margin/notesForPerson.js';
export { searchWords, wordsAsked } from './people/searchWords.js';
export { cleanName, foldedName } from './people/typedName.js';
export { counted } from './margin/counted.js';
export { classTitle } from './calendar/classTitle.js';
export { nextBell } from './calendar/nextBell.js';
export { bellsByPattern, type BellPattern, type BellTimes } from './calendar/bellsByPattern.js';
export { cycleAfter, type CycleAfter } from './calendar/cycleAfter.js';
export { likelyTerms } from './calendar/likelyTerms.js';
export {
  PENNANT_HUES,
  PENNANT_PATTERNS,
  proposePennant,
  type PennantMark,
} from './calendar/proposePennant.js';
export { yearCalendar, type FirstYear } from './calendar/yearCalendar.js';
export { OCCASION_COMES, occasionRules, type OccasionComes } from './entry/occasionRules.js';
export { FIRST_RULES } from './entry/firstRules.js';
export { KNOCK_UNTIL_ROLL, notesForEmptyRoll, withoutKnocking } from './roll/emptyRoll.js';
export { notesForNoAccount } from './roll/withoutAccount.js';
export { readRollList, type RollListEntry } from './roll/readRollList.js';
export { planRoll, type KnownPerson, type RollLine } from './roll/planRoll.js';
export type { Occurrence, PlanChange, PlanRepeat, PlanTime, SessionPlan } from './plan/plan.js';
export { describePlan } from './plan/describePlan.js';
export { nextOccurrences } from './plan/nextOccurrences.js';
export { findClashes, type Booking, type Clash } from './clash/findClashes.js';
export { expandPlan, isHeld, type Window } from './plan/expandPlan.js';
export { rememberMove, type Standing } from './plan/rememberMove.js';
export { MANY_SESSIONS, dryRun, type DryRun, type DryRunContext } from './plan/dryRun.js';
export { toRRule, usualTime, wholeWindow, type RuleSet } from './plan/toRRule.js';
export { fromRRule } from './plan/fromRRule.js';
export {
  editSeries,
  type EditScope,
  type EditWarning,
  type EditableSeries,
  type EditedSeries,
  type SeriesChange,
  type SessionWords,
} from './plan/editSeries.js';
export {
  readPhrase,
  type PhraseClass,
  type PhraseContext,
  type ReadPhrase,
} from './plan/phrase/readPhrase.js';
export { adviseRemoving, type RemovingAdvice, type SeenBy } from './plan/removing.js';
export { planForClass, planForNextTerm, repeats, type CopyWish } from './plan/copyPlan.js';
export { planClashes, type KnownBooking, type PlanClash } from './clash/planClashes.js';
export { freePeriod, type FreePeriod } from './clash/freePeriod.js';
export { whyNone } from './plan/whyNone.js';
export { RULE_FIELDS, checkRule, type EntryRules, type RuleField } from './entry/rules.js';
export {
  resolveRules,
  type Overruled,
  type ResolvedRules,
  type RuleLayer,
} from './entry/resolveRules.js';
export {
  decideEntry,
  type Door,
  type EntryDecision,
  type EntryReason,
  type Role,
  type Visitor,
} from './entry/decideEntry.js';
export {
  EARLY_OPENING_MINUTES,
  doorFor,
  doorSession,
  sessionAtDoor,
  sessionToOpen,
  type AtDoor,
} from './entry/door.js';
export {
  DOOR_MOMENTS,
  PERSON_KINDS,
  entryTable,
  visitorOfKind,
  type DoorMoment,
  type EntryTable,
  type PersonKind,
} from './entry/entryTable.js';
export {
  choicesOfCell,
  wayOf,
  type ComesIn,
  type Way,
  type WayChoice,
  type WayColumn,
} from './entry/tableEdits.js';
export { LINK_WORDS } from './link/words.js';
export { PRIVATE_SESSION, isPrivate } from './link/privateSession.js';
export {
  LINK_CODE_BYTES,
  doorPath,
  makeLinkCode,
  readLinkCode,
  watchPath,
} from './link/linkCode.js';
export type { Medium } from './post/blocks.js';
export { withReach, worstReachFirst, type ReachOfLink } from './margin/notesForReachOfDay.js';
export { isSameLesson, type CalendarEntry } from './reach/sameLesson.js';
export { schoolTime, zonePlace } from './time/zoneWords.js';
export { isOfDay, isOvernight } from './plan/ofDay.js';
export { postDeed, type PostEntry } from './audit/postDeeds.js';
export { changeInWords, changeToTell, type ChangedSession } from './post/changed.js';
export { emptyFields, fillFields, fillLine, type PostValues } from './post/fields.js';
export {
  givesCode,
  typesCode,
  renderNotice,
  renderPost,
  richOf,
  type PostText,
} from './post/renderPost.js';
export {
  plainToRich,
  richToPlain,
  type RichBlock,
  type RichText,
  type Span,
} from './post/richText.js';
export {
  nextMoment,
  planPosts,
  type Afterwards,
  type Delivery,
  type PostOccurrence,
  type PostPlan,
  type PostTiming,
} from './post/planPosts.js';
export {
  INVITATION_PARTS,
  howToGetIn,
  offeredParts,
  renderInvitation,
  reviewInvitation,
  type InvitationFacts,
  type InvitationPart,
} from './post/invitation.js';
export { sessionIcs, type IcsSession } from './formats/sessionIcs.js';
export {
  reviewRules,
  rulesToSetByHand,
  type Finding,
  type FindingCode,
  type RuleSetting,
} from './entry/reviewRules.js';
export { worstFirst, type Note, type NoteAction } from './margin/note.js';
export { notesForRules } from './margin/notesForRules.js';
export {
  ahead,
  notesForClass,
  notesForPlan,
  overlapping,
  unposted,
  type NotedSession,
} from './margin/notesForSessions.js';
export {
  notesForToday,
  type TodayClass,
  type TodayFacts,
  type TodayHand,
  type TodayPost,
  type TodaySession,
} from './margin/notesForToday.js';
export {
  calendarEffects,
  effectInWords,
  notesForEffects,
  pairEffects,
  type CalendarEffect,
} from './calendar/calendarEffects.js';
export {
  inZone,
  notesForZone,
  occurrencesInZone,
  zoneEffects,
  type ZoneEffect,
} from './calendar/zoneEffects.js';
export { calendarIcs, type IcsCalendar, type IcsSeries } from './formats/calendarIcs.js';
export { invitationIcs, type CalendarPart, type IcsInvitation } from './formats/invitationIcs.js';
export { readReply, type CalendarReply } from './formats/readReply.js';
export { indexSchool } from './calendar/school.js';
export {
  formerCodeLeads,
  replaceLink,
  takeBackReplacing,
  type FormerCode,
  type LinkCodes,
  type ReplaceHow,
} from './link/replaceLink.js';
export * from './mail/index.js';
export * from './register/index.js';
export * from './slots/index.js';
export * from './free/index.js';
export * from './appointment/index.js';
export * from './programme/index.js';
export { spellCode } from './link/spellCode.js';
export { linkOfPin, makePhonePin, pinInGroups } from './link/phonePin.js';
export { readRoomAddress } from './link/roomAddress.js';
export { withoutShared } from './link/together.js';
export { MOST_GROUPS, splitGroups } from './group/splitGroups.js';
export {
  PRESETS,
  PRESET_NAMES,
  presetChanges,
  type Preset,
  type PresetChange,
  type PresetName,
} from './entry/presets.js';
export {
  decodeText,
  groupProblemInWords,
  readGroups,
  type GroupRowProblem,
  type ReadGroups,
  type RollPerson,
} from './group/readGroups.js';
export { notesForLink, notesForLinks, type NotedLink } from './margin/notesForLinks.js';
export { doorCodesIn } from './link/doorCodesIn.js';
export {
  checksLeft,
  lookedAt,
  roomChecks,
  type RoomCheck,
  type RoomLookedAt,
} from './link/roomChecks.js';
export { howTo, type HowTo, type HowToFacts } from './link/howTo.js';
export {
  notesForReach,
  type ReachFacts,
  type ReachPerson,
  type ReachPlace,
} from './margin/notesForReach.js';
export { notesForPosts, type ListedPost } from './margin/notesForPosts.js';
export { notesForPost, type NotedPost } from './margin/notesForPost.js';
export {
  checkReach,
  type ReachPlacement,
  type ReachQuestion,
  type ReachRow,
  type ReachVerdict,
} from './reach/checkReach.js';
export { postsOfDay, type DayPost, type PostsOfDay } from './margin/postsOfDay.js';
export {
  placeState,
  summariseDeliveries,
  type DeliveryState,
  type DeliverySummary,
  type PostState,
} from './post/deliveries.js';
export { notesForGroups, type GroupsFacts } from './margin/notesForGroups.js';
export { capital } from './plan/dryRunWords.js';

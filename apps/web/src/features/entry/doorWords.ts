import type { Answer } from '@glen/contract';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Door = Answer<'door'>;

interface Words {
  title: string;
  text: string;
}

/** What a sentence may need. `opensAt`: wall clock, null where no time is known. */
interface Told {
  door: Door;
  host: string;
  opensAt: string | null;
}

function stopped({ door: { elsewhere, isOver, classTitle } }: Told): Words {
  if (isOver)
    return {
      title: fill(say.classTitleIsOver, { classTitle }),
      text: say.itsClassPeriodHasBeen,
    };
  if (elsewhere)
    return {
      title: say.thisLinkHasBeenStopped,
      text: fill(say.hasAnotherOneNowUse, { elsewhere: elsewhere.title }),
    };
  return {
    title: say.thisLinkIsNoLonger,
    text: say.lookAtYourClassStream,
  };
}

function removed({ door: { turnedAway, word }, host }: Told): Words {
  if (!turnedAway)
    return {
      title: say.youWerePutOut,
      text: fill(say.aHostHasPutYou, { host }),
    };
  const said = word
    ? fill(say.hostSaysWord, { host, word })
    : fill(say.turnedYouAwayFromThis, { host });
  return {
    title: say.youWereNotLetIn,
    text: fill(say.ifThatWasAMistake, { said }),
  };
}

function signIn({ door }: Told): Words {
  if (door.rules.whoMayEnter === 'signed-in')
    return {
      title: say.signInToGoIn,
      text: say.anyAccountWillDo,
    };
  return {
    title: say.signInWithYourSchool,
    text: say.thisDoorIsForPeople,
  };
}

/** The place in line, as it is: the host may let people in in any order. */
function inLine(ahead: number): string {
  if (ahead === 0) return say.nobodyHasWaitedLonger;
  return many(say.peopleHaveWaitedLonger, ahead);
}

function lobby({ door: { knocked, hostIn, ahead } }: Told): Words {
  if (!knocked)
    return {
      title: say.theDoorIsOpen,
      text: hostIn
        ? fill(say.knockAndLetsYouIn, { hostIn })
        : fill(say.knockAllTheSame, { nobodyIn: say.noHost }),
    };
  const seen = hostIn
    ? fill(say.isInTheRoom, { hostIn })
    : fill(say.theNextOneToCome, { nobodyIn: say.noHost });
  return { title: say.youAreInTheLobby, text: `${seen} ${inLine(ahead)}` };
}

function noHost({ door: { noRoom, hosts }, host }: Told): Words {
  if (!noRoom)
    return {
      title: fill(say.isNotInYet, { host }),
      text: say.leaveThisPageOpenIt,
    };
  return {
    title: say.noRoomIsBehindThis,
    text: hosts ? say.youAreHostHereOpen : fill(say.hasYetToPutOne, { host }),
  };
}

/** By the reason of the decision. */
const WORDS: Record<string, (told: Told) => Words> = {
  'link-retired': stopped,
  removed,
  ended: () => ({
    title: say.thisSessionHasEnded,
    text: fill(say.theHostHasEndedIt, { nextTime: say.keepTheLinkItWorks }),
  }),
  over: () => ({ title: say.thisSessionIsOver, text: say.keepTheLinkItWorks }),
  'no-phone': () => ({
    title: say.notByPhone,
    text: say.thisDoorTakesNoPhone,
  }),
  'no-watching': ({ door, host }) => ({
    title: say.thereIsNoWatchOnly,
    text: door.watchesOnly ? fill(say.askHost, { host }) : say.goInAsYourselfInstead,
  }),
  watch: () => ({
    title: say.theDoorIsOpenTo,
    text: say.youSeeAndHearWhat,
  }),
  'sign-in': signIn,
  'use-school-account': () => ({
    title: say.thisDoorNeedsYourSchool,
    text: say.youAreHere,
  }),
  'not-invited': ({ host }) => ({
    title: say.youAreNotInvited,
    text: fill(say.ifYouThinkYouShould, { host }),
  }),
  'not-on-roll': ({ host }) => ({
    title: say.youAreNotOnThis,
    text: fill(say.checkThatTheLink, { host }),
  }),
  'nothing-planned': () => ({
    title: say.nothingIsPlannedHereNow,
    text: say.theLinkIsRightWhen,
  }),
  early: ({ opensAt }) => ({
    title: opensAt ? fill(say.theDoorOpensAt, { opensAt }) : say.theDoorIsNotOpen,
    text: say.leaveThisPageOpenYou,
  }),
  'code-needed': () => ({
    title: say.thisDoorAsks,
    text: say.itWasSent,
  }),
  'code-wrong': () => ({
    title: say.thatCodeDoesNotFit,
    text: say.compareItWithWhatWas,
  }),
  full,
  'no-host': noHost,
  lobby,
};

const NOT_THEIRS = ['use-school-account', 'not-on-roll', 'not-invited'];
const NOT_THIS_ONE: Words = say.notThisOne;

const OPEN: Words = say.open;

/** How somebody stands before a full room: in the line, or not yet. */
function full({ door }: Told): Words {
  const { ahead, inLine, mayWatch } = door;
  const meanwhile = (text: string): string =>
    mayWatch ? `${text} ${say.meanwhileYouMayWatch}` : text;
  if (inLine && ahead === 0)
    return {
      title: say.youAreNext,
      text: meanwhile(fill(say.theRoomIsFull, { openPage: say.leaveThisPageOpenYouGo })),
    };
  if (inLine)
    return {
      title: many(say.theRoomIsFullBefore, ahead),
      text: meanwhile(say.leaveThisPageOpenYouGo),
    };
  const wait = ahead === 0 ? say.nobodyWaitsYet : many(say.waitAlready, ahead);
  return {
    title: say.theRoomIsFullShort,
    text: meanwhile(fill(say.waitInLine, { wait })),
  };
}

/** What the door says, in two sentences: how it is, and what to do next. */
export function doorWords(door: Door, opensAt: string | null): Words {
  if (door.elsewhere?.why === 'together')
    return {
      title: fill(say.thisLessonMeets, { elsewhere: door.elsewhere.title }),
      text: say.thisDoorStaysShutMeanwhile,
    };
  const host = door.host || say.theHost;
  if (door.invitedThen && NOT_THEIRS.includes(door.decision.reason)) return NOT_THIS_ONE;
  return WORDS[door.decision.reason]?.({ door, host, opensAt }) ?? OPEN;
}

/** Whether somebody who waits on the page will be taken on when things change. */
export const goesOnByItself = (reason: string): boolean =>
  reason === 'early' || reason === 'no-host' || reason === 'nothing-planned' || reason === 'full';

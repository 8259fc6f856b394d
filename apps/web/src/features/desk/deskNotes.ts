import { aloneInWords, areHostsGone, stillInside } from '@glen/core/light';
import type { Note } from '@glen/core';
import { timeUntil, wallClock } from '../../app/clock.js';
import { isLastHost, leftBehind, type Desk } from './useDesk.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

/** `now`: an instant of school time; `zone`: the school's. */
interface At {
  now: string;
  zone: string;
}

function strangersNote({ waiting }: Desk): Note[] {
  const those = waiting.filter((v) => !v.onRoll);
  const strangers = those.length;
  if (strangers === 0) return [];
  const title = many(say.whoWaitAreNot, strangers);
  const letRollIn = { name: 'let-roll-in', label: say.letTheRollInShort };
  return [
    {
      severity: 'careful',
      title,
      text: those.every((v) => v.account === 'phone')
        ? say.nobodyKnowsWhoCallsLet
        : say.lookAtNameAndAccount,
      ...(waiting.length > strangers ? { actions: [letRollIn] } : {}),
    },
  ];
}

function manyStrangersNote({ strangers }: Desk): Note[] {
  if (strangers.areAsked)
    return [
      {
        severity: 'inform',
        title: say.whoeverComesSignsInFirst,
        text: say.untilThisSessionEndsNobody,
      },
    ];
  if (!strangers.areMany) return [];
  return [
    {
      severity: 'wrong',
      title: say.manyStrangersKnock,
      text: say.theyHaveNoAccount,
      actions: [{ name: 'ask-for-account', label: say.askForAnAccount }],
    },
  ];
}

function noHostNote({ waiting, hostInside }: Desk): Note[] {
  if (waiting.length === 0 || hostInside) return [];
  return [
    {
      severity: 'careful',
      title: say.peopleWaitAndNoHost,
      text: say.goInFirstTheyCannot,
      actions: [{ name: 'open', label: say.goIn }],
    },
  ];
}

function aloneNote({ alone, inside, pastedRoom }: Desk, { now, zone }: At): Note[] {
  if (alone?.since == null || pastedRoom) return [];
  const { since, closesAt } = alone;
  if (!areHostsGone({ hostsInside: 0, hostLeftAt: since }, now)) return [];
  return [
    {
      severity: 'wrong',
      title: say.noHost,
      text: aloneInWords(
        inside.length,
        wallClock(since, zone).time,
        wallClock(closesAt, zone).time,
      ),
      actions: [{ name: 'open', label: say.goIn }],
    },
  ];
}

function pastEndNote({ session, door, alone }: Desk, { now }: At): Note[] {
  if (!session || door !== 'open' || now < session.end || alone) return [];
  return [
    {
      severity: 'inform',
      title: say.pastItsEnd,
      text: say.theDoorStaysOpenWhile,
    },
  ];
}

function togetherNote({ together }: Desk): Note[] {
  if (together.length === 0) return [];
  return [
    {
      severity: 'inform',
      title: fill(say.withTogether, { together: together.map((c) => c.title).join(', ') }),
      text: say.theyMeetAtThisDoor,
    },
  ];
}

function pastedRoomNote(desk: Desk): Note[] {
  const { pastedRoom, door, own } = desk;
  if (!pastedRoom || door !== 'open') return [];
  // Said before they leave, for leaving is done there.
  const behind = own !== null && isLastHost(desk) ? ` ${stillInside(leftBehind(desk))}` : '';
  const isIn = own !== null;
  const counted = isIn ? say.youCount : say.youCountAs;
  const action = isIn
    ? { name: 'i-have-left', label: say.iHaveLeftTheRoom }
    : { name: 'i-am-in', label: say.iAmInTheRoom };
  return [
    {
      severity: 'inform',
      title: say.aRoomThatGlenCannot,
      text: fill(say.whoCameThroughThisDoor, { counted, behind }).trimEnd(),
      actions: [action],
    },
  ];
}

/** The door is shut, and a room that Glen cannot reach into is not. */
function roomGoesOnNote({ pastedRoom, door }: Desk): Note[] {
  if (!pastedRoom || door !== 'ended') return [];
  return [
    {
      severity: 'careful',
      title: say.endTheRoomItselfToo,
      text: say.nobodyComesInByThis,
    },
  ];
}

function unseenNote({ pastedRoom, unseen, acting }: Desk): Note[] {
  if (!pastedRoom || unseen === 0 || acting) return [];
  return [
    {
      severity: 'careful',
      title: say.lookAtTheRoomBefore,
      text: many(say.notLookedAt, unseen),
      actions: [{ name: 'look-at-room', label: say.toTheList }],
    },
  ];
}

function replacedNote({ replacedAt, session, door }: Desk): Note[] {
  if (!replacedAt || !session || door !== 'open' || replacedAt < session.opens) return [];
  return [
    {
      severity: 'inform',
      title: say.theLinkWasReplacedWhile,
      text: say.whoeverIsInsideStaysWhoever,
      actions: [{ name: 'copy-link', label: say.copyTheNewOne }],
    },
  ];
}

function actingNote({ acting }: Desk): Note[] {
  if (!acting) return [];
  return [
    {
      severity: 'inform',
      title: say.youAreActingHost,
      text: say.itWasHandedOver,
    },
  ];
}

function doorNote({ door, session }: Desk, { now, zone }: At): Note[] {
  const notes: Note[] = [];
  if (door === 'ended')
    notes.push({
      severity: 'inform',
      title: say.ended,
      text: say.theLinkIsShut,
    });
  if (!session)
    notes.push({
      severity: 'inform',
      title: say.nothingIsPlannedOnThis,
      text: say.openingTheDoorSchedules,
    });
  else if (door === 'shut' && now < session.opens)
    notes.push({
      severity: 'inform',
      title: fill(say.opensByItselfAt, { time: wallClock(session.opens, zone).time }),
      text: fill(say.inYouCanOpenIt, { span: timeUntil(session.opens, now) }),
    });
  return notes;
}

function allHereNote({ door, rollSize, missing }: Desk): Note[] {
  if (door !== 'open' || rollSize === 0 || missing.length > 0) return [];
  return [
    {
      severity: 'well',
      title: say.everyoneOnTheRoll,
      text: fill(say.hereOfAll, { here: rollSize, all: rollSize }),
    },
  ];
}

/** What a host must know at the desk, in the order in which it matters. */
export const deskNotes = (desk: Desk, at: At): Note[] => [
  ...aloneNote(desk, at),
  ...manyStrangersNote(desk),
  ...strangersNote(desk),
  ...noHostNote(desk),
  ...pastEndNote(desk, at),
  ...togetherNote(desk),
  ...roomGoesOnNote(desk),
  ...unseenNote(desk),
  ...pastedRoomNote(desk),
  ...replacedNote(desk),
  ...actingNote(desk),
  ...doorNote(desk, at),
  ...allHereNote(desk),
];

import { aloneInWords, areHostsGone, stillInside } from '@glen/core/light';
import type { Note } from '@glen/core';
import { timeUntil, wallClock } from '../../app/clock.js';
import { isLastHost, leftBehind, type Desk } from './useDesk.js';

/** `now`: an instant of school time; `zone`: the school's. */
interface At {
  now: string;
  zone: string;
}

function strangersNote({ waiting }: Desk): Note[] {
  const those = waiting.filter((v) => !v.onRoll);
  const strangers = those.length;
  if (strangers === 0) return [];
  const title =
    strangers === 1
      ? 'One who waits is not on the roll'
      : `${strangers} who wait are not on the roll`;
  const letRollIn = { name: 'let-roll-in', label: 'Let the roll in' };
  return [
    {
      severity: 'careful',
      title,
      text: those.every((v) => v.account === 'phone')
        ? 'Nobody knows who calls: let them in and have them say it, or ask them elsewhere first.'
        : 'Look at name and account before you let them in.',
      ...(waiting.length > strangers ? { actions: [letRollIn] } : {}),
    },
  ];
}

function manyStrangersNote({ strangers }: Desk): Note[] {
  if (strangers.areAsked)
    return [
      {
        severity: 'inform',
        title: 'Whoever comes signs in first',
        text: 'Until this session ends nobody knocks without an account.',
      },
    ];
  if (!strangers.areMany) return [];
  return [
    {
      severity: 'wrong',
      title: 'Many strangers knock',
      text: 'They have no account. At most twenty of them wait, and five a minute knock from one network.',
      actions: [{ name: 'ask-for-account', label: 'Ask for an account from now on' }],
    },
  ];
}

function noHostNote({ waiting, hostInside }: Desk): Note[] {
  if (waiting.length === 0 || hostInside) return [];
  return [
    {
      severity: 'careful',
      title: 'People wait and no host is in',
      text: 'Go in first; they cannot be in the room alone.',
      actions: [{ name: 'open', label: 'Go in' }],
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
      title: 'No host is in the room',
      text: aloneInWords(
        inside.length,
        wallClock(since, zone).time,
        wallClock(closesAt, zone).time,
      ),
      actions: [{ name: 'open', label: 'Go in' }],
    },
  ];
}

function pastEndNote({ session, door, alone }: Desk, { now }: At): Note[] {
  if (!session || door !== 'open' || now < session.end || alone) return [];
  return [
    {
      severity: 'inform',
      title: 'Past its end',
      text: 'The door stays open while you are in; whoever dropped out can come back.',
    },
  ];
}

function togetherNote({ together }: Desk): Note[] {
  if (together.length === 0) return [];
  return [
    {
      severity: 'inform',
      title: `With ${together.map((c) => c.title).join(', ')}`,
      text: 'They meet at this door too; their students are on this roll today.',
    },
  ];
}

function pastedRoomNote(desk: Desk): Note[] {
  const { pastedRoom, door, own } = desk;
  if (!pastedRoom || door !== 'open') return [];
  // Said before they leave, for leaving is done there.
  const behind = own !== null && isLastHost(desk) ? ` ${stillInside(leftBehind(desk))}` : '';
  const isIn = own !== null;
  const counted = isIn ? 'You count as in the room.' : 'You count as not in the room.';
  const action = isIn
    ? { name: 'i-have-left', label: 'I have left the room' }
    : { name: 'i-am-in', label: 'I am in the room' };
  return [
    {
      severity: 'inform',
      title: 'A room that Glen cannot look into',
      text: `Who passed this door is known, who has left is not. To put somebody out, to mute or to let present is done in the room itself. ${counted}${behind}`.trimEnd(),
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
      title: 'End the room itself, too',
      text: 'Nobody comes in by this door. Whoever is inside stays until you end the room there, for everybody, before you leave it.',
    },
  ];
}

function unseenNote({ pastedRoom, unseen, acting }: Desk): Note[] {
  if (!pastedRoom || unseen === 0 || acting) return [];
  return [
    {
      severity: 'careful',
      title: 'Look at the room before you use it',
      text: `${unseen === 1 ? 'One thing' : `${unseen} things`} that only its own settings keep, such as its lobby or who has host’s powers, ${unseen === 1 ? 'is' : 'are'} not ticked yet.`,
      actions: [{ name: 'look-at-room', label: 'To the list' }],
    },
  ];
}

function replacedNote({ replacedAt, session, door }: Desk): Note[] {
  if (!replacedAt || !session || door !== 'open' || replacedAt < session.opens) return [];
  return [
    {
      severity: 'inform',
      title: 'The link was replaced while this runs',
      text: 'Whoever is inside stays. Whoever comes now needs the new link, or an old one that leads on.',
      actions: [{ name: 'copy-link', label: 'Copy the new one' }],
    },
  ];
}

function actingNote({ acting }: Desk): Note[] {
  if (!acting) return [];
  return [
    {
      severity: 'inform',
      title: 'You are acting host',
      text: 'It was handed over to you: you let people in until this session ends.',
    },
  ];
}

function doorNote({ door, session }: Desk, { now, zone }: At): Note[] {
  const notes: Note[] = [];
  if (door === 'ended')
    notes.push({
      severity: 'inform',
      title: 'Ended',
      text: 'The link is shut for all but hosts. Opening the door begins it again.',
    });
  if (!session)
    notes.push({
      severity: 'inform',
      title: 'Nothing is planned on this link',
      text: 'Opening the door puts a session on the books, from this minute.',
    });
  else if (door === 'shut' && now < session.opens)
    notes.push({
      severity: 'inform',
      title: `Opens by itself at ${wallClock(session.opens, zone).time}`,
      text: `In ${timeUntil(session.opens, now)}. You can open it before.`,
    });
  return notes;
}

function allHereNote({ door, rollSize, missing }: Desk): Note[] {
  if (door !== 'open' || rollSize === 0 || missing.length > 0) return [];
  return [
    {
      severity: 'well',
      title: 'Everyone of the roll is here',
      text: `${rollSize} of ${rollSize}.`,
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

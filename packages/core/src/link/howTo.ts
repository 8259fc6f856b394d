import type { EntryRules } from '../entry/rules.js';
import { howToGetIn } from '../post/invitation.js';
import { CHAT_KEPT } from '../register/afterLesson.js';

type HowToRules = Pick<
  EntryRules,
  | 'whoMayEnter'
  | 'straightIn'
  | 'opensBefore'
  | 'withoutHost'
  | 'entryCode'
  | 'arriveMuted'
  | 'mayUnmute'
  | 'camera'
  | 'chat'
  | 'recording'
  | 'watching'
  | 'phone'
>;

export interface HowToFacts {
  rules: HowToRules;
  host: string;
  classTitle: string;
  /** What the link is called where it is not the one that the whole class period goes by; else null. */
  label: string | null;
  /** Behind the door is a room that Glen cannot look into: what it does with microphones and cameras is not known. */
  pastedRoom: boolean;
  /** How to come by telephone, for those it is for where callers may come. */
  phone?: { number: string; pin: string } | null;
  /** The school keeps what is written in chats. */
  keepsChat?: boolean;
  /** Sessions behind it are cut into slots that those whom it is for take beforehand. */
  inSlots?: boolean;
}

export interface HowTo {
  steps: string[];
  lobby: string;
  trouble: { when: string; then: string }[];
  /** How to come without a browser; null where that is not possible, or not for whoever reads. */
  phone: string | null;
  /** Why this link is another than the class period's own; null where it is that one. */
  differs: string | null;
  /** How to come by a slot; null where there are none, or not for whoever reads. */
  slots: string | null;
}

const ACCOUNT: Record<EntryRules['whoMayEnter'], string> = {
  invited: 'Sign in with the account that was invited.',
  roll: 'Sign in with your school account, the one that is on the class’s list.',
  school: 'Sign in with your school account.',
  'signed-in': 'Sign in with any account, your school’s or your own.',
  anyone: 'You need not sign in: type your name at the door.',
};

function microphone({ arriveMuted, mayUnmute }: HowToRules): string {
  if (!arriveMuted) return 'Your microphone can be on from the start.';
  if (!mayUnmute) return 'You arrive muted, and stay so.';
  return 'You arrive muted; switch your microphone on when you speak.';
}

const CAMERA: Record<EntryRules['camera'], string> = {
  off: 'Cameras stay off.',
  on: 'Your camera is wanted on.',
  choice: 'Your camera is yours to choose; it is off at first.',
};

const RECORDING: Record<EntryRules['recording'], string[]> = {
  'from-start': ['The session is recorded from the start.'],
  'by-host': ['The host may record, and says so.'],
  off: [],
};

const inside = ({ rules, keepsChat = false }: HowToFacts): string =>
  [
    microphone(rules),
    CAMERA[rules.camera],
    ...RECORDING[rules.recording],
    ...(keepsChat && rules.chat ? [CHAT_KEPT] : []),
    ...(rules.watching ? ['You may also come to watch only.'] : []),
  ].join(' ');

function stepsOf(facts: HowToFacts, who: string): string[] {
  const { rules, pastedRoom } = facts;
  const opens =
    rules.opensBefore === 0
      ? 'The door opens at the time the lesson begins'
      : `The door opens ${rules.opensBefore} minutes before it begins`;
  const withWhom = rules.withoutHost ? '.' : `, once ${who} is there.`;
  return [
    'Follow the link, or type its code at the door’s page. The link is the same every time: keep it.',
    ACCOUNT[rules.whoMayEnter],
    ...(rules.entryCode === null
      ? []
      : [`Type the entry code. ${who} has given it to you; it is not on this page.`]),
    `${opens}${withWhom} If you are early, leave the page open: it lets you on by itself.`,
    pastedRoom ? 'Come in with camera and microphone off; switch them on inside.' : inside(facts),
  ];
}

/** What may go wrong because of the rules in force. */
function troubleWithRules({ rules, classTitle }: HowToFacts, who: string): HowTo['trouble'] {
  const trouble: HowTo['trouble'] = [];
  if (rules.whoMayEnter === 'roll' || rules.whoMayEnter === 'school')
    trouble.push({
      when: 'The door says that it needs your school account',
      then: 'You are here with another one. Change to your school account on the door’s own page; the link is not lost.',
    });
  if (rules.whoMayEnter === 'roll')
    trouble.push({
      when: 'The door does not know you',
      then: `You may be on another class’s list. Look whether this is the link of ${classTitle}, else ask ${who}.`,
    });
  if (rules.entryCode !== null)
    trouble.push({
      when: 'The code is wrong',
      then: 'Capitals and spaces do not matter. Look at the newest message: it may have changed.',
    });
  return trouble;
}

/** What may go wrong with any link. */
const troubleInside = (pastedRoom: boolean, straightIn: boolean, who: string): HowTo['trouble'] => [
  {
    when: 'Your line drops',
    then: `Open the link again. As long as ${who} has not ended it, you are let back in${straightIn ? '' : ' without waiting'}.`,
  },
  {
    when: 'No picture or no sound',
    then: pastedRoom
      ? 'Your browser asks whether the room may use them: allow it, or look beside the address for a sign that says they are blocked.'
      : 'Try your camera and microphone at the door, before you go in: it says what to allow.',
  },
  {
    when: 'The door says that it has been shut',
    then: `It is over, or ${who} has ended it. It opens again next time, by the same link.`,
  },
];

const byPhone = ({ number, pin }: { number: string; pin: string }, rules: HowToRules): string =>
  `Call ${number} and key in ${pin}. ${rules.phone === 'lobby' ? 'You wait on the line until you are let in' : 'You are put through'}; the class sees no more of your number than its last two digits.`;

/** What the lobby is to whoever comes. */
function lobbyWords(straightIn: boolean, inSlots: boolean, who: string): string {
  if (inSlots)
    return 'You wait in the lobby until your slot begins, so that nobody walks in on the one before. You need not press anything then.';
  return straightIn
    ? 'There is no waiting: whoever this link is for goes straight in.'
    : `Before the room there is a lobby. ${who} sees that you are waiting, with your name, and lets you in; you need not press anything twice.`;
}

/**
 * How to get in by a link, in plain words for students, made from the rules in force so that it is never wrong.
 * It never holds the entry code itself: a page like this is passed on.
 */
export function howTo(facts: HowToFacts): HowTo {
  const { rules, host, classTitle, label, pastedRoom, phone = null, inSlots = false } = facts;
  const who = host || 'the host';
  const straightIn = howToGetIn(rules, host).endsWith('You go straight in.');
  return {
    steps: stepsOf(facts, who),
    lobby: lobbyWords(straightIn, inSlots, who),
    trouble: [...troubleWithRules(facts, who), ...troubleInside(pastedRoom, straightIn, who)],
    phone: phone && byPhone(phone, rules),
    differs:
      label === null
        ? null
        : `This is not the link of the whole class. “${label}” is only for those it was given to; for the lessons of ${classTitle} use the class’s own link.`,
    slots: inSlots
      ? 'People come one after another. Take a slot beforehand; come a little early and leave the page open: it lets you in when yours begins. Without one you may wait, and be let in between.'
      : null,
  };
}

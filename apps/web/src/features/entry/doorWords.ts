import type { Answer } from '@glen/contract';

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

const NEXT_TIME = 'Keep the link: it works again next time.';

function stopped({ door: { elsewhere, isOver, classTitle } }: Told): Words {
  if (isOver)
    return {
      title: `${classTitle} is over`,
      text: 'Its class period has been put away, and this door with it.',
    };
  if (elsewhere)
    return {
      title: 'This link has been stopped',
      text: `${elsewhere.title} has another one now. Use that from now on.`,
    };
  return {
    title: 'This link is no longer used',
    text: 'Look at your class stream for the new one, or ask your teacher.',
  };
}

function removed({ door: { turnedAway, word }, host }: Told): Words {
  if (!turnedAway)
    return {
      title: 'You were put out',
      text: `A host has put you out of this session. ${host} can let you back; this page will notice.`,
    };
  const said = word ? `${host} says: “${word}”` : `${host} turned you away from this session.`;
  return {
    title: 'You were not let in',
    text: `${said} If that was a mistake, write to them; they can let you back, and this page will notice.`,
  };
}

function signIn({ door }: Told): Words {
  if (door.rules.whoMayEnter === 'signed-in')
    return {
      title: 'Sign in to go in',
      text: 'Any account will do, your school’s or your own.',
    };
  return {
    title: 'Sign in with your school account',
    text: 'This door is for people of the school. Your link is kept while you sign in.',
  };
}

/** The place in line, as it is: the host may let people in in any order. */
function inLine(ahead: number): string {
  if (ahead === 0) return 'Nobody has waited longer.';
  return ahead === 1 ? 'One person has waited longer.' : `${ahead} people have waited longer.`;
}

const NOBODY_IN = 'No host is in the room just now.';

function lobby({ door: { knocked, hostIn, ahead } }: Told): Words {
  if (!knocked)
    return {
      title: 'The door is open',
      text: hostIn ? `Knock, and ${hostIn} lets you in.` : `${NOBODY_IN} Knock all the same.`,
    };
  const seen = hostIn
    ? `${hostIn} is in the room and can see that you are waiting.`
    : `${NOBODY_IN} The next one to come sees that you are waiting.`;
  return { title: 'You are in the lobby', text: `${seen} ${inLine(ahead)}` };
}

function noHost({ door: { noRoom, hosts }, host }: Told): Words {
  if (!noRoom)
    return {
      title: `${host} is not in yet`,
      text: 'Leave this page open: it goes on by itself when a host arrives.',
    };
  return {
    title: 'No room is behind this door yet',
    text: hosts
      ? 'You are host here: open it at the desk, and give the address of your room.'
      : `${host} has yet to put one there. Leave this page open: it goes on by itself.`,
  };
}

/** By the reason of the decision. */
const WORDS: Record<string, (told: Told) => Words> = {
  'link-retired': stopped,
  removed,
  ended: () => ({
    title: 'This session has ended',
    text: `The host has ended it for everyone. ${NEXT_TIME}`,
  }),
  over: () => ({ title: 'This session is over', text: NEXT_TIME }),
  'no-phone': () => ({
    title: 'Not by phone',
    text: 'This door takes no phone callers. Open the link in a browser instead.',
  }),
  'no-watching': ({ door, host }) => ({
    title: 'There is no watch-only way in',
    text: door.watchesOnly ? `Ask ${host}.` : 'Go in as yourself instead.',
  }),
  watch: () => ({
    title: 'The door is open to watch',
    text: 'You see and hear what goes on, and cannot be seen or heard.',
  }),
  'sign-in': signIn,
  'use-school-account': () => ({
    title: 'This door needs your school account',
    text: 'You are here with your home account. Switch below; the link is kept.',
  }),
  'not-invited': ({ host }) => ({
    title: 'You are not invited to this one',
    text: `If you think you should be, ask ${host}.`,
  }),
  'not-on-roll': ({ host }) => ({
    title: 'You are not on this door’s list',
    text: `Check that the link is the one meant for you. If it is, ask ${host} to look at the list.`,
  }),
  'nothing-planned': () => ({
    title: 'Nothing is planned here now',
    text: 'The link is right. When a session is scheduled or the host opens the door, this page will notice.',
  }),
  early: ({ opensAt }) => ({
    title: opensAt ? `The door opens at ${opensAt}` : 'The door is not open yet',
    text: 'Leave this page open: you will be let on by yourself when it opens.',
  }),
  'code-needed': () => ({
    title: 'This door asks for a code',
    text: 'It was sent with the link.',
  }),
  'code-wrong': () => ({
    title: 'That code does not fit',
    text: 'Compare it with what was sent with the link.',
  }),
  full,
  'no-host': noHost,
  lobby,
};

const NOT_THEIRS = ['use-school-account', 'not-on-roll', 'not-invited'];
const NOT_THIS_ONE: Words = {
  title: 'You are invited to another one',
  text: 'At this door, but not to the session that is next here. Yours stands on your own day.',
};

const OPEN: Words = { title: 'The door is open', text: 'You can go straight in.' };

const OPEN_PAGE = 'Leave this page open: you go in by yourself when a seat comes free.';

/** How somebody stands before a full room: in the line, or not yet. */
function full({ door }: Told): Words {
  const { ahead, inLine, mayWatch } = door;
  const meanwhile = mayWatch ? ' Meanwhile you may watch.' : '';
  if (inLine && ahead === 0)
    return { title: 'You are next', text: `The room is full. ${OPEN_PAGE}${meanwhile}` };
  if (inLine)
    return {
      title: `The room is full; ${ahead} ${ahead === 1 ? 'goes' : 'go'} before you`,
      text: `${OPEN_PAGE}${meanwhile}`,
    };
  const wait =
    ahead === 0 ? 'Nobody waits yet.' : `${ahead} wait${ahead === 1 ? 's' : ''} already.`;
  return {
    title: 'The room is full',
    text: `Wait in line, and you go in by yourself when a seat comes free. ${wait}${meanwhile}`,
  };
}

/** What the door says, in two sentences: how it is, and what to do next. */
export function doorWords(door: Door, opensAt: string | null): Words {
  if (door.elsewhere?.why === 'together')
    return {
      title: `This lesson meets at the door of ${door.elsewhere.title}`,
      text: 'This door stays shut meanwhile. Go there; you are expected.',
    };
  const host = door.host || 'The host';
  if (door.invitedThen && NOT_THEIRS.includes(door.decision.reason)) return NOT_THIS_ONE;
  return WORDS[door.decision.reason]?.({ door, host, opensAt }) ?? OPEN;
}

/** Whether somebody who waits on the page will be taken on when things change. */
export const goesOnByItself = (reason: string): boolean =>
  reason === 'early' || reason === 'no-host' || reason === 'nothing-planned' || reason === 'full';

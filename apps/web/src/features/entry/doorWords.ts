import type { Answer } from '@glen/contract';

type Door = Answer<'door'>;

/** What the door says, in two sentences: how it is, and what to do next. */
export function doorWords(door: Door, opensAt: string | null): { title: string; text: string } {
  const host = door.host || 'The host';
  if (door.elsewhere?.why === 'together')
    return {
      title: `This lesson meets at the door of ${door.elsewhere.title}`,
      text: 'This door stays shut meanwhile. Go there; you are expected.',
    };
  switch (door.decision.reason) {
    case 'link-retired':
      return door.elsewhere
        ? {
            title: 'This link has been stopped',
            text: `${door.elsewhere.title} has another one now. Use that from now on.`,
          }
        : {
            title: 'This link is no longer used',
            text: 'Look at your class stream for the new one, or ask your teacher.',
          };
    case 'removed':
      return door.turnedAway
        ? {
            title: 'You were not let in',
            text: `${door.word ? `${host} says: “${door.word}” ` : `${host} turned you away from this session. `}If that was a mistake, write to them; they can let you back, and this page will notice.`,
          }
        : {
            title: 'You were put out',
            text: `A host has put you out of this session. ${host} can let you back; this page will notice.`,
          };
    case 'ended':
      return {
        title: 'This session has ended',
        text: 'The host has ended it for everyone. Keep the link: it works again next time.',
      };
    case 'over':
      return { title: 'This session is over', text: 'Keep the link: it works again next time.' };
    case 'no-phone':
      return {
        title: 'Not by phone',
        text: 'This door takes no phone callers. Open the link in a browser instead.',
      };
    case 'no-watching':
      return { title: 'There is no watch-only way in', text: 'Go in as yourself instead.' };
    case 'sign-in':
      return door.rules.whoMayEnter === 'signed-in'
        ? { title: 'Sign in to go in', text: 'Any account will do, your school’s or your own.' }
        : {
            title: 'Sign in with your school account',
            text: 'This door is for people of the school. Your link is kept while you sign in.',
          };
    case 'use-school-account':
      return {
        title: 'This door needs your school account',
        text: 'You are here with your home account. Switch below; the link is kept.',
      };
    case 'not-invited':
      return {
        title: 'You are not invited to this one',
        text: `If you think you should be, ask ${host}.`,
      };
    case 'not-on-roll':
      return {
        title: 'You are not on this class’s list',
        text: `Check that the link is the one for your own class. If it is, ask ${host} to look at the roll.`,
      };
    case 'nothing-planned':
      return {
        title: 'Nothing is planned here now',
        text: 'The link is right. When a session is scheduled or the host opens the door, this page will notice.',
      };
    case 'early':
      return {
        title: opensAt ? `The door opens at ${opensAt}` : 'The door is not open yet',
        text: 'Leave this page open: you will be let on by yourself when it opens.',
      };
    case 'code-needed':
      return { title: 'This door asks for a code', text: 'It was sent with the link.' };
    case 'code-wrong':
      return {
        title: 'That code does not fit',
        text: 'Compare it with what was sent with the link.',
      };
    case 'full':
      return { title: 'The room is full', text: 'When somebody leaves, this page will notice.' };
    case 'no-host':
      return {
        title: `${host} is not in yet`,
        text: 'Leave this page open: it goes on by itself when a host arrives.',
      };
    case 'lobby':
      return door.knocked
        ? {
            title: 'You are in the lobby',
            text: `${door.hostSees ? `${host} can see that you are waiting.` : 'A host will see that you are waiting as soon as one is in.'} ${inLine(door.ahead)}`,
          }
        : { title: 'The door is open', text: 'Knock, and the host lets you in.' };
    default:
      return { title: 'The door is open', text: 'You can go straight in.' };
  }
}

/** The place in line, as it is: the host may let people in in any order. */
const inLine = (ahead: number): string =>
  ahead === 0
    ? 'Nobody has waited longer.'
    : ahead === 1
      ? 'One person has waited longer.'
      : `${ahead} people have waited longer.`;

/** Whether somebody who waits on the page will be taken on when things change. */
export const goesOnByItself = (reason: string): boolean =>
  reason === 'early' || reason === 'no-host' || reason === 'nothing-planned' || reason === 'full';

import type { EntryRules } from '../entry/rules.js';
import type { Note } from '../margin/note.js';
import { addMinutes, dateInWords } from '../time/dates.js';
import { schoolTime } from '../time/zoneWords.js';
import { renderBlocks, tidy, type Block, type Medium } from './blocks.js';

/** The parts of an invitation, in the order in which they stand; each can be left out. */
export const INVITATION_PARTS = ['words', 'when', 'address', 'code', 'howTo', 'phone'] as const;
export type InvitationPart = (typeof INVITATION_PARTS)[number];

export interface InvitationFacts {
  title: string;
  host: string;
  /** The join link's full address. */
  address: string;
  linkWords: string;
  /** Wall clock in `zone`; null where nothing is planned. */
  when: { date: string; time: string; minutes: number; zone: string } | null;
  rules: EntryRules;
  /** The number that phone callers dial, where the school has one. */
  phoneNumber: string | null;
  /** What they key in for this link, in groups. */
  phonePin?: string | null;
}

type HowToRules = Pick<
  EntryRules,
  'whoMayEnter' | 'straightIn' | 'opensBefore' | 'withoutHost' | 'entryCode'
>;

const ACCOUNT_WORDS: Record<EntryRules['whoMayEnter'], string> = {
  invited: 'Sign in with the account that was invited.',
  roll: 'Sign in with your school account; the door knows the class’s list.',
  school: 'Sign in with your school account.',
  'signed-in': 'Sign in with any account, your school’s or your own.',
  anyone: 'No sign-in is needed; say who you are at the door.',
};

/** How people get in, in plain sentences made from the rules in force, so that they are never wrong. */
export function howToGetIn(rules: HowToRules, host: string): string {
  const opens =
    rules.opensBefore === 0
      ? 'The door opens on time'
      : `The door opens ${rules.opensBefore} minutes before`;
  const straight =
    rules.straightIn === 'everyone' ||
    (rules.straightIn === 'roll' &&
      (rules.whoMayEnter === 'roll' || rules.whoMayEnter === 'invited')) ||
    (rules.straightIn === 'school' &&
      rules.whoMayEnter !== 'signed-in' &&
      rules.whoMayEnter !== 'anyone');
  return [
    `Follow the link. ${ACCOUNT_WORDS[rules.whoMayEnter]}`,
    ...(rules.entryCode === null ? [] : ['The door asks for a code.']),
    `${opens}${rules.withoutHost ? '.' : `, once ${host || 'a host'} is there.`}`,
    straight ? 'You go straight in.' : 'You wait in the lobby until you are let in.',
  ].join(' ');
}

const callersMayCome = ({
  phoneNumber,
  rules,
}: Pick<InvitationFacts, 'phoneNumber' | 'rules'>): boolean =>
  phoneNumber !== null && rules.phone !== 'none';

/** The parts that have something to say just now. */
export function offeredParts({ when, rules, phoneNumber }: InvitationFacts): InvitationPart[] {
  return INVITATION_PARTS.filter(
    (part) =>
      (part !== 'when' || when !== null) &&
      (part !== 'code' || rules.entryCode !== null) &&
      (part !== 'phone' || callersMayCome({ phoneNumber, rules })),
  );
}

const byPhone = ({ phoneNumber, phonePin }: InvitationFacts): string =>
  phonePin ? `By phone: ${phoneNumber}, pin ${phonePin}` : `By phone: ${phoneNumber}`;

function blockOf(part: InvitationPart, facts: InvitationFacts): Block {
  const paragraph = (text: string): Block => ({ kind: 'paragraph', spans: [{ text: tidy(text) }] });
  switch (part) {
    case 'words':
      return { kind: 'link', words: tidy(facts.linkWords).replace(/\s+/g, ' ') };
    case 'when':
      return paragraph(
        `${dateInWords(facts.when!.date, 'long')}, ${facts.when!.time} to ${addMinutes(facts.when!.time, facts.when!.minutes)} (${schoolTime(facts.when!.zone)})`,
      );
    case 'address':
      return paragraph(facts.address);
    case 'code':
      return paragraph(`Entry code: ${facts.rules.entryCode}`);
    case 'howTo':
      return paragraph(howToGetIn(facts.rules, facts.host));
    case 'phone':
      return paragraph(byPhone(facts));
  }
}

/** An invitation of the chosen parts in one medium. Parts that have nothing to say are passed over. */
export function renderInvitation(
  parts: readonly InvitationPart[],
  facts: InvitationFacts,
  medium: Medium,
): string {
  const offered = offeredParts(facts);
  // Plain text spells the address out beside the words already.
  const chosen = INVITATION_PARTS.filter(
    (part) =>
      parts.includes(part) &&
      offered.includes(part) &&
      !(part === 'address' && medium === 'text' && parts.includes('words')),
  );
  return renderBlocks(
    chosen.map((part) => blockOf(part, facts)),
    facts.address,
    medium,
  );
}

/** What to think about before an invitation goes where `readers` read. */
export function reviewInvitation(
  parts: readonly InvitationPart[],
  facts: InvitationFacts,
  readers: 'class' | 'public',
): Note[] {
  const { rules } = facts;
  const carriesCode = parts.includes('code') && rules.entryCode !== null;
  const notes: Note[] = [];
  if (carriesCode && readers === 'public') {
    notes.push({
      severity: 'wrong',
      title: 'The entry code would stand in public',
      text:
        rules.whoMayEnter === 'anyone' || rules.whoMayEnter === 'signed-in'
          ? 'Link and code together are all that anybody needs to get in.'
          : 'Whoever may enter at all could then come in with it.',
      actions: [{ name: 'leave-out-code', label: 'Leave the code out' }],
    });
  }
  if (parts.includes('phone') && readers === 'public' && callersMayCome(facts)) {
    notes.push({
      severity: 'careful',
      title: 'Anybody could call in',
      text: 'Callers need no account: whoever reads number and pin can come to the lobby by them, or straight in.',
    });
  }
  if (!parts.includes('code') && rules.entryCode !== null && readers === 'class') {
    notes.push({
      severity: 'careful',
      title: 'The code is not in it',
      text: 'The door asks for a code; without it nobody of the class gets in.',
      actions: [{ name: 'put-in-code', label: 'Put the code in' }],
    });
  }
  if (readers === 'public' && rules.whoMayEnter === 'anyone' && rules.straightIn === 'everyone') {
    notes.push({
      severity: 'careful',
      title: 'Strangers will walk in',
      text: 'No sign-in and no lobby: whoever reads this comes straight in.',
    });
  }
  return notes;
}

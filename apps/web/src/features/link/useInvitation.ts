import { useState } from 'react';
import {
  dateInWords,
  notesForEmptyRoll,
  renderInvitation,
  type EntryRules,
  type InvitationFacts,
  type InvitationPart,
  type Note,
} from '@glen/core';
import type { Answer } from '@glen/contract';
import { copyAddress, copyWords } from './copy.js';
import * as say from './words.js';

type Invitation = Answer<'invitation'>;

/** The forms an invitation can be copied in, in the words of their buttons. */
export const FORMS = [
  ['rich', say.asItWillLook],
  ['text', say.plainText],
  ['markdown', say.markdown],
] as const;
export type Form = (typeof FORMS)[number][0];

const factsOf = (invitation: Invitation, linkWords: string): InvitationFacts => ({
  title: invitation.title,
  host: invitation.host,
  address: invitation.address,
  linkWords,
  rules: invitation.rules as EntryRules,
  phoneNumber: invitation.phoneNumber,
  phonePin: invitation.phonePin,
  when: invitation.next,
});

/** Who gets in while the roll is empty, where the link is for all of it. */
const rollNotesOf = ({ classId, rollSize, rules }: Invitation): Note[] =>
  rollSize === null
    ? []
    : notesForEmptyRoll({
        classId,
        rollSize,
        whoMayEnter: rules.whoMayEnter as EntryRules['whoMayEnter'],
      });

/** The words to begin with: the next session and when it is, else what the link is called. */
const firstWords = ({ next, title }: Invitation): string =>
  next ? `${next.title}, ${dateInWords(next.date)} ${next.time}` : title;

/** An invitation that is being put together: which parts go in, in which form, and copying it. */
export function useInvitation(invitation: Invitation) {
  const [linkWords, setLinkWords] = useState(() => firstWords(invitation));
  const [parts, setParts] = useState<InvitationPart[]>(['words']);
  const [readers, setReaders] = useState<'class' | 'public'>('class');
  const [form, setForm] = useState<Form>('rich');
  const facts = factsOf(invitation, linkWords);
  const toggle = (part: InvitationPart, isIn: boolean): void =>
    setParts((before) => (isIn ? [...before, part] : before.filter((other) => other !== part)));
  const html = renderInvitation(parts, facts, 'html');
  const text = renderInvitation(parts, facts, 'text');
  const markdown = renderInvitation(parts, facts, 'markdown');
  const copy = (): Promise<void> =>
    form === 'rich'
      ? copyWords(html, text, say.copiedRichAndPlain)
      : copyAddress(form === 'text' ? text : markdown, say.copied);
  return {
    facts,
    rollNotes: rollNotesOf(invitation),
    linkWords,
    setLinkWords,
    parts,
    setParts,
    toggle,
    readers,
    setReaders,
    form,
    setForm,
    rendered: { html, text, markdown },
    copy,
  };
}

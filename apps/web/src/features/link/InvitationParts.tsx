import { INVITATION_PARTS, offeredParts, type InvitationPart } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import type { useInvitation } from './useInvitation.js';

type Composing = ReturnType<typeof useInvitation>;

const PART_WORDS: Record<InvitationPart, string> = {
  words: 'Words with the link',
  when: 'When',
  address: 'The address, written out',
  code: 'The entry code',
  howTo: 'How to get in',
  phone: 'Phone number and pin',
};

const WhatGoesIn = ({ facts, parts, setParts, toggle }: Composing) => (
  <fieldset>
    <legend className="mb-1 text-sm font-semibold">What goes in</legend>
    {offeredParts(facts).map((part) => (
      <label key={part} className="flex items-center gap-2.5 py-0.5">
        <input
          type="checkbox"
          checked={parts.includes(part)}
          onChange={(e) => toggle(part, e.target.checked)}
        />
        {PART_WORDS[part]}
      </label>
    ))}
    <p className="mt-1.5 flex gap-4">
      <Button kind="link" onClick={() => setParts([...INVITATION_PARTS])}>
        Everything
      </Button>
      <Button kind="link" onClick={() => setParts(['words'])}>
        Words only
      </Button>
    </p>
  </fieldset>
);

const READERS = [
  { value: 'class', label: 'The class, or whom I send it to' },
  { value: 'public', label: 'Anyone: it goes on a public page' },
] as const;

const WhoReads = ({ readers, setReaders }: Composing) => (
  <fieldset>
    <legend className="mb-1 text-sm font-semibold">Who will read it</legend>
    {READERS.map(({ value, label }) => (
      <label key={value} className="flex items-center gap-2.5 py-0.5">
        <input
          type="radio"
          name="readers"
          checked={readers === value}
          onChange={() => setReaders(value)}
        />
        {label}
      </label>
    ))}
  </fieldset>
);

/** What an invitation is made of, and who will read it. */
export const InvitationParts = ({ composing }: { composing: Composing }) => (
  <div className="grid content-start gap-4">
    <WhatGoesIn {...composing} />
    {composing.parts.includes('words') && (
      <TextField
        label="The words that are the link"
        maxLength={200}
        value={composing.linkWords}
        onChange={(e) => composing.setLinkWords(e.target.value)}
      />
    )}
    <WhoReads {...composing} />
  </div>
);

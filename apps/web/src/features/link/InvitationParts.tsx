import { INVITATION_PARTS, offeredParts, type InvitationPart } from '@glen/core';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import type { useInvitation } from './useInvitation.js';
import * as say from './words.js';

type Composing = ReturnType<typeof useInvitation>;

const PART_WORDS: Record<InvitationPart, string> = say.partWords;

const WhatGoesIn = ({ facts, parts, setParts, toggle }: Composing) => (
  <fieldset>
    <legend className="mb-1 text-sm font-semibold">{say.whatGoesIn}</legend>
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
        {say.everything}
      </Button>
      <Button kind="link" onClick={() => setParts(['words'])}>
        {say.wordsOnly}
      </Button>
    </p>
  </fieldset>
);

const READERS = [
  { value: 'class', label: say.theClassOrWhomI },
  { value: 'public', label: say.anyoneItGoes },
] as const;

const WhoReads = ({ readers, setReaders }: Composing) => (
  <fieldset>
    <legend className="mb-1 text-sm font-semibold">{say.whoWillReadIt}</legend>
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
        label={say.theWords}
        maxLength={200}
        value={composing.linkWords}
        onChange={(e) => composing.setLinkWords(e.target.value)}
      />
    )}
    <WhoReads {...composing} />
  </div>
);

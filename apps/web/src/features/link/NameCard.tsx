import { useState } from 'react';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { CardPart } from '../../ui/SentencePart.js';

/** A name that is changed in place. */
export function NameCard({
  name,
  error,
  onSave,
}: {
  name: string;
  error?: string | undefined;
  onSave: (name: string) => void;
}) {
  const [typed, setTyped] = useState(name);
  const [open, setOpen] = useState(false);
  return (
    <CardPart
      label={`Name: ${name}`}
      shown={name}
      open={open}
      onOpenChange={setOpen}
      invalid={error !== undefined}
    >
      <form
        className="grid w-64 gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          setOpen(false);
          if (typed.trim() !== name) onSave(typed.trim());
        }}
      >
        <TextField
          label="Name"
          error={error ?? (typed.trim() === '' ? 'Give it a name.' : undefined)}
          maxLength={80}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <Button type="submit" kind="strong" disabled={typed.trim() === ''}>
          Use it
        </Button>
      </form>
    </CardPart>
  );
}

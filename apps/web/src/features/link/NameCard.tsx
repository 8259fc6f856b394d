import { useState } from 'react';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { CardPart } from '../../ui/SentencePart.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface NameProps {
  name: string;
  error?: string | undefined;
  onSave: (name: string) => Promise<void> | void;
}

function NameForm({ name, error, onSave, close }: NameProps & { close: () => void }) {
  const { register, submit, watch } = useServerForm<{ name: string }, { name: string }, void>({
    start: { name },
    send: async ({ name: typed }) => {
      if (typed.trim() !== name) await onSave(typed.trim());
      return {};
    },
    onDone: close,
  });
  const isBlank = watch('name').trim() === '';
  return (
    <form className="grid w-64 gap-3" noValidate onSubmit={submit}>
      <TextField
        label={say.name}
        error={error ?? (isBlank ? say.giveItAName : undefined)}
        maxLength={80}
        {...register('name')}
      />
      <Button type="submit" kind="strong" disabled={isBlank}>
        {say.callIt}
      </Button>
    </form>
  );
}

/** A name that is changed in place. */
export function NameCard(props: NameProps) {
  const [open, setOpen] = useState(false);
  return (
    <CardPart
      label={fill(say.nameName, { name: props.name })}
      shown={props.name}
      open={open}
      onOpenChange={setOpen}
      invalid={props.error !== undefined}
    >
      <NameForm {...props} close={() => setOpen(false)} />
    </CardPart>
  );
}

import { useState, type ReactNode } from 'react';
import { ENTRY_CODE_BYTES, makeEntryCode } from '@glen/core';
import { useServerForm, wrongAt } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { CardPart } from '../../ui/SentencePart.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** The way back to the default, where the class period has a value of its own. */
interface Back {
  label: string;
  run: () => void;
}

interface CardProps {
  label: string;
  shown: string;
  back?: Back | undefined;
  /** What stands in it while it is open. */
  children: (close: () => void) => ReactNode;
}

function Card({ label, shown, back, children }: CardProps) {
  const [open, setOpen] = useState(false);
  return (
    <CardPart
      label={label}
      shown={shown}
      marked={back !== undefined}
      open={open}
      onOpenChange={setOpen}
    >
      <div className="grid w-60 gap-3">
        {children(() => setOpen(false))}
        {back && (
          <Button
            kind="link"
            className="!whitespace-normal"
            onClick={() => {
              setOpen(false);
              back.run();
            }}
          >
            {back.label}
          </Button>
        )}
      </div>
    </CardPart>
  );
}

interface ValueFormProps {
  label: string;
  hint?: string;
  value: string;
  inputMode?: 'numeric' | 'text';
  /** What is wrong with what was typed, if anything. */
  check?: (typed: string) => string | undefined;
  /** Fills the field with something that serves. */
  suggest?: { label: string; make: () => string };
  onSave: (typed: string) => void;
}

/** One value of a rule, typed. */
function ValueForm({
  label,
  hint,
  value,
  inputMode = 'text',
  check,
  suggest,
  onSave,
}: ValueFormProps) {
  const { register, errorAt, submit, change } = useServerForm<
    { value: string },
    { value: string },
    string
  >({
    start: { value },
    send: ({ value: typed }) => {
      const wrong = check?.(typed);
      return Promise.resolve(wrong ? { error: wrongAt('value', wrong) } : { data: typed });
    },
    onDone: onSave,
  });
  return (
    <form className="grid gap-3" noValidate onSubmit={submit}>
      <TextField
        label={label}
        {...(hint === undefined ? {} : { hint })}
        error={errorAt('value')}
        maxLength={40}
        inputMode={inputMode}
        {...register('value')}
      />
      <p className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button type="submit" kind="strong">
          {say.saveTheRule}
        </Button>
        {suggest && (
          <Button kind="link" onClick={() => change({ value: suggest.make() })}>
            {suggest.label}
          </Button>
        )}
      </p>
    </form>
  );
}

interface CodeProps {
  value: string | null;
  onSave: (code: string | null) => void;
  back?: Back;
}

const newCode = (): string =>
  makeEntryCode(crypto.getRandomValues(new Uint8Array(ENTRY_CODE_BYTES)));

export const CodeCard = ({ value, onSave, back }: CodeProps) => (
  <Card label={fill(say.entryCode, { value: value ?? 'none' })} shown={value ?? 'none'} back={back}>
    {(close) => (
      <ValueForm
        label={say.entryCodeShort}
        hint={say.askedOfEveryoneButHosts}
        suggest={{ label: value === null ? say.makeOne : say.makeAnother, make: newCode }}
        value={value ?? ''}
        onSave={(typed) => {
          onSave(typed.trim() === '' ? null : typed);
          close();
        }}
      />
    )}
  </Card>
);

const MOST = 100000;

const checkCapacity = (typed: string): string | undefined => {
  const isWhole = /^\d{1,6}$/.test(typed.trim());
  return isWhole && Number(typed) >= 1 && Number(typed) <= MOST
    ? undefined
    : fill(say.giveAWholeNumber, { most: MOST });
};

interface CapacityProps {
  value: number;
  onSave: (capacity: number) => void;
  back?: Back;
}

export const CapacityCard = ({ value, onSave, back }: CapacityProps) => (
  <Card
    label={fill(say.roomForPeople, { value })}
    shown={fill(say.valuePeople, { value })}
    back={back}
  >
    {(close) => (
      <ValueForm
        label={say.howManyFitIn}
        value={String(value)}
        inputMode="numeric"
        check={checkCapacity}
        onSave={(typed) => {
          onSave(Number(typed));
          close();
        }}
      />
    )}
  </Card>
);

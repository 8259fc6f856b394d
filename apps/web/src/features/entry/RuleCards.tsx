import { useState, type ReactNode } from 'react';
import { Button } from '../../ui/Button.js';
import { TextField } from '../../ui/TextField.js';
import { CardPart } from '../../ui/SentencePart.js';

/** The way back to the default, where the class period has a value of its own. */
interface Back {
  label: string;
  run: () => void;
}

function Card({
  label,
  shown,
  width,
  open,
  onOpenChange,
  onSubmit,
  disabled = false,
  back,
  children,
}: {
  label: string;
  shown: string;
  width: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onSubmit: () => void;
  disabled?: boolean;
  back?: Back | undefined;
  children: ReactNode;
}) {
  return (
    <CardPart
      label={label}
      shown={shown}
      marked={back !== undefined}
      open={open}
      onOpenChange={onOpenChange}
    >
      <form
        className={`grid gap-3 ${width}`}
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
      >
        {children}
        <Button type="submit" kind="strong" disabled={disabled}>
          Use it
        </Button>
        {back && (
          <Button
            kind="link"
            className="!whitespace-normal"
            onClick={() => {
              onOpenChange(false);
              back.run();
            }}
          >
            {back.label}
          </Button>
        )}
      </form>
    </CardPart>
  );
}

export function CodeCard({
  value,
  onSave,
  back,
}: {
  value: string | null;
  onSave: (code: string | null) => void;
  back?: Back;
}) {
  const [code, setCode] = useState(value ?? '');
  const [open, setOpen] = useState(false);
  return (
    <Card
      label={`Entry code: ${value ?? 'none'}`}
      shown={value ?? 'none'}
      width="w-60"
      open={open}
      onOpenChange={setOpen}
      back={back}
      onSubmit={() => {
        onSave(code.trim() === '' ? null : code);
        setOpen(false);
      }}
    >
      <TextField
        label="Entry code"
        hint="Asked of everyone but hosts and named presenters. Leave it blank for none."
        maxLength={40}
        value={code}
        onChange={(e) => setCode(e.target.value)}
      />
    </Card>
  );
}

export function CapacityCard({
  value,
  onSave,
  back,
}: {
  value: number;
  onSave: (capacity: number) => void;
  back?: Back;
}) {
  const [typed, setTyped] = useState(String(value));
  const [open, setOpen] = useState(false);
  const whole = /^\d{1,6}$/.test(typed.trim()) && Number(typed) >= 1 && Number(typed) <= 100000;
  return (
    <Card
      label={`Room for ${value} people`}
      shown={`${value} people`}
      width="w-56"
      open={open}
      onOpenChange={setOpen}
      disabled={!whole}
      back={back}
      onSubmit={() => {
        if (whole) {
          onSave(Number(typed));
          setOpen(false);
        }
      }}
    >
      <TextField
        label="How many fit in"
        error={whole ? undefined : 'Give a whole number from 1.'}
        inputMode="numeric"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
    </Card>
  );
}

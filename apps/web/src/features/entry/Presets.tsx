import { Lock } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import {
  PRESETS,
  PRESET_NAMES,
  presetChanges,
  type EntryRules,
  type PresetName,
  type RuleLayer,
} from '@glen/core';
import { Button } from '../../ui/Button.js';
import { RULE_NAMES, valueInWords } from './sentences.js';
import { many } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** What a preset would change, line by line, before it does. */
function PresetChanges({ layers, preset }: { layers: RuleLayer[]; preset: PresetName }) {
  const { changes } = presetChanges(layers, preset);
  if (changes.length === 0) return <p className="text-soft">{say.allOfIt}</p>;
  return (
    <ul className="grid gap-1 text-md">
      {changes.map(({ field, from, to, locked }) => (
        <li key={field}>
          {RULE_NAMES[field]}:{' '}
          {locked ? (
            <>
              <Said as={say.valueStays} value={<b>{valueInWords(field, from)}</b>} />{' '}
              <Lock size={13} className="inline" aria-label={say.fixedByTheSchool} />
            </>
          ) : (
            <>
              <s className="text-soft">{valueInWords(field, from)}</s>
              <span className="sr-only"> {say.becomes}</span> <b>{valueInWords(field, to)}</b>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}

const PresetChoice = ({
  preset,
  onChange,
}: {
  preset: PresetName;
  onChange: (preset: PresetName) => void;
}) => (
  <fieldset className="flex flex-wrap gap-x-4 gap-y-1.5">
    <legend className="sr-only">{say.whatItIsFor}</legend>
    {PRESET_NAMES.map((name) => (
      <label key={name} className="flex items-center gap-1.5">
        <input
          type="radio"
          name="preset"
          className="accent-bracken"
          checked={preset === name}
          onChange={() => onChange(name)}
        />
        {PRESETS[name].name}
      </label>
    ))}
  </fieldset>
);

function takeInWords(count: number): string {
  if (count === 0) return say.nothingToChange;
  return many(say.changeTheseLines, count);
}

interface PresetProps {
  layers: RuleLayer[];
  busy: boolean;
  onTake: (rules: Partial<EntryRules>, name: string) => void;
}

function PresetCard({ layers, busy, onTake }: PresetProps) {
  const [preset, setPreset] = useState<PresetName>('lesson');
  const { changes, rules } = presetChanges(layers, preset);
  const count = changes.filter((c) => !c.locked).length;
  return (
    <>
      <PresetChoice preset={preset} onChange={setPreset} />
      <p className="text-md text-soft">{PRESETS[preset].what}</p>
      <PresetChanges layers={layers} preset={preset} />
      <Button
        kind="strong"
        disabled={busy || count === 0}
        onClick={() => onTake(rules, PRESETS[preset].name)}
      >
        {takeInWords(count)}
      </Button>
    </>
  );
}

/** Brings a named set of rules at one press; shows first which lines change. */
export function PresetButton({ layers, busy, onTake }: PresetProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>{say.rulesAsForDots}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          align="start"
          aria-label={say.rulesAsForAPurpose}
          className="z-30 grid max-h-view w-96 max-w-view gap-3 overflow-y-auto rounded-small border border-line bg-sheet p-4 text-ink shadow-soft"
        >
          <PresetCard
            layers={layers}
            busy={busy}
            onTake={(rules, name) => {
              setOpen(false);
              onTake(rules, name);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

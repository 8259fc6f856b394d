import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { TimeField } from '../../ui/TimeField.js';
import { useBells } from '../school/useBells.js';
import * as say from './words.js';

type Kind = 'now' | 'begins' | 'time';

function kindOf(at: string): Kind {
  if (at === '') return 'now';
  return at === 'begins' ? 'begins' : 'time';
}

function OwnTime({ at, onChange }: { at: string; onChange: (at: string) => void }) {
  const [date, time] = at.split('T') as [string, string];
  const bells = useBells(date);
  return (
    <>
      {' '}
      <DateField
        aria-label={say.dayToCome}
        dress="part"
        value={date}
        onChange={(picked) => {
          if (picked) onChange(`${picked}T${time}`);
        }}
      />{' '}
      <TimeField
        aria-label={say.timeToCome}
        dress="part"
        bells={bells}
        value={time}
        onChange={(typed) => {
          if (typed) onChange(`${date}T${typed}`);
        }}
      />
    </>
  );
}

/** Now, when the next session begins, or at a time of one's own; as it stands in the address of the page. */
export function MomentPart({
  at,
  next,
  shown,
  onChange,
}: {
  at: string;
  next: Answer<'reach'>['next'];
  shown: { date: string; time: string } | undefined;
  onChange: (at: string) => void;
}) {
  const kind = kindOf(at);
  const addressOf: Record<Kind, string> = {
    now: '',
    begins: 'begins',
    time: `${shown?.date ?? ''}T${shown?.time ?? ''}`,
  };
  return (
    <>
      <ChoicePart
        label={say.atWhatTime}
        value={kind}
        onChange={(v) => onChange(addressOf[v as Kind])}
        choices={[
          { value: 'now', label: say.now },
          ...(next
            ? [
                {
                  value: 'begins',
                  label: say.whenTheNextSessionBegins,
                  hint: `${dateInWords(next.date)} ${next.time}`,
                },
              ]
            : []),
          { value: 'time', label: say.atATimeToCome },
        ]}
      />
      {kind === 'time' && <OwnTime at={at} onChange={onChange} />}
    </>
  );
}

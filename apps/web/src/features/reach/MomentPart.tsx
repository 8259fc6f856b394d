import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { ChoicePart, typedPart } from '../../ui/SentencePart.js';

type Kind = 'now' | 'begins' | 'time';

function kindOf(at: string): Kind {
  if (at === '') return 'now';
  return at === 'begins' ? 'begins' : 'time';
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
        label="At what time"
        value={kind}
        onChange={(v) => onChange(addressOf[v as Kind])}
        choices={[
          { value: 'now', label: 'now' },
          ...(next
            ? [
                {
                  value: 'begins',
                  label: 'when the next session begins',
                  hint: `${dateInWords(next.date)} ${next.time}`,
                },
              ]
            : []),
          { value: 'time', label: 'at a time to come' },
        ]}
      />
      {kind === 'time' && (
        <>
          {' '}
          <input
            type="datetime-local"
            aria-label="Time to come"
            className={typedPart}
            value={at}
            onChange={(e) => {
              if (e.target.value) onChange(e.target.value.slice(0, 16));
            }}
          />
        </>
      )}
    </>
  );
}

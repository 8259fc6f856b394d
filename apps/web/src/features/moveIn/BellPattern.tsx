import { X } from 'lucide-react';
import { Button } from '../../ui/Button.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { TimeField } from '../../ui/TimeField.js';
import { FIRST_PATTERN, type YearDraft } from './firstDraft.js';
import { periodsOf } from './yearOfDraft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Bells = NonNullable<YearDraft['bells']>;

interface PatternProps {
  bells: YearDraft['bells'];
  /** The field of the pattern that is wrong, such as `breaks.0.after`. */
  wrong: string | undefined;
  onChange: (bells: YearDraft['bells']) => void;
}

/** The periods that the pattern comes to; nothing while it is wrong. */
function Periods({ bells }: { bells: Bells }) {
  const periods = periodsOf(bells);
  return (
    <p className="mt-1 font-mono text-sm text-soft">
      {periods.map((p) => `${p.label} ${p.start}–${p.end}`).join(' · ')}
    </p>
  );
}

type Pause = Bells['breaks'][number];

interface PauseProps {
  pause: Pause;
  at: number;
  wrong: string | undefined;
  onChange: (part: Partial<Pause>) => void;
  onRemove: () => void;
}

const PausePart = ({ pause, at, wrong, onChange, onRemove }: PauseProps) => (
  <span>
    <Said
      as={say.afterPeriod}
      minutes={
        <NumberPart
          label={fill(say.minutesOfPause, { at: at + 1 })}
          value={pause.minutes}
          invalid={wrong === `breaks.${at}.minutes`}
          onChange={(minutes) => onChange({ minutes })}
        />
      }
      after={
        <NumberPart
          label={fill(say.pauseAfterPeriod, { at: at + 1 })}
          value={pause.after}
          invalid={wrong === `breaks.${at}.after`}
          onChange={(after) => onChange({ after })}
        />
      }
    />
    <button
      type="button"
      aria-label={fill(say.noPause, { at: at + 1 })}
      className="mx-1 rounded-small p-1 align-middle text-soft hover:text-berry-deep"
      onClick={onRemove}
    >
      <X size={15} aria-hidden="true" />
    </button>
  </span>
);

type Simple = 'count' | 'minutes' | 'between';

const LABELS: Record<Simple, string> = say.labels;

function Sentence({ bells, wrong, onChange }: PatternProps & { bells: Bells }) {
  const change = (part: Partial<Bells>): void => onChange({ ...bells, ...part });
  const { breaks } = bells;
  const field = (name: Simple) => (
    <NumberPart
      label={LABELS[name]}
      value={bells[name]}
      invalid={wrong === name}
      onChange={(value) => change({ [name]: value })}
    />
  );
  return (
    <p className="text-lg leading-sentence">
      {field('count')}{' '}
      <Said
        as={say.periodsOfMinutesFromMinutes}
        minutes={field('minutes')}
        firstBegins={
          <TimeField
            aria-label={say.theFirstBeginsAt}
            dress="part"
            value={bells.first}
            invalid={wrong === 'first'}
            onChange={(first) => change({ first })}
          />
        }
        between={field('between')}
        breaks={breaks.map((pause, i) => (
          <PausePart
            key={i}
            pause={pause}
            at={i}
            wrong={wrong}
            onChange={(part) =>
              change({ breaks: breaks.map((b, k) => (k === i ? { ...b, ...part } : b)) })
            }
            onRemove={() => change({ breaks: breaks.filter((_, k) => k !== i) })}
          />
        ))}
      />
    </p>
  );
}

/** The day's bells as one says them, or that there are none. */
export function BellPattern({ bells, wrong, onChange }: PatternProps) {
  if (bells === null)
    return (
      <p className="flex flex-wrap items-center gap-3">
        {say.noBellsSessionsHave}
        <Button kind="link" onClick={() => onChange(FIRST_PATTERN)}>
          {say.weHaveBells}
        </Button>
      </p>
    );
  const another = { after: String(bells.breaks.length + 3), minutes: '45' };
  return (
    <>
      <Sentence bells={bells} wrong={wrong} onChange={onChange} />
      {wrong === undefined && <Periods bells={bells} />}
      <p className="mt-1 flex flex-wrap gap-x-5">
        <Button
          kind="link"
          onClick={() => onChange({ ...bells, breaks: [...bells.breaks, another] })}
        >
          {say.anotherLongerPause}
        </Button>
        <Button kind="link" onClick={() => onChange(null)}>
          {say.weHaveNoBells}
        </Button>
      </p>
    </>
  );
}

import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { TimeField } from '../../ui/TimeField.js';
import { useBells } from '../school/useBells.js';
import {
  MINUTES_BEFORE,
  MORNING,
  timingFor,
  type About,
  type PostDraft,
  type Timing,
} from './draft.js';

const kindOf = (timing: Timing): string =>
  typeof timing === 'string' ? timing : Object.keys(timing)[0]!;

interface TimingProps {
  draft: PostDraft;
  change: (part: Partial<PostDraft>) => void;
  today: { date: string; time: string };
  wrong: boolean;
  isOut: boolean;
}

/** The draft about something else: what its timing and its end then are. */
function aboutOther({ about, timing, afterwards }: PostDraft, to: About): Partial<PostDraft> {
  const next = timingFor(to, timing);
  if (to === 'link') return { about: to, timing: next, afterwards: 'stay' };
  if (about !== 'link') return { about: to, timing: next, afterwards };
  const before = { before: MINUTES_BEFORE };
  return { about: to, timing: next === 'now' ? before : next, afterwards: 'down' };
}

function AboutPart({ draft, change, today }: TimingProps) {
  const { about } = draft;
  const choose = (value: string): void => {
    const to = value === 'on' ? { on: today.date } : (value as 'link' | 'sessions');
    change(aboutOther(draft, to));
  };
  return (
    <>
      It is about{' '}
      <ChoicePart
        label="What it is about"
        value={typeof about === 'string' ? about : 'on'}
        onChange={choose}
        choices={[
          { value: 'link', label: 'the lasting link', hint: 'it stands all year' },
          { value: 'sessions', label: 'each session', hint: 'one for every date' },
          { value: 'on', label: 'the session of one day' },
        ]}
      />
      {typeof about === 'object' && (
        <>
          {' '}
          <DateField
            aria-label="Day of the session"
            dress="part"
            value={about.on}
            onChange={(on) => change({ about: { on } })}
          />
        </>
      )}
    </>
  );
}

const BY_SESSION = [
  { value: 'before', label: 'some minutes before' },
  { value: 'morning', label: 'that morning' },
];

function WhenPart({ draft, change, today, wrong }: TimingProps) {
  const { about, timing } = draft;
  const isBySession = about !== 'link';
  const times: Record<string, Timing> = {
    now: 'now',
    draft: 'draft',
    at: { at: today },
    before: { before: MINUTES_BEFORE },
    morning: { morning: MORNING },
  };
  return (
    <ChoicePart
      label="When it goes out"
      value={kindOf(timing)}
      invalid={wrong}
      onChange={(kind) => change({ timing: times[kind]! })}
      choices={[
        ...(isBySession ? BY_SESSION : []),
        { value: 'now', label: isBySession ? 'now, for all to come' : 'now' },
        ...(about === 'sessions' ? [] : [{ value: 'at', label: 'at a time' }]),
        { value: 'draft', label: 'when I release it', hint: 'a draft' },
      ]}
    />
  );
}

function AtPart({
  at,
  change,
}: { at: { date: string; time: string } } & Pick<TimingProps, 'change'>) {
  const bells = useBells(at.date);
  return (
    <>
      :{' '}
      <DateField
        aria-label="Date"
        dress="part"
        value={at.date}
        onChange={(date) => change({ timing: { at: { ...at, date } } })}
      />{' '}
      <TimeField
        aria-label="Time"
        dress="part"
        bells={bells}
        value={at.time}
        onChange={(time) => change({ timing: { at: { ...at, time } } })}
      />
    </>
  );
}

/** The minutes, the hour or the date of a timing that has one. */
function TimePart({ draft: { timing }, change, isOut }: TimingProps) {
  if (typeof timing === 'string') return null;
  if ('at' in timing) return isOut ? null : <AtPart at={timing.at} change={change} />;
  if ('before' in timing)
    return (
      <>
        :{' '}
        <NumberPart
          wide
          label="Minutes before"
          value={String(timing.before)}
          onChange={(typed) => change({ timing: { before: Number(typed.replaceAll(/\D/g, '')) } })}
        />{' '}
        minutes
      </>
    );
  return (
    <>
      {' '}
      at{' '}
      <TimeField
        aria-label="Time in the morning"
        dress="part"
        value={timing.morning}
        onChange={(morning) => change({ timing: { morning } })}
      />
    </>
  );
}

function AfterwardsPart({ draft, change }: TimingProps) {
  if (draft.about === 'link') return null;
  return (
    <>
      , and when the session is over it{' '}
      <ChoicePart
        label="What becomes of it"
        value={draft.afterwards}
        marked={false}
        onChange={(v) => change({ afterwards: v as PostDraft['afterwards'] })}
        choices={[
          { value: 'down', label: 'is taken down' },
          { value: 'strike', label: 'is struck through' },
          { value: 'stay', label: 'stays' },
        ]}
      />
    </>
  );
}

function PinnedPart({ draft, change }: TimingProps) {
  if (!draft.places.some((p) => p.kind === 'stream')) return null;
  return (
    <>
      . On streams it is{' '}
      <ChoicePart
        label="Pinned"
        value={draft.pinned ? 'top' : 'order'}
        marked={draft.pinned}
        onChange={(v) => change({ pinned: v === 'top' })}
        choices={[
          { value: 'order', label: 'in order with the rest' },
          { value: 'top', label: 'pinned on top' },
        ]}
      />
    </>
  );
}

/** What it is about, when it goes out and what becomes of it, in a sentence. */
export function TimingPart(props: TimingProps) {
  const { draft, isOut } = props;
  return (
    <p className="text-lg leading-sentence">
      <AboutPart {...props} />
      {isOut && draft.about === 'link' ? (
        <>
          {' '}
          and is <b>out</b>
        </>
      ) : (
        <>
          , goes out <WhenPart {...props} />
        </>
      )}
      <TimePart {...props} />
      <AfterwardsPart {...props} />
      <PinnedPart {...props} />.
    </p>
  );
}

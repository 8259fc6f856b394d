import { ChoicePart, typedPart } from '../../ui/SentencePart.js';
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
          <input
            type="date"
            aria-label="Day of the session"
            className={typedPart}
            value={about.on}
            onChange={(e) => change({ about: { on: e.target.value } })}
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
  return (
    <>
      :{' '}
      <input
        type="date"
        aria-label="Date"
        className={typedPart}
        value={at.date}
        onChange={(e) => change({ timing: { at: { ...at, date: e.target.value } } })}
      />{' '}
      <input
        type="time"
        aria-label="Time"
        className={typedPart}
        value={at.time}
        onChange={(e) => change({ timing: { at: { ...at, time: e.target.value } } })}
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
        <input
          type="number"
          aria-label="Minutes before"
          className={`${typedPart} w-20`}
          min={0}
          max={1440}
          value={timing.before}
          onChange={(e) => change({ timing: { before: Number(e.target.value) } })}
        />{' '}
        minutes
      </>
    );
  return (
    <>
      {' '}
      at{' '}
      <input
        type="time"
        aria-label="Time in the morning"
        className={typedPart}
        value={timing.morning}
        onChange={(e) => change({ timing: { morning: e.target.value } })}
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
    <p className="text-lg leading-[2.2]">
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

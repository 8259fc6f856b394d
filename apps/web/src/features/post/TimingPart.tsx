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

/** What it is about, when it goes out and what becomes of it, in a sentence. */
export function TimingPart({
  draft,
  change,
  today,
  wrong,
  isOut,
}: {
  draft: PostDraft;
  change: (part: Partial<PostDraft>) => void;
  today: { date: string; time: string };
  wrong: boolean;
  isOut: boolean;
}) {
  const { about, timing } = draft;
  const setAbout = (to: About): void => {
    const next = timingFor(to, timing);
    change({
      about: to,
      timing:
        to !== 'link' && about === 'link' && next === 'now' ? { before: MINUTES_BEFORE } : next,
      afterwards: to === 'link' ? 'stay' : about === 'link' ? 'down' : draft.afterwards,
    });
  };
  const setTiming = (kind: string): void => {
    const times: Record<string, Timing> = {
      now: 'now',
      draft: 'draft',
      at: { at: today },
      before: { before: MINUTES_BEFORE },
      morning: { morning: MORNING },
    };
    change({ timing: times[kind]! });
  };
  const sessions = about !== 'link';
  return (
    <p className="text-lg leading-[2.2]">
      It is about{' '}
      <ChoicePart
        label="What it is about"
        value={typeof about === 'string' ? about : 'on'}
        onChange={(v) => setAbout(v === 'on' ? { on: today.date } : (v as 'link' | 'sessions'))}
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
      {isOut && !sessions ? (
        <>
          {' '}
          and is <b>out</b>
        </>
      ) : (
        <>
          , goes out{' '}
          <ChoicePart
            label="When it goes out"
            value={kindOf(timing)}
            invalid={wrong}
            onChange={setTiming}
            choices={[
              ...(sessions
                ? [
                    { value: 'before', label: 'some minutes before' },
                    { value: 'morning', label: 'that morning' },
                  ]
                : []),
              { value: 'now', label: sessions ? 'now, for all to come' : 'now' },
              ...(about === 'sessions' ? [] : [{ value: 'at', label: 'at a time' }]),
              { value: 'draft', label: 'when I release it', hint: 'a draft' },
            ]}
          />
        </>
      )}
      {typeof timing === 'object' && 'before' in timing && (
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
      )}
      {typeof timing === 'object' && 'morning' in timing && (
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
      )}
      {!isOut && typeof timing === 'object' && 'at' in timing && (
        <>
          :{' '}
          <input
            type="date"
            aria-label="Date"
            className={typedPart}
            value={timing.at.date}
            onChange={(e) => change({ timing: { at: { ...timing.at, date: e.target.value } } })}
          />{' '}
          <input
            type="time"
            aria-label="Time"
            className={typedPart}
            value={timing.at.time}
            onChange={(e) => change({ timing: { at: { ...timing.at, time: e.target.value } } })}
          />
        </>
      )}
      {sessions && (
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
      )}
      {draft.places.some((p) => p.kind === 'stream') && (
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
      )}
      .
    </p>
  );
}

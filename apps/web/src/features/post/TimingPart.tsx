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
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

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
      <ChoicePart
        label={say.whatItIsAbout}
        value={typeof about === 'string' ? about : 'on'}
        onChange={choose}
        choices={[
          { value: 'link', label: say.theLastingLink, hint: say.itStandsAllYear },
          { value: 'sessions', label: say.eachSession, hint: say.oneForEveryDate },
          { value: 'on', label: say.theSessionOfOneDay },
        ]}
      />
      {typeof about === 'object' && (
        <>
          {' '}
          <DateField
            aria-label={say.dayOfTheSession}
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
  { value: 'before', label: say.someMinutesBefore },
  { value: 'morning', label: say.thatMorning },
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
      label={say.whenItGoesOut}
      value={kindOf(timing)}
      invalid={wrong}
      onChange={(kind) => change({ timing: times[kind]! })}
      choices={[
        ...(isBySession ? BY_SESSION : []),
        { value: 'now', label: isBySession ? say.nowForAllToCome : 'now' },
        ...(about === 'sessions' ? [] : [{ value: 'at', label: say.atATime }]),
        { value: 'draft', label: say.whenIReleaseIt, hint: say.aDraft },
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
        aria-label={say.date}
        dress="part"
        value={at.date}
        onChange={(date) => change({ timing: { at: { ...at, date } } })}
      />{' '}
      <TimeField
        aria-label={say.time}
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
        <Said
          as={say.minutesBeforeMinutes}
          minutesBefore={
            <NumberPart
              wide
              label={say.minutesBefore}
              value={String(timing.before)}
              onChange={(typed) =>
                change({ timing: { before: Number(typed.replaceAll(/\D/g, '')) } })
              }
            />
          }
        />
      </>
    );
  return (
    <>
      {' '}
      <Said
        as={say.atTimeMorning}
        timeMorning={
          <TimeField
            aria-label={say.timeInTheMorning}
            dress="part"
            value={timing.morning}
            onChange={(morning) => change({ timing: { morning } })}
          />
        }
      />
    </>
  );
}

function AfterwardsPart({ draft, change }: TimingProps) {
  if (draft.about === 'link') return null;
  return (
    <Said
      as={say.whenTheSessionIsOver}
      becomes={
        <ChoicePart
          label={say.whatBecomesOfIt}
          value={draft.afterwards}
          marked={false}
          onChange={(v) => change({ afterwards: v as PostDraft['afterwards'] })}
          choices={[
            { value: 'down', label: say.isTakenDown },
            { value: 'strike', label: say.isStruckThrough },
            { value: 'stay', label: say.stays },
          ]}
        />
      }
    />
  );
}

function PinnedPart({ draft, change }: TimingProps) {
  if (!draft.places.some((p) => p.kind === 'stream')) return null;
  return (
    <Said
      as={say.onStreamsItIs}
      pinned={
        <ChoicePart
          label={say.pinned}
          value={draft.pinned ? 'top' : 'order'}
          marked={draft.pinned}
          onChange={(v) => change({ pinned: v === 'top' })}
          choices={[
            { value: 'order', label: say.inOrderWithTheRest },
            { value: 'top', label: say.pinnedOnTop },
          ]}
        />
      }
    />
  );
}

/** What it is about, when it goes out and what becomes of it, in sentences. */
export function TimingPart(props: TimingProps) {
  const { draft, isOut } = props;
  const about = <AboutPart {...props} />;
  return (
    <p className="text-lg leading-sentence">
      {isOut && draft.about === 'link' ? (
        <Said as={say.itIsAboutAndOut} about={about} strong={(text) => <b>{text}</b>} />
      ) : (
        <Said
          as={say.itIsAboutAndGoesOut}
          about={about}
          when={
            <>
              <WhenPart {...props} />
              <TimePart {...props} />
            </>
          }
        />
      )}{' '}
      <AfterwardsPart {...props} /> <PinnedPart {...props} />
    </p>
  );
}

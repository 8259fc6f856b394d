import { ChoicePart } from '../../ui/choices.js';
import { SOURCES, type RuleEdits } from './useRuleEdits.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** Minutes that are offered. */
const OFFERED = [1, 3, 5, 10, 15, 20, 30, 60];
/** What the way back to the default is called among the values of the list. */
const BACK = 'back';

const inWords = (minutes: number): string => fill(say.minutesMin, { minutes });

function choicesOf({ hostsGone, ownHostsGone, usualHostsGone }: RuleEdits) {
  const all = [...new Set([...OFFERED, hostsGone.minutes])].sort((a, b) => a - b);
  const back = {
    value: BACK,
    label: fill(say.backToInWords, { inWords: inWords(usualHostsGone.minutes) }),
    apart: true,
  };
  return [
    ...all.map((minutes) => ({ value: String(minutes), label: inWords(minutes) })),
    ...(ownHostsGone === null ? [] : [back]),
  ];
}

/** For how long people may be in the room when all its hosts have left. */
function Minutes({ edits }: { edits: RuleEdits }) {
  const { hostsGone, ownHostsGone, setHostsGone, busy, mayEdit } = edits;
  const { minutes, from } = hostsGone;
  if (!mayEdit) return <b className="whitespace-nowrap">{inWords(minutes)}</b>;
  const source = from === null ? say.asUsual : SOURCES[from];
  return (
    <ChoicePart
      label={fill(say.whenEverybodyIsOutAfter, { source: source ?? '' })}
      value={String(minutes)}
      choices={choicesOf(edits)}
      disabled={busy}
      marked={ownHostsGone !== null}
      onChange={(value) => setHostsGone(value === BACK ? null : Number(value))}
    />
  );
}

interface HostsGoneProps {
  edits: RuleEdits;
  /** No room of a video service stands behind it: out of others Glen can put nobody. */
  isPasted: boolean;
}

/** What becomes of a room that its hosts have left, as a sentence. */
export function HostsGone({ edits, isPasted }: HostsGoneProps) {
  if (isPasted) return <>{say.outOfAPastedRoom}</>;
  if (edits.rules.withoutHost) return <>{say.whenAllHostsHaveLeftPeople}</>;
  return (
    <>
      <Said as={say.whenAllHostsHaveLeftEverybody} minutes={<Minutes edits={edits} />} />
    </>
  );
}

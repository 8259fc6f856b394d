import { bellsOn } from '@glen/core';
import { ChoicePart } from '../../ui/choices.js';
import { TimeField } from '../../ui/TimeField.js';
import { bellTimes } from '../school/useBells.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { PartProps } from './partProps.js';
import { AT_A_TIME, FROM_A_BELL } from './sheetDraft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const labelsOf = ({ school }: PartProps): string[] => [
  ...new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label))),
];

function Minutes({ draft, change, wrong }: PartProps) {
  return (
    <>
      {' '}
      <Said
        as={say.forMinutes}
        minutes={
          <NumberPart
            wide
            label={say.minutes}
            value={draft.minutes}
            invalid={wrong('at.minutes')}
            onChange={(value) => change({ minutes: value })}
          />
        }
      />
    </>
  );
}

/** A wall-clock time, with whose clock it is where the reader's is another. */
function AtTime(props: PartProps) {
  const { draft, change, school, wrong } = props;
  const readerZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const zones = [...new Set([school.zone, draft.zone, readerZone])];
  return (
    <>
      {' '}
      <TimeField
        aria-label={say.time}
        dress="part"
        bells={bellTimes(school, draft.first)}
        invalid={wrong('at.time')}
        value={draft.time}
        onChange={(time) => change({ time })}
      />
      <Minutes {...props} />
      {zones.length > 1 && (
        <>
          ,{' '}
          <ChoicePart
            label={say.whoseTime}
            marked={draft.zone !== school.zone}
            value={draft.zone}
            onChange={(zone) => change({ zone })}
            choices={zones.map((z) => ({
              value: z,
              label: z === school.zone ? say.schoolTime : fill(say.zTime, { z }),
            }))}
          />
        </>
      )}
    </>
  );
}

/** So many minutes after or before a bell. */
function FromBell(props: PartProps) {
  const { draft, change, wrong } = props;
  const places = [
    { value: 'last/end', label: say.theLastBell },
    { value: 'first/start', label: say.theFirstBell },
    ...labelsOf(props).flatMap((l) => [
      { value: `${l}/start`, label: fill(say.periodBegins, { l }) },
      { value: `${l}/end`, label: fill(say.periodEnds, { l }) },
    ]),
  ];
  return (
    <>
      <Said
        as={say.minutesFromMinAfterOrBell}
        minutesFrom={
          <NumberPart
            label={say.minutesFromTheBell}
            value={draft.offset}
            invalid={wrong('at.bell')}
            onChange={(offset) => change({ offset })}
          />
        }
        afterOr={
          <ChoicePart
            label={say.afterOrBefore}
            value={draft.side}
            onChange={(side) => change({ side: side as 'after' | 'before' })}
            choices={[
              { value: 'after', label: say.after },
              { value: 'before', label: say.before },
            ]}
          />
        }
        bell={
          <ChoicePart
            label={say.whichBell}
            value={draft.bell}
            onChange={(bell) => change({ bell })}
            choices={places}
          />
        }
      />
      <Minutes {...props} />
    </>
  );
}

/** The bell periods to choose from: of a single session those of its day, and whichever is chosen. */
function periodsFor(props: PartProps): { value: string; label: string; hint?: string }[] {
  const { draft, school } = props;
  const today = bellsOn(school, draft.first);
  const isOnce = draft.every === 'once';
  const hint = (label: string): { hint?: string } => {
    const bell = today.find((b) => b.label === label);
    if (bell) return { hint: `${bell.start}–${bell.end}` };
    return isOnce ? { hint: say.notOnThisDay } : {};
  };
  return labelsOf(props)
    .filter((l) => !isOnce || l === draft.when || today.some((b) => b.label === l))
    .map((l) => ({ value: l, label: fill(say.inPeriodL, { l }), ...hint(l) }));
}

/** When within the day: in a bell period, at a time, or some minutes from a bell. */
export function WhenParts(props: PartProps) {
  const { draft, change, school, wrong } = props;
  return (
    <>
      <ChoicePart
        label={say.bellPeriodOrTime}
        invalid={wrong('at')}
        value={draft.when}
        onChange={(when) => change({ when, ...(when === AT_A_TIME ? {} : { zone: school.zone }) })}
        choices={[
          ...periodsFor(props),
          { value: AT_A_TIME, label: say.atATimeOfDay },
          { value: FROM_A_BELL, label: say.someMinutesFromABell },
        ]}
      />
      {draft.when === AT_A_TIME && <AtTime {...props} />}
      {draft.when === FROM_A_BELL && <FromBell {...props} />}
    </>
  );
}

import { bellsOn } from '@glen/core';
import { ChoicePart } from '../../ui/choices.js';
import { TimeField } from '../../ui/TimeField.js';
import { bellTimes } from '../school/useBells.js';
import { NumberPart } from '../../ui/NumberPart.js';
import type { PartProps } from './partProps.js';
import { AT_A_TIME, FROM_A_BELL } from './sheetDraft.js';

const labelsOf = ({ school }: PartProps): string[] => [
  ...new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label))),
];

function Minutes({ draft, change, wrong }: PartProps) {
  return (
    <>
      {' '}
      for{' '}
      <NumberPart
        wide
        label="Minutes"
        value={draft.minutes}
        invalid={wrong('at.minutes')}
        onChange={(value) => change({ minutes: value })}
      />{' '}
      minutes
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
        aria-label="Time"
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
            label="Whose time"
            marked={draft.zone !== school.zone}
            value={draft.zone}
            onChange={(zone) => change({ zone })}
            choices={zones.map((z) => ({
              value: z,
              label: z === school.zone ? 'school time' : `${z} time`,
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
    { value: 'last/end', label: 'the last bell' },
    { value: 'first/start', label: 'the first bell' },
    ...labelsOf(props).flatMap((l) => [
      { value: `${l}/start`, label: `period ${l} begins` },
      { value: `${l}/end`, label: `period ${l} ends` },
    ]),
  ];
  return (
    <>
      :{' '}
      <NumberPart
        label="Minutes from the bell"
        value={draft.offset}
        invalid={wrong('at.bell')}
        onChange={(offset) => change({ offset })}
      />{' '}
      min{' '}
      <ChoicePart
        label="After or before"
        value={draft.side}
        onChange={(side) => change({ side: side as 'after' | 'before' })}
        choices={[
          { value: 'after', label: 'after' },
          { value: 'before', label: 'before' },
        ]}
      />{' '}
      <ChoicePart
        label="Which bell"
        value={draft.bell}
        onChange={(bell) => change({ bell })}
        choices={places}
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
    return isOnce ? { hint: 'not on this day' } : {};
  };
  return labelsOf(props)
    .filter((l) => !isOnce || l === draft.when || today.some((b) => b.label === l))
    .map((l) => ({ value: l, label: `in period ${l}`, ...hint(l) }));
}

/** When within the day: in a bell period, at a time, or some minutes from a bell. */
export function WhenParts(props: PartProps) {
  const { draft, change, school, wrong } = props;
  return (
    <>
      <ChoicePart
        label="Bell period or time"
        invalid={wrong('at')}
        value={draft.when}
        onChange={(when) => change({ when, ...(when === AT_A_TIME ? {} : { zone: school.zone }) })}
        choices={[
          ...periodsFor(props),
          { value: AT_A_TIME, label: 'at a time of day' },
          { value: FROM_A_BELL, label: 'some minutes from a bell' },
        ]}
      />
      {draft.when === AT_A_TIME && <AtTime {...props} />}
      {draft.when === FROM_A_BELL && <FromBell {...props} />}
    </>
  );
}

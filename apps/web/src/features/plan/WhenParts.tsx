import { bellsOn } from '@glen/core';
import { ChoicePart, typedPart } from '../../ui/SentencePart.js';
import { NumberPart, type PartProps } from './RepeatParts.js';
import { AT_A_TIME, FROM_A_BELL } from './sheetDraft.js';

/** When within the day: in a bell period, at a time, or some minutes from a bell. */
export function WhenParts({ draft, change, school, wrong }: PartProps) {
  const labels = [...new Set(school.bells.flatMap((set) => set.periods.map((p) => p.label)))];
  const today = bellsOn(school, draft.first);
  const isOnce = draft.every === 'once';
  const hint = (label: string): { hint?: string } => {
    const bell = today.find((b) => b.label === label);
    return bell ? { hint: `${bell.start}–${bell.end}` } : isOnce ? { hint: 'not on this day' } : {};
  };
  const shown =
    isOnce && today.length > 0
      ? labels.filter((l) => l === draft.when || today.some((b) => b.label === l))
      : isOnce
        ? labels.filter((l) => l === draft.when)
        : labels;
  const places = [
    { value: 'last/end', label: 'the last bell' },
    { value: 'first/start', label: 'the first bell' },
    ...labels.flatMap((l) => [
      { value: `${l}/start`, label: `period ${l} begins` },
      { value: `${l}/end`, label: `period ${l} ends` },
    ]),
  ];
  const readerZone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const zones = [...new Set([school.zone, draft.zone, readerZone])];
  const minutes = (
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
  return (
    <>
      <ChoicePart
        label="Bell period or time"
        invalid={wrong('at')}
        value={draft.when}
        onChange={(when) => change({ when, ...(when === AT_A_TIME ? {} : { zone: school.zone }) })}
        choices={[
          ...shown.map((l) => ({ value: l, label: `in period ${l}`, ...hint(l) })),
          { value: AT_A_TIME, label: 'at a time of day' },
          { value: FROM_A_BELL, label: 'some minutes from a bell' },
        ]}
      />
      {draft.when === AT_A_TIME && (
        <>
          {' '}
          <input
            type="time"
            aria-label="Time"
            className={typedPart}
            data-invalid={wrong('at.time')}
            value={draft.time}
            onChange={(e) => change({ time: e.target.value })}
          />
          {minutes}
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
      )}
      {draft.when === FROM_A_BELL && (
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
          {minutes}
        </>
      )}
    </>
  );
}

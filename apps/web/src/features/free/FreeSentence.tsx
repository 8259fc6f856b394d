import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { TimeField } from '../../ui/TimeField.js';
import { PeoplePart } from './PeoplePart.js';
import type { Free, Named } from './useFree.js';

const without = (people: Named[], others: Named[]): Named[] =>
  people.filter(({ id }) => !others.some((other) => other.id === id));

function Who({ free: { wanted, change, wrong } }: { free: Free }) {
  const { must, may } = wanted;
  return (
    <>
      for{' '}
      <PeoplePart
        label="Who must come"
        nobody="nobody yet"
        people={must}
        invalid={wrong('must')}
        onChange={(people) => change({ must: people, may: without(may, people) })}
      />
      , who must come, and{' '}
      <PeoplePart
        label="Who may come"
        nobody="nobody else"
        people={may}
        invalid={wrong('may')}
        onChange={(people) => change({ may: people, must: without(must, people) })}
      />{' '}
      if they can
    </>
  );
}

function When({ free: { wanted, change, wrong } }: { free: Free }) {
  return (
    <>
      from{' '}
      <DateField
        dress="part"
        aria-label="The first day"
        value={wanted.from}
        invalid={wrong('from')}
        onChange={(from) => change({ from, ...(from > wanted.to ? { to: from } : {}) })}
      />{' '}
      to{' '}
      <DateField
        dress="part"
        aria-label="The last day"
        value={wanted.to}
        invalid={wrong('to')}
        onChange={(to) => change({ to })}
      />{' '}
      between{' '}
      <TimeField
        dress="part"
        aria-label="No earlier than"
        value={wanted.hoursFrom}
        invalid={wrong('hours.from')}
        onChange={(hoursFrom) => change({ hoursFrom })}
      />{' '}
      and{' '}
      <TimeField
        dress="part"
        aria-label="No later than"
        value={wanted.hoursTo}
        invalid={wrong('hours.to')}
        onChange={(hoursTo) => change({ hoursTo })}
      />{' '}
      <ChoicePart
        label="On which days"
        value={wanted.days}
        choices={[
          { value: 'school', label: 'on school days' },
          { value: 'every', label: 'on every day' },
        ]}
        onChange={(days) => change({ days: days as 'school' })}
      />
    </>
  );
}

/** What is looked for, in a sentence whose parts are changed in place. */
export function FreeSentence({ free }: { free: Free }) {
  const { wanted, change, wrong, problem } = free;
  return (
    <>
      <p className="max-w-3xl text-lg leading-sentence">
        Find{' '}
        <NumberPart
          wide
          label="Minutes"
          value={wanted.minutes}
          invalid={wrong('minutes')}
          onChange={(minutes) => change({ minutes })}
        />{' '}
        minutes <Who free={free} />, <When free={free} />,{' '}
        <ChoicePart
          label="What counts as busy"
          value={wanted.bells ? 'bells' : 'sessions'}
          choices={[
            { value: 'bells', label: 'not during class periods' },
            { value: 'sessions', label: 'during class periods, too' },
          ]}
          onChange={(what) => change({ bells: what === 'bells' })}
        />
        .
      </p>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

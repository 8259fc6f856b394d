import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { DateField } from '../../ui/DateField.js';
import { NumberPart } from '../../ui/NumberPart.js';
import { TimeField } from '../../ui/TimeField.js';
import { PeoplePart } from './PeoplePart.js';
import type { Free, Named } from './useFree.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const without = (people: Named[], others: Named[]): Named[] =>
  people.filter(({ id }) => !others.some((other) => other.id === id));

function Who({ free: { wanted, change, wrong } }: { free: Free }) {
  const { must, may } = wanted;
  return (
    <>
      <Said
        as={say.forWhoMustCome}
        mustCome={
          <PeoplePart
            label={say.whoMustCome}
            nobody={say.nobodyYet}
            people={must}
            invalid={wrong('must')}
            onChange={(people) => change({ must: people, may: without(may, people) })}
          />
        }
        come={
          <PeoplePart
            label={say.whoMayCome}
            nobody={say.nobodyElse}
            people={may}
            invalid={wrong('may')}
            onChange={(people) => change({ may: people, must: without(must, people) })}
          />
        }
      />
    </>
  );
}

function When({ free: { wanted, change, wrong } }: { free: Free }) {
  return (
    <>
      <Said
        as={say.fromToBetweenAnd}
        firstDay={
          <DateField
            dress="part"
            aria-label={say.theFirstDay}
            value={wanted.from}
            invalid={wrong('from')}
            onChange={(from) => change({ from, ...(from > wanted.to ? { to: from } : {}) })}
          />
        }
        lastDay={
          <DateField
            dress="part"
            aria-label={say.theLastDay}
            value={wanted.to}
            invalid={wrong('to')}
            onChange={(to) => change({ to })}
          />
        }
        noEarlier={
          <TimeField
            dress="part"
            aria-label={say.noEarlierThan}
            value={wanted.hoursFrom}
            invalid={wrong('hours.from')}
            onChange={(hoursFrom) => change({ hoursFrom })}
          />
        }
        noLater={
          <TimeField
            dress="part"
            aria-label={say.noLaterThan}
            value={wanted.hoursTo}
            invalid={wrong('hours.to')}
            onChange={(hoursTo) => change({ hoursTo })}
          />
        }
        onDays={
          <ChoicePart
            label={say.onWhichDays}
            value={wanted.days}
            choices={[
              { value: 'school', label: say.onSchoolDays },
              { value: 'every', label: say.onEveryDay },
            ]}
            onChange={(days) => change({ days: days as 'school' })}
          />
        }
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
        <Said
          as={say.findMinutes}
          minutes={
            <NumberPart
              wide
              label={say.minutes}
              value={wanted.minutes}
              invalid={wrong('minutes')}
              onChange={(minutes) => change({ minutes })}
            />
          }
          who={<Who free={free} />}
          when={<When free={free} />}
          countsAs={
            <ChoicePart
              label={say.whatCountsAsBusy}
              value={wanted.bells ? 'bells' : 'sessions'}
              choices={[
                { value: 'bells', label: say.notDuringClassPeriods },
                { value: 'sessions', label: say.duringClassPeriodsToo },
              ]}
              onChange={(what) => change({ bells: what === 'bells' })}
            />
          }
        />
      </p>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

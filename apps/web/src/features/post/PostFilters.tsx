import { classTitle } from '@glen/core/light';
import type { ClassItem, Post } from '@glen/contract';
import { DateField } from '../../ui/DateField.js';
import { inputClass } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { ChoicePart } from '../../ui/choices.js';
import { ALL, KINDS, STATES, isIn, type Filter } from './postFilter.js';

interface FilterProps {
  filter: Filter;
  change: (part: Partial<Filter>) => void;
}

const StateWords = ({ words, count }: { words: string; count: number }) => (
  <>
    {words} <span className="font-mono text-sm">{count}</span>
  </>
);

function WhichState({ filter, change, posts }: FilterProps & { posts: Post[] }) {
  const choices = [[ALL, 'All'] as const, ...STATES].map(([state, words]) => {
    const count = posts.filter((post) => isIn(post, state)).length;
    return [state, <StateWords key={state} words={words} count={count} />] as const;
  });
  return (
    <PickOne
      label="Which posts"
      value={filter.state}
      choices={choices}
      onChange={(state) => change({ state })}
    />
  );
}

const KIND_CHOICES = [
  { value: ALL, label: 'every kind of place' },
  ...KINDS.map(([value, label]) => ({ value, label })),
];

const WhichPlaces = ({ filter, change, classes }: FilterProps & { classes: ClassItem[] }) => (
  <p className="flex flex-wrap items-center gap-x-2 gap-y-1 leading-sentence">
    On{' '}
    <ChoicePart
      label="Kind of place"
      value={filter.kind}
      marked={filter.kind !== ALL}
      onChange={(kind) => change({ kind })}
      choices={KIND_CHOICES}
    />{' '}
    of{' '}
    <ChoicePart
      label="Class period"
      value={filter.classId}
      marked={filter.classId !== ALL}
      onChange={(classId) => change({ classId })}
      choices={[
        { value: ALL, label: 'every class period' },
        ...classes.map((c) => ({ value: String(c.id), label: classTitle(c) })),
      ]}
    />
    , on{' '}
    <DateField
      aria-label="Day"
      dress="cell"
      placeholder="any day"
      value={filter.day}
      onChange={(day) => change({ day })}
    />
    <input
      type="search"
      aria-label="Find posts"
      placeholder="with these words"
      className={`${inputClass} ml-auto !w-56 !py-1`}
      value={filter.typed}
      onChange={(e) => change({ typed: e.target.value })}
    />
  </p>
);

/** Which posts are shown: by state, place, class period, day and words. */
export const PostFilters = (props: FilterProps & { posts: Post[]; classes: ClassItem[] }) => (
  <div className="mb-3 grid gap-2">
    <WhichState {...props} />
    <WhichPlaces {...props} />
  </div>
);

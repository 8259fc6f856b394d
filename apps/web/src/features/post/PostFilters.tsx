import { classTitle } from '@glen/core/light';
import type { ClassItem, Post } from '@glen/contract';
import { DateField } from '../../ui/DateField.js';
import { inputClass } from '../../ui/Field.js';
import { PickOne } from '../../ui/PickOne.js';
import { ChoicePart } from '../../ui/choices.js';
import { ALL, KINDS, STATES, isIn, type Filter } from './postFilter.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

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
  const choices = [[ALL, say.all] as const, ...STATES].map(([state, words]) => {
    const count = posts.filter((post) => isIn(post, state)).length;
    return [state, <StateWords key={state} words={words} count={count} />] as const;
  });
  return (
    <PickOne
      label={say.whichPosts}
      value={filter.state}
      choices={choices}
      onChange={(state) => change({ state })}
    />
  );
}

const KIND_CHOICES = [
  { value: ALL, label: say.everyKindOfPlace },
  ...KINDS.map(([value, label]) => ({ value, label })),
];

const WhichPlaces = ({ filter, change, classes }: FilterProps & { classes: ClassItem[] }) => (
  <p className="flex flex-wrap items-center gap-x-2 gap-y-1 leading-sentence">
    <Said
      as={say.onOfOn}
      kindPlace={
        <ChoicePart
          label={say.kindOfPlace}
          value={filter.kind}
          marked={filter.kind !== ALL}
          onChange={(kind) => change({ kind })}
          choices={KIND_CHOICES}
        />
      }
      classPeriod={
        <ChoicePart
          label={say.classPeriod}
          value={filter.classId}
          marked={filter.classId !== ALL}
          onChange={(classId) => change({ classId })}
          choices={[
            { value: ALL, label: say.everyClassPeriod },
            ...classes.map((c) => ({ value: String(c.id), label: classTitle(c) })),
          ]}
        />
      }
      day={
        <DateField
          aria-label={say.day}
          dress="cell"
          placeholder={say.anyDay}
          value={filter.day}
          onChange={(day) => change({ day })}
        />
      }
    />
    <input
      type="search"
      aria-label={say.findPosts}
      placeholder={say.withTheseWords}
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

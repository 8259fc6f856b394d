import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { rolesInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import type { Order, PeopleList } from './usePeople.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Person = Answer<'people'>['people'][number];

/** Of rows that have not been measured yet, in pixels. */
const ROW_HEIGHT = 53;
/** So many rows are drawn above and below what can be seen. */
const OVERSCAN = 12;

const COLUMNS =
  'grid grid-cols-[minmax(0,1fr)_auto] gap-x-4 px-4 sm:grid-cols-[minmax(0,3fr)_minmax(0,2fr)_minmax(0,3fr)_minmax(0,2fr)]';

function classesInWords({ teaches, learns }: Person): string {
  const parts = [
    teaches > 0 ? fill(say.teaches, { teaches }) : '',
    learns > 0 ? many(say.onRolls, learns) : '',
  ].filter(Boolean);
  return parts.join(', ') || say.noClassPeriod;
}

const Row = ({ person }: { person: Person }) => (
  <>
    <span role="cell" className="min-w-0 [overflow-wrap:anywhere]">
      <Link className="font-semibold hover:underline" to={`/school/people/${person.id}`}>
        {person.name}
      </Link>
      <span className="block text-sm break-all text-soft sm:hidden">{person.email}</span>
    </span>
    <span role="cell" className="text-soft">
      {rolesInWords(person.roles)}
    </span>
    <span role="cell" className="hidden min-w-0 truncate sm:block">
      {person.email ?? <span className="text-soft">{say.noAccount}</span>}
    </span>
    <span role="cell" className="hidden text-soft sm:block">
      {classesInWords(person)}
    </span>
  </>
);

const ORDERS: { order: Order; name: string }[] = [
  { order: 'name', name: say.byName },
  { order: 'family', name: say.byLastName },
  { order: 'newest', name: say.newestFirst },
];

/** In which order they stand; pressed to change it. */
export const OrderPart = ({ sort, setSort }: Pick<PeopleList, 'sort' | 'setSort'>) => (
  <span role="group" aria-label={say.order} className="flex flex-wrap gap-x-4 text-md">
    {ORDERS.map(({ order, name }) => (
      <button
        key={order}
        type="button"
        aria-pressed={sort === order}
        className={sort === order ? 'font-bold' : 'text-soft hover:text-ink hover:underline'}
        onClick={() => setSort(order)}
      >
        {name}
      </button>
    ))}
  </span>
);

const Head = () => (
  <div role="row" className={`${COLUMNS} border-b border-edge py-2 text-sm font-semibold`}>
    <span role="columnheader">{say.name}</span>
    <span role="columnheader">{say.whatTheyAre}</span>
    <span role="columnheader" className="hidden sm:block">
      {say.address}
    </span>
    <span role="columnheader" className="hidden sm:block">
      {say.classPeriods}
    </span>
  </div>
);

/** People in rows, of which only those in sight are drawn; more are asked for as one comes to the end. */
export function PeopleTable({ people, total, isMore, more }: PeopleList) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: people.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    getItemKey: (i) => people[i]!.id,
    overscan: OVERSCAN,
  });
  const shown = rows.getVirtualItems();
  const last = shown.at(-1)?.index ?? 0;
  useEffect(() => {
    if (isMore && last >= people.length - OVERSCAN) more();
  });
  return (
    <div role="table" aria-label={say.people} aria-rowcount={(total ?? people.length) + 1}>
      <Head />
      <div
        ref={scroller}
        role="rowgroup"
        tabIndex={0}
        aria-label={say.peopleInOrder}
        className="max-h-rest overflow-y-auto"
      >
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {shown.map(({ index, key, start }) => (
            <div
              key={key}
              ref={rows.measureElement}
              data-index={index}
              role="row"
              aria-rowindex={index + 2}
              className={`${COLUMNS} absolute inset-x-0 top-0 items-baseline border-b border-line py-3`}
              style={{ transform: `translateY(${start}px)` }}
            >
              <Row person={people[index]!} />
            </div>
          ))}
        </div>
      </div>
    </div>
  );
}

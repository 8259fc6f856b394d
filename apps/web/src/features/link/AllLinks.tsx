import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type RowSelectionState,
  type SortingState,
} from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { LinkRow, Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { inputClass } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { RULE_WORDS } from '../entry/sentences.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { copyLines } from './copy.js';
import { audienceInWords } from './noted.js';

const STATES = { live: 'Working', retired: 'Stopped', all: 'All' } as const;
const column = createColumnHelper<LinkRow>();

const wordsOf = (field: 'whoMayEnter' | 'straightIn', value: string): string =>
  RULE_WORDS[field].choices.find((c) => c.value === value)?.label ?? value;
const rulesInWords = (l: LinkRow): string =>
  [
    `${wordsOf('whoMayEnter', l.rules.whoMayEnter)}; ${wordsOf('straightIn', l.rules.straightIn)} straight in`,
    ...(l.rules.asksCode ? ['with a code'] : []),
    ...(l.rules.withoutHost ? ['stands open'] : []),
  ].join(', ');
/** Everything of a link that somebody may look for. */
const haystack = (l: LinkRow): string =>
  [
    l.label,
    l.purpose,
    l.classTitle,
    l.code,
    l.pennant.letters,
    audienceInWords(l),
    rulesInWords(l),
    l.room ?? 'school’s video service',
    ...l.hosts.map((h) => h.name),
  ]
    .join(' ')
    .toLowerCase();

function Table({ links, zone }: { links: LinkRow[]; zone: string }) {
  const [typed, setTyped] = useState('');
  const [state, setState] = useState<keyof typeof STATES>('live');
  const [sorting, setSorting] = useState<SortingState>([]);
  const [selected, setSelected] = useState<RowSelectionState>({});
  const ofState = useMemo(
    () => links.filter((l) => state === 'all' || l.state === state),
    [links, state],
  );
  const columns = useMemo(
    () => [
      column.accessor('label', {
        header: 'Link',
        cell: ({ row: { original: l } }) => (
          <span className="flex items-center gap-2.5">
            <Pennant pennant={l.pennant} size="small" />
            <span className="min-w-0">
              <Link
                className="font-semibold hover:underline"
                to={`/classes/${l.classId}/links/${l.id}`}
              >
                {l.label}
              </Link>
              {l.state === 'retired' && (
                <>
                  {' '}
                  <Chip>Stopped</Chip>
                </>
              )}
              <br />
              <span className="text-sm text-soft">
                {l.classTitle}
                {l.purpose && l.purpose !== l.label ? ` · ${l.purpose}` : ''}
              </span>
            </span>
          </span>
        ),
      }),
      column.accessor(audienceInWords, {
        id: 'audience',
        header: 'For',
        cell: ({ row: { original: l }, getValue }) => (
          <>
            {getValue().replace('the whole class period', 'whole class')}
            <br />
            <span className="text-sm text-soft">
              {l.audienceSize === 1 ? '1 person' : `${l.audienceSize} people`}
            </span>
          </>
        ),
      }),
      column.accessor(rulesInWords, {
        id: 'rules',
        header: 'Entry',
        cell: ({ getValue }) => <span className="text-[15px]">{getValue()}</span>,
      }),
      column.accessor((l) => l.room ?? '', {
        id: 'room',
        header: 'Room',
        cell: ({ getValue }) =>
          getValue() ? new URL(getValue()).host : <span className="text-soft">school’s</span>,
      }),
      column.accessor((l) => l.next?.date ?? '9999', {
        id: 'next',
        header: 'Next',
        cell: ({ row: { original: l } }) =>
          l.next ? (
            <>
              <span className="whitespace-nowrap">{dateInWords(l.next.date)}</span>
              <br />
              <span className="font-mono text-sm text-soft">{l.next.time}</span>
            </>
          ) : (
            <span className="text-soft">none</span>
          ),
      }),
      column.accessor((l) => l.lastUsed ?? '', {
        id: 'lastUsed',
        header: 'Last used',
        cell: ({ getValue }) =>
          getValue() ? (
            <span className="whitespace-nowrap">
              {dateInWords(wallClock(getValue(), zone).date)}
            </span>
          ) : (
            <span className="text-soft">never</span>
          ),
      }),
    ],
    [zone],
  );
  const table = useReactTable({
    data: ofState,
    columns,
    state: { sorting, globalFilter: typed, rowSelection: selected },
    getRowId: (l) => String(l.id),
    onSortingChange: setSorting,
    onRowSelectionChange: setSelected,
    globalFilterFn: (row, _id, value: string) =>
      value
        .toLowerCase()
        .split(/\s+/)
        .every((word) => haystack(row.original).includes(word)),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  const rows = table.getRowModel().rows;
  // Only what is on the screen is acted on.
  const chosen = rows.filter((r) => r.getIsSelected()).map((r) => r.original);
  const isOnNone = links.filter(
    (l) => l.state === 'live' && l.audienceSize === 0 && l.kind !== 'event',
  ).length;
  return (
    <Screen
      margin={
        <Margin
          notes={[
            ...(isOnNone > 0
              ? [
                  {
                    severity: 'careful' as const,
                    title:
                      isOnNone === 1
                        ? 'One link is for nobody'
                        : `${isOnNone} links are for nobody`,
                    text: 'By their rules nobody but hosts gets in there.',
                  },
                ]
              : []),
            {
              severity: 'inform',
              title: `${links.filter((l) => l.state === 'live').length} links work`,
              text: 'Choose some to copy them together, or to print a sheet with a QR code for each.',
            },
          ]}
        />
      }
    >
      <header className="mb-3 flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <h1 className="text-[27px]">All my links</h1>
        <p className="text-soft">
          {rows.length === links.length
            ? `${links.length} links`
            : `${rows.length} of ${links.length}`}
        </p>
      </header>
      <div className="mb-3 flex flex-wrap items-center gap-2.5">
        <input
          aria-label="Find a link"
          placeholder="Find: a name, a class period, a group, a rule"
          className={`${inputClass} !w-80 !py-1.5`}
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        <span role="group" aria-label="Which" className="flex gap-1.5">
          {(Object.keys(STATES) as (keyof typeof STATES)[]).map((s) => (
            <Button
              key={s}
              kind={state === s ? 'strong' : 'plain'}
              aria-pressed={state === s}
              onClick={() => setState(s)}
            >
              {STATES[s]}
            </Button>
          ))}
        </span>
        <span className="ml-auto flex gap-2.5">
          <Button
            disabled={chosen.length === 0}
            onClick={() =>
              void copyLines(
                chosen.map((l) => ({ words: `${l.label}, ${l.classTitle}`, address: l.address })),
              )
            }
          >
            {chosen.length > 1 ? `Copy ${chosen.length} links` : 'Copy link'}
          </Button>
          <Link
            className={buttonClass()}
            aria-disabled={rows.length === 0}
            to={`/classes/links?ids=${(chosen.length > 0 ? chosen : rows.map((r) => r.original)).map((l) => l.id).join('.')}`}
          >
            {chosen.length > 0 ? `Print ${chosen.length} with QR codes` : 'Print all with QR codes'}
          </Link>
        </span>
      </div>
      {links.length === 0 ? (
        <Empty title="No links yet">
          Once the office puts you down for a class period, its link stands here.
        </Empty>
      ) : rows.length === 0 ? (
        <Empty title="No link fits">Try fewer letters, or look among the stopped ones.</Empty>
      ) : (
        <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Links">
          <table className="w-full text-left">
            <thead>
              {table.getHeaderGroups().map((g) => (
                <tr key={g.id} className="text-sm text-soft">
                  <th scope="col" className="w-8 py-1.5">
                    <input
                      type="checkbox"
                      className="size-4 accent-bracken"
                      aria-label="Choose all"
                      checked={table.getIsAllRowsSelected()}
                      onChange={table.getToggleAllRowsSelectedHandler()}
                    />
                  </th>
                  {g.headers.map((h) => {
                    const sorted = h.column.getIsSorted();
                    return (
                      <th
                        key={h.id}
                        scope="col"
                        aria-sort={
                          sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'
                        }
                        className="py-1.5 pr-4 font-semibold"
                      >
                        <button
                          type="button"
                          className="inline-flex items-center gap-1 hover:text-ink"
                          onClick={h.column.getToggleSortingHandler()}
                        >
                          {flexRender(h.column.columnDef.header, h.getContext())}
                          {sorted === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
                          {sorted === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
                        </button>
                      </th>
                    );
                  })}
                </tr>
              ))}
            </thead>
            <tbody>
              {rows.map((row) => (
                <tr
                  key={row.id}
                  className={`border-t border-line align-top ${row.getIsSelected() ? 'bg-shade' : ''}`}
                >
                  <td className="py-2.5">
                    <input
                      type="checkbox"
                      className="size-4 accent-bracken"
                      aria-label={`Choose ${row.original.label}, ${row.original.classTitle}`}
                      checked={row.getIsSelected()}
                      onChange={row.getToggleSelectedHandler()}
                    />
                  </td>
                  {row.getVisibleCells().map((cell) => (
                    <td key={cell.id} className="py-2.5 pr-4">
                      {flexRender(cell.column.columnDef.cell, cell.getContext())}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </Screen>
  );
}

/** Every link that one hosts, in one table. */
export default function AllLinksPage({ me }: { me: Me }) {
  const { data, error, refetch } = api.useLinksQuery();
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <Loading lines={8} />
      </Screen>
    );
  return <Table links={data.links} zone={me.school.zone} />;
}

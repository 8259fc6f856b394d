import { flexRender, type Header, type Row, type Table } from '@tanstack/react-table';
import { ArrowDown, ArrowUp } from 'lucide-react';
import type { LinkRow } from '@glen/contract';
import { BareTick } from '../../ui/BareTick.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

const ARIA_SORT = { asc: 'ascending', desc: 'descending' } as const;

/** A column's title, which sorts by it. */
function ColumnHead({ header }: { header: Header<LinkRow, unknown> }) {
  const { column } = header;
  const sorted = column.getIsSorted();
  return (
    <th
      scope="col"
      aria-sort={sorted ? ARIA_SORT[sorted] : 'none'}
      className="py-1.5 pr-4 font-semibold"
    >
      <button
        type="button"
        className="inline-flex items-center gap-1 hover:text-ink"
        onClick={column.getToggleSortingHandler()}
      >
        {flexRender(column.columnDef.header, header.getContext())}
        {sorted === 'asc' && <ArrowUp size={13} aria-hidden="true" />}
        {sorted === 'desc' && <ArrowDown size={13} aria-hidden="true" />}
      </button>
    </th>
  );
}

function TableHead({ table }: { table: Table<LinkRow> }) {
  return (
    <thead>
      {table.getHeaderGroups().map((group) => (
        <tr key={group.id} className="text-sm text-soft">
          <th scope="col" className="w-8 py-1.5">
            <BareTick
              aria-label={say.chooseAll}
              checked={table.getIsAllRowsSelected()}
              onChange={table.getToggleAllRowsSelectedHandler()}
            />
          </th>
          {group.headers.map((header) => (
            <ColumnHead key={header.id} header={header} />
          ))}
        </tr>
      ))}
    </thead>
  );
}

function LinkTableRow({ row }: { row: Row<LinkRow> }) {
  const { label, classTitle } = row.original;
  const isSelected = row.getIsSelected();
  return (
    <tr className={`border-t border-line align-top ${isSelected ? 'bg-shade' : ''}`}>
      <td className="py-2.5">
        <BareTick
          aria-label={fill(say.chooseLabelClassTitle, { label, classTitle })}
          checked={isSelected}
          onChange={row.getToggleSelectedHandler()}
        />
      </td>
      {row.getVisibleCells().map((cell) => (
        <td key={cell.id} className="py-2.5 pr-4">
          {flexRender(cell.column.columnDef.cell, cell.getContext())}
        </td>
      ))}
    </tr>
  );
}

/** Links in rows that can be chosen and sorted. */
export const LinkTable = ({ table }: { table: Table<LinkRow> }) => (
  <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={say.links}>
    <table className="w-full text-left">
      <TableHead table={table} />
      <tbody>
        {table.getRowModel().rows.map((row) => (
          <LinkTableRow key={row.id} row={row} />
        ))}
      </tbody>
    </table>
  </div>
);

import {
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  useReactTable,
  type RowSelectionState,
  type SortingState,
} from '@tanstack/react-table';
import { useMemo, useState } from 'react';
import type { LinkRow } from '@glen/contract';
import { usePhone } from '../../ui/useMedia.js';
import { useServices } from '../../app/useServices.js';
import { linkColumns } from './linkColumns.js';
import { fits } from './linkSearch.js';
import * as say from './words.js';

/** Which links are looked at, in the words of the buttons that choose. */
export const LINK_STATES = { live: say.working, retired: say.stopped, all: say.all } as const;
export type LinkState = keyof typeof LINK_STATES;

/** On a phone these stand below the link’s name, or on its page. */
const NOT_ON_A_PHONE = { audience: false, rules: false, room: false, lastUsed: false };

/** The table of all links: what is typed to find one, which state is shown, and what stands in its rows. */
export function useLinkTable(links: LinkRow[], zone: string) {
  const [typed, setTyped] = useState('');
  const [state, setState] = useState<LinkState>('live');
  const [sorting, setSorting] = useState<SortingState>([]);
  const [rowSelection, setRowSelection] = useState<RowSelectionState>({});
  const data = useMemo(
    () => links.filter((l) => state === 'all' || l.state === state),
    [links, state],
  );
  const phone = usePhone();
  const { video } = useServices();
  const columns = useMemo(() => linkColumns(zone, video), [zone, video]);
  const table = useReactTable({
    data,
    columns,
    state: {
      sorting,
      globalFilter: typed,
      rowSelection,
      columnVisibility: phone ? NOT_ON_A_PHONE : {},
    },
    getRowId: (l) => String(l.id),
    onSortingChange: setSorting,
    onRowSelectionChange: setRowSelection,
    globalFilterFn: (row, _id, value: string) => fits(row.original, value),
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
  });
  return { table, typed, setTyped, state, setState };
}

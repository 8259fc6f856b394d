import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  arrayMove,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { toast } from 'sonner';
import type { LinkRow } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { Chip } from '../../ui/Chip.js';
import { CopyButtons } from './LinkLine.js';
import { audienceInWords } from './noted.js';

function LinkChips({ link, size }: { link: LinkRow; size: number }) {
  const isLive = link.state === 'live';
  return (
    <p className="mt-1 flex flex-wrap gap-2 empty:hidden">
      {link.main && <Chip tone="inform">The class period’s own</Chip>}
      {link.state === 'retired' && <Chip>Stopped</Chip>}
      {!link.shown && isLive && <Chip>Not shown to students</Chip>}
      {link.rules.withoutHost && isLive && <Chip>Stands open without a host</Chip>}
      {link.room && <Chip>A room of your own</Chip>}
      {size === 0 && link.kind !== 'event' && isLive && <Chip tone="careful">For nobody yet</Chip>}
    </p>
  );
}

/** One link in the list; `sortable`: it can be moved. */
export function LinkListRow({ link, sortable }: { link: LinkRow; sortable: boolean }) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
  } = useSortable({ id: link.id, disabled: !sortable });
  const size = link.audienceSize + link.audience.filter((a) => a.kind === 'guest').length;
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-center gap-3 border-t border-line py-3 ${isDragging ? 'relative z-10 bg-sheet shadow-soft' : ''}`}
    >
      {sortable && (
        <button
          type="button"
          ref={setActivatorNodeRef}
          className="cursor-grab rounded-small p-1 text-soft hover:text-ink"
          {...attributes}
          {...listeners}
          aria-label={`Move ${link.label}`}
        >
          <GripVertical size={18} aria-hidden="true" />
        </button>
      )}
      <div className="min-w-0 flex-1">
        <h2 className="text-lg">
          <Link
            to={`/classes/${link.classId}/links/${link.id}`}
            className={`hover:underline ${link.state === 'retired' ? 'text-soft line-through' : ''}`}
          >
            {link.label}
          </Link>
        </h2>
        <p className="text-md text-soft">
          {link.purpose && link.purpose !== link.label ? `${link.purpose}, for ` : 'For '}
          {audienceInWords(link)} · {size === 1 ? '1 person' : `${size} people`}
          {link.hosts.length > 0 && ` · hosted by ${link.hosts.map((h) => h.name).join(', ')} too`}
        </p>
        <LinkChips link={link} size={size} />
      </div>
      <code className="hidden rounded-small bg-shade px-2 py-0.5 font-mono text-sm xl:inline">
        /door/{link.code}
      </code>
      {link.state === 'live' && (
        <span className="flex shrink-0 gap-2">
          <CopyButtons link={link} />
        </span>
      )}
    </li>
  );
}

/** The order of a class period's live links: moved by drag or by keys, kept, and taken back. */
function useOrder(classId: number, live: LinkRow[]) {
  const [order] = api.useOrderLinksMutation();
  const [moved, setMoved] = useState<number[] | null>(null);
  const before = live.map((l) => l.id);
  const put = async (next: number[]): Promise<boolean> => {
    setMoved(next);
    const { error } = await order({ params: { classId }, body: { order: next } });
    if (error) toast.error(problemOf(error)?.title ?? 'The order was not kept.');
    setMoved(null);
    return !error;
  };
  const drop = async ({ active, over }: DragEndEvent): Promise<void> => {
    if (!over || active.id === over.id) return;
    const [from, to] = [before.indexOf(Number(active.id)), before.indexOf(Number(over.id))];
    if (!(await put(arrayMove(before, from, to)))) return;
    const { label } = live.find((l) => l.id === active.id)!;
    const back = wayBack('orderLinks', { params: { classId }, body: { order: before } });
    offerWayBack(`${label} stands elsewhere in the list.`, [back]);
  };
  return { ids: moved ?? before, drop };
}

/** What is read out while a link is moved by keys. */
function announcementsFor(live: LinkRow[], ids: number[]): Announcements {
  const placeOf = (id: UniqueIdentifier): string =>
    `${ids.indexOf(Number(id)) + 1} of ${ids.length}`;
  const labelOf = (id: UniqueIdentifier): string =>
    live.find((l) => l.id === Number(id))?.label ?? '';
  return {
    onDragStart: ({ active }) => `${labelOf(active.id)} is picked up, ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${labelOf(active.id)} would be ${placeOf(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `${labelOf(active.id)} is ${placeOf(over?.id ?? active.id)}.`,
    onDragCancel: ({ active }) => `${labelOf(active.id)} stays ${placeOf(active.id)}.`,
  };
}

const INSTRUCTIONS = {
  draggable:
    'Press space to pick this link up, the arrows to move it, space again to put it down, escape to leave it.',
};

/** The live links of a class period in their order, which can be changed by drag or by keys. */
export function SortableLinks({
  classId,
  live,
  mayEdit,
}: {
  classId: number;
  live: LinkRow[];
  mayEdit: boolean;
}) {
  const { ids, drop } = useOrder(classId, live);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const shown = ids.flatMap((id) => live.find((l) => l.id === id) ?? []);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={(event) => void drop(event)}
      accessibility={{
        announcements: announcementsFor(live, ids),
        screenReaderInstructions: INSTRUCTIONS,
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul aria-label="Links in their order">
          {shown.map((l) => (
            <LinkListRow key={l.id} link={l} sortable={mayEdit && live.length > 1} />
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

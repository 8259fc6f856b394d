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
import { useState, type ReactNode } from 'react';
import { fill } from './fill.js';
import * as say from './words.js';

/** Something in an order that people choose. */
interface Sortable {
  id: number;
  /** What it is called while it is moved. */
  name: string;
}

interface RowProps {
  item: Sortable;
  mayMove: boolean;
  className: string;
  children: ReactNode;
}

function Row({ item: { id, name }, mayMove, className, children }: RowProps) {
  const {
    attributes,
    listeners,
    setNodeRef,
    setActivatorNodeRef,
    transform,
    transition,
    isDragging,
  } = useSortable({ id, disabled: !mayMove });
  return (
    <li
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`flex items-center gap-3 border-t border-line ${className} ${isDragging ? 'relative z-10 bg-sheet shadow-soft' : ''}`}
    >
      {mayMove && (
        <button
          type="button"
          ref={setActivatorNodeRef}
          className="cursor-grab rounded-small p-1 text-soft hover:text-ink"
          {...attributes}
          {...listeners}
          aria-label={fill(say.moveName, { name })}
        >
          <GripVertical size={18} aria-hidden="true" />
        </button>
      )}
      {children}
    </li>
  );
}

/** What is read out while something is moved by keys. */
function announcementsFor(items: Sortable[], ids: number[]): Announcements {
  const placeOf = (id: UniqueIdentifier): string =>
    fill(say.indexOfIdsCount, { index: ids.indexOf(Number(id)) + 1, idsCount: ids.length });
  const nameOf = (id: UniqueIdentifier): string =>
    items.find((item) => item.id === Number(id))?.name ?? '';
  return {
    onDragStart: ({ active }) =>
      fill(say.isPickedUp, { name: nameOf(active.id), place: placeOf(active.id) }),
    onDragOver: ({ active, over }) =>
      over ? fill(say.wouldBe, { name: nameOf(active.id), place: placeOf(over.id) }) : undefined,
    onDragEnd: ({ active, over }) =>
      fill(say.nameIsPlace, { name: nameOf(active.id), place: placeOf(over?.id ?? active.id) }),
    onDragCancel: ({ active }) =>
      fill(say.nameStaysPlace, { name: nameOf(active.id), place: placeOf(active.id) }),
  };
}

const INSTRUCTIONS = {
  draggable: say.pressSpaceToPickThis,
};

interface ListProps<Item extends Sortable> {
  label: string;
  items: Item[];
  mayMove: boolean;
  /** Of each row. */
  className: string;
  children: (item: Item) => ReactNode;
  /** Keeps another order; whether that worked. */
  put: (order: number[]) => Promise<boolean>;
  /** After somebody has moved one. */
  onMoved: (moved: Item, before: number[]) => void;
}

/** Things in their order, which can be changed by drag or by keys. */
export function SortableList<Item extends Sortable>(props: ListProps<Item>) {
  const { label, items, mayMove, className, children, put, onMoved } = props;
  const [moved, setMoved] = useState<number[] | null>(null);
  const before = items.map((item) => item.id);
  const ids = moved ?? before;
  const drop = async ({ active, over }: DragEndEvent): Promise<void> => {
    if (!over || active.id === over.id) return;
    const [from, to] = [before.indexOf(Number(active.id)), before.indexOf(Number(over.id))];
    const next = arrayMove(before, from, to);
    setMoved(next);
    const worked = await put(next);
    setMoved(null);
    if (worked) onMoved(items[from]!, before);
  };
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const shown = ids.flatMap((id) => items.find((item) => item.id === id) ?? []);
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={(event) => void drop(event)}
      accessibility={{
        announcements: announcementsFor(items, ids),
        screenReaderInstructions: INSTRUCTIONS,
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ul aria-label={label}>
          {shown.map((item) => (
            <Row
              key={item.id}
              item={item}
              mayMove={mayMove && items.length > 1}
              className={className}
            >
              {children(item)}
            </Row>
          ))}
        </ul>
      </SortableContext>
    </DndContext>
  );
}

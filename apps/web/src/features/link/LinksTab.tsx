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
import { Link, useNavigate, useSearchParams } from 'react-router';
import { toast } from 'sonner';
import { notesForLinks } from '@glen/core';
import type { LinkRow } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Loading, Trouble } from '../../ui/States.js';
import { ClassHead, type ClassAnswer } from '../classes/ClassPage.js';
import { Margin, Screen } from '../frame/Margin.js';
import { CopyButtons } from './LinkLine.js';
import { NewLink } from './NewLink.js';
import { audienceInWords, notedLink } from './noted.js';

function Row({ link, sortable }: { link: LinkRow; sortable: boolean }) {
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
        <h2 className="text-[17px]">
          <Link
            to={`/classes/${link.classId}/links/${link.id}`}
            className={`hover:underline ${link.state === 'retired' ? 'text-soft line-through' : ''}`}
          >
            {link.label}
          </Link>
        </h2>
        <p className="text-[15px] text-soft">
          {link.purpose && link.purpose !== link.label ? `${link.purpose}, for ` : 'For '}
          {audienceInWords(link)} · {size === 1 ? '1 person' : `${size} people`}
          {link.hosts.length > 0 && ` · hosted by ${link.hosts.map((h) => h.name).join(', ')} too`}
        </p>
        <p className="mt-1 flex flex-wrap gap-2 empty:hidden">
          {link.main && <Chip tone="inform">The class period’s own</Chip>}
          {link.state === 'retired' && <Chip>Stopped</Chip>}
          {!link.shown && link.state === 'live' && <Chip>Not shown to students</Chip>}
          {link.rules.withoutHost && link.state === 'live' && (
            <Chip>Stands open without a host</Chip>
          )}
          {link.room && <Chip>A room of your own</Chip>}
          {size === 0 && link.kind !== 'event' && link.state === 'live' && (
            <Chip tone="careful">For nobody yet</Chip>
          )}
        </p>
      </div>
      <code className="hidden rounded-small bg-shade px-2 py-0.5 font-mono text-sm xl:inline">
        /door/{link.code}
      </code>
      {link.state === 'live' && (
        <span className="flex shrink-0 gap-2">
          <CopyButtons of={{ link }} />
        </span>
      )}
    </li>
  );
}

/** The links of a class period: in their order, by drag or by keys. */
function List({
  of,
  links,
  mayEdit,
  zone,
}: {
  of: ClassAnswer;
  links: LinkRow[];
  mayEdit: boolean;
  zone: string;
}) {
  const navigate = useNavigate();
  const [search, setSearch] = useSearchParams();
  const { data: all } = api.useClassesQuery();
  const [order] = api.useOrderLinksMutation();
  const [moved, setMoved] = useState<number[] | null>(null);
  const now = useNow();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const live = links.filter((l) => l.state === 'live');
  const stopped = links.filter((l) => l.state === 'retired');
  const ids = moved ?? live.map((l) => l.id);
  const shown = ids.flatMap((id) => live.find((l) => l.id === id) ?? []);
  const put = async (next: number[]): Promise<boolean> => {
    setMoved(next);
    const { error } = await order({ params: { classId: of.class.id }, body: { order: next } });
    if (error) toast.error(problemOf(error)?.title ?? 'The order was not kept.');
    setMoved(null);
    return !error;
  };
  const drop = ({ active, over }: DragEndEvent): void => {
    if (!over || active.id === over.id) return;
    const before = live.map((l) => l.id);
    void put(
      arrayMove(before, before.indexOf(Number(active.id)), before.indexOf(Number(over.id))),
    ).then((done) => {
      if (done)
        offerUndo(
          `${live.find((l) => l.id === active.id)!.label} stands elsewhere in the list.`,
          () => put(before),
        );
    });
  };
  /** What is read out while a link is moved by keys. */
  const placeOf = (id: UniqueIdentifier | undefined): string =>
    `${ids.indexOf(Number(id)) + 1} of ${ids.length}`;
  const labelOf = (id: UniqueIdentifier): string =>
    live.find((l) => l.id === Number(id))?.label ?? '';
  const said: Announcements = {
    onDragStart: ({ active }) => `${labelOf(active.id)} is picked up, ${placeOf(active.id)}.`,
    onDragOver: ({ active, over }) =>
      over ? `${labelOf(active.id)} would be ${placeOf(over.id)}.` : undefined,
    onDragEnd: ({ active, over }) => `${labelOf(active.id)} is ${placeOf(over?.id ?? active.id)}.`,
    onDragCancel: ({ active }) => `${labelOf(active.id)} stays ${placeOf(active.id)}.`,
  };
  const making = search.get('new');
  const make = (what: string | null): void =>
    setSearch(what === null ? {} : { new: what }, { replace: true });
  return (
    <Screen
      margin={
        <Margin
          notes={notesForLinks(links.map((l) => notedLink(l, now, zone)))}
          onAction={({ subject }) => void navigate(`/classes/${of.class.id}/links/${subject}`)}
        />
      }
    >
      <ClassHead of={of} />
      {mayEdit && making === null && (
        <p className="mb-4">
          <Button kind="act" onClick={() => make('Group work')}>
            Make another link
          </Button>
        </p>
      )}
      {mayEdit && making !== null && (
        <NewLink
          of={of.class}
          classes={all?.classes ?? [of.class]}
          start={making}
          onClose={() => make(null)}
        />
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{
          announcements: said,
          screenReaderInstructions: {
            draggable:
              'Press space to pick this link up, the arrows to move it, space again to put it down, escape to leave it.',
          },
        }}
      >
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ul aria-label="Links in their order">
            {shown.map((l) => (
              <Row key={l.id} link={l} sortable={mayEdit && live.length > 1} />
            ))}
          </ul>
        </SortableContext>
      </DndContext>
      {stopped.length > 0 && (
        <section className="mt-6">
          <h2 className="mb-1 text-base">Stopped</h2>
          <ul>
            {stopped.map((l) => (
              <Row key={l.id} link={l} sortable={false} />
            ))}
          </ul>
        </section>
      )}
    </Screen>
  );
}

export default function LinksTab({ of, zone }: { of: ClassAnswer; zone: string }) {
  const { data, error, refetch } = api.useClassLinksQuery({ params: { classId: of.class.id } });
  if (error && !data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Loading />
      </Screen>
    );
  return <List of={of} links={data.links} mayEdit={data.mayEdit} zone={zone} />;
}

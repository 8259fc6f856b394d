import { Plus } from 'lucide-react';
import { useState } from 'react';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { useServices } from '../../app/useServices.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import { firstKind, type PlaceDraft, type PlaceKind } from './draft.js';
import { offeredKinds } from './placeKinds.js';
import { PlaceRow, type ErrorAt } from './PlaceRow.js';

/** Chooses one more place, by class period and kind. */
function AddPlace({
  classes,
  start,
  onAdd,
}: {
  classes: ClassItem[];
  start: number;
  onAdd: (places: PlaceDraft[]) => void;
}) {
  const [classId, setClassId] = useState(start);
  const { courseSite } = useServices();
  const [kind, setKind] = useState<PlaceKind>(firstKind(courseSite));
  const add = (ids: number[]): void =>
    onAdd(ids.map((id) => ({ classId: id, kind, ...(kind === 'item' ? { section: null } : {}) })));
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2 border-t border-dashed border-edge pt-2.5">
      <p className="leading-sentence">
        And{' '}
        <ChoicePart
          label="Kind of place"
          value={kind}
          marked={false}
          onChange={(v) => setKind(v as PlaceKind)}
          choices={offeredKinds(courseSite)}
        />{' '}
        of{' '}
        <ChoicePart
          label="Class period of the place"
          value={String(classId)}
          marked={false}
          onChange={(v) => setClassId(Number(v))}
          choices={classes.map((c) => ({
            value: String(c.id),
            label: classTitle(c),
            hint: `${c.rollSize} students`,
          }))}
        />
      </p>
      <span className="ml-auto flex gap-3">
        <Button onClick={() => add([classId])}>
          <Plus size={15} aria-hidden="true" />
          Add this place
        </Button>
        {classes.length > 1 && (
          <Button kind="link" onClick={() => add(classes.map((c) => c.id))}>
            of all my class periods
          </Button>
        )}
      </span>
    </div>
  );
}

/** Where a post goes: each place with whose it is, so that the wrong class is noticed. */
export function PlacesPart({
  places,
  classes,
  errorAt,
  onChange,
}: {
  places: PlaceDraft[];
  classes: ClassItem[];
  errorAt: ErrorAt;
  onChange: (places: PlaceDraft[]) => void;
}) {
  const wrong = errorAt('places');
  const isBesidePlace = places.some((_, i) => errorAt(`places.${i}`) !== undefined);
  const last = places.at(-1);
  const isThere = (p: PlaceDraft): boolean =>
    places.some(
      (q) =>
        q.classId === p.classId && q.kind === p.kind && p.kind !== 'item' && p.kind !== 'by-hand',
    );
  return (
    <section aria-label="Where it goes">
      <h3 className="mb-1 text-sm font-semibold">Where it goes</h3>
      <div className="rounded-small border border-edge bg-sheet px-3.5 pb-2.5">
        <ul>
          {places.map((place, i) => {
            const of = classes.find((c) => c.id === place.classId);
            return (
              of && (
                <PlaceRow
                  key={place.id ?? `new ${i}`}
                  place={place}
                  classPeriod={of}
                  index={i}
                  errorAt={errorAt}
                  only={places.length === 1}
                  change={(part) =>
                    onChange(places.map((p, k) => (k === i ? { ...p, ...part } : p)))
                  }
                  remove={() => onChange(places.filter((_, k) => k !== i))}
                />
              )
            );
          })}
        </ul>
        <AddPlace
          classes={classes}
          start={last?.classId ?? classes[0]!.id}
          onAdd={(more) => onChange([...places, ...more.filter((p) => !isThere(p))])}
        />
      </div>
      {!isBesidePlace && wrong && <FieldError>{wrong}</FieldError>}
    </section>
  );
}

import { Plus } from 'lucide-react';
import { useState } from 'react';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { useServices } from '../../app/useServices.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { CardPart } from '../../ui/SentencePart.js';
import { ChoicePart } from '../../ui/choices.js';
import { firstKind, type PlaceDraft, type PlaceKind } from './draft.js';
import { offeredKinds } from './placeKinds.js';
import { PlaceRow, type ErrorAt } from './PlaceRow.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

interface ClassesProps {
  classes: ClassItem[];
  chosen: number[];
  onChange: (chosen: number[]) => void;
}

/** The class periods that places are added of, as words of a sentence; several at once. */
function ClassesPart({ classes, chosen, onChange }: ClassesProps) {
  const named = classes.filter((c) => chosen.includes(c.id));
  const shown =
    named.length === 1
      ? classTitle(named[0]!)
      : fill(say.classPeriods, { namedCount: named.length });
  const toggled = (id: number, isIn: boolean): number[] =>
    isIn ? [...chosen, id] : chosen.filter((other) => other !== id);
  return (
    <CardPart label={say.classPeriodsOfThePlaces} marked={false} shown={shown}>
      <ul className="grid gap-1">
        {classes.map((c) => (
          <li key={c.id}>
            <label className="flex items-center gap-2.5">
              <input
                type="checkbox"
                className="size-4 accent-bracken"
                checked={chosen.includes(c.id)}
                onChange={(e) => onChange(toggled(c.id, e.target.checked))}
              />
              {classTitle(c)}
              <span className="text-sm text-soft">
                {fill(say.rollSizeStudents, { rollSize: c.rollSize })}
              </span>
            </label>
          </li>
        ))}
      </ul>
    </CardPart>
  );
}

interface AddProps {
  classes: ClassItem[];
  start: number;
  /** Whether a class period has such a place already. */
  isThere: (classId: number, kind: PlaceKind) => boolean;
  onAdd: (places: PlaceDraft[]) => void;
}

/** Chooses more places, by kind and class periods. */
function AddPlace({ classes, start, isThere, onAdd }: AddProps) {
  const [chosen, setChosen] = useState([start]);
  const services = useServices();
  const [kind, setKind] = useState<PlaceKind>(firstKind(services.courseSite));
  const fresh = chosen.filter((id) => !isThere(id, kind));
  const add = (ids: number[]): void =>
    onAdd(ids.map((id) => ({ classId: id, kind, ...(kind === 'item' ? { section: null } : {}) })));
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2 border-t border-dashed border-edge pt-2.5">
      <p className="leading-sentence">
        <Said
          as={say.andKindPlaceOfClassesPart}
          kindPlace={
            <ChoicePart
              label={say.kindOfPlace}
              value={kind}
              marked={false}
              onChange={(v) => setKind(v as PlaceKind)}
              choices={offeredKinds(services)}
            />
          }
          classesPart={<ClassesPart classes={classes} chosen={chosen} onChange={setChosen} />}
        />
      </p>
      <span className="ml-auto flex flex-wrap gap-3">
        <Button disabled={fresh.length === 0} onClick={() => add(fresh)}>
          <Plus size={15} aria-hidden="true" />
          {fresh.length > 1
            ? fill(say.addThesePlaces, { freshCount: fresh.length })
            : say.addThisPlace}
        </Button>
        {classes.length > 1 && (
          <Button
            kind="link"
            onClick={() => add(classes.map((c) => c.id).filter((id) => !isThere(id, kind)))}
          >
            {say.ofAllMyClassPeriods}
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
  ofSessions,
  onChange,
}: {
  places: PlaceDraft[];
  classes: ClassItem[];
  errorAt: ErrorAt;
  ofSessions: boolean;
  onChange: (places: PlaceDraft[]) => void;
}) {
  const wrong = errorAt('places');
  const isBesidePlace = places.some((_, i) => errorAt(`places.${i}`) !== undefined);
  const last = places.at(-1);
  /** A course page may have several items, and a class period several places by hand. */
  const isThere = (classId: number, kind: PlaceKind): boolean =>
    kind !== 'item' &&
    kind !== 'by-hand' &&
    kind !== 'mail' &&
    places.some((p) => p.classId === classId && p.kind === kind);
  return (
    <section aria-label={say.whereItGoes}>
      <h3 className="mb-1 text-sm font-semibold">{say.whereItGoes}</h3>
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
                  ofSessions={ofSessions}
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
          isThere={isThere}
          onAdd={(more) => onChange([...places, ...more])}
        />
      </div>
      {!isBesidePlace && wrong && <FieldError>{wrong}</FieldError>}
    </section>
  );
}

import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import { plainToRich, type RichText } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { ClassItem, Problem } from '@glen/contract';
import { api, messageFor } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import type { PlaceDraft, PlaceKind } from './draft.js';
import { RichEditor } from './RichEditor.js';

const KINDS: { value: PlaceKind; label: string; hint: string }[] = [
  { value: 'stream', label: 'the class stream', hint: 'a post' },
  { value: 'item', label: 'the course page', hint: 'an item of a section' },
  { value: 'calendar', label: 'the course calendar', hint: 'an entry for each session' },
  { value: 'by-hand', label: 'a place filled by hand', hint: 'Glen asks you then' },
];
const kindWords = (kind: PlaceKind): string => KINDS.find((k) => k.value === kind)!.label;

const NEW = 'new';

/** Where on the course page: a section that is there, or one of the post's own; as a link or within words. */
function OnThePage({
  place,
  change,
  trouble,
}: {
  place: PlaceDraft;
  change: (part: Partial<PlaceDraft>) => void;
  trouble: string | undefined;
}) {
  const { data } = api.useCoursePageQuery({ params: { classId: place.classId } });
  const sections = (data?.sections ?? []).filter((s) => !s.ours);
  const at =
    place.section && 'key' in place.section
      ? sections.find((s) => place.section && 'key' in place.section && s.key === place.section.key)
      : undefined;
  const own = place.section && 'title' in place.section ? place.section : null;
  return (
    <div className="grid gap-2">
      <p className="leading-[2.1]">
        In{' '}
        <ChoicePart
          label="Section"
          value={own ? NEW : (at?.key ?? '')}
          invalid={trouble !== undefined}
          onChange={(v) =>
            change(
              v === NEW
                ? { section: { title: 'Next lesson: {date}' }, position: 0 }
                : { section: { key: v } },
            )
          }
          choices={[
            ...sections.map((s) => ({ value: s.key, label: `“${s.title}”` })),
            {
              value: NEW,
              label: 'a section of its own',
              hint: 'Glen keeps its heading right',
              apart: sections.length > 0,
            },
          ]}
        />
        {at && (
          <>
            ,{' '}
            <ChoicePart
              label="Where in the section"
              value={String(Math.min(place.position ?? 0, at.items.length))}
              marked={false}
              onChange={(v) => change({ position: Number(v) })}
              choices={[
                { value: '0', label: 'first' },
                ...at.items.map((item, i) => ({
                  value: String(i + 1),
                  label: `after “${item.title}”`,
                })),
              ]}
            />
          </>
        )}
        , as{' '}
        <ChoicePart
          label="As what"
          value={place.inText ? 'text' : 'link'}
          marked={false}
          onChange={(v) => change({ inText: v === 'text' })}
          choices={[
            { value: 'link', label: 'a link with the words below it' },
            { value: 'text', label: 'words with the link in them' },
          ]}
        />
        {!place.inText && (
          <>
            {' '}
            that{' '}
            <ChoicePart
              label="Opens"
              value={place.newTab === false ? 'same' : 'new'}
              marked={false}
              onChange={(v) => change({ newTab: v === 'new' })}
              choices={[
                { value: 'new', label: 'opens a new tab' },
                { value: 'same', label: 'opens in place' },
              ]}
            />
          </>
        )}
      </p>
      {own && sections.length > 0 && (
        <p className="leading-[2.1]">
          On the page it stands{' '}
          <ChoicePart
            label="Where on the page"
            value={String(Math.min(place.position ?? 0, sections.length))}
            marked={false}
            onChange={(v) => change({ position: Number(v) })}
            choices={[
              { value: '0', label: 'first' },
              ...sections.map((s, i) => ({ value: String(i + 1), label: `after “${s.title}”` })),
            ]}
          />
        </p>
      )}
      {own && (
        <label className="flex items-center gap-3 text-sm">
          <span className="font-semibold">Its heading</span>
          <input
            className={inputClass}
            value={own.title}
            maxLength={200}
            onChange={(e) => change({ section: { title: e.target.value } })}
          />
        </label>
      )}
      {data?.trouble && (
        <p className="text-sm text-gorse-deep">
          {data.trouble} Its sections cannot be shown just now; one of its own can be made all the
          same.
        </p>
      )}
    </div>
  );
}

/** Which of the class period's links, and who of it reads the place. */
function LinkAndReaders({
  place,
  of,
  change,
  trouble,
}: {
  place: PlaceDraft;
  of: ClassItem;
  change: (part: Partial<PlaceDraft>) => void;
  trouble: boolean;
}) {
  const { data } = api.useClassLinksQuery({ params: { classId: place.classId } });
  const { data: groups } = api.useGroupsQuery({ params: { classId: place.classId } });
  const links = (data?.links ?? []).filter((l) => l.state === 'live');
  const chosen = links.find((l) => l.id === (place.linkId ?? of.link.id));
  const readers =
    typeof place.readers === 'object'
      ? `group ${place.readers.groupId}`
      : (place.readers ?? 'class');
  return (
    <>
      {links.length > 1 && (
        <>
          , with{' '}
          <ChoicePart
            label={`Link at ${classTitle(of)}`}
            value={String(place.linkId ?? of.link.id)}
            marked={place.linkId !== undefined && place.linkId !== of.link.id}
            onChange={(v) => {
              const link = links.find((l) => String(l.id) === v);
              change({
                linkId: Number(v),
                ...(link && !link.main
                  ? { readers: 'audience' as const }
                  : { readers: 'class' as const }),
              });
            }}
            choices={links.map((l) => ({
              value: String(l.id),
              label: l.main ? 'its own link' : `the link “${l.label}”`,
            }))}
          />
        </>
      )}
      {(links.length > 1 || (groups?.groups.length ?? 0) > 0) && place.kind !== 'by-hand' && (
        <>
          , shown to{' '}
          <ChoicePart
            label={`Who sees it at ${classTitle(of)}`}
            invalid={trouble}
            marked={readers !== 'class'}
            value={readers}
            onChange={(v) =>
              change({
                readers: v.startsWith('group ')
                  ? { groupId: Number(v.slice(6)) }
                  : (v as 'class' | 'audience'),
              })
            }
            choices={[
              { value: 'class', label: 'the whole class' },
              {
                value: 'audience',
                label: 'those the link is for',
                ...(chosen ? { hint: `${chosen.audienceSize}` } : {}),
              },
              ...(groups?.groups ?? []).map((g) => ({
                value: `group ${g.id}`,
                label: `only ${g.name}`,
                hint: `${g.members.length}`,
              })),
            ]}
          />
        </>
      )}
    </>
  );
}

function PlaceRow({
  place,
  of,
  index,
  problem,
  change,
  remove,
  only,
}: {
  place: PlaceDraft;
  of: ClassItem;
  index: number;
  problem: Problem | undefined;
  change: (part: Partial<PlaceDraft>) => void;
  remove: () => void;
  only: boolean;
}) {
  const at = (field: string): string | undefined => messageFor(problem, `places.${index}.${field}`);
  const wrong =
    at('classId') ?? at('kind') ?? at('section') ?? at('linkId') ?? at('readers') ?? at('name');
  const title = `${kindWords(place.kind)} of ${classTitle(of)}`;
  return (
    <li className="border-t border-line py-2.5 first:border-t-0" aria-label={title}>
      <div className="flex items-start gap-3">
        <span className="mt-1.5">
          <Pennant pennant={of.pennant} />
        </span>
        <div className="min-w-0 flex-1">
          <p className="leading-[2.1]">
            <b className="inline-block first-letter:uppercase">
              {place.kind === 'by-hand' ? (
                <input
                  aria-label={`Name of the place, ${classTitle(of)}`}
                  className="rounded-small border border-edge bg-sheet px-2 py-0.5 font-normal"
                  placeholder="First slide, folder, mail…"
                  maxLength={120}
                  value={place.name ?? ''}
                  onChange={(e) => change({ name: e.target.value })}
                />
              ) : (
                kindWords(place.kind)
              )}
            </b>{' '}
            of <b>{classTitle(of)}</b>
            <LinkAndReaders
              place={place}
              of={of}
              change={change}
              trouble={at('readers') !== undefined}
            />
          </p>
          {place.kind === 'item' && (
            <OnThePage place={place} change={change} trouble={at('section')} />
          )}
          {(place.kind === 'item' || place.kind === 'calendar') && (
            <label className="mt-1 flex items-center gap-3 text-sm">
              <span className="font-semibold">Title</span>
              <input
                className={inputClass}
                placeholder="The link words"
                value={place.title ?? ''}
                maxLength={200}
                onChange={(e) => change({ title: e.target.value })}
              />
            </label>
          )}
          {place.words != null && (
            <div className="mt-2">
              <RichEditor
                label={`Words for ${classTitle(of)} alone`}
                start={
                  typeof place.words === 'string'
                    ? plainToRich(place.words)
                    : (place.words as RichText)
                }
                onChange={(words) => change({ words })}
                error={at('words')}
              />
            </div>
          )}
          {wrong && (
            <FieldError>
              {wrong}
              {at('readers') && (
                <>
                  {' '}
                  <Button kind="link" onClick={() => change({ readers: 'audience' })}>
                    Show it to the link’s own people only
                  </Button>
                </>
              )}
            </FieldError>
          )}
        </div>
        <span className="flex items-center gap-3">
          {!only && (
            <Button kind="link" onClick={() => change({ words: place.words == null ? [] : null })}>
              {place.words == null ? 'Other words here' : 'The same words'}
            </Button>
          )}
          <button
            type="button"
            aria-label={`Take away: ${title}`}
            disabled={only}
            onClick={remove}
            className="rounded-small p-1 hover:bg-shade disabled:opacity-40"
          >
            <X size={16} aria-hidden="true" />
          </button>
        </span>
      </div>
    </li>
  );
}

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
  const [kind, setKind] = useState<PlaceKind>('stream');
  const add = (ids: number[]): void =>
    onAdd(ids.map((id) => ({ classId: id, kind, ...(kind === 'item' ? { section: null } : {}) })));
  return (
    <div className="flex flex-wrap items-center gap-x-3 gap-y-2 border-t border-dashed border-edge pt-2.5">
      <p className="leading-[2.1]">
        And{' '}
        <ChoicePart
          label="Kind of place"
          value={kind}
          marked={false}
          onChange={(v) => setKind(v as PlaceKind)}
          choices={KINDS}
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
  problem,
  onChange,
}: {
  places: PlaceDraft[];
  classes: ClassItem[];
  problem: Problem | undefined;
  onChange: (places: PlaceDraft[]) => void;
}) {
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
                  of={of}
                  index={i}
                  problem={problem}
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
      {messageFor(problem, 'places') &&
        !problem?.errors?.some((e) => /^places\.\d/.test(e.path)) && (
          <FieldError>{messageFor(problem, 'places')}</FieldError>
        )}
    </section>
  );
}

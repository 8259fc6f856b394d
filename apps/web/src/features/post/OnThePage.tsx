import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { inputClass } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import type { PlaceDraft } from './draft.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const NEW = 'new';

type Section = Answer<'coursePage'>['sections'][number];

interface PagePartProps {
  place: PlaceDraft;
  change: (part: Partial<PlaceDraft>) => void;
  /** The page's own sections. */
  sections: Section[];
}

/** The section of the page that the place is in; undefined where it has one of its own, or none yet. */
function sectionOf({ section }: PlaceDraft, sections: Section[]): Section | undefined {
  if (!section || !('key' in section)) return undefined;
  return sections.find((s) => s.key === section.key);
}

const ownSection = ({ section }: PlaceDraft): { title: string } | null =>
  section && 'title' in section ? section : null;

interface SectionProps extends PagePartProps {
  trouble: boolean;
  /** Glen's own, under which something stands already. */
  headings: Answer<'headings'>['headings'];
}

/** First, or after one of those that are there. */
const positions = (titles: string[]) => [
  { value: '0', label: 'first' },
  ...titles.map((title, i) => ({ value: String(i + 1), label: fill(say.afterTitle, { title }) })),
];

interface PositionProps extends Omit<PagePartProps, 'sections'> {
  label: string;
  titles: string[];
}

function PositionPart({ place, change, label, titles }: PositionProps) {
  return (
    <ChoicePart
      label={label}
      value={String(Math.min(place.position ?? 0, titles.length))}
      marked={false}
      onChange={(v) => change({ position: Number(v) })}
      choices={positions(titles)}
    />
  );
}

/** Stands before the words of a heading of Glen's own among the sections. */
const OWN = 'own ';

function SectionPart({ place, change, sections, trouble, headings }: SectionProps) {
  const choose = (value: string): void => change(sectionFor(value));
  const own = {
    value: NEW,
    label: headings.length === 0 ? say.aSectionOfItsOwn : say.anotherSectionOfItsOwn,
    hint: say.glenKeepsItsHeadingRight,
    apart: sections.length + headings.length > 0,
  };
  const written = ownSection(place)?.title;
  const isShared = headings.some((heading) => heading.written === written);
  const ofOwn = written === undefined ? undefined : NEW;
  return (
    <ChoicePart
      label={say.section}
      value={isShared ? `${OWN}${written}` : (ofOwn ?? sectionOf(place, sections)?.key ?? '')}
      invalid={trouble}
      onChange={choose}
      choices={[
        ...sections.map((s) => ({ value: s.key, label: `“${s.title}”` })),
        ...headings.map(({ written: words, title, items }) => ({
          value: `${OWN}${words}`,
          label: `“${title}”`,
          hint: fill(say.glensOwnWithUnderIt, { itemsCount: items.length }),
        })),
        own,
      ]}
    />
  );
}

/** The section that a choice stands for. */
function sectionFor(value: string): Partial<PlaceDraft> {
  if (value === NEW) return { section: { title: say.nextLesson }, position: 0 };
  if (value.startsWith(OWN)) return { section: { title: value.slice(OWN.length) }, position: 0 };
  return { section: { key: value } };
}

/** As a link with the words below it, or as words with the link in them. */
function AsWhatPart({ place, change }: Omit<PagePartProps, 'sections'>) {
  return (
    <>
      <ChoicePart
        label={say.asWhat}
        value={place.inText ? 'text' : 'link'}
        marked={false}
        onChange={(v) => change({ inText: v === 'text' })}
        choices={[
          { value: 'link', label: say.aLinkWithTheWords },
          { value: 'text', label: say.wordsWithTheLink },
        ]}
      />
      {!place.inText && (
        <>
          {' '}
          <Said
            as={say.thatOpens}
            opens={
              <ChoicePart
                label={say.opens}
                value={place.newTab === false ? 'same' : 'new'}
                marked={false}
                onChange={(v) => change({ newTab: v === 'new' })}
                choices={[
                  { value: 'new', label: say.opensANewTab },
                  { value: 'same', label: say.opensInPlace },
                ]}
              />
            }
          />
        </>
      )}
    </>
  );
}

function OwnSection({ place, change, sections, headings }: Omit<SectionProps, 'trouble'>) {
  const own = ownSection(place);
  const isJoining = headings.some((h) => h.written === own?.title) && place.id === undefined;
  // A heading that stands already is not changed by what joins it.
  if (!own || isJoining) return null;
  return (
    <>
      {sections.length > 0 && (
        <p className="leading-sentence">
          <Said
            as={say.onThePageItStands}
            whereOn={
              <PositionPart
                place={place}
                change={change}
                label={say.whereOnThePage}
                titles={sections.map((s) => s.title)}
              />
            }
          />
        </p>
      )}
      <label className="flex items-center gap-3 text-sm">
        <span className="font-semibold">{say.itsHeading}</span>
        <input
          className={inputClass}
          value={own.title}
          maxLength={200}
          onChange={(e) => change({ section: { title: e.target.value } })}
        />
      </label>
    </>
  );
}

interface OnThePageProps extends Omit<PagePartProps, 'sections'> {
  trouble: string | undefined;
}

/** Whether what is there after lessons stands below it. */
function AfterLessonsPart({ place, change }: Omit<PagePartProps, 'sections'>) {
  return (
    <label className="flex items-center gap-2 text-sm">
      <input
        type="checkbox"
        className="size-4 accent-bracken"
        checked={place.withAfterLessons ?? false}
        onChange={(e) => change({ withAfterLessons: e.target.checked })}
      />
      {say.belowItAList}
    </label>
  );
}

/** Where on the course page: a section that is there, or one of the post's own; as a link or within words. */
export function OnThePage({ place, change, trouble }: OnThePageProps) {
  const { data } = api.useCoursePageQuery({ params: { classId: place.classId } });
  const { data: own } = api.useHeadingsQuery({ params: { classId: place.classId } });
  const sections = (data?.sections ?? []).filter((s) => !s.ours);
  const at = sectionOf(place, sections);
  const part = { place, change, sections };
  return (
    <div className="grid gap-2">
      <p className="leading-sentence">
        <Said
          as={say.inSectionPartAtAsWhatPart}
          sectionPart={
            <SectionPart {...part} headings={own?.headings ?? []} trouble={trouble !== undefined} />
          }
          at={
            at && (
              <>
                ,{' '}
                <PositionPart
                  place={place}
                  change={change}
                  label={say.whereInTheSection}
                  titles={at.items.map((item) => item.title)}
                />
              </>
            )
          }
          asWhatPart={<AsWhatPart place={place} change={change} />}
        />
      </p>
      <OwnSection {...part} headings={own?.headings ?? []} />
      <AfterLessonsPart place={place} change={change} />
      {data?.trouble && (
        <p className="text-sm text-gorse-deep">
          {fill(say.itsSectionsCannotBeShown, { trouble: data.trouble })}
        </p>
      )}
    </div>
  );
}

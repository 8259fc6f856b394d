import { X } from 'lucide-react';
import { plainToRich, type RichText } from '@glen/core';
import { classTitle } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { TextField } from '../../ui/TextField.js';
import { Pennant } from '../../ui/Pennant.js';
import type { PlaceDraft } from './draft.js';
import { LinkAndReaders } from './LinkAndReaders.js';
import { OnThePage } from './OnThePage.js';
import { kindWords } from './placeKinds.js';
import { RichEditor } from './RichEditor.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** What is wrong at a field, or inside it. */
export type ErrorAt = (path: string) => string | undefined;

interface PlaceProps {
  place: PlaceDraft;
  classPeriod: ClassItem;
  index: number;
  errorAt: ErrorAt;
  change: (part: Partial<PlaceDraft>) => void;
  remove: () => void;
  only: boolean;
  /** The post is about sessions. */
  ofSessions: boolean;
}

/** The fields of a place of which one is told to be wrong, the first that is. */
const FIELDS = ['classId', 'kind', 'section', 'linkId', 'readers', 'name'];

const messageAt = ({ errorAt, index }: PlaceProps, field: string): string | undefined =>
  errorAt(`places.${index}.${field}`);

/** What kind of place it is; one filled by hand has a name of its own. */
function KindPart({ place, classPeriod, change }: PlaceProps) {
  if (place.kind !== 'by-hand') return kindWords(place.kind);
  return (
    <input
      aria-label={fill(say.nameOfThePlace, { classTitle: classTitle(classPeriod) })}
      className="rounded-small border border-edge bg-sheet px-2 py-0.5 font-normal"
      placeholder={say.firstSlideFolderMailDots}
      maxLength={120}
      value={place.name ?? ''}
      onChange={(e) => change({ name: e.target.value })}
    />
  );
}

function TitlePart({ place, change }: PlaceProps) {
  if (place.kind !== 'item' && place.kind !== 'calendar' && place.kind !== 'mail') return null;
  return (
    <label className="mt-1 flex items-center gap-3 text-sm">
      <span className="font-semibold">{place.kind === 'mail' ? say.subject : say.title}</span>
      <input
        className={inputClass}
        placeholder={say.theLinkWords}
        value={place.title ?? ''}
        maxLength={200}
        onChange={(e) => change({ title: e.target.value })}
      />
    </label>
  );
}

/** What a letter has along; about the lasting link there is no session to keep. */
function AlongPart({ place, change, ofSessions }: PlaceProps) {
  if (place.kind !== 'mail' || !ofSessions) return null;
  return (
    <label className="mt-1.5 flex items-center gap-2.5 text-sm">
      <input
        type="checkbox"
        className="size-4 accent-bracken"
        checked={place.withCalendar ?? false}
        onChange={(e) => change({ withCalendar: e.target.checked })}
      />
      {say.withTheSession}
    </label>
  );
}

/** Other words than everywhere else. */
function WordsPart(props: PlaceProps) {
  const { place, classPeriod, change } = props;
  const { words, linkWords = '' } = place;
  if (words == null) return null;
  return (
    <div className="mt-2 grid gap-3">
      <RichEditor
        label={fill(say.wordsForAlone, { classTitle: classTitle(classPeriod) })}
        start={typeof words === 'string' ? plainToRich(words) : (words as RichText)}
        onChange={(to) => change({ words: to })}
        error={messageAt(props, 'words')}
      />
      <TextField
        label={fill(say.linkWordsForAlone, { classTitle: classTitle(classPeriod) })}
        hint={say.blankTheSameAsEverywhere}
        error={messageAt(props, 'linkWords')}
        value={linkWords}
        maxLength={200}
        onChange={(e) => change({ linkWords: e.target.value })}
      />
    </div>
  );
}

function WrongPart(props: PlaceProps) {
  const [wrong] = FIELDS.flatMap((field) => messageAt(props, field) ?? []);
  if (!wrong) return null;
  return (
    <FieldError>
      {wrong}
      {messageAt(props, 'readers') && (
        <>
          {' '}
          <Button kind="link" onClick={() => props.change({ readers: 'audience' })}>
            {say.showItToTheLinks}
          </Button>
        </>
      )}
    </FieldError>
  );
}

function RowActions({ place, change, remove, only, title }: PlaceProps & { title: string }) {
  const isSame = place.words == null;
  return (
    <span className="flex items-center gap-3">
      {!only && (
        <Button kind="link" onClick={() => change({ words: isSame ? [] : null, linkWords: '' })}>
          {isSame ? say.otherWordsHere : say.theSameWords}
        </Button>
      )}
      <button
        type="button"
        aria-label={fill(say.takeAway, { title })}
        disabled={only}
        onClick={remove}
        className="rounded-small p-1 hover:bg-shade disabled:opacity-40"
      >
        <X size={16} aria-hidden="true" />
      </button>
    </span>
  );
}

/** One place of a post, as a sentence. */
export function PlaceRow(props: PlaceProps) {
  const { place, classPeriod, change } = props;
  const title = fill(say.kindWordsOfClassTitle, {
    kindWords: kindWords(place.kind),
    classTitle: classTitle(classPeriod),
  });
  return (
    <li className="border-t border-line py-2.5 first:border-t-0" aria-label={title}>
      <div className="flex items-start gap-3">
        <span className="mt-1.5">
          <Pennant pennant={classPeriod.pennant} />
        </span>
        <div className="min-w-0 flex-1">
          <p className="leading-sentence">
            <Said
              as={say.whatOfClassTitle}
              what={
                <b className="inline-block first-letter:uppercase">
                  <KindPart {...props} />
                </b>
              }
              classTitle={<b>{classTitle(classPeriod)}</b>}
            />
            <LinkAndReaders
              place={place}
              classPeriod={classPeriod}
              change={change}
              trouble={messageAt(props, 'readers') !== undefined}
            />
          </p>
          {place.kind === 'item' && (
            <OnThePage place={place} change={change} trouble={messageAt(props, 'section')} />
          )}
          <TitlePart {...props} />
          <AlongPart {...props} />
          <WordsPart {...props} />
          <WrongPart {...props} />
        </div>
        <RowActions {...props} title={title} />
      </div>
    </li>
  );
}

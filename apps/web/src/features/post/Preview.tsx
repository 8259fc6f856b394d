import { useState } from 'react';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { RichWords } from '../../ui/RichWords.js';
import { ChoicePart } from '../../ui/choices.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Shown = Answer<'previewPost'>['places'][number];

function readersInWords(n: number): string {
  if (n === 0) return say.noStudents;
  return many(say.students, n);
}

function AsShown({ place, plain }: { place: Shown; plain: boolean }) {
  if (plain)
    return (
      <pre className="rounded-small border border-edge bg-sheet p-4 font-mono text-sm break-words whitespace-pre-wrap">
        {place.text}
      </pre>
    );
  return (
    <div className="rounded-small border border-edge bg-sheet p-4 break-words">
      {place.heading && <p className="font-head font-semibold">{place.heading}</p>}
      {place.isLetter && <p className="mb-2 font-semibold">{place.title}</p>}
      {place.title && !place.isLetter && (
        <p>
          <a
            className="text-loch-deep underline"
            href={place.address}
            target="_blank"
            rel="noreferrer"
          >
            {place.title}
          </a>
        </p>
      )}
      <RichWords html={place.html} />
    </div>
  );
}

/** A post as its readers will find it, place by place, rich and plain. */
export function Preview({ places }: { places: Shown[] }) {
  const [chosen, setChosen] = useState(0);
  const [plain, setPlain] = useState(false);
  const place = places[chosen] ?? places[0];
  if (!place) return null;
  return (
    <section aria-label={say.asStudentsWillSeeIt} className="min-w-0">
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
        <h3 className="text-sm font-semibold text-soft">{say.asStudentsWillSeeIt}</h3>
        <button
          type="button"
          aria-pressed={plain}
          className="text-sm font-semibold text-bracken-deep hover:underline"
          onClick={() => setPlain(!plain)}
        >
          {plain ? say.showItRich : say.showThePlainForm}
        </button>
      </div>
      {places.length > 1 && (
        <p className="mb-2">
          <ChoicePart
            label={say.placeShown}
            value={String(place.index)}
            marked={false}
            onChange={(v) => setChosen(places.findIndex((p) => String(p.index) === v))}
            choices={places.map((p) => ({ value: String(p.index), label: p.where }))}
          />
        </p>
      )}
      <p className="mb-1.5 text-sm text-soft">
        {places.length > 1 ? '' : `${place.where}, `}
        {readersInWords(place.readerCount)}
        {place.session
          ? ` · ${fill(say.forSession, {
              date: dateInWords(place.session.date),
              time: place.session.time,
            })}`
          : ''}
      </p>
      <AsShown place={place} plain={plain} />
    </section>
  );
}

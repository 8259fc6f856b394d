import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Chip, type Tone } from '../../ui/Chip.js';

export type Stand = Answer<'linkPlaces'>['places'][number];

const STATES: Record<Stand['state'], [tone: Tone, words: string]> = {
  draft: ['careful', 'draft'],
  queued: ['inform', 'queued'],
  out: ['well', 'out'],
  struck: ['plain', 'struck through'],
  failed: ['wrong', 'failed'],
  gone: ['plain', 'taken down'],
  missing: ['careful', 'not there any more'],
  todo: ['careful', 'by hand: to do'],
  done: ['well', 'done by hand'],
  takedown: ['careful', 'by hand: to take down'],
};

function StandLine({ s, zone }: { s: Stand; zone: string }) {
  const [tone, words] = STATES[s.state];
  const since = s.since === null ? null : wallClock(s.since, zone);
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <Link className="hover:underline" to={`/posts?show=${s.postId}`}>
        {s.place}
      </Link>
      <Chip tone={s.pending ? 'careful' : tone}>{s.pending ? 'change under way' : words}</Chip>
      <span className="text-sm text-soft">
        {since ? `since ${dateInWords(since.date)} ${since.time}, ` : ''}
        {s.readers} read there
      </span>
    </li>
  );
}

/** Every place that a link stands in, since when, and who reads it there. */
export function Stands({
  linkId,
  places,
  zone,
}: {
  linkId: number;
  places: Stand[];
  zone: string;
}) {
  const onTheWay = places.filter((s) => s.pending).length;
  return (
    <>
      {places.length === 0 ? (
        <p className="text-soft">Nowhere yet. Copy it to whom it is for, or post it.</p>
      ) : (
        <ul className="grid gap-1">
          {places.map((s, i) => (
            <StandLine key={i} s={s} zone={zone} />
          ))}
        </ul>
      )}
      {onTheWay > 0 && (
        <p role="status" className="mt-2 text-gorse-deep">
          {places.length - onTheWay} of {places.length} places have followed; the rest are on their
          way. You need not wait here.
        </p>
      )}
      <p className="mt-2 flex gap-4">
        <Link
          className="font-semibold text-bracken-deep hover:underline"
          to={`/posts/reach?link=${linkId}`}
        >
          Who sees it
        </Link>
      </p>
    </>
  );
}

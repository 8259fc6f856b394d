import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Chip, type Tone } from '../../ui/Chip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Stand = Answer<'linkPlaces'>['places'][number];

const STATES: Record<Stand['state'], [tone: Tone, words: string]> = {
  draft: ['careful', 'draft'],
  queued: ['inform', 'queued'],
  out: ['well', 'out'],
  struck: ['plain', say.struckThrough],
  failed: ['wrong', 'failed'],
  gone: ['plain', say.takenDown],
  missing: ['careful', say.notThereAnyMore],
  todo: ['careful', say.byHandToDo],
  done: ['well', say.doneByHand],
  takedown: ['careful', say.byHandToTakeDown],
};

function StandLine({ s, zone }: { s: Stand; zone: string }) {
  const [tone, words] = STATES[s.state];
  const since = s.since === null ? null : wallClock(s.since, zone);
  return (
    <li className="flex flex-wrap items-center gap-x-3">
      <Link className="hover:underline" to={`/posts?show=${s.postId}`}>
        {s.place}
      </Link>
      <Chip tone={s.pending ? 'careful' : tone}>{s.pending ? say.changeUnderWay : words}</Chip>
      <span className="text-sm text-soft">
        {since
          ? fill(say.sinceReadThere, {
              date: dateInWords(since.date),
              time: since.time,
              readers: s.readers,
            })
          : fill(say.readThere, { readers: s.readers })}
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
        <p className="text-soft">{say.nowhereYetCopyIt}</p>
      ) : (
        <ul className="grid gap-1">
          {places.map((s, i) => (
            <StandLine key={i} s={s} zone={zone} />
          ))}
        </ul>
      )}
      {onTheWay > 0 && (
        <p role="status" className="mt-2 text-gorse-deep">
          {fill(say.ofPlacesHaveFollowed, {
            followed: places.length - onTheWay,
            all: places.length,
          })}
        </p>
      )}
      <p className="mt-2 flex gap-4">
        <Link
          className="font-semibold text-bracken-deep hover:underline"
          to={`/posts/reach?link=${linkId}`}
        >
          {say.whoSeesIt}
        </Link>
      </p>
    </>
  );
}

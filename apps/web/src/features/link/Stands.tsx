import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { LinkDetail } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Chip, type Tone } from '../../ui/Chip.js';

const STATES: Record<LinkDetail['stands'][number]['state'], [tone: Tone, words: string]> = {
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

/** Every place that a link stands in, since when, and who reads it there. */
export function Stands({ link, zone }: { link: LinkDetail; zone: string }) {
  const onTheWay = link.stands.filter((s) => s.pending).length;
  return (
    <>
      {link.stands.length === 0 ? (
        <p className="text-soft">Nowhere yet. Copy it to whom it is for, or post it.</p>
      ) : (
        <ul className="grid gap-1">
          {link.stands.map((s, i) => {
            const [tone, words] = STATES[s.state];
            const since = s.since === null ? null : wallClock(s.since, zone);
            return (
              <li key={i} className="flex flex-wrap items-center gap-x-3">
                <Link className="hover:underline" to={`/posts?show=${s.postId}`}>
                  {s.place}
                </Link>
                <Chip tone={s.pending ? 'careful' : tone}>
                  {s.pending ? 'change under way' : words}
                </Chip>
                <span className="text-sm text-soft">
                  {since ? `since ${dateInWords(since.date)} ${since.time}, ` : ''}
                  {s.readers} read there
                </span>
              </li>
            );
          })}
        </ul>
      )}
      {onTheWay > 0 && (
        <p role="status" className="mt-2 text-gorse-deep">
          {link.stands.length - onTheWay} of {link.stands.length} places have followed; the rest are
          on their way. You need not wait here.
        </p>
      )}
      <p className="mt-2 flex gap-4">
        <Link
          className="font-semibold text-bracken-deep hover:underline"
          to={`/posts/reach?link=${link.id}`}
        >
          Who sees it
        </Link>
      </p>
    </>
  );
}

import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { Answer, Me } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Button } from '../../ui/Button.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Word = Answer<'words'>['words'][number];

interface WordProps {
  word: Word;
  zone: string;
}

/** One thing that somebody was told; what they have not read yet stands out, and can be put away. */
function WordRow({ word: { id, title, text, at, isSeen }, zone }: WordProps) {
  const [see, { isLoading }] = api.useSeenNoticeMutation();
  const { date, time } = wallClock(at, zone);
  return (
    <li className="border-b border-line py-3">
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <span className={`min-w-48 flex-1 break-words ${isSeen ? 'text-soft' : 'font-semibold'}`}>
          {title}
        </span>
        <span className="font-mono text-sm whitespace-nowrap text-soft">
          {dateInWords(date)} {time}
        </span>
      </p>
      {text && <p className={`mt-1 max-w-2xl break-words ${isSeen ? 'text-soft' : ''}`}>{text}</p>}
      {!isSeen && (
        <Button
          kind="link"
          aria-label={fill(say.iHaveReadIt, { title })}
          disabled={isLoading}
          onClick={() => void see({ params: { noticeId: id } })}
        >
          {say.iHaveReadItShort}
        </Button>
      )}
    </li>
  );
}

const NONE = <Empty title={say.noWordForYouYet}>{say.whatOthersChangeThatTouches}</Empty>;

/** What has changed that touches me, on any device; how I hear of it is my choice. */
export default function WordsPage({ me }: { me: Me }) {
  const asked = api.useWordsQuery();
  return (
    <main id="main" className="mx-auto w-full max-w-3xl px-6 py-6">
      <BackLink />
      <ScreenTitle tab={say.wordForYou} />
      <p className="mt-1 text-soft">
        <Said
          as={say.howYouHearOfIt}
          link={(text) => (
            <Link className="underline" to="/account">
              {text}
            </Link>
          )}
        />
      </p>
      <Loaded asked={asked}>
        {({ words }) =>
          words.length === 0 ? (
            NONE
          ) : (
            <ul className="mt-3">
              {words.map((word) => (
                <WordRow key={word.id} word={word} zone={me.school.zone} />
              ))}
            </ul>
          )
        }
      </Loaded>
    </main>
  );
}

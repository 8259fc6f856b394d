import { useEffect, useId, useRef, type KeyboardEvent, type RefObject } from 'react';
import { takeTypedAhead } from '../../app/typedAhead.js';
import { Button } from '../../ui/Button.js';
import type { Phrase } from './usePhrase.js';
import * as say from './words.js';

/** The text in stretches, those that are not understood marked. */
function stretchesOf({ text, unclear }: Phrase): { words: string; isUnclear: boolean }[] {
  const stretches: { words: string; isUnclear: boolean }[] = [];
  let at = 0;
  for (const { from, to } of unclear) {
    if (from < at) continue;
    stretches.push({ words: text.slice(at, from), isUnclear: false });
    stretches.push({ words: text.slice(from, to), isUnclear: true });
    at = to;
  }
  return [...stretches, { words: text.slice(at), isUnclear: false }];
}

/** The same words behind the field, letter under letter, with what is unclear marked. */
function Marks({ phrase, behind }: { phrase: Phrase; behind: RefObject<HTMLDivElement | null> }) {
  return (
    <div
      ref={behind}
      aria-hidden="true"
      className="pointer-events-none absolute inset-0 overflow-hidden border border-transparent px-3 py-1.5 text-md whitespace-pre text-transparent"
    >
      {stretchesOf(phrase).map(({ words, isUnclear }, i) => (
        <span
          key={i}
          data-unclear={isUnclear || undefined}
          className="rounded-mark data-[unclear]:bg-gorse-tint data-[unclear]:underline data-[unclear]:decoration-gorse data-[unclear]:decoration-wavy data-[unclear]:underline-offset-4"
        >
          {words}
        </span>
      ))}
    </div>
  );
}

function Unclear({ phrase, id }: { phrase: Phrase; id: string }) {
  if (phrase.unclear.length === 0) return null;
  return (
    <ul id={id} role="status" className="basis-full text-md text-gorse-deep">
      {phrase.unclear.map((place) => (
        <li key={place.from} className="flex flex-wrap items-baseline gap-x-3">
          {place.text === '' ? (
            <span>{place.why}</span>
          ) : (
            <>
              <span className="min-w-0 break-words">
                “{place.text}”: {place.why}
              </span>
              <Button kind="link" onClick={() => phrase.leaveOut(place)}>
                {say.leaveItOut}
              </Button>
            </>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Has the cursor at once where the key `s` opened it, with what was typed since. */
function useTypedAhead(field: RefObject<HTMLInputElement | null>, { type }: Phrase): void {
  const opened = useRef(false);
  useEffect(() => {
    if (opened.current) return;
    opened.current = true;
    const text = takeTypedAhead();
    if (text === undefined) return;
    field.current?.focus();
    if (text !== '') type(text);
  });
}

/** The line in which a session can be typed. Enter saves what it says; what is unclear is marked in it. */
export function PhraseLine({ phrase, onEnter }: { phrase: Phrase; onEnter: () => void }) {
  const field = useRef<HTMLInputElement>(null);
  const behind = useRef<HTMLDivElement>(null);
  const id = useId();
  useTypedAhead(field, phrase);
  // A long line moves within its field; its marks move along.
  const follow = (): void => {
    if (behind.current && field.current) behind.current.scrollLeft = field.current.scrollLeft;
  };
  useEffect(follow);
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key !== 'Enter' || event.nativeEvent.isComposing || phrase.text.trim() === '') return;
    const [first] = phrase.unclear;
    if (first) field.current?.setSelectionRange(first.from, first.to);
    else onEnter();
  };
  return (
    <>
      <div className="relative min-w-52 flex-1 rounded-small bg-sheet">
        <Marks phrase={phrase} behind={behind} />
        <input
          ref={field}
          id="session-line"
          aria-label={say.orTypeIt}
          aria-invalid={phrase.unclear.length > 0}
          aria-describedby={phrase.unclear.length > 0 ? id : undefined}
          autoComplete="off"
          dir="auto"
          value={phrase.text}
          onChange={(e) => phrase.type(e.target.value)}
          onKeyDown={onKeyDown}
          onScroll={follow}
          onKeyUp={follow}
          placeholder={say.orTypeItSuchAs}
          className="relative w-full rounded-small border border-edge bg-transparent px-3 py-1.5 text-md"
        />
      </div>
      <Unclear phrase={phrase} id={id} />
    </>
  );
}

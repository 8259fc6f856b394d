import { dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { Chip } from '../../ui/Chip.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Sessions = Answer<'tryCover'>['sessions'];

/** How many sessions it is, how many of them are theirs anyway, how many clash. */
function inWords(sessions: Sessions): string {
  const theirs = sessions.filter((session) => session.isTheirs).length;
  const clashing = sessions.filter((session) => session.clashes.length > 0).length;
  const parts = [
    many(say.sessions, sessions.length),
    ...(theirs > 0 ? [fill(say.theyHostAnyway, { theirs })] : []),
    ...(clashing > 0 ? [fill(say.atTheSameTime, { clashing })] : []),
  ];
  return `${parts.join(', ')}.`;
}

/** The sessions that somebody would cover, those first that clash with what they have on the books. */
export function ToCover({ sessions }: { sessions: Sessions }) {
  if (sessions.length === 0) return <p className="mt-4 text-soft">{say.nothingIsPlannedOnThese}</p>;
  const inOrder = sessions.toSorted(
    (a, b) => Number(b.clashes.length > 0) - Number(a.clashes.length > 0),
  );
  return (
    <section aria-label={say.whatIsToBeCovered} className="mt-4 max-w-3xl">
      <p className="font-semibold">{inWords(sessions)}</p>
      <ul className="mt-1">
        {inOrder.map((session) => (
          <li
            key={session.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2"
          >
            <span className="w-36 shrink-0 text-soft">
              {dateInWords(session.date)}, {session.time}
            </span>
            <span className="min-w-0 flex-1 basis-48">{session.title}</span>
            {session.isTheirs && <Chip>{say.theirsAnyway}</Chip>}
            {session.clashes.map((other) => (
              <Chip key={other} tone="wrong">
                {fill(say.hasOther, { other })}
              </Chip>
            ))}
          </li>
        ))}
      </ul>
    </section>
  );
}

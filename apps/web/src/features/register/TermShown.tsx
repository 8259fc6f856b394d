import { dateInWords, stoodInWords } from '@glen/core';
import type { Answer } from '@glen/contract';
import { TermKey, TermStrip } from './TermStrip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type PersonTerm = Answer<'personTerm'>;

/** How somebody stood this term: week by week, and at each class period. */
export function TermShown({ of: { name, term, weeks, classes } }: { of: PersonTerm }) {
  return (
    <>
      <p className="mb-3 text-soft">
        {fill(say.termFromTo, {
          term: term.name,
          from: dateInWords(term.from),
          until: dateInWords(term.until),
        })}
      </p>
      {classes.length === 0 ? (
        <p className="text-soft">{say.noRegisterOfThisTerm}</p>
      ) : (
        <>
          <TermStrip weeks={weeks} of={name} />
          <TermKey />
          <ul className="mt-4 max-w-2xl">
            {classes.map((one) => (
              <li
                key={one.id}
                className="flex flex-wrap justify-between gap-x-4 border-t border-line py-1.5"
              >
                <span>{one.title}</span>
                <span className="text-soft">{stoodInWords(one)}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

import { Link, useParams } from 'react-router';
import { dateInWords, stoodInWords, sumStood } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { BackLink } from '../../ui/BackLink.js';
import { Button } from '../../ui/Button.js';
import { Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { TermKey, TermStrip } from './TermStrip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type ClassTerm = Answer<'classTerm'>;

function Shown({ of: { title, term, people } }: { of: ClassTerm }) {
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <ScreenTitle tab={fill(say.termTitle, { title })}>{title}</ScreenTitle>
        <span className="ml-auto print:hidden">
          <Button onClick={() => window.print()}>{say.print}</Button>
        </span>
      </div>
      <p className="mb-3 text-soft">
        {fill(say.termFromTo, {
          term: term.name,
          from: dateInWords(term.from),
          until: dateInWords(term.until),
        })}
      </p>
      {people.length === 0 ? (
        <Empty title={say.noRegisterYet}>{say.asSoonAsOne}</Empty>
      ) : (
        <>
          <TermKey />
          <ul className="mt-3">
            {people.map(({ id, name, weeks }) => (
              <li
                key={id}
                className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5"
              >
                <Link className="w-48 hover:underline" to={`/term/${id}`}>
                  {name}
                </Link>
                <TermStrip weeks={weeks} of={name} />
                <span className="text-sm text-soft">{stoodInWords(sumStood(weeks))}</span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}

/** How those of a class period stood this term. */
export default function ClassTermPage() {
  const classId = Number(useParams().classId);
  const asked = api.useClassTermQuery({ params: { classId } });
  return (
    <Screen margin={false}>
      <BackLink />
      <Loaded asked={asked} lines={6}>
        {(of) => <Shown of={of} />}
      </Loaded>
    </Screen>
  );
}

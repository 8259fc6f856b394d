import { Check, Circle } from 'lucide-react';
import { Link } from 'react-router';
import type { Today } from './sessionParts.js';
import * as say from './words.js';

type Left = Today['left'][number];

interface StepProps {
  isDone: boolean;
  words: string;
  to: string;
}

function Step({ isDone, words, to }: StepProps) {
  if (isDone)
    return (
      <li className="flex items-center gap-2 text-soft">
        <Check size={16} className="text-moss" aria-hidden="true" />
        <span>
          <span className="sr-only">{say.done} </span>
          {words}
        </span>
      </li>
    );
  return (
    <li className="flex items-center gap-2">
      <Circle size={16} className="text-edge" aria-hidden="true" />
      <Link className="font-semibold text-bracken-deep hover:underline" to={to}>
        {words}
      </Link>
    </li>
  );
}

function ofClass({ classId, linkId, roll, room, posted, tried }: Left): StepProps[] {
  const base = `/classes/${classId}`;
  return [
    { isDone: roll, words: say.fillItsRoll, to: `${base}/roll` },
    { isDone: room, words: say.sayWhereItsRoomIs, to: `${base}/links/${linkId}` },
    { isDone: posted, words: say.putTheLinkWhereStudents, to: `${base}/posts?new` },
    { isDone: tried, words: say.tryItsDoorAsAnybody, to: `${base}/entry` },
  ];
}

/** What is left after moving in, for each class period; what is done is ticked by itself, and goes when all is. */
export function WhatIsLeft({ left }: { left: Left[] }) {
  if (left.length === 0) return null;
  return (
    <section
      aria-label={say.whatIsLeft}
      className="mb-5 rounded-big border border-line bg-sheet p-5 print:hidden"
    >
      <h2 className="mb-2 text-lg">{say.whatIsLeft}</h2>
      <div className="grid gap-5 md:grid-cols-2">
        {left.map((of) => (
          <div key={of.classId}>
            <h3 className="font-sans text-base font-bold">{of.title}</h3>
            <ul className="mt-1 grid gap-1">
              {ofClass(of).map((step) => (
                <Step key={step.words} {...step} />
              ))}
            </ul>
          </div>
        ))}
      </div>
    </section>
  );
}

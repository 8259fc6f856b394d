import { Check } from 'lucide-react';
import type { ReactNode } from 'react';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import * as say from './words.js';

export interface Step {
  /** What it is about, or once it is done what it came to. */
  words: string;
  state: 'done' | 'now' | 'ahead';
  onOpen?: (() => void) | undefined;
}

const BAR = { done: 'border-moss', now: 'border-bracken', ahead: 'border-line' } as const;
const WORDS = { done: 'text-moss-deep', now: 'font-bold text-ink', ahead: 'text-soft' } as const;

function StepMark({ step: { words, state, onOpen } }: { step: Step }) {
  const shown = (
    <>
      {state === 'done' && <Check size={14} aria-hidden="true" className="mr-1 inline" />}
      {words}
    </>
  );
  return (
    <li
      aria-current={state === 'now' ? 'step' : undefined}
      className={`border-t-4 pt-2 text-md ${BAR[state]} ${WORDS[state]}`}
    >
      {onOpen ? (
        <button type="button" className="text-left hover:underline" onClick={onOpen}>
          {shown}
        </button>
      ) : (
        shown
      )}
    </li>
  );
}

interface FrameProps {
  /** What the browser’s tab says. */
  tab: string;
  title?: string;
  /** None where one has moved in long ago. */
  steps: Step[];
  /** Where else one can go. */
  away?: ReactNode;
  children: ReactNode;
}

/** What all four pages of moving in share: how far one is, and that nothing here is for ever. */
export const MoveInFrame = ({
  tab,
  title = say.movingInASchool,
  steps,
  away,
  children,
}: FrameProps) => (
  <main id="main" className="mx-auto w-full max-w-272 px-6 py-9">
    <header className="mb-6 flex flex-wrap items-baseline gap-x-4">
      <ScreenTitle tab={tab} size="large">
        {say.glen}
      </ScreenTitle>
      <p className="text-soft">{title}</p>
      {away}
    </header>
    {steps.length > 0 && (
      <ol aria-label={say.pages} className="mb-5 grid gap-2 sm:grid-cols-4">
        {steps.map((step, i) => (
          <StepMark key={i} step={step} />
        ))}
      </ol>
    )}
    <section className="rounded-big border border-line bg-sheet p-6">{children}</section>
    <p className="mt-4 text-soft">{say.everythingHereCanBeChanged}</p>
  </main>
);

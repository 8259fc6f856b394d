import type { Answer, Problem } from '@glen/contract';
import { FieldError } from '../../ui/Field.js';
import * as say from './words.js';

export type YesNo = Answer<'guestFor'>['said'];

const ANSWERS = [
  { said: 'yes', label: say.yesIWill },
  { said: 'no', label: say.no },
] as const;

interface YesOrNoProps {
  label: string;
  said: YesNo;
  problem: Problem | undefined;
  onSay: (said: YesNo) => void;
}

/** Whether somebody will come. What was pressed stays pressed; pressed again, nothing is said. */
export const YesOrNo = ({ label, said, problem, onSay }: YesOrNoProps) => (
  <div role="group" aria-label={label} className="mt-4">
    <p className="flex flex-wrap items-center gap-2">
      <span className="font-semibold">{label}</span>
      {ANSWERS.map((answer) => (
        <button
          key={answer.said}
          type="button"
          aria-pressed={said === answer.said}
          className="rounded-small border border-edge bg-sheet px-3 py-1 font-semibold aria-pressed:border-loch aria-pressed:bg-loch-tint aria-pressed:text-loch-deep"
          onClick={() => onSay(said === answer.said ? null : answer.said)}
        >
          {answer.label}
        </button>
      ))}
    </p>
    {problem && <FieldError>{problem.title}</FieldError>}
  </div>
);

import * as say from './words.js';
interface ReasonFieldProps {
  reason: string;
  onChange: (reason: string) => void;
}

/** Why something is called off, for those who will read that it is; it may stay empty. */
export const ReasonField = ({ reason, onChange }: ReasonFieldProps) => (
  <input
    aria-label={say.whyItIsCancelled}
    placeholder={say.whyIfYouLikeStorm}
    maxLength={200}
    className="w-44 min-w-0 rounded-small border border-edge bg-sheet px-2.5 py-1"
    value={reason}
    onChange={(e) => onChange(e.target.value)}
  />
);

/** A cancelling with its reason, where one was given. */
export const cancelFor = (reason: string): { kind: 'cancel'; note?: string } => {
  const note = reason.trim();
  return { kind: 'cancel', ...(note === '' ? {} : { note }) };
};

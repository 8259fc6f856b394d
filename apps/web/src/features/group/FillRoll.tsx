import { useState } from 'react';
import { Button } from '../../ui/Button.js';
import { AddOne } from './AddOne.js';
import { PasteList } from './PasteList.js';
import { WaysIn } from './WaysIn.js';
import type { PasswordAddresses, RollEdits } from './useRollEdits.js';

interface FillProps {
  edits: RollEdits;
  /** Who is on the roll, by their ids. */
  personIds: number[];
}

/** How a roll is filled: one by one, or by a pasted list; and how those on it come to a password. */
export function FillRoll({ edits, personIds }: FillProps) {
  const [isPasting, setIsPasting] = useState(false);
  const [ways, setWays] = useState<PasswordAddresses>();
  if (ways) return <WaysIn ways={ways} onClose={() => setWays(undefined)} />;
  return (
    <section
      aria-label="Fill the roll"
      className="mb-5 rounded-big border border-line bg-sheet p-5 print:hidden"
    >
      {isPasting ? (
        <PasteList edits={edits} onClose={() => setIsPasting(false)} />
      ) : (
        <>
          <AddOne edits={edits} onRoll={personIds} />
          <p className="mt-3 flex flex-wrap gap-x-5">
            <Button kind="link" onClick={() => setIsPasting(true)}>
              Paste a list of them
            </Button>
            {personIds.length > 0 && (
              <Button kind="link" onClick={() => void edits.addresses(personIds).then(setWays)}>
                Addresses by which they set their passwords
              </Button>
            )}
          </p>
        </>
      )}
    </section>
  );
}

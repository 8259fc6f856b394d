import { useState } from 'react';
import { Button } from '../../ui/Button.js';
import { AddOne } from './AddOne.js';
import { PasteList } from './PasteList.js';
import { schoolAddress, type OnRoll } from './RollList.js';
import { WaysIn } from './WaysIn.js';
import type { PasswordAddresses, RollEdits } from './useRollEdits.js';
import * as say from './words.js';

interface FillProps {
  edits: RollEdits;
  /** Who is on the roll. */
  roll: OnRoll[];
}

/** How a roll is filled: one by one, or by a pasted list; and how those on it come to a password. */
export function FillRoll({ edits, roll }: FillProps) {
  const [isPasting, setIsPasting] = useState(false);
  const [ways, setWays] = useState<PasswordAddresses>();
  const withAccount = roll.filter((p) => schoolAddress(p) !== null).map((p) => p.id);
  if (ways) return <WaysIn ways={ways} onClose={() => setWays(undefined)} />;
  return (
    <section
      aria-label={say.fillTheRoll}
      className="mb-5 rounded-big border border-line bg-sheet p-5 print:hidden"
    >
      {isPasting ? (
        <PasteList edits={edits} onClose={() => setIsPasting(false)} />
      ) : (
        <>
          <AddOne edits={edits} onRoll={roll.map((p) => p.id)} />
          <p className="mt-3 flex flex-wrap gap-x-5">
            <Button kind="link" onClick={() => setIsPasting(true)}>
              {say.pasteAListOfThem}
            </Button>
            {withAccount.length > 0 && (
              <Button kind="link" onClick={() => void edits.addresses(withAccount).then(setWays)}>
                {say.addressesByWhichTheySet}
              </Button>
            )}
          </p>
        </>
      )}
    </section>
  );
}

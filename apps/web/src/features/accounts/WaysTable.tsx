import { SIGNERS, mayUseWay, waysFor, type Signers, type WayIn } from '@glen/core';
import { FieldError } from '../../ui/Field.js';
import { kindInWords } from './kindInWords.js';
import type { WaysEditing } from './useSignInWays.js';
import { BareTick } from '../../ui/BareTick.js';
import * as say from './words.js';

const WHO: Record<Signers, string> = say.who;

interface Row {
  way: WayIn;
  name: string;
  note?: string;
}

function Cell({ editing, who, row }: { editing: WaysEditing; who: Signers; row: Row }) {
  const isThere = waysFor(who, editing.read.providers).includes(row.way);
  if (!isThere)
    return (
      <td className="px-3 py-2 text-center text-soft">
        <span aria-hidden="true">–</span>
        <span className="sr-only">{say.notForThem}</span>
      </td>
    );
  return (
    <td className="px-3 py-2 text-center">
      <BareTick
        className="size-5 accent-bracken"
        aria-label={`${WHO[who]}: ${row.name}`}
        checked={mayUseWay(editing.shut, who, row.way)}
        onChange={() => editing.turn(who, row.way)}
      />
    </td>
  );
}

/** Who may come in which way: a way a row, those for whom it is open ticked. */
export function WaysTable({ editing }: { editing: WaysEditing }) {
  const rows: Row[] = [
    { way: 'password', name: say.addressAndPassword },
    ...(editing.hasPasskeys ? [{ way: 'passkey' as const, name: say.passkey }] : []),
    ...editing.read.providers.map(({ id, name, kind }) => ({
      way: `sign-on:${id}` as const,
      name,
      note: kindInWords(kind),
    })),
  ];
  const wrong = SIGNERS.map((who) => editing.errorAt(`shut.${who}`));
  return (
    <div className="overflow-x-auto">
      <table className="w-full max-w-2xl">
        <thead>
          <tr className="border-b border-line text-sm">
            <th scope="col" className="py-2 text-left font-semibold">
              {say.wayIn}
            </th>
            {SIGNERS.map((who) => (
              <th key={who} scope="col" className="px-3 py-2 font-semibold">
                {WHO[who]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.way} className="border-b border-line">
              <th scope="row" className="py-2 text-left">
                {row.name}
                {row.note && <span className="block text-sm text-soft">{row.note}</span>}
              </th>
              {SIGNERS.map((who) => (
                <Cell key={who} editing={editing} who={who} row={row} />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {wrong.filter(Boolean).map((words) => (
        <FieldError key={words}>{words}</FieldError>
      ))}
    </div>
  );
}

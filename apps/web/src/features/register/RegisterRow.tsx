import { useState } from 'react';
import { wallClock } from '../../app/clock.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Correct } from './Correct.js';
import { Spans } from './Spans.js';
import { STANDS, flagsInWords, measuredInWords, type Register, type Row } from './states.js';
import { fill, list } from '../../ui/fill.js';
import * as say from './words.js';

interface RegisterRowProps {
  row: Row;
  register: Register;
  zone: string;
}

/** When somebody gave a sign of being there, and with whom they share a browser: noticed, not held against anybody. */
const signInWords = (sign: Row['checkedIn'][number], zone: string): string =>
  [
    fill(say.checkedIn, { time: wallClock(sign.at, zone).time }),
    sign.answer && `“${sign.answer}”`,
    sign.with.length > 0 && fill(say.fromTheSameDeviceAs, { names: list(sign.with) }),
  ]
    .filter(Boolean)
    .join(', ');

/** What else there is to say of somebody: who says so, why they are away, what came since. */
function Beside({ row, zone }: Pick<RegisterRowProps, 'row' | 'zone'>) {
  const { correction, excuse, since } = row;
  const said = [
    correction &&
      `${correction.by ?? say.somebody}: “${correction.reason}” (${measuredInWords(row)})`,
    excuse && fill(say.knownToBeAway, { excuse }),
    ...row.checkedIn.map((sign) => signInWords(sign, zone)),
    since && fill(say.wordThatCameSinceIt, { since }),
  ].filter(Boolean);
  return said.length === 0 ? null : (
    <p className="w-full text-sm text-soft [overflow-wrap:anywhere]">{said.join(' · ')}</p>
  );
}

/** How long somebody was in, drawn over the session. */
const Drawn = ({ row, register, zone }: RegisterRowProps) => (
  <>
    <span className="min-w-40 flex-1 sm:w-52 sm:flex-none">
      <Spans row={row} register={register} zone={zone} />
    </span>
    <span className="w-14 text-right text-sm text-soft">
      {row.minutes > 0 && fill(say.minutesMin, { minutes: row.minutes })}
    </span>
  </>
);

/** One person of a register, and what a host may say of them. */
export function RegisterRow({ row, register, zone }: RegisterRowProps) {
  const [isCorrecting, setCorrecting] = useState(false);
  const { tone, text } = STANDS[row.stands];
  const flags = flagsInWords(row);
  const mayCorrect = register.mayEdit && row.stands !== 'guest';
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-1.5">
      <span className="min-w-44 flex-1 [overflow-wrap:anywhere]">{row.name}</span>
      <span className="flex flex-wrap items-center gap-2 sm:w-44">
        <Chip tone={tone}>{text}</Chip>
        {register.seesRoom && flags && <span className="text-sm text-soft">{flags}</span>}
      </span>
      {register.seesRoom && <Drawn row={row} register={register} zone={zone} />}
      {mayCorrect && (
        <span className="print:hidden sm:w-16">
          <Button
            kind="link"
            aria-label={fill(say.correctName, { name: row.name })}
            aria-expanded={isCorrecting}
            onClick={() => setCorrecting(!isCorrecting)}
          >
            {say.correct}
          </Button>
        </span>
      )}
      <Beside row={row} zone={zone} />
      {isCorrecting && (
        <Correct row={row} register={register} onDone={() => setCorrecting(false)} />
      )}
    </li>
  );
}

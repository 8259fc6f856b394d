import { Link } from 'react-router';
import { buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import type { Desk } from './useDesk.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Line = NonNullable<Desk['slots']>;
type Slot = Line['slots'][number];

/** Where whoever has a slot is just now. */
function whereabouts({ personId, state }: Slot, { inside, waiting, here }: Desk): string | null {
  if (personId === null || state === 'over') return null;
  const called = here.find((one) => one.id === personId);
  if (!called) return say.notHereYet;
  const name = called.as ?? called.name;
  if (inside.some((one) => one.name === name)) return 'inside';
  return waiting.some((one) => one.name === name) ? say.inTheLobbyShort : say.onTheWayIn;
}

function SlotLine({ slot, desk }: { slot: Slot; desk: Desk }) {
  const { time, ends, state, name, about, address, missed } = slot;
  const where = whereabouts(slot, desk);
  return (
    <li
      aria-current={state === 'now' ? 'time' : undefined}
      className={`flex flex-wrap items-baseline gap-x-4 border-t border-line py-1.5 ${state === 'now' ? 'bg-moss-tint px-2' : ''} ${state === 'over' ? 'text-soft' : ''}`}
    >
      <span className="w-28 font-mono">
        {time}–{ends}
      </span>
      <span className="min-w-0 flex-1 basis-40 break-words">
        {name ? <b>{name}</b> : <span className="text-soft">{say.free}</span>}
        {about && <span className="block text-soft">{about}</span>}
        {address && (
          <a className="block break-all text-loch-deep underline" href={address} rel="noreferrer">
            {address}
          </a>
        )}
      </span>
      {state === 'now' && <Chip tone="well">{say.now}</Chip>}
      {where && <span className="text-sm text-soft">{where}</span>}
      {missed.map((one) => (
        <Chip key={one} tone="careful">
          {fill(say.didNotCome, { one })}
        </Chip>
      ))}
    </li>
  );
}

const LEAVES: Record<Line['leaves'], string> = say.leaves;

/** The line of slots of a session that is cut into them: whose turn it is, who is next, what each is about. */
export function LineOfSlots({ desk }: { desk: Desk }) {
  const { slots: line } = desk;
  if (!line) return null;
  return (
    <section className="mb-7 max-w-4xl" aria-label={say.theLineOfSlots}>
      <h2 className="flex flex-wrap items-baseline gap-x-4 text-lg">
        <Said
          as={say.theLineOfSlotsChange}
          link={(text) => (
            <Link className={buttonClass('link')} to={`/slots/${line.seriesId}`}>
              {text}
            </Link>
          )}
        />
      </h2>
      <p className="mb-1 text-sm text-soft">{LEAVES[line.leaves]}</p>
      <ul>
        {line.slots.map((slot) => (
          <SlotLine key={slot.nth} slot={slot} desk={desk} />
        ))}
      </ul>
      {line.waiting.length > 0 && (
        <p className="mt-1 text-soft">
          {fill(say.waitingForOne, { waiting: line.waiting.join(', ') })}
        </p>
      )}
    </section>
  );
}

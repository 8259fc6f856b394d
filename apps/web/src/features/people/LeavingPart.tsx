import { useState } from 'react';
import { Link } from 'react-router';
import { areStaff, counted, dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { HandOverSheet } from '../cover/HandOverSheet.js';
import { Part } from './Part.js';
import type { Person, PersonEdits } from './usePersonEdits.js';

type Facts = Answer<'retireFacts'>;

/** What ends with somebody's leaving, in a line. */
function endsInWords({ rolls, groups, links, teaches }: Facts): string {
  const parts = [
    teaches > 0 ? counted(teaches, 'class period they teach', 'class periods they teach') : '',
    rolls.length > 0 ? counted(rolls.length, 'roll', 'rolls') : '',
    groups > 0 ? counted(groups, 'group', 'groups') : '',
    links > 0 ? counted(links, 'private link', 'private links') : '',
  ].filter(Boolean);
  return parts.length === 0
    ? 'Nothing else ends with that.'
    : `With that ends their place in ${parts.join(', ')}.`;
}

/** Why somebody cannot be retired now; nothing where they can. */
function whyNot({ isYourself, isLastOffice, onlyHostOf }: Facts): string | null {
  if (isYourself) return 'This is you: somebody else of the office can retire you.';
  if (isLastOffice) return 'Nobody would be left to look after the school.';
  if (onlyHostOf.length > 0) return 'Nobody else hosts these; hand them over first:';
  return null;
}

function Sheet({ facts, person, edits, onClose }: SheetProps & { facts: Facts }) {
  const why = whyNot(facts);
  const { next, sessions, onlyHostOf } = facts;
  return (
    <div className="rounded-big border border-line bg-sheet p-5">
      <p>
        No account of {person.name} signs in any more; whoever is signed in is out at once. All they
        had and did is kept. {endsInWords(facts)}
      </p>
      {next && (
        <p className="mt-2">
          {counted(sessions, 'session is', 'sessions are')} still to come where they host, the next{' '}
          {dateInWords(next.date)} {next.time} ({next.classTitle}).
        </p>
      )}
      {why && <p className="mt-2 font-semibold text-berry-deep">{why}</p>}
      {onlyHostOf.length > 0 && (
        <ul className="mt-1 list-disc pl-6">
          {onlyHostOf.map((c) => (
            <li key={c.id}>
              <Link className="text-bracken-deep underline" to={`/classes/${c.id}/about`}>
                {c.title}
              </Link>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-3 flex flex-wrap gap-3">
        <Button
          kind="danger"
          className="!whitespace-normal"
          disabled={why !== null}
          onClick={() => void edits.retire().then(onClose)}
        >
          Retire {person.name}
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </p>
    </div>
  );
}

interface SheetProps {
  person: Person;
  edits: PersonEdits;
  onClose: () => void;
}

function Retiring(props: SheetProps) {
  const asked = api.useRetireFactsQuery({ params: { personId: props.person.id } });
  return (
    <Loaded asked={asked} isPart lines={2}>
      {(facts) => <Sheet facts={facts} {...props} />}
    </Loaded>
  );
}

/** Somebody leaves, or comes back. */
export function LeavingPart({ person, edits }: Omit<SheetProps, 'onClose'>) {
  const [sheet, setSheet] = useState<'retire' | 'hand-over'>();
  if (person.retiredAt !== null)
    return (
      <Part title="Coming back">
        <p className="mb-3 text-soft">
          They sign in as before, and have what they had as far as it still stands.
        </p>
        <Button kind="act" className="!whitespace-normal" onClick={() => void edits.bringBack()}>
          Bring {person.name} back
        </Button>
      </Part>
    );
  const close = (): void => setSheet(undefined);
  return (
    <Part title="Leaving">
      {sheet === 'retire' && <Retiring person={person} edits={edits} onClose={close} />}
      {sheet === 'hand-over' && <HandOverSheet personId={person.id} onClose={close} />}
      {sheet === undefined && (
        <p className="flex flex-wrap gap-3">
          <Button onClick={() => setSheet('retire')}>Retire…</Button>
          {areStaff(person.roles) && (
            <Button onClick={() => setSheet('hand-over')}>Hand over what they host…</Button>
          )}
        </p>
      )}
    </Part>
  );
}

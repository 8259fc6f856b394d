import { useState } from 'react';
import { Link } from 'react-router';
import { areStaff, dateInWords } from '@glen/core/light';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { HandOverSheet } from '../cover/HandOverSheet.js';
import { Part } from './Part.js';
import type { Person, PersonEdits } from './usePersonEdits.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Facts = Answer<'retireFacts'>;

/** What ends with somebody's leaving, in a line. */
function endsInWords({ rolls, groups, links, teaches }: Facts): string {
  const parts = [
    teaches > 0 ? many(say.classPeriodsTheyTeach, teaches) : '',
    rolls.length > 0 ? many(say.oneRollOrMore, rolls.length) : '',
    groups > 0 ? many(say.groups, groups) : '',
    links > 0 ? many(say.privateLinks, links) : '',
  ].filter(Boolean);
  return parts.length === 0
    ? say.nothingElseEndsWithThat
    : fill(say.withThatEndsTheirPlace, { parts: parts.join(', ') });
}

/** Why somebody cannot be retired now; nothing where they can. */
function whyNot({ isYourself, isLastOffice, onlyHostOf }: Facts): string | null {
  if (isYourself) return say.thisIsYouSomebodyElse;
  if (isLastOffice) return say.nobodyWouldBeLeft;
  if (onlyHostOf.length > 0) return say.nobodyElseHostsTheseHand;
  return null;
}

function Sheet({ facts, person, edits, onClose }: SheetProps & { facts: Facts }) {
  const why = whyNot(facts);
  const { next, sessions, onlyHostOf } = facts;
  return (
    <div className="rounded-big border border-line bg-sheet p-5">
      <p>{fill(say.noAccountOfSigns, { person: person.name, ends: endsInWords(facts) })}</p>
      {next && (
        <p className="mt-2">
          {fill(say.stillToComeWhereThey, {
            count: many(say.sessionsAre, sessions),
            date: dateInWords(next.date),
            time: next.time,
            classTitle: next.classTitle,
          })}
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
          {fill(say.retirePerson, { person: person.name })}
        </Button>
        <Button onClick={onClose}>{say.leaveIt}</Button>
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
      <Part title={say.comingBack}>
        <p className="mb-3 text-soft">{say.theySignInAsBefore}</p>
        <Button kind="act" className="!whitespace-normal" onClick={() => void edits.bringBack()}>
          {fill(say.bringBack, { person: person.name })}
        </Button>
      </Part>
    );
  const close = (): void => setSheet(undefined);
  return (
    <Part title={say.leaving}>
      {sheet === 'retire' && <Retiring person={person} edits={edits} onClose={close} />}
      {sheet === 'hand-over' && <HandOverSheet personId={person.id} onClose={close} />}
      {sheet === undefined && (
        <p className="flex flex-wrap gap-3">
          <Button onClick={() => setSheet('retire')}>{say.retireDots}</Button>
          {areStaff(person.roles) && (
            <Button onClick={() => setSheet('hand-over')}>{say.handOverWhatTheyHostDots}</Button>
          )}
        </p>
      )}
    </Part>
  );
}

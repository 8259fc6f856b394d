import { useState } from 'react';
import { lettersInWords } from '@glen/core';
import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import { api } from '../../app/api.js';
import { wallClock } from '../../app/clock.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { ByHand } from './ByHand.js';
import { deliveryState } from './states.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Place = Post['places'][number];
type Delivery = Post['deliveries'][number];
type Letters = NonNullable<Delivery['letters']>;

interface ActionsProps {
  delivery: Delivery;
  placementId: number;
  place: Place;
}

/** What can be done about something that stands, or does not, at the course site. */
function SiteActions({ delivery: d, placementId, place }: ActionsProps) {
  const [act] = api.usePlacementActionMutation();
  const action = (what: 'retry' | 'put-back' | 'take-down') =>
    act({ params: { placementId }, body: { do: what } }).unwrap();
  const takeDown = async (): Promise<void> => {
    await action('take-down');
    offerUndo(fill(say.itIsBeingTakenDown, { where: place.where }), () => action('put-back'));
  };
  const isByHand = place.kind === 'by-hand';
  const isStuck = d.state === 'failed' || (d.state === 'queued' && d.tries > 0);
  const isGone = d.state === 'missing' || (d.state === 'gone' && d.session === null);
  const isThere = d.state === 'out' || d.state === 'struck';
  return (
    <>
      {isStuck && !isByHand && (
        <Button kind="link" onClick={() => void action('retry')}>
          {say.tryAgain}
        </Button>
      )}
      {isGone && !isByHand && (
        <Button kind="link" onClick={() => void action('put-back')}>
          {say.putItBack}
        </Button>
      )}
      {isThere && place.kind !== 'mail' && (
        <Button kind="link" onClick={() => void takeDown()}>
          {say.takeDownHere}
        </Button>
      )}
    </>
  );
}

function Since({ since, zone }: { since: string; zone: string }) {
  const { date, time } = wallClock(since, zone);
  return (
    <span className="text-sm text-soft">
      {fill(say.sinceDateTime, { date: dateInWords(date), time })}
    </span>
  );
}

const named = (letters: Letters): string => letters.refused.map(({ name }) => name).join(', ');

/** What has become of the letters, and what else can be done for those whom none reaches. */
const LettersLine = ({ letters }: { letters: Letters }) => (
  <>
    <p className="text-sm text-soft">{lettersInWords(letters)}</p>
    {letters.refused.length > 0 && (
      <p className="max-w-2xl text-sm break-words text-berry-deep">
        {fill(say.notReachedTheyFindIt, { named: named(letters), why: letters.refused[0]!.why })}
      </p>
    )}
  </>
);

interface LineProps {
  delivery: Delivery;
  place: Place;
  mayEdit: boolean;
  zone: string;
  /** Whether what to paste is shown at once. */
  start: boolean;
}

/** What stands at a place for one session, or for the link, and what can be done about it. */
export function DeliveryLine({ delivery: d, place, mayEdit, zone, start }: LineProps) {
  const isByHand = place.kind === 'by-hand';
  const [open, setOpen] = useState(start && isByHand);
  const { tone, text } = deliveryState(d, place.kind);
  const { placementId } = d;
  return (
    <li className="py-1">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 text-md">
        {d.session && (
          <span className="w-40 shrink-0">
            <span className="font-mono">
              {dateInWords(d.session.date)} {d.session.time}
            </span>
          </span>
        )}
        <Chip tone={tone}>{text}</Chip>
        {d.outSince !== null && <Since since={d.outSince} zone={zone} />}
        {mayEdit && placementId !== null && (
          <span className="ml-auto flex gap-4">
            <SiteActions delivery={d} placementId={placementId} place={place} />
            {isByHand && d.state !== 'gone' && (
              <Button kind="link" aria-expanded={open} onClick={() => setOpen(!open)}>
                {open ? say.hideWhatToPaste : say.showWhatToPaste}
              </Button>
            )}
          </span>
        )}
      </div>
      {d.letters && <LettersLine letters={d.letters} />}
      {d.error && (
        <p className="text-sm text-berry-deep">
          {d.error}
          {d.state === 'queued' && ` ${say.glenTriesAgainByItself}`}
        </p>
      )}
      {open && placementId !== null && (
        <ByHand delivery={{ ...d, placementId }} mayEdit={mayEdit} />
      )}
    </li>
  );
}

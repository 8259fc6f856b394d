import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { USUAL_SLOTS } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { copyText } from '../../app/copyText.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Screen } from '../../ui/Margin.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { Empty } from '../../ui/States.js';
import { HeldSessions } from './HeldSessions.js';
import { SlotsSentence } from './SlotsSentence.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Kept = Answer<'seriesSlots'>;

interface OfSeries {
  seriesId: number;
  kept: Kept;
}

/** Where a series is not cut yet: what slots are, and one press. */
function NotCut({ seriesId }: { seriesId: number }) {
  const [set, { isLoading, error }] = api.useSetSlotsMutation();
  return (
    <Empty title={say.peopleComeWheneverIt}>
      <p>{say.cutIntoSlotsEachTakes}</p>
      <p className="mt-3">
        <Button
          kind="act"
          disabled={isLoading}
          onClick={() =>
            void set({ params: { seriesId }, body: { version: null, ways: USUAL_SLOTS } })
          }
        >
          {fill(say.cutItIntoSlots, { minutes: USUAL_SLOTS.minutes })}
        </Button>
      </p>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </Empty>
  );
}

/** Where slots are taken, to copy. */
const Address = ({ address }: { address: string }) => (
  <p className="mt-5 flex flex-wrap items-center gap-3">
    <span className="font-mono break-all">{address}</span>
    <Button onClick={() => copyText(address, say.theSignUpAddress)}>
      {say.copyTheSignUpAddress}
    </Button>
  </p>
);

/** Ends the slots; who has one is told, so that it is asked once more. */
function EndSlots({ seriesId, kept }: OfSeries) {
  const [isAsking, setAsking] = useState(false);
  const [set, { isLoading, error }] = api.useSetSlotsMutation();
  const taken = kept.sessions.flatMap(({ slots }) => slots).filter(({ signUp }) => signUp).length;
  if (!isAsking)
    return (
      <Button kind="danger-link" className="mt-6" onClick={() => setAsking(true)}>
        {say.noSlotsAnyMoreDots}
      </Button>
    );
  return (
    <div
      className="mt-6 max-w-2xl rounded-small bg-berry-tint p-3"
      role="group"
      aria-label={say.noSlotsAnyMore}
    >
      <p>
        {taken === 0
          ? say.nobodyHasOnePeopleCome
          : fill(say.offAndWhoeverHasOne, {
              count: many(say.takenSlots, taken),
            })}
      </p>
      <p className="mt-2 flex flex-wrap gap-2">
        <Button
          kind="danger"
          disabled={isLoading}
          onClick={() =>
            void set({ params: { seriesId }, body: { version: kept.version, ways: null } })
          }
        >
          {say.endTheSlots}
        </Button>
        <Button onClick={() => setAsking(false)}>{say.keepThem}</Button>
      </p>
      {error && <FieldError>{problemOf(error)?.title}</FieldError>}
    </div>
  );
}

function Cut({ seriesId, kept }: OfSeries) {
  return (
    <>
      <SlotsSentence seriesId={seriesId} kept={kept} />
      <Address address={kept.address} />
      {kept.sessions.length === 0 ? (
        <p className="mt-6 text-soft">{say.noSessionAheadIsLong}</p>
      ) : (
        <HeldSessions seriesId={seriesId} sessions={kept.sessions} people={kept.people} />
      )}
      <EndSlots seriesId={seriesId} kept={kept} />
    </>
  );
}

/** How the sessions of a series are cut into slots, and who has which: its hosts’ page. */
export default function SlotsPage() {
  const seriesId = Number(useParams().seriesId);
  const asked = api.useSeriesSlotsQuery({ params: { seriesId } });
  return (
    <Loaded asked={asked}>
      {(kept) => (
        <Screen margin={false}>
          <header className="mb-5 flex items-center gap-4">
            <Pennant pennant={kept.pennant} size="large" />
            <div className="min-w-0">
              <ScreenTitle tab={fill(say.slotsKept, { kept: kept.title })}>
                {fill(say.slotsKept, { kept: kept.title })}
              </ScreenTitle>
              <p className="flex flex-wrap gap-x-4 text-soft">
                {kept.classTitle !== kept.title && kept.classTitle}
                <Link className={buttonClass('link')} to={`/classes/${kept.classId}`}>
                  {say.itsSessions}
                </Link>
                <Link className={buttonClass('link')} to={`/desk/${kept.linkId}`}>
                  {say.itsDesk}
                </Link>
              </p>
            </div>
          </header>
          {kept.ways === null ? (
            <NotCut seriesId={seriesId} />
          ) : (
            <Cut seriesId={seriesId} kept={kept} />
          )}
        </Screen>
      )}
    </Loaded>
  );
}

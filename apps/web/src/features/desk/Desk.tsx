import { Check } from 'lucide-react';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { Link, useNavigate, useParams } from 'react-router';
import type { NoteAction } from '@glen/core';
import type { DeskVisitor, Me, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useNow, wallClock } from '../../app/clock.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { copyAddress } from '../link/copy.js';
import { Column } from './Column.js';
import { DeskHead } from './DeskHead.js';
import { deskNotes } from './deskNotes.js';
import { Inside } from './Inside.js';
import { useKnockSignal } from './knock.js';
import { DeskProgramme } from '../evening/DeskProgramme.js';
import { ExpectedGuests } from './ExpectedGuests.js';
import { LineOfSlots } from './LineOfSlots.js';
import { Lobby } from './Lobby.js';
import { SmallDesk } from './SmallDesk.js';
import { openSmallWindow } from './smallWindow.js';
import {
  calledAt,
  isLastHost,
  leftBehind,
  useDeskActions,
  type Desk,
  type DeskActions,
} from './useDesk.js';
import { useDeskKeys } from './useDeskKeys.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const NOBODY: DeskVisitor[] = [];

type Go = ReturnType<typeof useNavigate>;

/** What a press on a note does. */
function doAction(name: NoteAction['name'], desk: Desk, act: DeskActions, go: Go): void {
  switch (name) {
    case 'look-at-room':
      return void go(`/classes/${desk.classId}/links/${desk.link.id}`);
    case 'open':
      return act.open();
    case 'copy-link':
      return void copyAddress(desk.link.address);
    case 'i-am-in':
      return act.presence(true);
    case 'i-have-left':
      return act.presence(false);
    case 'ask-for-account':
      return act.askForAccount();
    case 'let-roll-in':
      return act.letAllIn('roll');
  }
}

/** The desk's own window beside the room; gone once either is closed. */
function useSmallWindow(linkId: number): [Window | null, () => void] {
  const [small, setSmall] = useState<Window | null>(null);
  useEffect(() => {
    small?.addEventListener('pagehide', () => setSmall(null));
    return () => small?.close();
  }, [small]);
  return [small, () => void openSmallWindow(linkId).then(setSmall)];
}

/** `late by 12 min, back again`: how somebody of the roll has come. */
function cameInWords({ lateBy, isBack }: Desk['here'][number]): string {
  const late = lateBy !== null && fill(say.lateByMin, { lateBy });
  return [late, isBack && say.backAgain].filter(Boolean).join(', ');
}

/** Those of the roll who are here, ticked. */
function Here({ desk: { here } }: { desk: Desk }) {
  if (here.length === 0) return null;
  return (
    <>
      <h3 className="mt-5 text-sm text-soft">{say.hereOnTheRoll}</h3>
      <ul aria-label={say.hereOnTheRoll}>
        {here.map((one) => (
          <li key={one.id} className="flex items-baseline gap-2 border-t border-line py-1.5">
            <Check size={14} aria-hidden="true" className="shrink-0 text-moss" />
            <span className="min-w-0 break-words">
              {one.name}{' '}
              {one.as && <span className="text-sm text-soft">{fill(say.as, { as: one.as })}</span>}
              <span className="block text-sm text-soft">{cameInWords(one)}</span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** `was in until 10:41, ill`: what is known of somebody who is not here. */
function missingInWords({ away, goneAt }: Desk['missing'][number], zone: string): string {
  const gone = goneAt !== null && fill(say.wasInUntil, { time: wallClock(goneAt, zone).time });
  return [gone, away].filter(Boolean).join(', ');
}

function Missing({ desk, zone }: { desk: Desk; zone: string }) {
  const { missing, rollSize } = desk;
  return (
    <Column title={say.missingFromTheRoll} count={missing.length}>
      {missing.length === 0 ? (
        <p className="text-soft">{rollSize === 0 ? say.nobodyIsOnTheRoll : say.nobodyIsMissing}</p>
      ) : (
        <ul>
          {missing.map((p) => (
            <li key={p.id} className="border-t border-line py-1.5">
              {p.name}
              <span className="block text-sm text-soft">{missingInWords(p, zone)}</span>
            </li>
          ))}
        </ul>
      )}
      <Here desk={desk} />
      <ExpectedGuests guests={desk.guests} />
    </Column>
  );
}

function TurnOver() {
  return (
    <Empty title={say.yourTurnAsActingHost}>
      <Said
        as={say.theSessionHasEnded}
        link={(text) => (
          <Link className="text-bracken-deep underline" to="/today">
            {text}
          </Link>
        )}
      />
    </Empty>
  );
}

const waitingInWords = ({ waiting }: Desk): string =>
  waiting.length === 0
    ? say.nobodyKnocks
    : fill(say.waitingCountWaiting, {
        waitingCount: waiting.length,
        waiting: waiting.map(calledAt).join(', '),
      });

interface DeskViewProps {
  me: Me;
  linkId: number;
  desk: Desk;
  act: DeskActions;
}

/** In a room that Glen cannot look into this tab is all that says its host is in: the browser asks before it goes. */
function useAskBeforeLeaving(desk: Desk): void {
  const isAsked =
    desk.pastedRoom && desk.door === 'open' && isLastHost(desk) && leftBehind(desk).length > 0;
  useEffect(() => {
    if (!isAsked) return;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    window.addEventListener('beforeunload', ask);
    return () => window.removeEventListener('beforeunload', ask);
  }, [isAsked]);
}

function DeskView({ me, linkId, desk, act }: DeskViewProps) {
  const now = useNow();
  const { zone } = me.school;
  const [small, openSmall] = useSmallWindow(linkId);
  const go = useNavigate();
  useAskBeforeLeaving(desk);
  const notes = deskNotes(desk, { now, zone });
  const margin = <Margin notes={notes} onAction={({ name }) => doAction(name, desk, act, go)} />;
  return (
    <Screen margin={margin}>
      <DeskHead desk={desk} act={act} linkId={linkId} zone={zone} onSmall={openSmall} />
      {small &&
        createPortal(
          <SmallDesk me={me} linkId={linkId} document={small.document} />,
          small.document.body,
        )}
      <p role="status" className="sr-only">
        {waitingInWords(desk)}
      </p>
      <LineOfSlots desk={desk} />
      {desk.session && <DeskProgramme of={desk.session} />}
      <div className="grid gap-8 max-half:pb-16 md:grid-cols-2 xl:grid-cols-[1.25fr_1.25fr_0.8fr]">
        <Lobby desk={desk} act={act} zone={zone} />
        <Inside desk={desk} act={act} />
        <Missing desk={desk} zone={zone} />
      </div>
    </Screen>
  );
}

/** What is shown where the desk is not, or no longer, one's own. */
function Shut({
  problem,
  desk,
  retry,
}: {
  problem: Problem;
  desk: Desk | undefined;
  retry: () => void;
}) {
  const wasActing = problem.status === 403 && desk?.acting;
  return <Screen>{wasActing ? <TurnOver /> : <Trouble problem={problem} retry={retry} />}</Screen>;
}

/** The teacher's desk at one door: who knocks, who is in, who is missing. */
export default function DeskPage({ me }: { me: Me }) {
  const linkId = Number(useParams().linkId);
  const navigate = useNavigate();
  const { data: desk, error, refetch } = api.useDeskQuery({ params: { linkId } });
  // Where the lesson meets at another class period's door, that one's desk is the one.
  const elsewhere = desk && desk.link.id !== linkId ? desk.link.id : null;
  useEffect(() => {
    if (elsewhere !== null) void navigate(`/desk/${elsewhere}`, { replace: true });
  }, [elsewhere, navigate]);
  const act = useDeskActions(linkId);
  useDeskKeys(desk, act, document);
  useKnockSignal(desk?.waiting ?? NOBODY, desk?.title ?? '');
  const problem = problemOf(error);
  if (problem && (!desk || problem.status === 403))
    return <Shut problem={problem} desk={desk} retry={() => void refetch()} />;
  if (!desk)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  return <DeskView me={me} linkId={linkId} desk={desk} act={act} />;
}

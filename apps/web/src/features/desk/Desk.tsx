import { Bell, BellOff, PanelTopOpen } from 'lucide-react';
import { useEffect, useState } from 'react';
import { createPortal } from 'react-dom';
import { Link, useNavigate, useParams } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import type { Note } from '@glen/core';
import type { Me } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { timeUntil, useNow, wallClock } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { PostFirst } from '../post/PostFirst.js';
import { copyAddress } from '../link/copy.js';
import { BringIn } from './BringIn.js';
import { Column, Who } from './Column.js';
import { Extend } from './Extend.js';
import { HandOver } from './HandOver.js';
import { useKnockSignal, useKnockSound } from './knock.js';
import { Lobby } from './Lobby.js';
import { SmallDesk } from './SmallDesk.js';
import { openSmallWindow } from './smallWindow.js';
import { openLabel, useDeskActions, type Desk, type DeskActions } from './useDesk.js';
import { useDeskKeys } from './useDeskKeys.js';

function notesOf(desk: Desk, now: string, zone: string): Note[] {
  const notes: Note[] = [];
  const strangers = desk.waiting.filter((v) => !v.onRoll).length;
  const ofRoll = desk.waiting.length - strangers;
  if (strangers > 0)
    notes.push({
      severity: 'careful',
      title:
        strangers === 1
          ? 'One who waits is not on the roll'
          : `${strangers} who wait are not on the roll`,
      text: 'Look at name and account before you let them in.',
      ...(ofRoll > 0 ? { actions: [{ name: 'let-roll-in', label: 'Let the roll in' }] } : {}),
    });
  if (desk.waiting.length > 0 && !desk.hostInside)
    notes.push({
      severity: 'careful',
      title: 'People wait and no host is in',
      text: 'Go in first; they cannot be in the room alone.',
      actions: [{ name: 'open', label: 'Go in' }],
    });
  if (desk.session && desk.door === 'open' && now >= desk.session.end)
    notes.push({
      severity: 'inform',
      title: 'Past its end',
      text: 'The door stays open while you are in; whoever dropped out can come back.',
    });
  if (desk.together.length > 0)
    notes.push({
      severity: 'inform',
      title: `With ${desk.together.map((c) => c.title).join(', ')}`,
      text: 'They meet at this door too; their students are on this roll today.',
    });
  if (desk.pastedRoom && desk.door === 'open')
    notes.push({
      severity: 'inform',
      title: 'A room that Glen cannot look into',
      text: `Who passed this door is known, who has left is not. ${desk.own === null ? 'You count as not in the room.' : 'You count as in the room.'}`,
      actions: [
        {
          name: desk.own === null ? 'i-am-in' : 'i-have-left',
          label: desk.own === null ? 'I am in the room' : 'I have left the room',
        },
      ],
    });
  if (
    desk.replacedAt &&
    desk.session &&
    desk.door === 'open' &&
    desk.replacedAt >= desk.session.opens
  )
    notes.push({
      severity: 'inform',
      title: 'The link was replaced while this runs',
      text: 'Whoever is inside stays. Whoever comes now needs the new link, or an old one that leads on.',
      actions: [{ name: 'copy-link', label: 'Copy the new one' }],
    });
  if (desk.acting)
    notes.push({
      severity: 'inform',
      title: 'You are acting host',
      text: 'It was handed over to you: you let people in until this session ends.',
    });
  if (desk.door === 'ended')
    notes.push({
      severity: 'inform',
      title: 'Ended',
      text: 'The link is shut for all but hosts. Opening the door begins it again.',
    });
  if (!desk.session)
    notes.push({
      severity: 'inform',
      title: 'Nothing is planned on this link',
      text: 'Opening the door puts a session on the books, from this minute.',
    });
  if (desk.session && desk.door === 'shut' && now < desk.session.opens)
    notes.push({
      severity: 'inform',
      title: `Opens by itself at ${wallClock(desk.session.opens, zone).time}`,
      text: `In ${timeUntil(desk.session.opens, now)}. You can open it before.`,
    });
  if (desk.door === 'open' && desk.rollSize > 0 && desk.missing.length === 0)
    notes.push({
      severity: 'well',
      title: 'Everyone of the roll is here',
      text: `${desk.rollSize} of ${desk.rollSize}.`,
    });
  return notes;
}

function Inside({ desk, act }: { desk: Desk; act: DeskActions }) {
  const hosts = desk.inside.filter((v) => v.role === 'host');
  const people = desk.inside.filter((v) => v.role !== 'host');
  return (
    <Column title="Inside" count={desk.inside.length}>
      {desk.inside.length === 0 && <p className="text-soft">Nobody is in the room.</p>}
      <ul>
        {hosts.map((v) => (
          <Who key={v.id} visitor={v}>
            {null}
          </Who>
        ))}
        {people.map((v) => (
          <Who key={v.id} visitor={v}>
            {v.role === 'participant' && (
              <Button
                onClick={() => act.letPresent(v.id, true)}
                aria-label={`Let ${v.name} present`}
              >
                Let present
              </Button>
            )}
            {v.mayPresent && (
              <Button
                onClick={() => act.letPresent(v.id, false)}
                aria-label={`${v.name} presents no longer`}
              >
                No longer
              </Button>
            )}
            <Button
              kind="danger-link"
              onClick={() => act.putOut(v.id)}
              aria-label={`Put ${v.name} out`}
              title={
                desk.pastedRoom
                  ? 'Out as far as this door goes; in the room itself put them out yourself.'
                  : undefined
              }
            >
              Put out
            </Button>
          </Who>
        ))}
      </ul>
      {desk.coming.length > 0 && (
        <>
          <h3 className="mt-5 text-sm text-soft">Let in, on their way</h3>
          <ul>
            {desk.coming.map((v) => (
              <li key={v.id} className="border-t border-line py-1.5 break-words">
                {v.name}
              </li>
            ))}
          </ul>
        </>
      )}
    </Column>
  );
}

function Head({
  desk,
  act,
  linkId,
  onSmall,
}: {
  desk: Desk;
  act: DeskActions;
  linkId: number;
  onSmall: () => void;
}) {
  const [sound, setSound] = useKnockSound();
  const running = desk.door === 'open';
  return (
    <header className="mb-5 grid gap-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <Pennant pennant={desk.pennant} size="large" />
        <div className="min-w-0 flex-1">
          <h1 className="text-[25px]">{desk.title}</h1>
          <p className="flex flex-wrap items-center gap-2 text-soft">
            {desk.session
              ? `${dateInWords(desk.session.date)}, ${desk.session.time}–${addMinutes(desk.session.time, desk.session.minutes)}`
              : 'Nothing planned'}
            {running && <Chip tone="well">Door open</Chip>}
            {desk.door === 'ended' && <Chip>Ended</Chip>}
            {desk.door === 'shut' && <Chip tone="inform">Door not opened yet</Chip>}
          </p>
        </div>
        <Button
          kind={running && desk.own !== null ? 'plain' : 'strong'}
          disabled={act.opening}
          onClick={act.open}
        >
          {openLabel(desk)}
        </Button>
        {running && (
          <Button kind="danger" onClick={act.end}>
            End for all
          </Button>
        )}
      </div>
      {!desk.acting && <PostFirst classId={desk.classId} session={desk.session} />}
      <div className="flex flex-wrap gap-2.5">
        <Button onClick={() => void copyAddress(desk.link.address)}>Copy link</Button>
        {running && (
          <>
            <BringIn desk={desk} linkId={linkId} />
            <Extend desk={desk} act={act} />
            <HandOver desk={desk} linkId={linkId} />
          </>
        )}
        {!desk.acting && (
          <Link className={buttonClass()} to={`/classes/${desk.classId}/entry`}>
            Entry rules
          </Link>
        )}
        <span className="ml-auto flex gap-2.5">
          <Button aria-pressed={sound} onClick={() => setSound(!sound)}>
            {sound ? (
              <Bell size={16} aria-hidden="true" />
            ) : (
              <BellOff size={16} aria-hidden="true" />
            )}
            Knocks {sound ? 'sound' : 'are silent'}
          </Button>
          <Button onClick={onSmall}>
            <PanelTopOpen size={16} aria-hidden="true" />
            Small desk
          </Button>
        </span>
      </div>
    </header>
  );
}

const NOBODY: { id: number }[] = [];

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
  const now = useNow();
  const act = useDeskActions(linkId);
  const [small, setSmall] = useState<Window | null>(null);
  useDeskKeys(desk, act, document);
  useKnockSignal(desk?.waiting ?? NOBODY, desk ? `Desk · ${desk.title}` : 'Desk');
  useEffect(() => {
    small?.addEventListener('pagehide', () => setSmall(null));
    return () => small?.close();
  }, [small]);
  const problem = problemOf(error);
  if (problem?.status === 403 && desk?.acting)
    return (
      <Screen>
        <Empty title="Your turn as acting host is over">
          The session has ended, and its door is its own hosts’ again.{' '}
          <Link className="text-bracken-deep underline" to="/today">
            Back to Today
          </Link>
        </Empty>
      </Screen>
    );
  if (problem && (!desk || problem.status === 403))
    return (
      <Screen>
        <Trouble problem={problem} retry={() => void refetch()} />
      </Screen>
    );
  if (!desk)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  return (
    <Screen
      margin={
        <Margin
          notes={notesOf(desk, now, me.school.zone)}
          onAction={({ name }) =>
            name === 'open'
              ? act.open()
              : name === 'copy-link'
                ? void copyAddress(desk.link.address)
                : name === 'i-am-in' || name === 'i-have-left'
                  ? act.presence(name === 'i-am-in')
                  : act.letAllIn('roll')
          }
        />
      }
    >
      <Head
        desk={desk}
        act={act}
        linkId={linkId}
        onSmall={() => void openSmallWindow(linkId).then(setSmall)}
      />
      {small &&
        createPortal(
          <SmallDesk me={me} linkId={linkId} document={small.document} />,
          small.document.body,
        )}
      <p role="status" className="sr-only">
        {desk.waiting.length === 0
          ? 'Nobody knocks.'
          : `${desk.waiting.length} waiting: ${desk.waiting.map((v) => v.name).join(', ')}`}
      </p>
      <div className="grid gap-8 md:grid-cols-2 xl:grid-cols-[1.25fr_1.25fr_0.8fr]">
        <Lobby desk={desk} act={act} zone={me.school.zone} />
        <Inside desk={desk} act={act} />
        <Column title="Missing from the roll" count={desk.missing.length}>
          {desk.missing.length === 0 ? (
            <p className="text-soft">
              {desk.rollSize === 0 ? 'Nobody is on the roll.' : 'Nobody is missing.'}
            </p>
          ) : (
            <ul>
              {desk.missing.map((p) => (
                <li key={p.id} className="border-t border-line py-1.5">
                  {p.name}
                </li>
              ))}
            </ul>
          )}
        </Column>
      </div>
    </Screen>
  );
}

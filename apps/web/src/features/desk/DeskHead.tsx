import { Bell, BellOff, BellRing, PanelTopOpen } from 'lucide-react';
import { Link } from 'react-router';
import { addMinutes, dateInWords } from '@glen/core/light';
import { useBrowserNotices } from '../../app/browserNotices.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { copyAddress } from '../link/copy.js';
import { PostFirst } from '../post/PostFirst.js';
import { BringIn } from './BringIn.js';
import { CheckIn } from './CheckIn.js';
import { Extend } from './Extend.js';
import { HandOver } from './HandOver.js';
import { tabOfDesk, useKnockSound } from './knock.js';
import { RoomFirst } from './RoomFirst.js';
import { openLabel, type Desk, type DeskActions } from './useDesk.js';
import * as say from './words.js';

interface HeadProps {
  desk: Desk;
  act: DeskActions;
  linkId: number;
  zone: string;
  onSmall: () => void;
}

function sessionInWords({ session }: Desk): string {
  if (!session) return say.nothingPlanned;
  const { date, time, minutes } = session;
  return `${dateInWords(date)}, ${time}–${addMinutes(time, minutes)}`;
}

function DoorChip({ door }: Pick<Desk, 'door'>) {
  if (door === 'open') return <Chip tone="well">{say.doorOpen}</Chip>;
  if (door === 'ended') return <Chip>{say.ended}</Chip>;
  return <Chip tone="inform">{say.doorNotOpenedYet}</Chip>;
}

/** How knocks are told, and the desk in a small window beside the room. */
function DeskTools({ onSmall }: Pick<HeadProps, 'onSmall'>) {
  const [sound, setSound] = useKnockSound();
  const [state, choose] = useBrowserNotices();
  const Sign = sound ? Bell : BellOff;
  return (
    <span className="ml-auto flex flex-wrap gap-2.5">
      <Button aria-pressed={sound} onClick={() => setSound(!sound)}>
        <Sign size={16} aria-hidden="true" />
        {sound ? say.knocksSound : say.knocksAreSilent}
      </Button>
      {state === 'off' && (
        <Button onClick={() => void choose(true)}>
          <BellRing size={16} aria-hidden="true" />
          {say.tellMeElsewhereToo}
        </Button>
      )}
      <Button onClick={onSmall}>
        <PanelTopOpen size={16} aria-hidden="true" />
        {say.smallDesk}
      </Button>
    </span>
  );
}

/** What session it is and how its door stands, with what a host does about both. */
export function DeskHead({ desk, act, linkId, zone, onSmall }: HeadProps) {
  const running = desk.door === 'open';
  return (
    <header className="mb-5 grid gap-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-3">
        <Pennant pennant={desk.pennant} size="large" />
        <div className="min-w-0 flex-1 basis-60">
          <ScreenTitle tab={tabOfDesk(desk)}>{desk.title}</ScreenTitle>
          <p className="flex flex-wrap items-center gap-2 text-soft">
            {sessionInWords(desk)}
            <DoorChip door={desk.door} />
          </p>
        </div>
        {!desk.noRoom && (
          <Button
            kind={running && desk.own !== null ? 'plain' : 'strong'}
            disabled={act.opening}
            onClick={act.open}
          >
            {openLabel(desk)}
          </Button>
        )}
        {running && (
          <Button kind="danger" onClick={act.end}>
            {desk.pastedRoom ? say.shutTheDoor : say.closeTheRoom}
          </Button>
        )}
      </div>
      {desk.noRoom && !desk.acting && <RoomFirst act={act} />}
      {!desk.acting && <PostFirst classId={desk.classId} session={desk.session} />}
      <div className="flex flex-wrap gap-2.5">
        <Button onClick={() => void copyAddress(desk.link.address)}>{say.copyLink}</Button>
        {running && (
          <>
            <BringIn desk={desk} linkId={linkId} />
            <Extend desk={desk} act={act} />
            <HandOver desk={desk} linkId={linkId} />
            <CheckIn linkId={linkId} zone={zone} />
          </>
        )}
        {!desk.acting && (
          <Link className={buttonClass()} to={`/classes/${desk.classId}/entry`}>
            {say.entryRules}
          </Link>
        )}
        <DeskTools onSmall={onSmall} />
      </div>
    </header>
  );
}

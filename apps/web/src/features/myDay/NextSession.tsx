import { Link, useNavigate } from 'react-router';
import { isOvernight } from '@glen/core/light';
import type { ClassItem } from '@glen/contract';
import { api } from '../../app/api.js';
import { timeUntil } from '../../app/clock.js';
import { Button, buttonClass } from '../../ui/Button.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { needsRoom, openDoor } from '../desk/openDoor.js';
import { CopyButtons } from '../link/LinkLine.js';
import { movedInWords } from '../plan/moved.js';
import { mayEdit } from '../school/mayEdit.js';
import {
  DoorChip,
  CoverChip,
  LinkChips,
  PlacementChips,
  Times,
  isHostOf,
  type OfToday,
} from './sessionParts.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

interface NextProps extends OfToday {
  classPeriod: ClassItem;
}

function TimeChip({ session, now }: Pick<OfToday, 'session' | 'now'>) {
  if (session.start > now)
    return <Chip>{fill(say.beginsIn, { span: timeUntil(session.start, now) })}</Chip>;
  if (session.end > now)
    return <Chip>{fill(say.endsIn, { span: timeUntil(session.end, now) })}</Chip>;
  return <Chip tone="careful">{say.runsOver}</Chip>;
}

/** To the desk, where the door is open; else it is opened first. */
function ToDesk({ session }: Pick<OfToday, 'session'>) {
  const [open, { isLoading }] = api.useOpenDoorMutation();
  const navigate = useNavigate();
  const desk = `/desk/${session.linkId}`;
  const openAndGo = async (): Promise<void> => {
    const problem = await openDoor(open, session.linkId);
    // Where the room's address is missing, the desk asks for it.
    if (!problem || needsRoom(problem)) void navigate(desk);
  };
  if (session.door === 'open')
    return (
      <Link className={`${buttonClass('strong')} print:hidden`} to={desk}>
        {say.toTheDesk}
      </Link>
    );
  return (
    <Button
      kind="strong"
      className="print:hidden"
      disabled={isLoading}
      onClick={() => void openAndGo()}
    >
      {say.openTheDoorNow}
    </Button>
  );
}

function LinkAndPosts({ session, classPeriod, today }: NextProps) {
  const { linkId, address, seriesId, key } = session;
  return (
    <div className="mt-4 flex flex-wrap items-center gap-x-2.5 gap-y-3 border-t border-dashed border-edge pt-3.5">
      <code className="min-w-0 rounded-small bg-shade px-2.5 py-1 font-mono text-md break-all">
        {address.replace(/^https?:\/\//, '')}
      </code>
      <span className="flex flex-wrap gap-2.5 print:hidden">
        <CopyButtons link={{ id: linkId, address }} />
      </span>
      <span className="ml-auto flex flex-wrap items-center gap-4">
        <PlacementChips today={today} classId={classPeriod.id} />
        {mayEdit(classPeriod) && (
          <Link
            className={`${buttonClass('link')} print:hidden`}
            to={`/plan/${seriesId}?on=${key}`}
          >
            {say.changeIt}
          </Link>
        )}
      </span>
    </div>
  );
}

/** A session that matters now: it runs, waits for its host, or is the next. */
export function NextSession(props: NextProps) {
  const { session, classPeriod, now, zone } = props;
  return (
    <section
      aria-label={session.start <= now ? say.runningNow : say.next}
      className="my-3 rounded-big border border-line bg-sheet p-5 shadow-soft print:my-0 print:border-0 print:p-0 print:py-3 print:shadow-none"
    >
      <div className="flex flex-wrap items-center gap-x-5 gap-y-3">
        <Times session={session} large />
        <Pennant pennant={classPeriod.pennant} />
        <div className="min-w-0 flex-1 basis-36">
          <h2 className="text-xl">
            <Link className="hover:underline" to={`/classes/${classPeriod.id}`}>
              {session.title}
            </Link>
          </h2>
          <p className="mt-1.5 flex flex-wrap gap-2">
            {isOvernight(session, props.today.date) && <Chip>{say.sinceYesterday}</Chip>}
            <DoorChip session={session} now={now} zone={zone} />
            <CoverChip classPeriod={classPeriod} />
            <TimeChip session={session} now={now} />
            {session.was && <Chip tone="careful">{movedInWords(session)}</Chip>}
            <LinkChips session={session} />
            {session.description && <Chip>{session.description.slice(0, 60)}</Chip>}
          </p>
        </div>
        {isHostOf(props, classPeriod) && <ToDesk session={session} />}
      </div>
      <LinkAndPosts {...props} />
    </section>
  );
}

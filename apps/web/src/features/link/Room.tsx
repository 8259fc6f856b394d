import type { EntryRules } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import { RoomChecks } from './RoomChecks.js';
import { useServices } from '../../app/useServices.js';
import { Button } from '../../ui/Button.js';
import { WebAddressField } from '../../ui/TextField.js';
import { RULE_NAMES, valueInWords } from '../entry/sentences.js';
import { useRoom } from './useRoom.js';

const OWN_ROOM =
  'Glen’s door keeps who may enter, the lobby, the code and the times. ' +
  'Whoever has been inside knows the room’s own address; Glen cannot see who leaves it.';
const SCHOOLS_ROOM =
  'You can put any room that you have behind this door; the link stays the same.';
const NO_ROOM =
  'The door says so to whoever comes, and asks you for its address as you open it. The link stays the same.';

function WhichRoom({ room, isSchools }: { room: string | null; isSchools: boolean }) {
  if (room)
    return (
      <>
        A room of your own: <span className="font-mono text-md break-all">{room}</span>
      </>
    );
  return isSchools
    ? 'The school’s video service. It keeps every rule above by itself.'
    : 'No room is there yet.';
}

/** Which room it is, and what that means. */
function RoomWords({ link: { room, running } }: { link: LinkDetail }) {
  const { video } = useServices();
  const withoutOwn = video ? SCHOOLS_ROOM : NO_ROOM;
  return (
    <>
      <p className="text-lg">
        <WhichRoom room={room} isSchools={video} />
      </p>
      <p className="mt-1 text-md text-soft">
        {room ? OWN_ROOM : withoutOwn}
        {running && ' A session is running: it stays in the room that it began in.'}
      </p>
    </>
  );
}

/** Rules that the school's video service cannot keep. */
const ByHand = ({ fields, rules }: { fields: LinkDetail['byHand']; rules: EntryRules }) => (
  <div className="mt-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
    <h3 className="font-sans text-md font-bold">Set these in the room yourself</h3>
    <ul className="mt-1 list-disc pl-5 text-md">
      {fields.map((field) => (
        <li key={field}>
          {RULE_NAMES[field]}: {valueInWords(field, rules[field])}
        </li>
      ))}
    </ul>
  </div>
);

function AddressForm({ room }: { room: ReturnType<typeof useRoom> }) {
  const { register, submit, leave, isSending, errorAt, problem, theirs } = room;
  const stale = theirs
    ? 'Somebody changed this link just now; look again and save once more.'
    : undefined;
  return (
    <form className="mt-3 grid max-w-xl gap-3" noValidate onSubmit={submit}>
      <WebAddressField
        label="The room’s address"
        hint="Visitors see it only once they are let in."
        error={stale ?? errorAt('address') ?? problem?.title}
        {...register('address')}
      />
      <p className="flex gap-2.5">
        <Button type="submit" kind="act" disabled={isSending}>
          Put it behind the door
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </p>
    </form>
  );
}

/** The room behind a link: the school's video service, or one whose address somebody pastes. */
export function Room({ link, rules }: { link: LinkDetail; rules: EntryRules }) {
  const room = useRoom(link);
  const { video } = useServices();
  return (
    <>
      <RoomWords link={link} />
      {video && !link.room && link.byHand.length > 0 && (
        <ByHand fields={link.byHand} rules={rules} />
      )}
      {link.lookedAt && <RoomChecks link={link} looked={link.lookedAt} rules={rules} />}
      {link.mayEdit && !room.isEditing && (
        <p className="mt-3 flex flex-wrap gap-2.5">
          <Button onClick={room.edit}>
            {link.room ? 'Change the room' : 'Use a room of your own'}
          </Button>
          {link.room && (
            <Button disabled={room.isSending} onClick={room.takeAway}>
              {video ? 'Back to the school’s video service' : 'Take the room away'}
            </Button>
          )}
        </p>
      )}
      {room.isEditing && <AddressForm room={room} />}
    </>
  );
}

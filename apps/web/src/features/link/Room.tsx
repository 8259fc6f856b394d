import type { EntryRules } from '@glen/core';
import type { LinkDetail } from '@glen/contract';
import { RoomChecks } from './RoomChecks.js';
import { useServices } from '../../app/useServices.js';
import { Button } from '../../ui/Button.js';
import { WebAddressField } from '../../ui/TextField.js';
import { RULE_NAMES, valueInWords } from '../entry/sentences.js';
import { useRoom } from './useRoom.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

function WhichRoom({ room, isSchools }: { room: string | null; isSchools: boolean }) {
  if (room)
    return (
      <>
        <Said
          as={say.aRoomOfYourOwnRoom}
          room={<span className="font-mono text-md break-all">{room}</span>}
        />
      </>
    );
  return isSchools ? say.theSchoolsVideoServiceIt : say.noRoomIsThereYet;
}

/** Which room it is, and what that means. */
function RoomWords({ link: { room, running } }: { link: LinkDetail }) {
  const { video } = useServices();
  const withoutOwn = video ? say.youCanPutAnyRoom : say.theDoorSays;
  return (
    <>
      <p className="text-lg">
        <WhichRoom room={room} isSchools={video} />
      </p>
      <p className="mt-1 text-md text-soft">
        {room ? say.glensDoorKeepsWhoMay : withoutOwn}
        {running && ` ${say.aSessionIsRunningIt}`}
      </p>
    </>
  );
}

/** Rules that the school's video service cannot keep. */
const ByHand = ({ fields, rules }: { fields: LinkDetail['byHand']; rules: EntryRules }) => (
  <div className="mt-3 rounded-small bg-gorse-tint p-3 text-gorse-deep">
    <h3 className="font-sans text-md font-bold">{say.setTheseInTheRoom}</h3>
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
  const stale = theirs ? say.somebodyChangedThisLinkJustNowLook : undefined;
  return (
    <form className="mt-3 grid max-w-xl gap-3" noValidate onSubmit={submit}>
      <WebAddressField
        label={say.theRoomsAddress}
        hint={say.visitorsSeeItOnlyOnce}
        error={stale ?? errorAt('address') ?? problem?.title}
        {...register('address')}
      />
      <p className="flex gap-2.5">
        <Button type="submit" kind="act" disabled={isSending}>
          {say.putItBehindTheDoor}
        </Button>
        <Button onClick={leave}>{say.leaveIt}</Button>
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
          <Button onClick={room.edit}>{link.room ? say.changeTheRoom : say.useARoom}</Button>
          {link.room && (
            <Button disabled={room.isSending} onClick={room.takeAway}>
              {video ? say.backToTheSchoolsVideo : say.takeTheRoomAway}
            </Button>
          )}
        </p>
      )}
      {room.isEditing && <AddressForm room={room} />}
    </>
  );
}

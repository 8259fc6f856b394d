import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { WebAddressField } from '../../ui/TextField.js';
import type { DeskActions } from './useDesk.js';
import * as say from './words.js';

interface Typed {
  room: string;
}

/** Opening a door that no room is behind yet: its host gives the room's address once, and it stays. */
export function RoomFirst({ act }: { act: DeskActions }) {
  const { register, errorAt, submit } = useServerForm<Typed, Typed, void>({
    start: { room: '' },
    send: async ({ room }) => ({ error: await act.openWith(room.trim()) }),
    onDone: () => {},
  });
  return (
    <form
      className="grid max-w-xl gap-3 rounded-big border border-line bg-sheet p-4"
      noValidate
      onSubmit={submit}
    >
      <WebAddressField
        label={say.noRoomIsBehindThis}
        hint={say.pasteItsAddressOnceIt}
        error={errorAt('room')}
        {...register('room')}
      />
      <p>
        <Button type="submit" kind="strong" disabled={act.opening}>
          {say.openTheDoorWithThis}
        </Button>
      </p>
    </form>
  );
}

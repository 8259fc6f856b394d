import { useState } from 'react';
import type { Problem } from '@glen/contract';
import { messageFor } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { WebAddressField } from '../../ui/TextField.js';
import type { DeskActions } from './useDesk.js';

/** Opening a door that no room is behind yet: its host gives the room's address once, and it stays. */
export function RoomFirst({ act }: { act: DeskActions }) {
  const [room, setRoom] = useState('');
  const [problem, setProblem] = useState<Problem>();
  return (
    <form
      className="grid max-w-xl gap-3 rounded-big border border-line bg-sheet p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void act.openWith(room.trim()).then(setProblem);
      }}
    >
      <WebAddressField
        label="No room is behind this door yet: where is yours?"
        hint="Paste its address once. It stays behind the link, and visitors see it only as they are let in."
        error={messageFor(problem, 'room')}
        value={room}
        onChange={(e) => {
          setRoom(e.target.value);
          setProblem(undefined);
        }}
      />
      <p>
        <Button type="submit" kind="strong" disabled={act.opening}>
          Open the door with this room
        </Button>
      </p>
    </form>
  );
}

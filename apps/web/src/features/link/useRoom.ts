import { useState } from 'react';
import type { LinkDetail, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { useServices } from '../../app/useServices.js';
import { offerUndo } from '../../app/undo.js';

function doneWords(room: string | null, isSchools: boolean): string {
  if (room) return 'Another room is behind the door.';
  return isSchools
    ? 'The school’s video service is behind the door.'
    : 'No room is behind the door any more.';
}

/** Changes the room behind a link; `null` is the school's video service, or none where there is no such service. A change can be taken back. */
export function useRoom(link: LinkDetail) {
  const [setRoom, { isLoading }] = api.useSetRoomMutation();
  const { video } = useServices();
  const [isEditing, setIsEditing] = useState(false);
  const [typed, setTyped] = useState(link.room ?? '');
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId: link.id };

  const put = async (address: string | null): Promise<void> => {
    setProblem(undefined);
    const before = link.room;
    const { data, error } = await setRoom({ params, body: { version: link.version, address } });
    if (!data) return setProblem(problemOf(error));
    setIsEditing(false);
    setTyped(data.room ?? '');
    offerUndo(doneWords(data.room, video), () =>
      setRoom({ params, body: { version: data.version, address: before } }).unwrap(),
    );
  };
  const type = (address: string): void => {
    setTyped(address);
    setProblem(undefined);
  };
  const leave = (): void => {
    setIsEditing(false);
    type(link.room ?? '');
  };
  return {
    isEditing,
    edit: () => setIsEditing(true),
    leave,
    typed,
    type,
    problem,
    isSaving: isLoading,
    put,
  };
}

import { useState } from 'react';
import type { LinkDetail } from '@glen/contract';
import { api } from '../../app/api.js';
import { useServerForm } from '../../app/useServerForm.js';
import { useServices } from '../../app/useServices.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import * as say from './words.js';

function doneWords(room: string | null, isSchools: boolean): string {
  if (room) return say.anotherRoomIsBehind;
  return isSchools ? say.theSchoolsVideoService : say.noRoomIsBehind;
}

interface Typed {
  /** Nothing: the school's video service, or no room where there is no such service. */
  address: string | null;
}

/** Changes the room behind a link. A change can be taken back. */
export function useRoom(link: LinkDetail) {
  const [setRoom] = api.useSetRoomMutation();
  const { video } = useServices();
  const [isEditing, setIsEditing] = useState(false);
  const params = { linkId: link.id };
  const form = useServerForm<Typed, Typed, LinkDetail>({
    start: { address: link.room },
    send: ({ address }) => setRoom({ params, body: { version: link.version, address } }),
    onDone: (changed) => {
      const before = link.room;
      setIsEditing(false);
      form.reset({ address: changed.room });
      const body = { version: changed.version, address: before };
      offerWayBack(doneWords(changed.room, video), [wayBack('setRoom', { params, body })]);
    },
  });
  return {
    ...form,
    isEditing,
    edit: () => setIsEditing(true),
    leave: () => {
      setIsEditing(false);
      form.reset({ address: link.room });
    },
    takeAway: () => {
      form.change({ address: null });
      form.submit();
    },
  };
}

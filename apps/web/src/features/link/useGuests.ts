import { useState } from 'react';
import type { Answer, Problem, Sent } from '@glen/contract';
import { toast } from '../../ui/toast.js';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { copyAddress } from './copy.js';
import { saveFile } from './saveFile.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

export type Guest = Answer<'guests'>['guests'][number];

/** What a guest is typed like. */
const asTyped = ({ name, email }: Guest): string => (name ? `${name} <${email}>` : email);

/** What would invite a guest again just as they were. */
const asSent = (guest: Guest): Sent<'addGuests'> => ({
  text: asTyped(guest),
  comes: guest.comes,
  ...(guest.seriesId === null ? {} : { seriesId: guest.seriesId }),
  ...(guest.key === null ? {} : { key: guest.key }),
});

/** Changes the guests of a link one by one; each change is saved at once. */
export function useGuests(linkId: number) {
  const [edit] = api.useEditGuestMutation();
  const [add] = api.useAddGuestsMutation();
  const [withdraw] = api.useWithdrawGuestMutation();
  const [makeAddress] = api.useGuestAddressMutation();
  const [problem, setProblem] = useState<Problem>();
  const params = { linkId };

  const setComes = async (guest: Guest, comes: Guest['comes']): Promise<void> => {
    setProblem(undefined);
    const { id: guestId, version, name } = guest;
    const { error } = await edit({ params, body: { guestId, version, name, comes } });
    if (error) setProblem(problemOf(error));
  };
  const remove = async (guest: Guest): Promise<void> => {
    setProblem(undefined);
    const { error } = await withdraw({ params, body: { guestId: guest.id } });
    if (error) return setProblem(problemOf(error));
    offerUndo(fill(say.isInvitedNoLonger, { guest: guest.name || guest.email }), () =>
      add({ params, body: asSent(guest) }).unwrap(),
    );
  };
  const copyWayIn = async ({ email }: Guest): Promise<void> => {
    const { data, error } = await makeAddress({ params, body: { email } });
    if (error) toast.error(problemOf(error)!.title);
    else await copyAddress(data.address!, fill(say.copiedSendItToAlone, { email }));
  };
  const mailWayIn = async ({ email }: Guest): Promise<void> => {
    const { error } = await makeAddress({ params, body: { email, by: 'mail' } });
    const trouble = problemOf(error);
    if (trouble) toast.error(trouble.errors?.[0]?.message ?? trouble.title);
    else toast(fill(say.theirWay, { email }));
  };
  const fileWayIn = async ({ email }: Guest): Promise<void> => {
    const { data, error } = await makeAddress({ params, body: { email, by: 'file' } });
    if (error) return void toast.error(problemOf(error)!.title);
    saveFile(`${email}.eml`, 'message/rfc822', data.eml!);
    toast(fill(say.aLetterToIsSaved, { email }));
  };
  return { problem, setComes, remove, copyWayIn, mailWayIn, fileWayIn };
}

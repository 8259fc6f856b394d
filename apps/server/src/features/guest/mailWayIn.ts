import { classTitle } from '@glen/core';
import type { Glen } from '../../glen.js';
import { personById } from '../accounts/store.js';
import { linkById } from '../link/store.js';
import { writeLetters } from '../mail/letters.js';
import { mailAddressOf } from '../mail/store.js';
import { classById } from '../school/classes.sql.js';
import { readSchool } from '../school/store.js';
import { invitationsTo, whenInWords } from './listStore.js';

interface WayIn {
  linkId: number;
  by: number;
  email: string;
  address: string;
  /** Each way in is a letter of its own. */
  once: string;
}

/** Sends a guest their way in, to the address that it proves to be theirs. */
export async function mailWayIn(glen: Glen, way: WayIn): Promise<void> {
  const { linkId, by, email, address, once } = way;
  const link = (await linkById(glen.db, linkId))!;
  const [row, host, hostAddress, invitations, { name: school }] = await Promise.all([
    classById(glen.db, link.class_id, by),
    personById(glen.db, by),
    mailAddressOf(glen.db, by),
    invitationsTo(glen.db, linkId, email),
    readSchool(glen.db),
  ]);
  const title = classTitle(row!);
  const when = await whenInWords(glen.db, invitations);
  const times = invitations.map(when).filter(Boolean);
  const name = invitations.map((one) => one.name).find(Boolean) ?? '';
  await writeLetters(glen, [
    {
      kind: 'asked',
      once: `way-in:${once}`,
      to: { personId: null, name, address: email },
      replyTo: host && hostAddress ? { name: host.name, address: hostAddress } : null,
      thread: `guest.${linkId}`,
      letter: {
        subject: `You are invited: ${title}`,
        says: [
          `${host?.name ?? school} invites you to ${title}, ${school}.`,
          ...(times.length > 0 ? [times] : []),
          'The address below is your way in. It works once, for you alone: it shows that this mailbox is yours. From then on you find your door by signing in.',
        ],
        link: { words: 'My way in', address },
        why: `You get this because ${host?.name ?? school} has put this address on the list of guests.`,
        stop: null,
      },
    },
  ]);
}

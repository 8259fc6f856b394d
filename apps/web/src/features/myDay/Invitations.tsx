import type { Answer } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { YesOrNo } from '../accounts/YesOrNo.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

type Invitation = Answer<'invitations'>['invitations'][number];

function Row({ invitation }: { invitation: Invitation }) {
  const { guestId, title, host, when, comes, said } = invitation;
  const [answer, { error }] = api.useAnswerInvitationMutation();
  return (
    <li className="border-t border-line py-2">
      <Said
        as={say.invitesYou[comes]}
        host={host}
        what={
          <>
            <b>{title}</b>
            {when && `, ${when}`}
          </>
        }
      />
      <YesOrNo
        label={say.willYouCome}
        said={said}
        problem={problemOf(error)}
        onSay={(next) => void answer({ body: { guestId, said: next } })}
      />
    </li>
  );
}

/** What somebody is invited to as a guest, and whether they will come. */
export function Invitations() {
  const { data } = api.useInvitationsQuery();
  if (!data || data.invitations.length === 0) return null;
  return (
    <section aria-label={say.yourInvitations} className="mt-6">
      <h2 className="mb-1 text-base">{say.yourInvitations}</h2>
      <ul>
        {data.invitations.map((invitation) => (
          <Row key={invitation.guestId} invitation={invitation} />
        ))}
      </ul>
    </section>
  );
}

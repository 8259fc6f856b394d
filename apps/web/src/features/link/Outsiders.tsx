import type { LinkDetail } from '@glen/contract';
import type { AudienceEdit } from './audienceDraft.js';
import { GuestRow } from './GuestRow.js';

type Guest = Extract<LinkDetail['audience'][number], { kind: 'guest' }>;

const guestsOf = (link: Pick<LinkDetail, 'audience'>): Guest[] =>
  link.audience.filter((part): part is Guest => part.kind === 'guest');

/** A change by which one guest speaks, or no longer. */
export const speaking =
  (email: string, speaks: boolean): AudienceEdit =>
  (now) => ({
    ...now,
    speakers: [...now.speakers.filter((one) => one !== email), ...(speaks ? [email] : [])],
  });

interface OutsidersProps {
  link: LinkDetail;
  changeAudience: (edit: AudienceEdit) => void;
}

/** Who comes from outside the school, what they learn, and how each of them comes. */
export function Outsiders({ link, changeAudience }: OutsidersProps) {
  const guests = guestsOf(link);
  if (guests.length === 0) return null;
  return (
    <section aria-label="From outside the school" className="mt-3">
      <p>
        <b>From outside the school</b>, and told what it is called, when it is and who hosts it;
        inside they see others by name, and are seen.
      </p>
      <ul className="mt-1">
        {guests.map(({ email, speaks }) => (
          <li
            key={email}
            className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-line py-2"
          >
            <span className="min-w-52 font-semibold break-all">{email}</span>
            <GuestRow
              linkId={link.id}
              email={email}
              speaks={speaks}
              onSpeaks={(now) => changeAudience(speaking(email, now))}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { copyAddress } from './copy.js';

/** What callers dial and key in for a link, where its rules let them come. */
export function ByPhone({ linkId }: { linkId: number }) {
  const { data } = api.useInvitationQuery({ params: { linkId } });
  if (!data?.phoneNumber || !data.phonePin) return null;
  const words = `${data.phoneNumber}, pin ${data.phonePin}`;
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-3 text-md text-soft">
      <span>
        By phone: <span className="font-mono text-ink">{data.phoneNumber}</span>, pin{' '}
        <b className="font-mono text-ink">{data.phonePin}</b>. Callers need no account.
      </span>
      <Button kind="link" onClick={() => void copyAddress(words, 'Number and pin are copied.')}>
        Copy it
      </Button>
    </p>
  );
}

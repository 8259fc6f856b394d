import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { copyAddress } from './copy.js';
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

/** What callers dial and key in for a link, where its rules let them come. */
export function ByPhone({ linkId }: { linkId: number }) {
  const { data } = api.useInvitationQuery({ params: { linkId } });
  if (!data?.phoneNumber || !data.phonePin) return null;
  const words = fill(say.phoneNumberPinPhonePin, {
    phoneNumber: data.phoneNumber,
    phonePin: data.phonePin,
  });
  return (
    <p className="mt-1 flex flex-wrap items-center gap-x-3 text-md text-soft">
      <span>
        <Said
          as={say.byPhonePinCallersNeed}
          phoneNumber={<span className="font-mono text-ink">{data.phoneNumber}</span>}
          phonePin={<b className="font-mono text-ink">{data.phonePin}</b>}
        />
      </span>
      <Button kind="link" onClick={() => void copyAddress(words, say.numberAndPinAreCopied)}>
        {say.copyNumberAndPin}
      </Button>
    </p>
  );
}

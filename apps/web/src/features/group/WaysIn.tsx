import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import { Button } from '../../ui/Button.js';
import { copyText } from '../../app/copyText.js';
import type { PasswordAddresses } from './useRollEdits.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Way = PasswordAddresses[number];

function QrCode({ address }: { address: string }) {
  const [source, setSource] = useState<string>();
  useEffect(() => {
    void QRCode.toDataURL(address, { width: 256, errorCorrectionLevel: 'M', margin: 1 }).then(
      setSource,
    );
  }, [address]);
  return source ? <img src={source} alt="" className="size-24" /> : <span className="size-24" />;
}

/** A strip of paper for one student: whose it is, and how they set their password. */
const Strip = ({ way }: { way: Way }) => (
  <li className="flex break-inside-avoid flex-wrap items-center gap-4 border-b border-dashed border-edge py-3">
    <QrCode address={way.address} />
    <div className="min-w-44 flex-1">
      <p className="font-semibold">{way.name}</p>
      <p className="text-sm text-soft">{fill(say.youSignInAsSet, { email: way.email })}</p>
      <p className="font-mono text-sm break-all">{way.address}</p>
    </div>
    <Button
      className="print:hidden"
      aria-label={fill(say.copyTheAddressOf, { way: way.name })}
      onClick={() => void copyText(way.address, say.addressCopied)}
    >
      {say.copy}
    </Button>
  </li>
);

/** One-time addresses by which students set their passwords: to copy one by one, or to print in strips. */
export function WaysIn({ ways, onClose }: { ways: PasswordAddresses; onClose: () => void }) {
  return (
    <section
      aria-label={say.waysIn}
      className="print-alone mb-5 rounded-big border border-line bg-sheet p-5 print:border-0 print:p-0"
    >
      <h2 className="text-lg">
        {ways.length === 0 ? say.everybodyHasSetAPassword : say.theirWaysIn}
      </h2>
      {ways.length > 0 && <p className="text-soft print:hidden">{say.eachWorksOnce}</p>}
      <ul className="mt-2">
        {ways.map((way) => (
          <Strip key={way.personId} way={way} />
        ))}
      </ul>
      <p className="mt-3 flex gap-3 print:hidden">
        {ways.length > 0 && (
          <Button kind="strong" onClick={() => window.print()}>
            {say.printThemInStrips}
          </Button>
        )}
        <Button onClick={onClose}>{say.done}</Button>
      </p>
    </section>
  );
}

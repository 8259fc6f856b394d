import { Printer } from 'lucide-react';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { LinkRow } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';

function QrCode({ address, title }: { address: string; title: string }) {
  const [source, setSource] = useState<string>();
  useEffect(() => {
    void QRCode.toDataURL(address, { width: 384, errorCorrectionLevel: 'M', margin: 2 }).then(
      setSource,
    );
  }, [address]);
  return source ? (
    <img src={source} alt={`QR code of the door of ${title}`} className="size-36" />
  ) : (
    <span className="size-36" />
  );
}

function Card({ of }: { of: LinkRow }) {
  const title = of.main ? of.classTitle : `${of.label}, ${of.classTitle}`;
  return (
    <li className="flex break-inside-avoid items-center gap-5 rounded-big border border-edge bg-sheet p-4">
      <QrCode address={of.address} title={title} />
      <div className="min-w-0">
        <h2 className="flex items-center gap-2.5 text-lg">
          <Pennant pennant={of.pennant} size="small" />
          {title}
        </h2>
        <p className="mt-1 text-sm text-soft">
          The same link all year. On a phone, point the camera at the code; or type it at /door.
        </p>
        <p className="mt-2 font-mono text-xl font-bold break-all">{of.code}</p>
        <p className="mt-1 font-mono text-sm">
          {of.address.replace(of.code, '')}
          <wbr />
          {of.code}
        </p>
      </div>
    </li>
  );
}

/** Links on paper, those that were chosen or every class period's own: for the wall of the classroom, or for whoever has no screen at hand. */
export default function LinkSheetPage() {
  const { data, error, refetch } = api.useLinksQuery();
  const [search] = useSearchParams();
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  const ids = search.get('ids')?.split('.').map(Number);
  const links = data.links.filter((l) => l.state === 'live' && (ids ? ids.includes(l.id) : l.main));
  return (
    <Screen
      margin={
        <Margin
          notes={
            links.length > 0
              ? [
                  {
                    severity: 'inform',
                    title: 'What is printed',
                    text: 'Only the cards, two to a row on a wide page, none cut in two.',
                  },
                ]
              : []
          }
        />
      }
    >
      <header className="mb-4 flex items-baseline gap-4">
        <h1 className="text-[27px]">The sheet of links</h1>
        <Button kind="act" className="ml-auto print:hidden" onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" />
          Print it
        </Button>
      </header>
      {links.length === 0 && (
        <Empty title="No links to print">
          Once the office puts you down for a class period, its card stands here.
        </Empty>
      )}
      <ul className="grid gap-4 lg:grid-cols-2">
        {links.map((l) => (
          <Card key={l.id} of={l} />
        ))}
      </ul>
    </Screen>
  );
}

import { Printer } from 'lucide-react';
import QRCode from 'qrcode';
import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Note } from '@glen/core';
import type { LinkRow } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { ScreenTitle } from '../../ui/ScreenTitle.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

function QrCode({ address, title }: { address: string; title: string }) {
  const [source, setSource] = useState<string>();
  useEffect(() => {
    void QRCode.toDataURL(address, { width: 384, errorCorrectionLevel: 'M', margin: 2 }).then(
      setSource,
    );
  }, [address]);
  return source ? (
    <img src={source} alt={fill(say.qrCodeOfTheDoor, { title })} className="size-36" />
  ) : (
    <span className="size-36" />
  );
}

function Card({ link }: { link: LinkRow }) {
  const [word, rest] = link.code.split('-');
  const title = link.main ? link.classTitle : `${link.label}, ${link.classTitle}`;
  return (
    <li className="flex break-inside-avoid items-center max-half:flex-wrap print:flex-nowrap gap-5 rounded-big border border-edge bg-sheet p-4">
      <QrCode address={link.address} title={title} />
      <div className="min-w-0 [overflow-wrap:anywhere]">
        <h2 className="flex items-center gap-2.5 text-lg text-balance">
          <Pennant pennant={link.pennant} size="small" />
          {title}
        </h2>
        <p className="mt-1 text-sm text-soft">{say.theSameLinkAllYear}</p>
        <p className="mt-2 font-mono text-xl font-bold">
          {word}-<wbr />
          {rest}
        </p>
        <p className="mt-1 font-mono text-sm">
          {link.address.replace(link.code, '')}
          <wbr />
          {link.code}
        </p>
      </div>
    </li>
  );
}

const PRINTED: Note = {
  severity: 'inform',
  title: say.whatIsPrinted,
  text: say.onlyTheCardsTwo,
};

const Sheet = ({ links }: { links: LinkRow[] }) => (
  <Screen margin={<Margin notes={links.length > 0 ? [PRINTED] : []} />}>
    <header className="mb-4 flex items-baseline gap-4">
      <ScreenTitle tab={say.theSheetOfLinks} />
      <Button kind="act" className="ml-auto print:hidden" onClick={() => window.print()}>
        <Printer size={16} aria-hidden="true" />
        {say.printTheSheet}
      </Button>
    </header>
    {links.length === 0 && <Empty title={say.noLinksToPrint}>{say.onceTheOfficePutsYou}</Empty>}
    <ul className="grid gap-4 lg:grid-cols-2">
      {links.map((link) => (
        <Card key={link.id} link={link} />
      ))}
    </ul>
  </Screen>
);

/** Those whose ids the address names, else every class period's own; only links that work. */
function linksFor(search: URLSearchParams, links: LinkRow[]): LinkRow[] {
  const ids = search.get('ids')?.split('.').map(Number);
  return links.filter((l) => l.state === 'live' && (ids ? ids.includes(l.id) : l.main));
}

/**
 * Links on paper, those that were chosen or every class period's own: for the wall of the classroom,
 * or for whoever has no screen at hand.
 */
export default function LinkSheetPage() {
  const asked = api.useLinksQuery();
  const [search] = useSearchParams();
  return <Loaded asked={asked}>{({ links }) => <Sheet links={linksFor(search, links)} />}</Loaded>;
}

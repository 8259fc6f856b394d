import { Printer } from 'lucide-react';
import { useState } from 'react';
import { bannerHtml, picture, type Pictured, type PictureKind } from '@glen/core/elsewhere';
import { Button } from '../../ui/Button.js';
import { PickOne } from '../../ui/PickOne.js';
import { ChoicePart } from '../../ui/choices.js';
import { copyAddress, copyWords } from '../link/copy.js';
import { saveFile } from '../link/saveFile.js';
import { nameFor } from './nameFor.js';
import type { Elsewhere } from './useElsewhere.js';

const KINDS: [PictureKind, string][] = [
  ['slide', 'Slide'],
  ['poster', 'Poster'],
  ['banner', 'Banner'],
];

const ABOUT: Record<PictureKind, string> = {
  slide: 'For the first or last slide of a lesson.',
  poster: 'For the wall, on a sheet of paper.',
  banner: 'A picture that is the link itself, where pages take HTML.',
};

const sourceOf = (svg: string): string => `data:image/svg+xml,${encodeURIComponent(svg)}`;

interface DrawnProps {
  kind: PictureKind;
  pictured: Pictured;
}

function Actions({ kind, pictured }: DrawnProps) {
  const save = (): void =>
    saveFile(`${nameFor(pictured.title)}-${kind}.svg`, 'image/svg+xml', picture(kind, pictured));
  return (
    <p className="mt-3 flex flex-wrap gap-3">
      {kind === 'banner' && (
        <>
          <Button
            onClick={() =>
              void copyWords(bannerHtml(pictured), pictured.address, 'The banner is copied.')
            }
          >
            Copy the banner
          </Button>
          <Button onClick={() => void copyAddress(bannerHtml(pictured), 'Its HTML is copied.')}>
            Copy its HTML
          </Button>
        </>
      )}
      <Button onClick={save}>Save as SVG</Button>
      {kind !== 'banner' && (
        <Button onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" />
          Print it, or save as PDF
        </Button>
      )}
    </p>
  );
}

const WIDTHS: Record<PictureKind, string> = {
  slide: 'max-w-xl',
  poster: 'max-w-80',
  banner: 'max-w-xl',
};

/** A slide, a poster or a banner of one link, as it will look. On paper it stands alone. */
export function PicturesPart({ own, link, pictured, go }: Elsewhere) {
  const [kind, setKind] = useState<PictureKind>('slide');
  if (!link || !pictured) return null;
  const source = sourceOf(picture(kind, pictured));
  return (
    <section aria-label="A picture" className="mt-6">
      <div className="print:hidden">
        <h2 className="text-lg">A picture</h2>
        {own.length > 1 && (
          <p className="mb-2 leading-sentence">
            Of{' '}
            <ChoicePart
              label="Link of the picture"
              marked={false}
              value={String(link.id)}
              choices={own.map((one) => ({ value: String(one.id), label: one.label }))}
              onChange={(id) => go({ link: id })}
            />
          </p>
        )}
        <PickOne label="Kind of picture" value={kind} choices={KINDS} onChange={setKind} />
        <p className="mt-1.5 text-soft">{ABOUT[kind]}</p>
      </div>
      <img
        src={source}
        alt={`${KINDS.find(([of]) => of === kind)![1]} of ${pictured.title}`}
        className={`mt-3 w-full rounded-small border border-line ${WIDTHS[kind]} print:m-0 print:max-h-dvh print:max-w-none print:border-0 print:object-contain`}
      />
      <div className="print:hidden">
        <Actions kind={kind} pictured={pictured} />
      </div>
    </section>
  );
}

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
import { fill } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const KINDS: [PictureKind, string][] = [
  ['slide', say.slide],
  ['poster', say.poster],
  ['banner', say.banner],
];

const ABOUT: Record<PictureKind, string> = say.about;

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
              void copyWords(bannerHtml(pictured), pictured.address, say.theBannerIsCopied)
            }
          >
            {say.copyTheBanner}
          </Button>
          <Button onClick={() => void copyAddress(bannerHtml(pictured), say.itsHtmlIsCopied)}>
            {say.copyItsHtml}
          </Button>
        </>
      )}
      <Button onClick={save}>{say.saveAsSvg}</Button>
      {kind !== 'banner' && (
        <Button onClick={() => window.print()}>
          <Printer size={16} aria-hidden="true" />
          {say.printItOrSave}
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
    <section aria-label={say.aPicture} className="mt-6">
      <div className="print:hidden">
        <h2 className="text-lg">{say.aPicture}</h2>
        {own.length > 1 && (
          <p className="mb-2 leading-sentence">
            <Said
              as={say.ofLinkPicture}
              linkPicture={
                <ChoicePart
                  label={say.linkOfThePicture}
                  marked={false}
                  value={String(link.id)}
                  choices={own.map((one) => ({ value: String(one.id), label: one.label }))}
                  onChange={(id) => go({ link: id })}
                />
              }
            />
          </p>
        )}
        <PickOne label={say.kindOfPicture} value={kind} choices={KINDS} onChange={setKind} />
        <p className="mt-1.5 text-soft">{ABOUT[kind]}</p>
      </div>
      <img
        src={source}
        alt={fill(say.findOfPictured, {
          find: KINDS.find(([of]) => of === kind)![1],
          pictured: pictured.title,
        })}
        className={`mt-3 w-full rounded-small border border-line ${WIDTHS[kind]} print:m-0 print:max-h-dvh print:max-w-none print:border-0 print:object-contain`}
      />
      <div className="print:hidden">
        <Actions kind={kind} pictured={pictured} />
      </div>
    </section>
  );
}

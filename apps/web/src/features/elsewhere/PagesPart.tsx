import { strToU8, zipSync } from 'fflate';
import { cartridgeFiles, linksPage, linksPart } from '@glen/core/elsewhere';
import { Button } from '../../ui/Button.js';
import { copyWords } from '../link/copy.js';
import { saveFile } from '../link/saveFile.js';
import { nameFor } from './nameFor.js';
import type { Elsewhere } from './useElsewhere.js';
import { fill, many } from '../../ui/fill.js';
import * as say from './words.js';

type Shelved = Pick<Elsewhere, 'shelf'>;

const countOf = ({ shelf }: Shelved): number =>
  shelf.sections.reduce((sum, section) => sum + section.links.length, 0);

const linksInWords = (count: number): string => many(say.links, count);

/** All links on one page: for a wiki, a handbook, a folder. */
export function PagesPart({ shelf }: Shelved) {
  const count = countOf({ shelf });
  const name = nameFor(shelf.title);
  const isNone = count === 0;
  return (
    <section aria-label={say.aPageOfLinks} className="mt-6">
      <h2 className="text-lg">{say.aPageOfLinks}</h2>
      <p className="text-soft">
        {isNone ? say.noneOfItsLinks : fill(say.byWhatTheyAreFor, { links: linksInWords(count) })}
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <Button
          disabled={isNone}
          onClick={() =>
            void copyWords(linksPart(shelf), linksPage(shelf, 'text'), say.copiedRichAndPlain)
          }
        >
          {say.copyThePage}
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.html`, 'text/html', linksPage(shelf, 'html'))}
        >
          {say.saveAsHtml}
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.md`, 'text/markdown', linksPage(shelf, 'markdown'))}
        >
          {say.saveAsMarkdown}
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.txt`, 'text/plain', linksPage(shelf, 'text'))}
        >
          {say.saveAsPlainText}
        </Button>
      </p>
    </section>
  );
}

/** The files of a cartridge in one, compressed. */
function cartridge(shelf: Elsewhere['shelf']): Blob {
  const files = Object.entries(cartridgeFiles(shelf)).map(([name, text]) => [name, strToU8(text)]);
  const zipped = zipSync(Object.fromEntries(files) as Record<string, Uint8Array>);
  return new Blob([zipped as Uint8Array<ArrayBuffer>], { type: 'application/zip' });
}

/** For course sites that Glen cannot write to. */
export const CartridgePart = ({ shelf }: Shelved) => (
  <section aria-label={say.forACourseSite} className="mt-6">
    <h2 className="text-lg">{say.forACourseSite}</h2>
    <p className="max-w-2xl text-soft">{say.theSameAsACommon}</p>
    <p className="mt-2">
      <Button
        disabled={countOf({ shelf }) === 0}
        onClick={() =>
          saveFile(`${nameFor(shelf.title)}.imscc`, 'application/zip', cartridge(shelf))
        }
      >
        {say.saveTheCartridge}
      </Button>
    </p>
  </section>
);

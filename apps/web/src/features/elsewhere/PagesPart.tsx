import { strToU8, zipSync } from 'fflate';
import { cartridgeFiles, linksPage, linksPart } from '@glen/core/elsewhere';
import { Button } from '../../ui/Button.js';
import { copyWords } from '../link/copy.js';
import { saveFile } from '../link/saveFile.js';
import { nameFor } from './nameFor.js';
import type { Elsewhere } from './useElsewhere.js';

type Shelved = Pick<Elsewhere, 'shelf'>;

const countOf = ({ shelf }: Shelved): number =>
  shelf.sections.reduce((sum, section) => sum + section.links.length, 0);

const linksInWords = (count: number): string => (count === 1 ? 'One link' : `${count} links`);

/** All links on one page: for a wiki, a handbook, a folder. */
export function PagesPart({ shelf }: Shelved) {
  const count = countOf({ shelf });
  const name = nameFor(shelf.title);
  const isNone = count === 0;
  return (
    <section aria-label="A page of links" className="mt-6">
      <h2 className="text-lg">A page of links</h2>
      <p className="text-soft">
        {isNone
          ? 'None of its links is for all of it.'
          : `${linksInWords(count)}, by what they are for.`}
      </p>
      <p className="mt-2 flex flex-wrap gap-3">
        <Button
          disabled={isNone}
          onClick={() =>
            void copyWords(linksPart(shelf), linksPage(shelf, 'text'), 'Copied, rich and plain.')
          }
        >
          Copy it
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.html`, 'text/html', linksPage(shelf, 'html'))}
        >
          Save as HTML
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.md`, 'text/markdown', linksPage(shelf, 'markdown'))}
        >
          Save as Markdown
        </Button>
        <Button
          disabled={isNone}
          onClick={() => saveFile(`${name}.txt`, 'text/plain', linksPage(shelf, 'text'))}
        >
          Save as plain text
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
  <section aria-label="For a course site" className="mt-6">
    <h2 className="text-lg">For a course site</h2>
    <p className="max-w-2xl text-soft">
      The same as a Common Cartridge, which most course sites take in: each part becomes a section,
      each link an item of it. What is taken in does not follow when a link is replaced.
    </p>
    <p className="mt-2">
      <Button
        disabled={countOf({ shelf }) === 0}
        onClick={() =>
          saveFile(`${nameFor(shelf.title)}.imscc`, 'application/zip', cartridge(shelf))
        }
      >
        Save the cartridge
      </Button>
    </p>
  </section>
);

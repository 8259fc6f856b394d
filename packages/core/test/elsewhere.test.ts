import { Parser } from 'commonmark';
import fc from 'fast-check';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import QRCode from 'qrcode';
import { describe, expect, it } from 'vitest';
import {
  PICTURES,
  bannerHtml,
  cartridgeFiles,
  linesOf,
  linksPage,
  picture,
  shelfOf,
  type Pictured,
  type Shelf,
} from '../src/elsewhere.js';

const ADDRESS = 'https://glen.merrow.example/door/heron-7k3m9qvd2xt';
const link = (label: string, more: object = {}) => ({
  label,
  purpose: '',
  address: ADDRESS,
  state: 'live' as const,
  main: false,
  isForAll: true,
  ...more,
});
const about = { title: 'Coastal Navigation, period 3', school: 'Merrow Sound' };
const shelf: Shelf = shelfOf(
  about,
  [link('Lessons', { main: true }), link('Tides & streams', { purpose: 'Help <hour>' })],
  { withOthers: false },
);

/** Whatever people may call their links. */
const typed = fc.string({ unit: 'binary', maxLength: 40 });
const anyShelf = fc.record({
  title: typed,
  school: typed,
  sections: fc.array(
    fc.record({
      title: typed,
      links: fc.array(fc.record({ title: typed, address: fc.constant(ADDRESS) }), {
        minLength: 1,
        maxLength: 3,
      }),
    }),
    { maxLength: 3 },
  ),
});

describe('the links of a class period, to be taken along', () => {
  it('stand by what they are for, those that work', () => {
    expect(shelf.sections).toEqual([
      { title: 'Sessions', links: [{ title: about.title, address: ADDRESS }] },
      { title: 'Help <hour>', links: [{ title: 'Tides & streams', address: ADDRESS }] },
    ]);
    expect(
      shelfOf(about, [link('Old', { state: 'retired' })], { withOthers: true }).sections,
    ).toEqual([]);
  });
  it('hold what is for some alone only where that is wished', () => {
    const port = link('Port watch', { isForAll: false });
    expect(shelfOf(about, [port], { withOthers: false }).sections).toEqual([]);
    expect(shelfOf(about, [port], { withOthers: true }).sections).toHaveLength(1);
  });
});

describe('a page of links', () => {
  it('has words that are the link, or in plain text the address written out', () => {
    expect(linksPage(shelf, 'html')).toContain(
      `<a href="${ADDRESS}" target="_blank" rel="noopener noreferrer">Tides &amp; streams</a>`,
    );
    expect(linksPage(shelf, 'text')).toContain(`Help <hour>\n- Tides & streams:\n  ${ADDRESS}`);
  });
  it('is read back by CommonMark as the same links, whatever they are called (outside check: commonmark)', () => {
    fc.assert(
      fc.property(anyShelf, (any) => {
        const walker = new Parser().parse(linksPage(any, 'markdown')).walker();
        const found: string[] = [];
        for (let step = walker.next(); step; step = walker.next())
          if (step.entering && step.node.type === 'link') found.push(step.node.destination!);
        const wanted = any.sections.flatMap((section) => section.links);
        expect(found).toEqual(wanted.map((one) => one.address));
      }),
    );
  });
  it('lets nothing that people typed be markup', () => {
    fc.assert(
      fc.property(anyShelf, (any) => {
        const links = any.sections.flatMap((section) => section.links).length;
        const html = linksPage(any, 'html');
        expect(html.split('<a href=').length - 1).toBe(links);
        expect(html.split('<script').length - 1).toBe(0);
        expect(html.split('<h2>').length - 1).toBe(any.sections.length);
      }),
    );
  });
});

interface Item {
  identifier: string;
  identifierref?: string;
  title?: string;
  item?: Item[];
}
interface Manifest {
  manifest: {
    xmlns: string;
    metadata: { schema: string; schemaversion: string };
    organizations: { organization: { structure: string; item: Item[] }[] };
    resources: {
      resource?: { identifier: string; type: string; file: { href: string }[] }[];
    };
  };
}

const reader = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  parseTagValue: false,
  isArray: (name) => ['item', 'resource', 'file', 'organization'].includes(name),
});

// Common Cartridge 1.3: its rules for the manifest and for web links, element by element, from memory.
describe('a Common Cartridge', () => {
  it('names its schema and version, and has one rooted outline whose items lead to resources', () => {
    const files = cartridgeFiles(shelf);
    const { manifest } = reader.parse(files['imsmanifest.xml']!) as Manifest;
    expect(manifest.xmlns).toBe('http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1');
    expect(manifest.metadata).toMatchObject({
      schema: 'IMS Common Cartridge',
      schemaversion: '1.3.0',
    });
    const [outline, ...more] = manifest.organizations.organization;
    expect(more).toEqual([]);
    expect(outline!.structure).toBe('rooted-hierarchy');
    // The root item has neither a title nor a resource of its own.
    const [root, ...others] = outline!.item;
    expect(others).toEqual([]);
    expect([root!.title, root!.identifierref]).toEqual([undefined, undefined]);
    expect(root!.item!.map((section) => section.title)).toEqual(['Sessions', 'Help <hour>']);
  });
  it('is well formed, with identifiers of its own and a file for each resource, whatever links are called', () => {
    fc.assert(
      fc.property(anyShelf, (any) => {
        const files = cartridgeFiles(any);
        for (const text of Object.values(files)) expect(XMLValidator.validate(text)).toBe(true);
        const { manifest } = reader.parse(files['imsmanifest.xml']!) as Manifest;
        const resources = manifest.resources.resource ?? [];
        const items = (manifest.organizations.organization[0]!.item[0]!.item ?? []).flatMap(
          (section) => section.item ?? [],
        );
        const links = any.sections.flatMap((section) => section.links);
        expect(resources).toHaveLength(links.length);
        expect(items.map((item) => item.identifierref)).toEqual(
          resources.map((resource) => resource.identifier),
        );
        expect(new Set(resources.map((resource) => resource.identifier)).size).toBe(links.length);
        for (const { type, file } of resources) {
          expect(type).toBe('imswl_xmlv1p3');
          expect(file).toHaveLength(1);
          const web = reader.parse(files[file[0]!.href]!) as {
            webLink: { xmlns: string; title: string; url: { href: string } };
          };
          expect(web.webLink.xmlns).toBe('http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3');
          expect(web.webLink.url.href).toBe(ADDRESS);
        }
      }),
    );
  });
});

const code = QRCode.create(ADDRESS, { errorCorrectionLevel: 'M' }).modules;
const qr = {
  side: code.size,
  isDark: (row: number, column: number) => code.get(row, column) === 1,
};
const pictured = (more: Partial<Pictured> = {}): Pictured => ({
  ...about,
  address: ADDRESS,
  qr,
  ...more,
});

/** The squares that a path of runs makes dark. */
function darkIn(svg: string): Set<string> {
  const [, path] = /<path fill="#000" d="([^"]*)"/.exec(svg)!;
  const dark = new Set<string>();
  for (const [, x, y, run] of path!.matchAll(/M(\d+) (\d+)h(\d+)v1h-\d+z/g))
    for (let i = 0; i < Number(run); i++) dark.add(`${Number(y) - 4} ${Number(x) + i - 4}`);
  return dark;
}

describe('pictures', () => {
  it.each(['slide', 'poster'] as const)(
    'a %s shows every square of the code, and the address',
    (kind) => {
      const svg = picture(kind, pictured());
      const dark = darkIn(svg);
      for (let row = 0; row < qr.side; row++)
        for (let column = 0; column < qr.side; column++)
          expect(dark.has(`${row} ${column}`)).toBe(qr.isDark(row, column));
      expect(svg).toContain(ADDRESS);
    },
  );
  it('are well formed and bear no markup of others', () => {
    fc.assert(
      fc.property(typed, fc.constantFrom(...PICTURES), (title, kind) => {
        const svg = picture(kind, pictured({ title, school: title }));
        expect(XMLValidator.validate(svg)).toBe(true);
        expect(svg).not.toMatch(/<(script|foreignObject|image|a)\b/);
      }),
    );
  });
  it('hold long titles on so many lines', () => {
    expect(linesOf('one two three four', 9, 2)).toEqual(['one two', 'three…']);
    expect(linesOf('short', 9, 2)).toEqual(['short']);
    fc.assert(
      fc.property(typed, (text) => {
        const lines = linesOf(text, 12, 3);
        expect(lines.length).toBeLessThanOrEqual(3);
        for (const line of lines) expect(line.length).toBeLessThanOrEqual(12);
      }),
    );
  });
  it('a banner is the link', () => {
    const html = bannerHtml(pictured({ title: 'Knots & "bends"' }));
    expect(html).toMatch(new RegExp(`^<a href="${ADDRESS}" .*><img src="data:image/svg\\+xml,`));
    expect(html).toContain('alt="Knots &amp; &quot;bends&quot;: join"');
  });
});

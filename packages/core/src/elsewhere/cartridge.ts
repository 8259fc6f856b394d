import { escapeHtml, tidy } from '../post/blocks.js';
import type { Shelf, ShelfLink } from './shelf.js';

// Common Cartridge 1.3 (1EdTech, 2013), "thin" as far as it goes: web links in an outline of sections. Names and places of
// elements are from memory of the specification.

const MANIFEST = 'http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1';
const METADATA = 'http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest';
const WEB_LINK = 'http://www.imsglobal.org/xsd/imsccv1p3/imswl_v1p3';
const PROFILE = 'http://www.imsglobal.org/profile/cc/ccv1p3';
const INSTANCE = 'http://www.w3.org/2001/XMLSchema-instance';

/** XML 1.0 (§2.2) knows no control characters, and no halves of letters. */
const xml = (text: string): string =>
  escapeHtml(
    tidy(text)
      .replace(/\s+/g, ' ')
      .replace(/\p{Cs}|[\ufffe\uffff]/gu, ''),
  );

interface Numbered extends ShelfLink {
  id: string;
}

/** Sections with links that each have an identifier, unique in the manifest (an XML name). */
const numbered = ({ sections }: Shelf) =>
  sections.map((section, i) => ({
    title: section.title,
    id: `section-${i + 1}`,
    links: section.links.map((link, k): Numbered => ({ ...link, id: `link-${i + 1}-${k + 1}` })),
  }));

type Section = ReturnType<typeof numbered>[number];

const itemOf = ({ id, title }: Numbered): string =>
  `          <item identifier="item-${id}" identifierref="${id}"><title>${xml(title)}</title></item>`;

const sectionOf = ({ id, title, links }: Section): string =>
  `        <item identifier="${id}">
          <title>${xml(title)}</title>
${links.map(itemOf).join('\n')}
        </item>`;

const resourceOf = ({ id }: Numbered): string =>
  `    <resource identifier="${id}" type="imswl_xmlv1p3"><file href="${id}.xml"/></resource>`;

const manifestOf = (shelf: Shelf, sections: Section[]): string =>
  `<?xml version="1.0" encoding="UTF-8"?>
<manifest identifier="links" xmlns="${MANIFEST}" xmlns:lomimscc="${METADATA}" xmlns:xsi="${INSTANCE}" xsi:schemaLocation="${MANIFEST} ${PROFILE}/ccv1p3_imscp_v1p2_v1p0.xsd ${METADATA} ${PROFILE}/LOM/ccv1p3_lommanifest_v1p0.xsd">
  <metadata>
    <schema>IMS Common Cartridge</schema>
    <schemaversion>1.3.0</schemaversion>
    <lomimscc:lom>
      <lomimscc:general>
        <lomimscc:title><lomimscc:string language="en">${xml(`${shelf.title}, ${shelf.school}`)}</lomimscc:string></lomimscc:title>
      </lomimscc:general>
    </lomimscc:lom>
  </metadata>
  <organizations>
    <organization identifier="outline" structure="rooted-hierarchy">
      <item identifier="root">
${sections.map(sectionOf).join('\n')}
      </item>
    </organization>
  </organizations>
  <resources>
${sections.flatMap((section) => section.links.map(resourceOf)).join('\n')}
  </resources>
</manifest>
`;

const webLinkOf = ({ title, address }: ShelfLink): string =>
  `<?xml version="1.0" encoding="UTF-8"?>
<webLink xmlns="${WEB_LINK}" xmlns:xsi="${INSTANCE}" xsi:schemaLocation="${WEB_LINK} ${PROFILE}/ccv1p3_imswl_v1p3.xsd">
  <title>${xml(title)}</title>
  <url href="${xml(address)}" target="_blank"/>
</webLink>
`;

/** The files of a cartridge by their names, to be zipped as they are; the manifest stands at the root. */
export function cartridgeFiles(shelf: Shelf): Record<string, string> {
  const sections = numbered(shelf);
  const links = sections.flatMap((section) => section.links);
  return {
    'imsmanifest.xml': manifestOf(shelf, sections),
    ...Object.fromEntries(links.map((link) => [`${link.id}.xml`, webLinkOf(link)])),
  };
}

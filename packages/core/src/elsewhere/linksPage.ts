import { escapeHtml, escapeMarkdown, tidy, type Medium } from '../post/blocks.js';
import type { Shelf, ShelfLink } from './shelf.js';

const STYLE = `:root{color-scheme:light dark}
body{max-width:40rem;margin:2rem auto;padding:0 1rem;font:1.05rem/1.5 system-ui,sans-serif}
li{margin:.4rem 0}
a{font-weight:600}
small{display:block;opacity:.75;overflow-wrap:anywhere}`;

const line = (text: string): string => tidy(text).replace(/\s+/g, ' ');

const htmlLink = ({ title, address }: ShelfLink): string =>
  `<li><a href="${escapeHtml(address)}" target="_blank" rel="noopener noreferrer">${escapeHtml(line(title))}</a><small>${escapeHtml(address)}</small></li>`;

const htmlSection = ({ title, links }: Shelf['sections'][number]): string =>
  `<h2>${escapeHtml(line(title))}</h2>\n<ul>\n${links.map(htmlLink).join('\n')}\n</ul>`;

/** The same as a part of another page, with no style of its own. */
export const linksPart = ({ title, school, sections }: Shelf): string =>
  `<h1>${escapeHtml(line(title))}</h1>
<p>${escapeHtml(line(school))}</p>
${sections.map(htmlSection).join('\n')}`;

const htmlPage = (shelf: Shelf): string =>
  `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escapeHtml(line(shelf.title))}</title>
<style>
${STYLE}
</style>
</head>
<body>
${linksPart(shelf)}
</body>
</html>
`;

const markdownPage = ({ title, school, sections }: Shelf): string =>
  [
    `# ${escapeMarkdown(line(title))}`,
    escapeMarkdown(line(school)),
    ...sections.map(
      (section) =>
        `## ${escapeMarkdown(line(section.title))}\n\n${section.links
          .map((link) => `- [${escapeMarkdown(line(link.title))}](<${link.address}>)`)
          .join('\n')}`,
    ),
  ].join('\n\n') + '\n';

const textPage = ({ title, school, sections }: Shelf): string =>
  [
    line(title),
    line(school),
    ...sections.map(
      (section) =>
        `${line(section.title)}\n${section.links
          .map((link) => `- ${line(link.title)}:\n  ${link.address}`)
          .join('\n')}`,
    ),
  ].join('\n\n') + '\n';

const PAGES: Record<Medium, (shelf: Shelf) => string> = {
  html: htmlPage,
  markdown: markdownPage,
  text: textPage,
};

/** All links of a class period on one page: a whole HTML document, CommonMark, or plain text with the addresses written out. */
export const linksPage = (shelf: Shelf, medium: Medium): string => PAGES[medium](shelf);

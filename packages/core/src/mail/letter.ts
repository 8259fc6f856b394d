import { renderBlocks, tidy, type Block } from '../post/blocks.js';

/** What a letter says, before it is made into plain text and HTML. */
export interface LetterText {
  subject: string;
  /** One after another; several lines in one place are a list. */
  says: (string | string[])[];
  /** Where it leads: in HTML the words are the link, in plain text the address is written out. */
  link: { words: string; address: string } | null;
  /** Why whoever gets it does, in a sentence. */
  why: string;
  /** Where they say that they want no more of these; none of letters that were asked for. */
  stop: string | null;
}

/** Longer subjects are cut by most programs (common practice: at about seventy signs), and by us at this many. */
const LONGEST_SUBJECT = 150;

/** Text for one line of a letter's head: line ends and control characters in names and titles make no header of their own (RFC 5322 §2.2). */
export const headerText = (text: string): string => {
  const line = tidy(text).replace(/\s+/g, ' ');
  return [...line].slice(0, LONGEST_SUBJECT).join('');
};

const paragraph = (text: string): Block => ({ kind: 'paragraph', spans: [{ text }] });

const blockOf = (said: string | string[]): Block =>
  typeof said === 'string'
    ? paragraph(said)
    : { kind: 'list', ordered: false, items: said.map((text) => [{ text }]) };

function blocksOf({ says, link }: LetterText): Block[] {
  const blocks = says.map(blockOf);
  return link ? [...blocks, { kind: 'link', words: headerText(link.words) }] : blocks;
}

/** What stands below: why it was sent, and how to get no more. */
function footOf({ why, stop }: Pick<LetterText, 'why' | 'stop'>): Block[] {
  if (stop === null) return [paragraph(why)];
  const noMore = { text: 'No more of these letters', href: stop };
  return [paragraph(why), { kind: 'paragraph', spans: [noMore] }];
}

/** Follows the reader's own light or dark; nothing is fetched. */
const STYLE = `:root{color-scheme:light dark}
body{margin:0;padding:24px 16px;font:16px/1.5 system-ui,-apple-system,'Segoe UI',sans-serif;background:#f7f3ea;color:#1d2b2a}
main,footer{max-width:36rem;margin:0 auto}
a{color:#8a3a12}
footer{margin-top:28px;padding-top:12px;border-top:1px solid #c9bfa8;font-size:14px;color:#55605d}
@media (prefers-color-scheme:dark){body{background:#16201f;color:#ece6d8}a{color:#f0a077}footer{border-color:#3d4a48;color:#a9b4b0}}`;

const titleText = (subject: string): string =>
  subject.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

const page = (subject: string, main: string, foot: string): string =>
  `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<title>${titleText(subject)}</title>
<style>
${STYLE}
</style>
</head>
<body>
<main>
${main}
</main>
<footer>
${foot}
</footer>
</body>
</html>
`;

/** A letter whose words are made already, in both forms. */
export interface ReadyLetter extends Pick<LetterText, 'subject' | 'why' | 'stop'> {
  text: string;
  /** Safe to show. */
  html: string;
}

const RULE = '\n\n---\n\n';

/** A letter whose words are made already, with what stands above and below. */
export function wrapLetter(letter: ReadyLetter): { subject: string; text: string; html: string } {
  const subject = headerText(letter.subject);
  const foot = footOf(letter);
  // Each link of the foot has an address of its own.
  const footIn = (medium: 'text' | 'html') => renderBlocks(foot, 'https://invalid.invalid', medium);
  return {
    subject,
    text: `${letter.text}${RULE}${footIn('text')}\n`,
    html: page(subject, letter.html, footIn('html')),
  };
}

/**
 * A letter as plain text and as HTML. `site`: the full address of this Glen, where a letter leads nowhere in particular.
 * Whatever people typed stays text in both. Throws GlenInputError for an address that is none.
 */
export function renderLetter(
  letter: LetterText,
  site: string,
): { subject: string; text: string; html: string } {
  const address = letter.link?.address ?? site;
  const main = blocksOf(letter);
  return wrapLetter({
    ...letter,
    text: renderBlocks(main, address, 'text'),
    html: renderBlocks(main, address, 'html'),
  });
}

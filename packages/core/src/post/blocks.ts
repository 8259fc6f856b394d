import { fail } from '../input.js';

export type Medium = 'html' | 'text' | 'markdown';

/** A piece of what is sent: a paragraph, or the words that bear the link. */
export type Block = { kind: 'paragraph'; text: string } | { kind: 'link'; words: string };

const escapeHtml = (text: string): string =>
  text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;').replace(/'/g, '&#39;');

/** CommonMark: any ASCII punctuation may be escaped by a backslash. */
const escapeMarkdown = (text: string): string => text.replace(/[\\`*_{}[\]()#+\-.!<>|~&]/g, (c) => `\\${c}`);

const CONTROLS = /(?![\n\t])\p{Cc}|[\u202a-\u202e\u2066-\u2069]/gu;

/** Line ends made one kind; control and direction-changing characters, which can only mislead, dropped. */
export const tidy = (text: string): string => text.replace(/\r\n?/g, '\n').replace(CONTROLS, '').trim();

export function checkAddress(address: string): string {
  let url: URL;
  try {
    url = new URL(address);
  } catch {
    fail('values.address', 'Give the full address of the link.');
  }
  if (url.protocol !== 'https:' && url.protocol !== 'http:') fail('values.address', 'A link begins with https:// or http://.');
  return url.href;
}

function markdownOf(block: Block, address: string): string {
  if (block.kind === 'paragraph') return block.text.split('\n').map(escapeMarkdown).join('  \n');
  const target = address.replace(/[()<>\\]/g, (c) => encodeURIComponent(c).replace('(', '%28').replace(')', '%29'));
  return `[${escapeMarkdown(block.words)}](${target})`;
}

function htmlOf(block: Block, address: string): string {
  if (block.kind === 'paragraph') return `<p>${escapeHtml(block.text).replace(/\n/g, '<br>')}</p>`;
  return `<p><a href="${escapeHtml(address)}" target="_blank" rel="noopener noreferrer">${escapeHtml(block.words)}</a></p>`;
}

/**
 * Blocks in one medium. In `html` and `markdown` the link words are the link (html: opening in a new tab);
 * `text` spells the address out. Whatever people typed stays text. Throws GlenInputError at `values.address`.
 */
export function renderBlocks(blocks: Block[], rawAddress: string, medium: Medium): string {
  const address = checkAddress(rawAddress);
  const filled = blocks.filter((b) => b.kind === 'link' || b.text !== '').map((b): Block => (b.kind === 'link' && b.words === '' ? { ...b, words: address } : b));
  if (medium === 'html') return filled.map((b) => htmlOf(b, address)).join('\n');
  if (medium === 'markdown') return filled.map((b) => markdownOf(b, address)).join('\n\n');
  return filled.map((b) => (b.kind === 'paragraph' ? b.text : b.words === address ? address : `${b.words}:\n${address}`)).join('\n\n');
}

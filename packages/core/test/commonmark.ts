import { Parser, type Node } from 'commonmark';

// The reference implementation of CommonMark 0.31: an outside check of what we write.

function nodesOf(markdown: string): Node[] {
  const walker = new Parser().parse(markdown).walker();
  const nodes: Node[] = [];
  for (let step = walker.next(); step; step = walker.next())
    if (step.entering) nodes.push(step.node);
  return nodes;
}

/** What a reader sees: a line for each paragraph, and for each break in one. */
export const readAsMarkdown = (markdown: string): string =>
  nodesOf(markdown)
    .map(({ type, literal }) => {
      if (type === 'text' || type === 'code' || type === 'html_inline') return literal ?? '';
      return type === 'softbreak' || type === 'linebreak' || type === 'paragraph' ? '\n' : '';
    })
    .join('')
    .trim();

/** The kinds of marks that are read in it. */
export const kindsIn = (markdown: string): string[] => [
  ...new Set(nodesOf(markdown).map((node) => node.type)),
];

/** Markup, pictures, code, headings and links to anywhere but the web: none of it is ours. */
export const strangeIn = (markdown: string): string[] =>
  nodesOf(markdown).flatMap((node) => {
    const { type } = node;
    if (type === 'link')
      return /^https?:\/\//.test(node.destination ?? '') ? [] : [`link ${node.destination}`];
    return /html|image|code|heading|quote|thematic/.test(type) ? [type] : [];
  });

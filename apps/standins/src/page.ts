/** Text for HTML; everything people typed goes through here. */
export const escape = (text: string): string =>
  text
    .replace(/&/g, '&amp;')
    .replace(/</g, '&lt;')
    .replace(/>/g, '&gt;')
    .replace(/"/g, '&quot;')
    .replace(/'/g, '&#39;');

/** A whole page with one style sheet and, where asked, one script of our own. */
export const page = ({
  title,
  style,
  body,
  script,
}: {
  title: string;
  style: string;
  body: string;
  script?: string;
}): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escape(title)}</title><link rel="stylesheet" href="/${style}"><link rel="icon" href="data:,">${script ? `<script type="module" src="/${script}"></script>` : ''}</head>
<body>${body}</body></html>`;

import { EditorContent, useEditor } from '@tiptap/react';
import { StarterKit } from '@tiptap/starter-kit';
import type { RichText } from '@glen/core';
import { RichTools } from './RichTools.js';
import { editorDoc, richOfDoc } from './richDoc.js';

const EXTENSIONS = [
  StarterKit.configure({
    heading: false,
    blockquote: false,
    code: false,
    codeBlock: false,
    horizontalRule: false,
    strike: false,
    underline: false,
    trailingNode: false,
    link: {
      openOnClick: false,
      autolink: true,
      protocols: ['http', 'https'],
      defaultProtocol: 'https',
      isAllowedUri: (url) => /^https?:\/\//i.test(url),
    },
  }),
];

/** Words with bold, lists and links; what was there at first is read once. */
export function RichEditor({
  label,
  start,
  onChange,
  error,
}: {
  label: string;
  start: RichText;
  onChange: (rich: RichText) => void;
  error?: string | undefined;
}) {
  const editor = useEditor({
    extensions: EXTENSIONS,
    content: editorDoc(start),
    injectCSS: false,
    shouldRerenderOnTransaction: false,
    editorProps: {
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': label,
        class:
          'min-h-32 max-h-96 overflow-auto px-3.5 py-2.5 outline-offset-[-2px] break-words whitespace-pre-wrap [&_p]:[unicode-bidi:plaintext] [&_p+p]:mt-2 [&_ul]:list-disc [&_ol]:list-decimal [&_ul]:pl-6 [&_ol]:pl-6 [&_a]:text-loch-deep [&_a]:underline',
      },
      // Tab goes on to the next control, in lists too.
      handleDOMEvents: { keydown: (_view, event) => event.key === 'Tab' },
    },
    onUpdate: ({ editor: e }) => onChange(richOfDoc(e.getJSON())),
  });
  return (
    <div>
      <p aria-hidden="true" className="mb-1 text-sm font-semibold">
        {label}
      </p>
      <div className={`rounded-small border bg-sheet ${error ? 'border-berry' : 'border-edge'}`}>
        <RichTools editor={editor} />
        <EditorContent editor={editor} />
      </div>
      {error && (
        <p role="alert" className="mt-1 text-sm font-semibold text-berry-deep">
          {error}
        </p>
      )}
    </div>
  );
}

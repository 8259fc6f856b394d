/**
 * Words with their marks: paragraphs, lists, links. What is given is either made by the core's renderers, which escape
 * everything that people typed, or cleaned by the server to nothing but such marks.
 */
export const RichWords = ({ html, className = '' }: { html: string; className?: string }) => (
  <div
    className={`break-words [&_a]:text-loch-deep [&_a]:underline [&_ol]:list-decimal [&_ol]:pl-6 [&_p]:[unicode-bidi:plaintext] [&_p+p]:mt-2 [&_ul]:list-disc [&_ul]:pl-6 ${className}`}
    dangerouslySetInnerHTML={{ __html: html }}
  />
);

/** Hands a file to the browser's downloads. */
export function saveFile(name: string, type: string, content: string | Blob): void {
  const address = URL.createObjectURL(
    typeof content === 'string' ? new Blob([content], { type }) : content,
  );
  const anchor = Object.assign(document.createElement('a'), { href: address, download: name });
  anchor.click();
  // The browser reads it after the click; only then may it go.
  setTimeout(() => URL.revokeObjectURL(address), 60000);
}

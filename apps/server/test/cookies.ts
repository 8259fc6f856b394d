/** A cookie's name and value from a Set-Cookie header; one that is over has no value. */
export function parseSetCookie(header: string): { name: string; value: string } {
  const [pair = '', ...attributes] = header.split(/;\s*/);
  const at = pair.indexOf('=');
  const isOver = attributes.some((attribute) => {
    const [name = '', value = ''] = attribute.split('=');
    return name.toLowerCase() === 'expires' && Date.parse(value) < Date.now();
  });
  return { name: pair.slice(0, at), value: isOver ? '' : pair.slice(at + 1) };
}

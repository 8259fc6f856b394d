/** Digits and dots alone, or with colons: an address by number (RFC 3986, 3.2.2). */
const BY_NUMBER = /^[\d.]+$|:|^\[/;

/**
 * The name that passkeys are bound to, from the address that people type; null where there can be none: they need a
 * domain, not an address by number, and a connection that nobody reads along (Web Authentication level 2, 5.1.3 and 13.4.9;
 * `localhost` counts as one).
 */
export function passkeyHost(publicUrl: string): string | null {
  const url = /^(https?):\/\/(\[[^\]]*\]|[^/:?#]+)/i.exec(publicUrl);
  if (!url) return null;
  const host = url[2]!.toLowerCase();
  if (BY_NUMBER.test(host)) return null;
  const isSafe = url[1]!.toLowerCase() === 'https' || host === 'localhost';
  return isSafe ? host : null;
}

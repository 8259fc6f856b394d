import ipaddr from 'ipaddr.js';

/** Where a request comes from. */
export interface From {
  /** The network address. */
  address: string;
  /** What the browser calls itself. */
  userAgent: string | undefined;
  /** The token by which this browser is known again, also after signing out. */
  known: string | undefined;
  /** Has the browser be known by a token from now on. */
  remember: (token: string) => void;
}

/** Nobody's browser: a start, a test, another program. */
export const FROM_NOWHERE: From = {
  address: '',
  userAgent: undefined,
  known: undefined,
  remember: () => {},
};

/** Of an IPv6 address these many bits name a household's or a school's network; the rest its machines choose (RFC 6177). */
const NETWORK_BITS = 64;

/**
 * The network that an address belongs to, for counting: an IPv4 address itself, of an IPv6 address its first 64 bits.
 * What is no address stands for itself.
 */
export function networkOf(address: string): string {
  if (!ipaddr.isValid(address)) return address;
  // IPv4 as IPv6 sockets show it comes out as IPv4.
  const read = ipaddr.process(address);
  if (read.kind() === 'ipv4') return read.toString();
  const bytes = read.toByteArray().map((byte, i) => (i * 8 < NETWORK_BITS ? byte : 0));
  return `${ipaddr.fromByteArray(bytes).toString()}/${NETWORK_BITS}`;
}

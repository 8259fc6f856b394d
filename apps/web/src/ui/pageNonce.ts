import { setNonce } from 'get-nonce';

/**
 * The nonce this page came with (Content Security Policy, level 3): a style
 * element that a library writes is taken only with it. Nothing where the page
 * is served as it is written.
 */
export const pageNonce =
  document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce || undefined;

// What keeps the page still under a sheet asks there.
if (pageNonce) setNonce(pageNonce);

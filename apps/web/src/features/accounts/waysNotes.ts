import type { Note } from '@glen/core';
import type { SignInWays } from './useSignInWays.js';

/** What whoever runs a provider has to know of Glen; without one, how one is set up. */
export function waysNotes({ providers }: SignInWays): Note[] {
  if (providers.length === 0)
    return [
      {
        severity: 'inform',
        title: 'Passwords are the only way in',
        text: 'Whoever runs Glen can set up a provider of accounts that speaks OpenID Connect (docs/running.md, GLEN_SIGN_ON); it stands here then.',
      },
    ];
  const { origin } = window.location;
  return providers.map(({ id, name }) => ({
    severity: 'inform',
    title: `${name} has to know Glen’s addresses`,
    text: `Comes back to ${origin}/sign-on/${id}/back, is told of sign-outs at ${origin}/api/sign-on/${id}/signed-out.`,
  }));
}

import type { Note } from '@glen/core';
import type { SignInWays } from './useSignInWays.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

/** What whoever runs a provider has to know of Glen; without one, how one is set up. */
export function waysNotes({ providers }: SignInWays): Note[] {
  if (providers.length === 0)
    return [
      {
        severity: 'inform',
        title: say.passwordsAreTheOnlyWay,
        text: say.whoeverRunsGlenCanSet,
      },
    ];
  const { origin } = window.location;
  return providers.map(({ id, name }) => ({
    severity: 'inform',
    title: fill(say.hasToKnowGlensAddresses, { name }),
    text: fill(say.comesBackTo, {
      back: `${origin}/sign-on/${id}/back`,
      out: `${origin}/api/sign-on/${id}/signed-out`,
    }),
  }));
}

import type { ShutWays, Signers, WayIn } from '@glen/core';
import type { Answer, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { useKeptForm } from '../../app/useKeptForm.js';

export type SignInWays = Answer<'signInWays'>;
export type ClaimRule = SignInWays['rules'][number];
type Fields = Omit<Sent<'setSignInWays'>, 'version'>;

const fieldsOf = ({ shut, rules, asksPasskey }: SignInWays): Fields => ({
  shut,
  rules,
  asksPasskey,
});

const schema = async () =>
  (await import('@glen/contract/forms')).signInWaysBody.omit({ version: true });

/** How people sign in, while the office edits it. */
export function useSignInWays(kept: SignInWays) {
  const { data: me } = api.useMeQuery();
  const [save] = api.useSetSignInWaysMutation();
  const form = useKeptForm<SignInWays, Fields, Fields>({
    kept,
    keepAs: 'sign-in-ways',
    fieldsOf,
    schema,
    save: (sent, version) => save({ body: { ...sent, version } }),
  });
  const shut = form.watch('shut') as Required<ShutWays>;
  const rules = form.watch('rules') as ClaimRule[];
  return {
    ...form,
    shut,
    rules,
    /** There can be passkeys at this address of Glen. */
    hasPasskeys: me?.ways.passkeys !== 'no-domain',
    /** Opens or shuts a way to some. */
    turn: (who: Signers, way: WayIn): void => {
      const isShut = shut[who].includes(way);
      const next = isShut ? shut[who].filter((one) => one !== way) : [...shut[who], way];
      form.change({ shut: { ...shut, [who]: next } as Fields['shut'] });
    },
    setRules: (next: ClaimRule[]): void => form.change({ rules: next }),
  };
}

export type WaysEditing = ReturnType<typeof useSignInWays>;

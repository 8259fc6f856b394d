import type { SignOnOf } from '@glen/contract';
import type { Glen } from '../../glen.js';

/** Where each of some accounts signs on, by the accounts' numbers; the first bound first. */
export async function signOnsOf(
  { db, signOn }: Pick<Glen, 'db' | 'signOn'>,
  accountIds: number[],
): Promise<(accountId: number) => SignOnOf[]> {
  const rows = await db.models.SignOn.findAll({
    where: { account_id: accountIds },
    order: [['id', 'ASC']],
  });
  return (accountId) =>
    rows
      .filter((row) => row.account_id === accountId)
      .map(({ id, provider, begun_at: since, used_at: usedAt }) => ({
        id,
        name: signOn.get(provider)?.name ?? provider,
        since,
        usedAt,
      }));
}

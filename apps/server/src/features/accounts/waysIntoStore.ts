import type { Db } from '../../db/connect.js';

/** How people come in to an account, counted. */
interface WaysInto {
  accountId: number;
  password: number;
  signOns: number;
  passkeys: number;
}

/** The ways in that each of some accounts has. */
export async function waysInto(db: Db, accountIds: number[]): Promise<WaysInto[]> {
  const { Account, Passkey, SignOn } = db.models;
  const accounts = await Account.findAll({ where: { id: accountIds } });
  const [passkeys, signOns] = await Promise.all(
    [Passkey, SignOn].map((model) =>
      (model as typeof Passkey).findAll({
        attributes: ['account_id'],
        where: { account_id: accountIds },
      }),
    ),
  );
  const of = (rows: { account_id: number }[] | undefined, id: number): number =>
    (rows ?? []).filter((row) => row.account_id === id).length;
  return accounts.map(({ id, password_hash: hash }) => ({
    accountId: id,
    password: hash === null ? 0 : 1,
    signOns: of(signOns, id),
    passkeys: of(passkeys, id),
  }));
}

/** How many ways in to one account there are in all. */
export async function countWaysInto(db: Db, accountId: number): Promise<number> {
  const [ways] = await waysInto(db, [accountId]);
  return ways ? ways.password + ways.signOns + ways.passkeys : 0;
}

import { Op, col, fn, where, type Model, type ModelStatic } from 'sequelize';
import type { Db } from './connect.js';
import type { Tokens } from '../tokens.js';

const ONLY_ROW = 1;
/** So many rows at once are given a keyed hash in the place of a plain one. */
const AT_ONCE = 500;
/** Characters of a plain SHA-256 in hex. */
const UNKEYED_LENGTH = 64;

type Use = Parameters<Tokens['keyed']>[0];
interface Keeping {
  id: number;
  token_hash: string;
}

/** Everything that keeps a token, and what for. */
const kept = ({ models }: Db) =>
  [
    [models.BrowserSession, 'session'],
    [models.PasswordAddress, 'one-time'],
    [models.Feed, 'feed'],
  ] as unknown as [ModelStatic<Model<Keeping> & Keeping>, Use][];

/** Hashes that were kept before there was a secret are keyed with it, so that nobody is signed out by an upgrade. */
async function keyPlainOnes(db: Db, tokens: Tokens): Promise<void> {
  for (const [model, use] of kept(db))
    for (;;) {
      const rows = await model.findAll({
        attributes: ['id', 'token_hash'],
        where: where(fn('CHAR_LENGTH', col('token_hash')), Op.eq, UNKEYED_LENGTH),
        limit: AT_ONCE,
      });
      for (const { id, token_hash: plain } of rows)
        await model.update(
          { token_hash: tokens.keyed(use, plain) },
          { where: { id, token_hash: plain } },
        );
      if (rows.length < AT_ONCE) break;
    }
}

const mismatch = (): Error =>
  new Error(
    `Glen cannot start:
  GLEN_SECRET: this database was begun with another one. Set that; or start once with GLEN_SECRET_ANEW=1, which signs
  everybody out and ends all calendar addresses and one-time addresses`,
  );

/** Begins, or goes on, with an installation's secret; throws where the database was begun with another one. */
export const useSecret = (db: Db, tokens: Tokens, { anew }: { anew: boolean }): Promise<void> =>
  db.withLock('glen-secret', async () => {
    const { SecretCheck } = db.models;
    const known = await SecretCheck.findByPk(ONLY_ROW);
    const isSame = known === null || known.hash === tokens.check();
    if (!isSame && !anew) throw mismatch();
    if (!isSame) for (const [model] of kept(db)) await model.destroy({ where: {} });
    await keyPlainOnes(db, tokens);
    await SecretCheck.upsert({ id: ONLY_ROW, hash: tokens.check() });
  });

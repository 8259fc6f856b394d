import { createHash } from 'node:crypto';
import { Op } from 'sequelize';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';

/** As it is counted: names and addresses are nobody's to read there. */
const kept = (bucket: string): string => createHash('sha256').update(bucket).digest('hex');

interface Slowed {
  failures: number;
  lastAt: string;
}

/** What has failed in vain so far, held against others; made where nothing has. Within a transaction. */
export async function heldSlowed(db: Db, bucket: string, now: string): Promise<Slowed> {
  const { Slowed } = db.models;
  const key = kept(bucket);
  // Two who come at once make it once. Whoever finds it there holds it as for writing from the first: two who held it as for
  // reading would wait for one another.
  await Slowed.bulkCreate([{ bucket: key, failures: 0, last_at: now }], {
    updateOnDuplicate: ['bucket'],
  });
  const row = (await Slowed.findByPk(key, { lock: true }))!;
  return { failures: row.failures, lastAt: row.last_at };
}

export async function writeSlowed(
  db: Db,
  bucket: string,
  { failures, lastAt }: Slowed,
): Promise<void> {
  await db.models.Slowed.update({ failures, last_at: lastAt }, { where: { bucket: kept(bucket) } });
}

export async function forgetSlowed(db: Db, bucket: string): Promise<void> {
  await db.models.Slowed.destroy({ where: { bucket: kept(bucket) } });
}

/**
 * Counts a try from a known browser, in one statement, so that many at once are no way around it. Whether it is known for
 * the account and has had fewer than `most` since the last right password.
 */
export async function countKnownTry(
  db: Db,
  { accountId, tokenHash, most }: { accountId: number; tokenHash: string; most: number },
): Promise<boolean> {
  const [counted] = await db.models.KnownBrowser.update(
    { failures: oneMore('failures') },
    { where: { account_id: accountId, token_hash: tokenHash, failures: { [Op.lt]: most } } },
  );
  return counted > 0;
}

/** From now on a browser is known for an account, without a failure. */
export async function knowBrowser(
  db: Db,
  { accountId, tokenHash, now }: { accountId: number; tokenHash: string; now: string },
): Promise<void> {
  await db.models.KnownBrowser.upsert({
    account_id: accountId,
    token_hash: tokenHash,
    seen_at: now,
    failures: 0,
  });
}

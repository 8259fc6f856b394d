import { Op } from 'sequelize';
import type { Clock } from '../clock.js';
import type { Db } from '../db/connect.js';
import { isDuplicate } from '../db/errors.js';

/** Whoever does a write is taken for gone after so long. */
const LEASE_SECONDS = 60;

interface KeptPress {
  digest: string;
  state: 'going' | 'done';
  answer: string | null;
}

/** Takes a key for a write that begins; false where it has been taken before. */
export async function takeKey(
  db: Db,
  clock: Clock,
  { keyHash, digest }: { keyHash: string; digest: string },
): Promise<boolean> {
  const { Press } = db.models;
  const now = clock.machine();
  const until_at = clock.machine(LEASE_SECONDS);
  try {
    await Press.create({ key_hash: keyHash, digest, state: 'going', until_at, made_at: now });
    return true;
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
  // Whoever had it was stopped before anything of it was done: it goes to the first who comes then.
  const [taken] = await Press.update(
    { until_at },
    { where: { key_hash: keyHash, digest, state: 'going', until_at: { [Op.lt]: now } } },
  );
  return taken > 0;
}

export const pressOf = (db: Db, keyHash: string): Promise<KeptPress | null> =>
  db.models.Press.findByPk(keyHash);

/** Part of the write's own transaction: with it, the key is used up. */
export async function noteDone(db: Db, keyHash: string): Promise<void> {
  await db.models.Press.update({ state: 'done' }, { where: { key_hash: keyHash } });
}

export async function keepAnswer(db: Db, keyHash: string, answer: string): Promise<void> {
  await db.models.Press.update({ state: 'done', answer }, { where: { key_hash: keyHash } });
}

/** Of a write that came to nothing, or with `anyhow` of any; whether it was given back. */
export async function giveKeyBack(
  db: Db,
  keyHash: string,
  { anyhow }: { anyhow: boolean },
): Promise<boolean> {
  const going = anyhow ? {} : { state: 'going' as const };
  const gone = await db.models.Press.destroy({ where: { key_hash: keyHash, ...going } });
  return gone > 0;
}

import type { Correction } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { isDuplicate } from '../../db/errors.js';
import { oneMore } from '../../db/versions.js';
import type { OfDate } from './settledStore.js';

const of = ({ seriesId, key }: OfDate) => ({ series_id: seriesId, key_date: key });

interface Saying {
  personId: number;
  status: Correction['status'];
  reason: string;
  /** What its writer read; null: nothing was said yet. */
  version: number | null;
  by: number;
  at: string;
}

/** Keeps what a host says; whether nobody else has said something meanwhile. */
export async function keepCorrection(
  db: Db,
  date: OfDate,
  { personId, status, reason, version, by, at }: Saying,
): Promise<boolean> {
  const { Correction: Corrections } = db.models;
  const said = { status, reason, made_by: by, made_at: at };
  const where = { ...of(date), person_id: personId };
  if (version === null) {
    try {
      await Corrections.create({ ...where, ...said });
      return true;
    } catch (error) {
      if (isDuplicate(error)) return false;
      throw error;
    }
  }
  const change = { ...said, version: oneMore('version') };
  const [changed] = await Corrections.update(change, { where: { ...where, version } });
  return changed > 0;
}

/** Forgets what was said; whether it still stood as its reader read it. */
export async function dropCorrection(
  db: Db,
  date: OfDate,
  { personId, version }: { personId: number; version: number },
): Promise<boolean> {
  const where = { ...of(date), person_id: personId, version };
  return (await db.models.Correction.destroy({ where })) > 0;
}

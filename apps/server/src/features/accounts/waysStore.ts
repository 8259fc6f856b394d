import type { ClaimRule, ShutWays } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';

interface KeptWays {
  shut: ShutWays;
  rules: ClaimRule[];
  version: number;
}

/** How the school has people sign in; held against other edits where it is to be changed. */
export async function readWays(db: Db, isHeld = false): Promise<KeptWays> {
  const school = await db.models.School.findByPk(1, {
    attributes: ['id', 'shut_ways', 'claim_rules', 'ways_version'],
    lock: isHeld,
  });
  const { shut_ways: shut, claim_rules: rules, ways_version: version } = school!;
  return { shut, rules, version };
}

export async function writeWays(db: Db, { shut, rules }: Omit<KeptWays, 'version'>): Promise<void> {
  await db.models.School.update(
    { shut_ways: shut, claim_rules: rules, ways_version: oneMore('ways_version') },
    { where: { id: 1 } },
  );
}

import type { ClaimRule, ShutWays } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { oneMore } from '../../db/versions.js';

interface KeptWays {
  shut: ShutWays;
  rules: ClaimRule[];
  /** What changes everybody asks for a passkey. */
  asksPasskey: boolean;
  version: number;
}

/** How the school has people sign in; held against other edits where it is to be changed. */
export async function readWays(db: Db, isHeld = false): Promise<KeptWays> {
  const school = await db.models.School.findByPk(1, {
    attributes: ['id', 'shut_ways', 'claim_rules', 'asks_passkey', 'ways_version'],
    lock: isHeld,
  });
  const { shut_ways: shut, claim_rules: rules, asks_passkey, ways_version: version } = school!;
  return { shut, rules, asksPasskey: asks_passkey, version };
}

export async function writeWays(
  db: Db,
  { shut, rules, asksPasskey }: Omit<KeptWays, 'version'>,
): Promise<void> {
  await db.models.School.update(
    {
      shut_ways: shut,
      claim_rules: rules,
      asks_passkey: asksPasskey,
      ways_version: oneMore('ways_version'),
    },
    { where: { id: 1 } },
  );
}

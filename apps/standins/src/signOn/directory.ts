import type { Store } from '../db.js';
import { HOLDERS, type Holder, type ProviderName } from './people.js';

export const SIGN_ON_TABLES = [
  `CREATE TABLE IF NOT EXISTS sign_on_people (provider VARCHAR(10) NOT NULL, subject VARCHAR(40) NOT NULL, email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL,
    proven TINYINT(1) NOT NULL, claimed JSON NOT NULL, PRIMARY KEY (provider, subject))`,
  `CREATE TABLE IF NOT EXISTS sign_on_trouble (provider VARCHAR(10) PRIMARY KEY, kind VARCHAR(20) NOT NULL)`,
];

/** What a provider can be put into, so that others can be seen to bear it. */
export const SIGN_ON_TROUBLES = [
  'none',
  'down',
  'slow',
  'silent',
  'refusing',
  'wrong-audience',
  'wrong-nonce',
  'wrong-issuer',
  'forged',
  'clock-slow',
  'clock-off',
] as const;
export type SignOnTrouble = (typeof SIGN_ON_TROUBLES)[number];

interface HolderRow extends Omit<Holder, 'proven' | 'groups'> {
  proven: number;
  claimed: string[] | string;
}

const asHolder = ({ proven, claimed, ...rest }: HolderRow): Holder => ({
  ...rest,
  proven: Boolean(proven),
  groups: typeof claimed === 'string' ? (JSON.parse(claimed) as string[]) : claimed,
});

const COLUMNS = 'subject, email, name, proven, claimed';

/** Who has an account at one provider, and how it behaves. */
export class Directory {
  constructor(
    private readonly store: Store,
    readonly provider: ProviderName,
  ) {}

  /** The accounts of the demo, where there are none yet. */
  async fill(): Promise<void> {
    if ((await this.all()).length > 0) return;
    for (const holder of HOLDERS[this.provider]) await this.keep(holder);
  }

  async all(): Promise<Holder[]> {
    const rows = await this.store.rows<HolderRow>(
      `SELECT ${COLUMNS} FROM sign_on_people WHERE provider = :provider ORDER BY subject`,
      { provider: this.provider },
    );
    return rows.map(asHolder);
  }

  async one(subject: string): Promise<Holder | undefined> {
    const row = await this.store.one<HolderRow>(
      `SELECT ${COLUMNS} FROM sign_on_people WHERE provider = :provider AND subject = :subject`,
      { provider: this.provider, subject },
    );
    return row && asHolder(row);
  }

  async keep({ subject, email, name, proven, groups }: Holder): Promise<void> {
    await this.store.change(
      `REPLACE INTO sign_on_people (provider, ${COLUMNS}) VALUES (:provider, :subject, :email, :name, :proven, :claimed)`,
      { provider: this.provider, subject, email, name, proven, claimed: JSON.stringify(groups) },
    );
  }

  async trouble(): Promise<SignOnTrouble> {
    const row = await this.store.one<{ kind: SignOnTrouble }>(
      'SELECT kind FROM sign_on_trouble WHERE provider = :provider',
      { provider: this.provider },
    );
    return row?.kind ?? 'none';
  }

  async setTrouble(kind: SignOnTrouble): Promise<void> {
    await this.store.change(
      'REPLACE INTO sign_on_trouble (provider, kind) VALUES (:provider, :kind)',
      { provider: this.provider, kind },
    );
  }
}

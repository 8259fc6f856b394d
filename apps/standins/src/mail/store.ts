import type { Store } from '../db.js';

export const MAIL_TABLES = [
  `CREATE TABLE IF NOT EXISTS mails (id INT AUTO_INCREMENT PRIMARY KEY, box VARCHAR(254) NOT NULL, subject VARCHAR(300) NOT NULL, source LONGTEXT NOT NULL, at DATETIME NOT NULL DEFAULT CURRENT_TIMESTAMP,
    KEY by_box (box, id))`,
  'CREATE TABLE IF NOT EXISTS mail_trouble (id TINYINT PRIMARY KEY, kind VARCHAR(20) NOT NULL)',
];

/**
 * What the mail service does wrong on request. `bounce`: takes letters and reports that they failed; `slow`: reports that they
 * are late, and takes its time; `moody`: refuses every fifth for now, and breaks every third connection off.
 */
export const MAIL_TROUBLES = [
  'none',
  'refuse',
  'busy',
  'close',
  'bounce',
  'slow',
  'moody',
] as const;
export type MailTrouble = (typeof MAIL_TROUBLES)[number];

export interface KeptMail {
  id: number;
  box: string;
  subject: string;
  source: string;
}

/** Letters as they came in, by whom they are for. */
export class Mailboxes {
  constructor(private readonly store: Store) {}

  async keep(mail: Omit<KeptMail, 'id'>): Promise<void> {
    await this.store.change(
      'INSERT INTO mails (box, subject, source) VALUES (:box, :subject, :source)',
      mail,
    );
  }

  boxes(): Promise<{ box: string; mails: number }[]> {
    return this.store.rows(
      'SELECT box, COUNT(*) AS mails FROM mails GROUP BY box ORDER BY box',
      {},
    );
  }

  mailsOf(box: string): Promise<Pick<KeptMail, 'id' | 'subject'>[]> {
    return this.store.rows('SELECT id, subject FROM mails WHERE box = :box ORDER BY id DESC', {
      box,
    });
  }

  /** What came for somebody, as it came, the newest first. */
  sourcesOf(box: string): Promise<{ source: string }[]> {
    return this.store.rows('SELECT source FROM mails WHERE box = :box ORDER BY id DESC', { box });
  }

  mail(id: number): Promise<KeptMail | undefined> {
    return this.store.one<KeptMail>('SELECT id, box, subject, source FROM mails WHERE id = :id', {
      id,
    });
  }

  async trouble(): Promise<MailTrouble> {
    const row = await this.store.one<{ kind: MailTrouble }>(
      'SELECT kind FROM mail_trouble WHERE id = 1',
      {},
    );
    return row?.kind ?? 'none';
  }

  async setTrouble(kind: MailTrouble): Promise<void> {
    await this.store.change('REPLACE INTO mail_trouble (id, kind) VALUES (1, :kind)', { kind });
  }
}

import type { Store } from '../db.js';

export const COURSE_SITE_TABLES = [
  `CREATE TABLE IF NOT EXISTS board_classes (ref VARCHAR(40) PRIMARY KEY, title VARCHAR(200) NOT NULL)`,
  `CREATE TABLE IF NOT EXISTS board_people (class_ref VARCHAR(40) NOT NULL, email VARCHAR(254) NOT NULL, name VARCHAR(120) NOT NULL, teaches TINYINT(1) NOT NULL,
    PRIMARY KEY (class_ref, email), KEY by_email (email))`,
  // Everything that is pinned up: posts of the stream, sections of the course page and their items, entries of the calendar.
  `CREATE TABLE IF NOT EXISTS board_things (class_ref VARCHAR(40) NOT NULL, kind VARCHAR(10) NOT NULL, thing_key VARCHAR(80) NOT NULL, revision INT NOT NULL, body JSON NOT NULL, gone TINYINT(1) NOT NULL DEFAULT 0,
    shown_at BIGINT NOT NULL, PRIMARY KEY (class_ref, kind, thing_key))`,
  `CREATE TABLE IF NOT EXISTS board_trouble (id TINYINT PRIMARY KEY, kind VARCHAR(20) NOT NULL)`,
  `CREATE TABLE IF NOT EXISTS board_refusals (class_ref VARCHAR(40) PRIMARY KEY)`,
  // Every call that got through, so that a test can count what was made and when.
  `CREATE TABLE IF NOT EXISTS board_calls (id INT AUTO_INCREMENT PRIMARY KEY, what VARCHAR(20) NOT NULL, item_key VARCHAR(80) NOT NULL, made TINYINT(1) NOT NULL)`,
];

export const TROUBLES = ['none', 'slow', 'down', 'refusing', 'twice', 'moody'] as const;
export type Trouble = (typeof TROUBLES)[number];

/** `readers`: the addresses of those of the class who see it, beside its teachers; null for all of them. `struck`: shown crossed out, as over. */
interface Shown {
  readers: string[] | null;
  struck: boolean;
}
export interface PostBody extends Shown {
  html: string;
  pinned: boolean;
}
export interface SectionBody {
  title: string;
  position: number;
}
export interface ItemBody extends Shown {
  section: string;
  position: number;
  title: string;
  html: string;
  address: string | null;
  newTab: boolean;
}
export interface EventBody extends Shown {
  title: string;
  start: string;
  end: string;
  html: string;
  address: string | null;
}
export interface Bodies {
  post: PostBody;
  section: SectionBody;
  item: ItemBody;
  event: EventBody;
}
export type Kind = keyof Bodies;
export interface Thing<K extends Kind> {
  key: string;
  revision: number;
  body: Bodies[K];
}

export class Board {
  constructor(private readonly store: Store) {}

  async setClass(
    ref: string,
    title: string,
    people: { email: string; name: string; teaches: boolean }[],
  ): Promise<void> {
    await this.store.change('REPLACE INTO board_classes (ref, title) VALUES (:ref, :title)', {
      ref,
      title,
    });
    await this.store.change('DELETE FROM board_people WHERE class_ref = :ref', { ref });
    for (const p of people)
      await this.store.change(
        'INSERT INTO board_people (class_ref, email, name, teaches) VALUES (:ref, :email, :name, :teaches)',
        { ref, ...p },
      );
  }

  title(ref: string): Promise<{ title: string } | undefined> {
    return this.store.one('SELECT title FROM board_classes WHERE ref = :ref', { ref });
  }

  classesOf(email: string): Promise<{ ref: string; title: string; teaches: number }[]> {
    return this.store.rows(
      'SELECT c.ref, c.title, p.teaches FROM board_people p JOIN board_classes c ON c.ref = p.class_ref WHERE p.email = :email ORDER BY c.title, c.ref',
      { email },
    );
  }

  people(): Promise<{ email: string; name: string; teaches: number }[]> {
    return this.store.rows(
      'SELECT email, MIN(name) AS name, MAX(teaches) AS teaches FROM board_people GROUP BY email ORDER BY teaches DESC, name',
    );
  }

  /** What is pinned up in a class, of one kind, the newest first. */
  async things<K extends Kind>(ref: string, kind: K): Promise<Thing<K>[]> {
    const rows = await this.store.rows<{ thing_key: string; revision: number; body: Bodies[K] }>(
      'SELECT thing_key, revision, body FROM board_things WHERE class_ref = :ref AND kind = :kind AND gone = 0 ORDER BY shown_at DESC, thing_key DESC',
      { ref, kind },
    );
    return rows.map(({ thing_key, revision, body }) => ({ key: thing_key, revision, body }));
  }

  /** Makes a thing once by its key, or changes it; an older revision changes nothing. */
  async put<K extends Kind>(
    ref: string,
    kind: K,
    { key, revision, body }: Thing<K>,
    at: number,
  ): Promise<boolean> {
    const old = await this.store.one<{ gone: number }>(
      'SELECT gone FROM board_things WHERE class_ref = :ref AND kind = :kind AND thing_key = :key',
      { ref, kind, key },
    );
    const made = !old || Boolean(old.gone);
    await this.store.change(
      `INSERT INTO board_things (class_ref, kind, thing_key, revision, body, shown_at) VALUES (:ref, :kind, :key, :revision, :body, :at)
       ON DUPLICATE KEY UPDATE body = IF(revision <= VALUES(revision), VALUES(body), body), shown_at = IF(gone = 1, VALUES(shown_at), shown_at),
         gone = IF(revision <= VALUES(revision), 0, gone), revision = GREATEST(revision, VALUES(revision))`,
      { ref, kind, key, revision, body: JSON.stringify(body), at },
    );
    await this.store.change(
      'INSERT INTO board_calls (what, item_key, made) VALUES (:what, :key, :made)',
      { what: 'put', key, made },
    );
    return made;
  }

  async remove(ref: string, kind: Kind, key: string, revision: number): Promise<void> {
    await this.store.change(
      'UPDATE board_things SET gone = 1, revision = :revision WHERE class_ref = :ref AND kind = :kind AND thing_key = :key AND revision <= :revision',
      { ref, kind, key, revision },
    );
    await this.store.change(
      'INSERT INTO board_calls (what, item_key, made) VALUES (:what, :key, 0)',
      { what: 'delete', key },
    );
  }

  /** Somebody who teaches the class takes a thing off the board by hand; whoever put it there is not told. */
  async takeOff(ref: string, kind: Kind, key: string): Promise<void> {
    await this.store.change(
      'UPDATE board_things SET gone = 1 WHERE class_ref = :ref AND kind = :kind AND thing_key = :key',
      { ref, kind, key },
    );
  }

  async refuses(ref: string): Promise<boolean> {
    return (
      (await this.store.one('SELECT class_ref FROM board_refusals WHERE class_ref = :ref', {
        ref,
      })) !== undefined
    );
  }

  async setRefusing(ref: string, refuses: boolean): Promise<void> {
    await this.store.change(
      refuses
        ? 'REPLACE INTO board_refusals (class_ref) VALUES (:ref)'
        : 'DELETE FROM board_refusals WHERE class_ref = :ref',
      { ref },
    );
  }

  async trouble(): Promise<Trouble> {
    return (
      (await this.store.one<{ kind: Trouble }>('SELECT kind FROM board_trouble WHERE id = 1'))
        ?.kind ?? 'none'
    );
  }

  async setTrouble(kind: Trouble): Promise<void> {
    await this.store.change('REPLACE INTO board_trouble (id, kind) VALUES (1, :kind)', { kind });
  }
}

import type { Store } from '../db.js';

export const VIDEO_TABLES = [
  `CREATE TABLE IF NOT EXISTS rooms (room VARCHAR(80) PRIMARY KEY, wish JSON NOT NULL, recording TINYINT(1) NOT NULL DEFAULT 0, ended TINYINT(1) NOT NULL DEFAULT 0)`,
  // muted is what the room lets through; mic and camera are what the person has switched on. slide is the sample slide that somebody shares.
  `CREATE TABLE IF NOT EXISTS seats (id INT AUTO_INCREMENT PRIMARY KEY, room VARCHAR(80) NOT NULL, visitor VARCHAR(40) NOT NULL, name VARCHAR(120) NOT NULL, role VARCHAR(20) NOT NULL,
    token_hash CHAR(64) NOT NULL UNIQUE, muted TINYINT(1) NOT NULL, mic TINYINT(1) NOT NULL DEFAULT 0, camera TINYINT(1) NOT NULL DEFAULT 0, presenting TINYINT(1) NOT NULL DEFAULT 0, slide TINYINT NOT NULL DEFAULT 0,
    here TINYINT(1) NOT NULL DEFAULT 0, put_out TINYINT(1) NOT NULL DEFAULT 0, gone_as VARCHAR(10) NULL, UNIQUE KEY one_each (room, visitor))`,
  // Let share by a host, whatever the rules say.
  'ALTER TABLE seats ADD COLUMN IF NOT EXISTS may_share TINYINT(1) NOT NULL DEFAULT 0',
  `CREATE TABLE IF NOT EXISTS chat (id INT AUTO_INCREMENT PRIMARY KEY, room VARCHAR(80) NOT NULL, name VARCHAR(120) NOT NULL, text TEXT NOT NULL, KEY by_room (room, id))`,
  `CREATE TABLE IF NOT EXISTS tickets_used (jti VARCHAR(80) PRIMARY KEY)`,
  `CREATE TABLE IF NOT EXISTS notices (id INT AUTO_INCREMENT PRIMARY KEY, body TEXT NOT NULL, sent TINYINT(1) NOT NULL DEFAULT 0, KEY unsent (sent, id))`,
];

export interface Rules {
  presenters: string;
  arriveMuted: boolean;
  mayUnmute: boolean;
  camera: 'off' | 'choice' | 'on';
  hostCamera: 'off' | 'choice' | 'on';
  sharing: 'hosts' | 'presenters' | 'everyone';
  chat: boolean;
  chime: boolean;
  recording: 'off' | 'by-host' | 'from-start';
}
export interface Wish {
  title: string;
  door: string;
  classRef: string;
  /** What is written in the chat is kept after the end. */
  keepChat?: boolean;
  rules: Rules;
}
export interface Room {
  room: string;
  wish: Wish;
  recording: number;
  ended: number;
}
export type Role = 'host' | 'presenter' | 'participant' | 'watcher';
export interface Seat {
  id: number;
  room: string;
  visitor: string;
  name: string;
  role: Role;
  muted: number;
  mic: number;
  camera: number;
  presenting: number;
  slide: number;
  here: number;
  may_share: number;
  put_out: number;
  gone_as: 'put-out' | 'left' | null;
}

export class Rooms {
  constructor(private readonly store: Store) {}

  async make(room: string, wish: Wish): Promise<void> {
    await this.store.change(
      'INSERT INTO rooms (room, wish, recording) VALUES (:room, :wish, :recording) ON DUPLICATE KEY UPDATE wish = VALUES(wish)',
      { room, wish: JSON.stringify(wish), recording: wish.rules.recording === 'from-start' },
    );
  }

  room(room: string): Promise<Room | undefined> {
    return this.store.one<Room>('SELECT * FROM rooms WHERE room = :room', { room });
  }

  end(room: string): Promise<number> {
    return this.store.change('UPDATE rooms SET ended = 1 WHERE room = :room AND ended = 0', {
      room,
    });
  }

  setRecording(room: string, on: boolean): Promise<number> {
    return this.store.change('UPDATE rooms SET recording = :on WHERE room = :room', { room, on });
  }

  seats(room: string): Promise<Seat[]> {
    return this.store.rows<Seat>(
      `SELECT * FROM seats WHERE room = :room AND here = 1 AND put_out = 0 ORDER BY FIELD(role, 'host', 'presenter', 'participant', 'watcher'), name`,
      { room },
    );
  }

  seatByToken(tokenHash: string): Promise<Seat | undefined> {
    return this.store.one<Seat>('SELECT * FROM seats WHERE token_hash = :tokenHash', { tokenHash });
  }

  seatOf(room: string, visitor: string): Promise<Seat | undefined> {
    return this.store.one<Seat>('SELECT * FROM seats WHERE room = :room AND visitor = :visitor', {
      room,
      visitor,
    });
  }

  /** Takes a ticket's number once; false where it was used before. */
  async useTicket(jti: string): Promise<boolean> {
    return (
      (await this.store.change('INSERT IGNORE INTO tickets_used (jti) VALUES (:jti)', { jti })) ===
      1
    );
  }

  /** A seat for a person; a new ticket for the same person takes the old seat over. */
  async sit(seat: {
    room: string;
    visitor: string;
    name: string;
    role: string;
    tokenHash: string;
    muted: boolean;
    shares: boolean;
  }): Promise<void> {
    await this.store.change(
      `INSERT INTO seats (room, visitor, name, role, token_hash, muted, may_share) VALUES (:room, :visitor, :name, :role, :tokenHash, :muted, :shares)
       ON DUPLICATE KEY UPDATE name = VALUES(name), role = VALUES(role), token_hash = VALUES(token_hash), may_share = VALUES(may_share), put_out = 0, gone_as = NULL, mic = 0, camera = 0`,
      seat,
    );
  }

  set(
    id: number,
    field: 'muted' | 'mic' | 'camera' | 'presenting' | 'may_share' | 'here',
    value: boolean,
  ): Promise<number> {
    return this.store.change(
      `UPDATE seats SET ${field} = :value WHERE id = :id AND ${field} <> :value`,
      { id, value },
    );
  }

  async isHere(id: number): Promise<boolean> {
    const seat = await this.store.one<{ here: number }>('SELECT here FROM seats WHERE id = :id', {
      id,
    });
    return seat?.here === 1;
  }

  /** Takes a seat away, and keeps how it went. */
  takeAway(id: number, why: 'put-out' | 'left'): Promise<number> {
    return this.store.change('UPDATE seats SET put_out = 1, gone_as = :why WHERE id = :id', {
      id,
      why,
    });
  }

  setRole(room: string, visitor: string, role: Role): Promise<number> {
    return this.store.change(
      'UPDATE seats SET role = :role WHERE room = :room AND visitor = :visitor',
      { room, visitor, role },
    );
  }

  async notePresenter(room: string, id: number | null): Promise<void> {
    await this.store.change('UPDATE seats SET presenting = (id = :id) WHERE room = :room', {
      room,
      id: id ?? 0,
    });
  }

  /** One person shares at a time; slide 0 is none. */
  async share(room: string, id: number, slide: number): Promise<void> {
    await this.store.change('UPDATE seats SET slide = IF(id = :id, :slide, 0) WHERE room = :room', {
      room,
      id,
      slide,
    });
  }

  async say(room: string, name: string, text: string): Promise<void> {
    await this.store.change('INSERT INTO chat (room, name, text) VALUES (:room, :name, :text)', {
      room,
      name,
      text,
    });
  }

  chat(room: string): Promise<{ id: number; name: string; text: string }[]> {
    return this.store.rows(
      'SELECT id, name, text FROM chat WHERE room = :room ORDER BY id DESC LIMIT 50',
      { room },
    );
  }

  /** All that was written in a room, as it was written. */
  written(room: string): Promise<{ name: string; text: string }[]> {
    return this.store.rows('SELECT name, text FROM chat WHERE room = :room ORDER BY id', { room });
  }

  async forgetChat(room: string): Promise<void> {
    await this.store.change('DELETE FROM chat WHERE room = :room', { room });
  }

  hereAtAll(): Promise<Seat[]> {
    return this.store.rows<Seat>('SELECT * FROM seats WHERE here = 1');
  }

  async addNotice(body: object): Promise<void> {
    await this.store.change('INSERT INTO notices (body) VALUES (:body)', {
      body: JSON.stringify(body),
    });
  }

  nextNotice(): Promise<{ id: number; body: string } | undefined> {
    return this.store.one('SELECT id, body FROM notices WHERE sent = 0 ORDER BY id LIMIT 1');
  }

  async noteSent(id: number): Promise<void> {
    await this.store.change('UPDATE notices SET sent = 1 WHERE id = :id', { id });
  }
}

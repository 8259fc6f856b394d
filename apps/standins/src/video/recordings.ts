import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import type { Express, NextFunction, Request, Response } from 'express';
import type { Store } from '../db.js';
import { problem } from '../problem.js';
import type { Notices } from './notices.js';
import type { Room, Rooms } from './store.js';

export const RECORDING_TABLES = [
  `CREATE TABLE IF NOT EXISTS recordings (id CHAR(32) PRIMARY KEY, room VARCHAR(80) NOT NULL, began_at DATETIME NOT NULL, ended_at DATETIME NULL, KEY by_room (room, ended_at))`,
  // What was written, rather than what was said.
  'ALTER TABLE recordings ADD COLUMN IF NOT EXISTS is_chat TINYINT(1) NOT NULL DEFAULT 0',
];

const ADDRESS_SECONDS = 300;
const A_MINUTE_MS = 60_000;

interface Recording {
  id: string;
  room: string;
  is_chat: number;
}

/** What rooms have recorded. No picture and no sound goes through this service: a file of it is a second of one tone. */
export class Recordings {
  constructor(
    private readonly store: Store,
    private readonly rooms: Rooms,
    private readonly notices: Notices,
  ) {}

  /** Begins or ends a room's recording, as the room stands now; what has ended is told. */
  async follow(room: string): Promise<void> {
    const held = await this.rooms.room(room);
    const open = await this.openIn(room);
    const isOn = held !== undefined && Boolean(held.recording) && !held.ended;
    if (isOn && !open) await this.begin(room);
    if (!isOn && open) await this.end(open);
    if (held?.ended) await this.endChat(held);
  }

  /** What was written is kept where that is wished and there is something, else gone with the room. */
  private async endChat({ room, wish }: Room): Promise<void> {
    const written = await this.rooms.written(room);
    if (written.length === 0) return;
    if (!wish.keepChat) return this.rooms.forgetChat(room);
    const id = randomBytes(16).toString('hex');
    await this.store.change(
      'INSERT INTO recordings (id, room, began_at, ended_at, is_chat) VALUES (:id, :room, UTC_TIMESTAMP(), UTC_TIMESTAMP(), 1)',
      { id, room },
    );
    await this.notices.tell({ room, type: 'chat', recording: id });
  }

  /** What was written, a line for each. */
  async chatFile(room: string): Promise<string> {
    const written = await this.rooms.written(room);
    return written.map(({ name, text }) => `${name}: ${text}\n`).join('');
  }

  private openIn(room: string): Promise<{ id: string; began_at: string } | undefined> {
    return this.store.one(
      `SELECT id, DATE_FORMAT(began_at, '%Y-%m-%dT%H:%i:%sZ') AS began_at FROM recordings WHERE room = :room AND ended_at IS NULL`,
      { room },
    );
  }

  private async begin(room: string): Promise<void> {
    const id = randomBytes(16).toString('hex');
    await this.store.change(
      'INSERT INTO recordings (id, room, began_at) VALUES (:id, :room, UTC_TIMESTAMP())',
      { id, room },
    );
  }

  private async end({ id, began_at }: { id: string; began_at: string }): Promise<void> {
    const ended = await this.store.change(
      'UPDATE recordings SET ended_at = UTC_TIMESTAMP() WHERE id = :id AND ended_at IS NULL',
      { id },
    );
    const found = ended === 1 && (await this.recording(id));
    if (!found) return;
    const minutes = Math.max(1, Math.ceil((Date.now() - Date.parse(began_at)) / A_MINUTE_MS));
    await this.notices.tell({ room: found.room, type: 'recorded', recording: id, minutes });
  }

  recording(id: string): Promise<Recording | undefined> {
    return this.store.one('SELECT id, room, is_chat FROM recordings WHERE id = :id', { id });
  }

  async drop(id: string): Promise<void> {
    const found = await this.recording(id);
    if (found?.is_chat) await this.rooms.forgetChat(found.room);
    await this.store.change('DELETE FROM recordings WHERE id = :id', { id });
  }
}

const RATE = 8000;
const TONE_HZ = 440;
const HEADER_BYTES = 44;
/** Silence and half of full swing, of samples of eight bits. */
const MIDDLE = 128;
const SWING = 40;

/** A second of one tone as a sound file: RIFF WAVE, PCM, one channel of eight bits. */
function toneFile(): Buffer {
  const file = Buffer.alloc(HEADER_BYTES + RATE);
  file.write('RIFF', 0);
  file.writeUInt32LE(HEADER_BYTES - 8 + RATE, 4);
  file.write('WAVEfmt ', 8);
  file.writeUInt32LE(16, 16);
  file.writeUInt16LE(1, 20);
  file.writeUInt16LE(1, 22);
  file.writeUInt32LE(RATE, 24);
  file.writeUInt32LE(RATE, 28);
  file.writeUInt16LE(1, 32);
  file.writeUInt16LE(8, 34);
  file.write('data', 36);
  file.writeUInt32LE(RATE, 40);
  for (let at = 0; at < RATE; at++)
    file[HEADER_BYTES + at] = MIDDLE + SWING * Math.sin((2 * Math.PI * TONE_HZ * at) / RATE);
  return file;
}

const markOf = (secret: string, id: string, until: string): string =>
  createHmac('sha256', secret).update(`recording ${id} ${until}`).digest('hex');

/** Whether an address was given out by this service, and not too long ago. */
function isGood(secret: string, { params, query }: Request): boolean {
  const until = String(query.until);
  const given = Buffer.from(String(query.mark));
  const right = Buffer.from(markOf(secret, String(params.id), until));
  return (
    given.length === right.length &&
    timingSafeEqual(given, right) &&
    Number(until) * 1000 > Date.now()
  );
}

/** Recordings, as docs/protocols/video-room.md has them. */
export function mountRecordings(
  app: Express,
  { recordings, secret }: { recordings: Recordings; secret: string },
): void {
  const service = (req: Request, res: Response, next: NextFunction): void => {
    if (req.get('authorization') === `Bearer ${secret}`) next();
    else problem(res, 401, 'The secret does not fit.');
  };
  app.get('/api/recordings/:id/address', service, async (req, res) => {
    const found = await recordings.recording(String(req.params.id));
    if (!found) return problem(res, 404, 'there is no such recording');
    const until = String(Math.floor(Date.now() / 1000) + ADDRESS_SECONDS);
    const mark = markOf(secret, found.id, until);
    const here = `${req.protocol}://${req.get('host')}`;
    res.json({ address: `${here}/recordings/${found.id}?until=${until}&mark=${mark}` });
  });
  app.delete('/api/recordings/:id', service, async (req, res) => {
    await recordings.drop(String(req.params.id));
    res.json({ ok: true });
  });
  app.get('/recordings/:id', async (req, res) => {
    const found = isGood(secret, req) && (await recordings.recording(String(req.params.id)));
    if (!found) return void res.status(403).send('This recording is not there for you.');
    res.set('Cache-Control', 'no-store');
    if (found.is_chat) res.type('text/plain').send(await recordings.chatFile(found.room));
    else res.type('audio/wav').send(toneFile());
  });
}

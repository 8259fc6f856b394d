import { usualUntil } from '@glen/core';
import type { Db } from '../../db/connect.js';
import { readRoom } from './visitStore.js';

interface Recorded {
  room: string;
  /** What the video service calls it. */
  recording: string;
  title: string;
  /** Null: a chat, which has no length. */
  minutes: number | null;
  at: string;
}

/** Keeps a recording under the session in whose room it was made, for its hosts alone; at which door, where there is one. */
export async function keepRecording(
  db: Db,
  { room, recording, title, minutes, at }: Recorded,
): Promise<{ linkId: number; classId: number } | undefined> {
  const sitting = await db.models.Sitting.findByPk(readRoom(room).sitting, {
    include: ['link', 'occurrence'],
    lock: true,
  });
  const date = sitting?.occurrence;
  if (!sitting || !date) return undefined;
  // The service may tell of one again, under another number.
  if ((await db.models.AfterLesson.count({ where: { recording } })) > 0) return undefined;
  await db.models.AfterLesson.create({
    series_id: date.series_id,
    key_date: date.key_date,
    kind: 'recording',
    title,
    recording,
    minutes,
    seen_by: 'hosts',
    until_date: usualUntil(date.local_date),
    made_by: null,
    made_at: at,
  });
  return { linkId: sitting.link_id, classId: sitting.link!.class_id };
}

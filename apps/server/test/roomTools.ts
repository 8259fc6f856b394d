import type { School } from './support.js';

/** A room's name, from the way into it. */
export const roomOf = (go: string): string => new URL(go).pathname.split('/').at(-1)!;

/** The number of somebody's place behind a room's door. */
export async function visitorIn(school: School, room: string, name: string): Promise<number> {
  const visitor = await school.running.glen.db.one<{ id: number }>(
    'SELECT v.id FROM visitors v JOIN sittings m ON m.id = v.sitting_id WHERE m.room = :room AND v.name = :name',
    { room, name },
  );
  return visitor!.id;
}

/** The video service tells that somebody has come into a room or left it; gives their place. */
export async function moves(
  school: School,
  { room, type, name }: { room: string; type: 'arrived' | 'left'; name: string },
): Promise<number> {
  const visitor = await visitorIn(school, room, name);
  await school.videoEvent({ room, type, visitor });
  return visitor;
}

import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import type { SittingAtDoor } from './door.sql.js';
import { NO_LINE, placeInLine, type LinePlace } from './lineStore.js';

/** Who stands at a door: with an account, without one in a browser, or on the telephone. */
interface Standing {
  who: Who;
  /** What a phone caller's place is kept under; null of whoever comes in a browser. */
  call: string | null;
}

/** What a visitor is known by at a sitting: the same again for the same account, or without one for the same browser or number. */
export const visitorKey = ({ who, call }: Standing, sessionId: number | null): string =>
  call ?? (who.account ? `a${who.account.id}` : `s${sessionId}`);

/** The place before a full room of whoever asks; asked for only where anybody waits. */
export async function lineFor(
  glen: Glen,
  standing: Standing,
  session: Pick<SittingAtDoor, 'has_line' | 'sitting_id'> | undefined,
): Promise<LinePlace> {
  if (!session?.has_line) return NO_LINE;
  const key = visitorKey(standing, standing.who.sessionId);
  return placeInLine(glen.db, glen.clock, { sittingId: session.sitting_id!, key });
}

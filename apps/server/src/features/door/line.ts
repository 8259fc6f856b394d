import type { Glen } from '../../glen.js';
import type { Who } from '../../http/who.js';
import type { SittingAtDoor } from './door.sql.js';
import { NO_LINE, placeInLine, type LinePlace } from './lineStore.js';

/** What a visitor is known by at a sitting: the same again for the same account, or without one for the same browser. */
export const visitorKey = ({ account }: Who, sessionId: number): string =>
  account ? `a${account.id}` : `s${sessionId}`;

/** The place before a full room of whoever asks; asked for only where anybody waits. */
export async function lineFor(
  glen: Glen,
  who: Who,
  session: Pick<SittingAtDoor, 'has_line' | 'sitting_id'> | undefined,
): Promise<LinePlace> {
  if (!session?.has_line) return NO_LINE;
  const key = visitorKey(who, who.sessionId ?? 0);
  return placeInLine(glen.db, glen.clock, { sittingId: session.sitting_id!, key });
}

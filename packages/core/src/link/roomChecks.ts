import { rulesToSetByHand } from '../entry/reviewRules.js';
import type { EntryRules, RuleField } from '../entry/rules.js';

/** One thing to look at in a room that Glen cannot reach into. */
export interface RoomCheck {
  /** What it is ticked by: with another rule it is another one, and is asked again. */
  key: string;
  /** What ought to be so there; null where it is a rule of the room, which is told by its field. */
  ask: string | null;
  field: RuleField | null;
}

const asked = (key: string, ask: string): RoomCheck => ({ key, ask, field: null });

function lobby({ straightIn }: EntryRules): RoomCheck {
  if (straightIn === 'everyone')
    return asked(
      'lobby:none',
      'Its own lobby is off: by your rules everybody goes straight in, and there they would wait.',
    );
  return asked(
    'lobby:one',
    'Its own lobby is off: the lobby is at Glen’s door, and with two people would wait twice.',
  );
}

const beforeItsHost = ({ withoutHost }: EntryRules): RoomCheck =>
  withoutHost
    ? asked('alone:yes', 'It lets people in though none of its hosts is there.')
    : asked('alone:no', 'It lets nobody in before one of its hosts is there.');

/**
 * What a teacher looks at in a room whose address they gave, for such rooms have much of their own that no door can see:
 * lobbies, codes, limits, powers; and the rules that Glen would have a room of its own hold. Common practice, no source.
 */
export function roomChecks(rules: EntryRules): RoomCheck[] {
  return [
    lobby(rules),
    asked('code', 'It asks for no code of its own, or the address has the code in it.'),
    beforeItsHost(rules),
    asked('time', 'It lasts as long as your sessions do, and puts nobody out in the middle.'),
    asked(`size:${rules.capacity}`, `It holds ${rules.capacity} people.`),
    asked('powers', 'Whoever teaches here has host’s powers in it, with the account noted below.'),
    ...rulesToSetByHand(rules, []).map((field) => ({
      key: `${field}:${String(rules[field])}`,
      ask: null,
      field,
    })),
  ];
}

/** What has been looked at in a room, and who has host’s powers there; it holds for that address alone. */
export interface RoomLookedAt {
  address: string;
  ticked: string[];
  powers: string;
}

/** What has been looked at in the room that is behind a link now: nothing where it is another one. */
export const lookedAt = (kept: RoomLookedAt | null, address: string): RoomLookedAt =>
  kept?.address === address ? kept : { address, ticked: [], powers: '' };

/** Those that nobody has ticked yet. */
export const checksLeft = (rules: EntryRules, { ticked }: Pick<RoomLookedAt, 'ticked'>): number =>
  roomChecks(rules).filter(({ key }) => !ticked.includes(key)).length;

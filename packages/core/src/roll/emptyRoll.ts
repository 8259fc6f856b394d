import type { EntryRules } from '../entry/rules.js';
import type { Note } from '../margin/note.js';

/** How a door stands while its roll is still empty, if its host wishes: strangers wait in the lobby, and only hosts go straight in. */
export const KNOCK_UNTIL_ROLL = {
  whoMayEnter: 'anyone',
  straightIn: 'hosts',
} as const satisfies Partial<EntryRules>;

/** A class period's rules without what was to count only until its roll was filled; what was set otherwise since stays. */
export function withoutKnocking(rules: Partial<EntryRules>): Partial<EntryRules> {
  return Object.fromEntries(
    Object.entries(rules).filter(
      ([field, value]) => KNOCK_UNTIL_ROLL[field as keyof typeof KNOCK_UNTIL_ROLL] !== value,
    ),
  );
}

/** A class period whose link is about to be given to people. */
interface Asked {
  classId: number;
  /** What it is called, where the note stands among those of others. */
  title?: string | undefined;
  rollSize: number;
  whoMayEnter: EntryRules['whoMayEnter'];
}

const MEANWHILE: Record<EntryRules['whoMayEnter'], string> = {
  invited: 'Until it is filled, only hosts and whoever is invited by name get in.',
  roll: 'Until it is filled, nobody but its hosts gets in by this link.',
  school: 'Until it is filled, every account of the school may come.',
  'signed-in': 'Until it is filled, whoever signs in may come.',
  anyone: 'Until it is filled, anyone with the link may come.',
};

/** Who gets in while the roll is empty, and a remedy where that is nobody. */
export function notesForEmptyRoll({ classId, title, rollSize, whoMayEnter }: Asked): Note[] {
  if (rollSize > 0) return [];
  const isShut = whoMayEnter === 'roll';
  return [
    {
      severity: isShut ? 'careful' : 'inform',
      title: title ? `${title}: the roll is empty` : 'The roll is empty',
      text: MEANWHILE[whoMayEnter],
      ...(isShut
        ? {
            actions: [
              {
                name: 'knock-until-roll',
                label: 'Let anyone with the link knock until then',
                subject: classId,
              },
            ],
          }
        : {}),
    },
  ];
}

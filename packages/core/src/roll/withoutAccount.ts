import type { EntryRules } from '../entry/rules.js';
import type { Note } from '../margin/note.js';

/** A roll and the rules of its door. */
interface Asked {
  classId: number;
  /** How many of the roll have no account. */
  withoutAccount: number;
  whoMayEnter: EntryRules['whoMayEnter'];
}

/** People of the roll who have no account come as strangers do: whether the door lets those knock. */
export function notesForNoAccount({ classId, withoutAccount, whoMayEnter }: Asked): Note[] {
  if (withoutAccount === 0) return [];
  const title = withoutAccount === 1 ? 'One has no account' : `${withoutAccount} have no account`;
  if (whoMayEnter === 'anyone')
    return [
      {
        severity: 'inform',
        title,
        text: 'They come by the link and give a name; at the desk a host says who it is.',
      },
    ];
  return [
    {
      severity: 'careful',
      title,
      text: 'None of them gets in by this link: its door knows accounts alone.',
      actions: [
        {
          name: 'knock-until-roll',
          label: 'Let anyone with the link knock',
          subject: classId,
        },
      ],
    },
  ];
}

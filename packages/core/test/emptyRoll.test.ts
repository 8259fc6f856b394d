import { describe, expect, it } from 'vitest';
import { KNOCK_UNTIL_ROLL, notesForEmptyRoll, withoutKnocking } from '../src/index.js';

describe('an empty roll', () => {
  it('is told where it shuts everybody out, with a remedy', () => {
    expect(notesForEmptyRoll({ classId: 7, rollSize: 0, whoMayEnter: 'roll' })).toEqual([
      {
        severity: 'careful',
        title: 'The roll is empty',
        text: 'Until it is filled, nobody but its hosts gets in by this link.',
        actions: [
          {
            name: 'knock-until-roll',
            label: 'Let anyone with the link knock until then',
            subject: 7,
          },
        ],
      },
    ]);
  });

  it('is only told where somebody else may come', () => {
    const [note] = notesForEmptyRoll({
      classId: 7,
      title: 'Ropework',
      rollSize: 0,
      whoMayEnter: 'anyone',
    });
    expect(note).toMatchObject({ severity: 'inform', title: 'Ropework: the roll is empty' });
    expect(note!.actions).toBeUndefined();
  });

  it('is no matter once somebody is on it', () => {
    expect(notesForEmptyRoll({ classId: 7, rollSize: 1, whoMayEnter: 'roll' })).toEqual([]);
  });
});

describe('what counts only until the roll is filled', () => {
  it('goes, and all else stays', () => {
    expect(withoutKnocking({ ...KNOCK_UNTIL_ROLL, arriveMuted: false })).toEqual({
      arriveMuted: false,
    });
  });

  it('stays where it was set otherwise meanwhile', () => {
    const own = { whoMayEnter: 'school', straightIn: 'everyone' } as const;
    expect(withoutKnocking(own)).toEqual(own);
  });
});

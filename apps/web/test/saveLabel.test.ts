import { describe, expect, it } from 'vitest';
import { cancelLabel, saveLabel, type Saving } from '../src/features/plan/saveLabel.js';

const once: Saving = {
  held: 1,
  ahead: 1,
  holdsNothing: false,
  askedOnce: false,
  isNew: true,
  isSeries: false,
  isOne: true,
  first: '2026-10-16',
};

describe('the sheet’s main button names its result', () => {
  it.each<[string, Partial<Saving>]>([
    ['Schedule Friday’s session', {}],
    ['Schedule the day’s session', { first: '2026-1' }],
    ['Schedule 16 sessions', { held: 16 }],
    ['Yes, schedule 160 sessions', { held: 160, askedOnce: true }],
    ['No session to schedule', { held: 0, holdsNothing: true }],
    ['Schedule it in the past', { ahead: 0 }],
    ['Schedule 3 in the past', { held: 3, ahead: 0 }],
    ['Save the change', { isNew: false }],
    ['Make it 4 sessions', { isNew: false, held: 4 }],
    ['Save the change', { isNew: false, isSeries: true, held: 16 }],
    ['Change 9 sessions', { isNew: false, isSeries: true, isOne: false, held: 16, ahead: 9 }],
  ])('%s', (label, part) => {
    expect(saveLabel({ ...once, ...part })).toBe(label);
  });
  it('and so does the one that cancels', () => {
    expect(cancelLabel(false, 'whole')).toBe('Cancel the session');
    expect(cancelLabel(true, 'one')).toBe('Cancel the session');
    expect(cancelLabel(true, 'onwards')).toBe('Cancel from here on');
    expect(cancelLabel(true, 'whole')).toBe('Cancel the whole series');
  });
});

import { describe, expect, it } from 'vitest';
import { editOf, forClass, withGuest } from '../src/features/link/audienceDraft.js';

describe('a change of whom a link is for', () => {
  const guest = { email: 'a@home.example', name: 'Ada', comes: 'speaker' as const };
  const before = { ...forClass(1), personIds: [7], guests: [guest] };
  it('puts in and takes out what was pressed', () => {
    const after = { ...before, personIds: [7, 8], guests: [] };
    expect(editOf(before, after)(before)).toEqual(after);
  });
  it('drops nothing that somebody, or an earlier press, has put in meanwhile', () => {
    const add = editOf(before, { ...before, personIds: [7, 8] });
    const meanwhile = { ...before, personIds: [7, 9], guests: [] };
    expect(add(meanwhile)).toEqual({ ...meanwhile, personIds: [7, 9, 8] });
    expect(add(add(meanwhile)).personIds).toEqual([7, 9, 8]);
    // A guest whom somebody calls otherwise meanwhile stays one.
    const renamed = { ...before, guests: [{ ...guest, name: 'Ade' }] };
    expect(add(renamed).guests).toEqual(renamed.guests);
    expect(withGuest(renamed.guests, guest.email)).toEqual(renamed.guests);
  });
});

import { describe, expect, it } from 'vitest';
import { editOf, forClass } from '../src/features/link/audienceDraft.js';

describe('a change of whom a link is for', () => {
  const before = { ...forClass(1), personIds: [7], emails: ['a@home.example'] };
  it('puts in and takes out what was pressed', () => {
    const after = { ...before, personIds: [7, 8], emails: [] };
    expect(editOf(before, after)(before)).toEqual(after);
  });
  it('drops nothing that somebody, or an earlier press, has put in meanwhile', () => {
    const add = editOf(before, { ...before, personIds: [7, 8] });
    const meanwhile = { ...before, personIds: [7, 9], emails: [] };
    expect(add(meanwhile)).toEqual({ ...meanwhile, personIds: [7, 9, 8] });
    expect(add(add(meanwhile)).personIds).toEqual([7, 9, 8]);
  });
});

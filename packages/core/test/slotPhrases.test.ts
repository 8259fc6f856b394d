import { describe, expect, it } from 'vitest';
import { dryRun, readPhrase } from '../src/index.js';
import { phraseContext } from './phraseSchool.js';

const read = (text: string) => readPhrase(text, phraseContext);

describe('a phrase that says how sessions are cut', () => {
  it.each([
    ['clinic wednesdays 12 to 13, in slots of 15 minutes with 5 between', 15, 5],
    ['clinic wednesdays 12 to 13 in slots of 15 min, with 5 min between until term ends', 15, 5],
    ['clinic wednesdays 12 to 13 cut into 20-minute slots', 20, 0],
    ['clinic wednesdays 12 to 13 in 15s', 15, 0],
    ['in slots of ten minutes and 2 apart clinic wednesdays 12 to 13', 10, 2],
    ['clinic, 15 minute slots, wednesdays 12 to 13', 15, 0],
    ['clinic wednesdays 12 to 13 in slots of 15 minutes with 5 minutes in between', 15, 5],
  ])('%s', (text, minutes, gap) => {
    const { slots, plan, unclear } = read(text);
    expect(unclear).toEqual([]);
    expect(slots).toEqual({ minutes, gap });
    expect(plan.at).toEqual({ time: '12:00', minutes: 60 });
    expect(plan.repeat).toMatchObject({ every: 'week', on: ['WE'] });
  });

  it('says nothing of slots where the words are of something else', () => {
    expect(read('n3 friday 9 to 10 for 15 minutes').slots).toBeUndefined();
    expect(read('n3 friday at 9 for 45 minutes')).not.toHaveProperty('slots');
  });

  it('takes a number of slots for no length of one', () => {
    const said = read('clinic wednesdays 12 to 13 in 4 slots');
    expect(said.slots).toBeUndefined();
    expect(said.unclear).not.toEqual([]);
  });

  it('asks where it is said twice, or cannot be', () => {
    const twice = read('clinic wednesdays 12 to 13 in 15s in slots of 10 minutes');
    expect(twice.slots).toBeUndefined();
    expect(twice.unclear.map(({ text }) => text)).toEqual(['in 15s', 'in slots of 10 minutes']);
    expect(read('clinic wednesdays 12 to 13 in slots of 500 minutes').unclear).toMatchObject([
      {
        text: 'in slots of 500 minutes',
        why: 'A slot has 2 to 240 minutes, and up to 120 between.',
      },
    ]);
    expect(read('clinic wednesdays 12 to 13 in slots').unclear).toMatchObject([{ text: 'slots' }]);
  });
});

describe('a dry run of sessions in slots', () => {
  const notesOf = (minutes: number) => {
    const { plan } = read('clinic wednesdays 12 to 13 for 3 weeks');
    const pattern = { minutes, gap: 5, breakEvery: 0, breakMinutes: 0 };
    return dryRun(plan, {
      school: phraseContext.school,
      now: '2026-10-14T13:31:00Z',
      linkCode: 'heron-7k3m9qvd2xt',
      classId: 1,
      holds: [],
      bookings: [],
      names: {},
      slots: pattern,
    }).notes;
  };

  it('tells when they begin, and how many there are', () => {
    expect(notesOf(15)).toContainEqual({
      severity: 'inform',
      title: 'Cut in slots of 15 minutes with 5 between',
      text: '12:00, 12:20, 12:40 on the first day; 9 slots in all.',
    });
  });

  it('warns where none fits in', () => {
    expect(notesOf(70)).toContainEqual(
      expect.objectContaining({ severity: 'wrong', title: 'No slot fits in' }),
    );
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GlenInputError,
  USUAL_SLOTS,
  cutSession,
  cutSlots,
  mayTakeSlot,
  mayWaitForSlot,
  nextSlotMoment,
  noSlotInWords,
  placeWallTime,
  seatSignUps,
  slotOffsets,
  slotTurn,
  slotsInWords,
  utcOf,
  type SignUp,
} from '../src/index.js';

const at = (time: string, date = '2026-10-14'): string => `${date}T${time}:00Z`;
const window = (from: string, to: string, date?: string) => ({
  start: at(from, date),
  end: at(to, date),
});

describe('cutSlots', () => {
  it('cuts from the window’s start, with time between, and none that would pass its end', () => {
    expect(cutSlots({ windows: [window('14:40', '15:40')], minutes: 15, gap: 5 })).toEqual([
      { ...window('14:40', '14:55'), window: 0 },
      { ...window('15:00', '15:15'), window: 0 },
      { ...window('15:20', '15:35'), window: 0 },
    ]);
  });

  // Common practice, no published source.
  it('makes 6 of 90 minutes in 15s, 24 of them on four dates, and 9 of an hour in 20s on three', () => {
    const on = (dates: string[], from: string, to: string) =>
      dates.map((date) => window(from, to, date));
    const fridays = ['2026-10-16', '2026-10-23', '2026-10-30'];
    const four = [...fridays, '2026-11-06'];
    const count = (windows: ReturnType<typeof on>, minutes: number): number =>
      cutSlots({ windows, minutes }).length;
    expect(count([window('10:00', '11:30')], 15)).toBe(6);
    expect(count(on(four, '10:00', '11:30'), 15)).toBe(24);
    expect(count(on(fridays, '10:00', '11:00'), 20)).toBe(9);
  });

  it('goes window by window as given, overlapping ones too, and leaves out what holds no slot', () => {
    const windows = [window('15:00', '15:10'), window('14:00', '14:30'), window('14:10', '14:30')];
    expect(cutSlots({ windows, minutes: 20 }).map((slot) => [slot.window, slot.start])).toEqual([
      [1, at('14:00')],
      [2, at('14:10')],
    ]);
  });

  it('has as many slots in an hour over a change of clocks as in any other', () => {
    const night = placeWallTime('2026-11-01', '01:30', 60, 'America/Halifax');
    expect(cutSlots({ windows: [night], minutes: 20 })).toHaveLength(3);
  });

  it('refuses what is no window, no length and no gap', () => {
    const path = (query: Parameters<typeof cutSlots>[0]): string => {
      try {
        cutSlots(query);
      } catch (error) {
        if (error instanceof GlenInputError) return error.path;
      }
      return 'none';
    };
    const windows = [window('14:00', '15:00')];
    expect(path({ windows: [window('14:00', '14:00')], minutes: 15 })).toBe('windows.0.end');
    expect(path({ windows: [...windows, { start: 'noon', end: at('15:00') }], minutes: 15 })).toBe(
      'windows.1.start',
    );
    expect(path({ windows, minutes: 0 })).toBe('minutes');
    expect(path({ windows, minutes: 15, gap: -1 })).toBe('gap');
    expect(path({ windows, minutes: 1.5 })).toBe('minutes');
  });

  it('never has slots that overlap, pass their window, or leave room for one more', () => {
    const aWindow = fc
      .tuple(fc.integer({ min: 0, max: 100_000 }), fc.integer({ min: 1, max: 30_000 }))
      .map(([from, length]) => ({ start: utcOf(from), end: utcOf(from + length) }));
    const lengths = fc.record({
      minutes: fc.integer({ min: 1, max: 120 }),
      gap: fc.integer({ min: 0, max: 60 }),
    });
    fc.assert(
      fc.property(fc.array(aWindow, { maxLength: 4 }), lengths, (windows, { minutes, gap }) => {
        const slots = cutSlots({ windows, minutes, gap });
        windows.forEach((whole, index) => {
          const own = slots.filter((slot) => slot.window === index);
          const seconds = (instant: string): number => Date.parse(instant) / 1000;
          own.forEach((slot, nth) => {
            expect(seconds(slot.start)).toBe(seconds(whole.start) + nth * (minutes + gap) * 60);
            expect(seconds(slot.end) - seconds(slot.start)).toBe(minutes * 60);
            expect(slot.end <= whole.end).toBe(true);
          });
          const next = seconds(whole.start) + own.length * (minutes + gap) * 60;
          expect(next + minutes * 60).toBeGreaterThan(seconds(whole.end));
        });
      }),
    );
  });
});

describe('seatSignUps', () => {
  const seat = (nths: (number | null)[], count: number, first = 0): (number | null)[] =>
    seatSignUps({ signUps: nths.map((nth, id) => ({ id, nth })), count, first }).map(
      ({ nth }) => nth,
    );

  it('moves those who wait up, in their order, into what is free', () => {
    expect(seat([null, 1, null, null], 3)).toEqual([0, 1, 2, null]);
  });

  it('has whoever lost their slot go before all who wait, in the order of the slots', () => {
    expect(seat([null, 3, 2, 0], 2)).toEqual([null, null, 1, 0]);
  });

  it('gives nobody a slot that can no longer be had, and takes none from whoever has it', () => {
    expect(seat([0, null], 3, 2)).toEqual([0, 2]);
    expect(seat([0, null], 2, 2)).toEqual([0, null]);
  });

  it('never gives a slot twice, keeps every holder, and leaves nothing free while somebody waits', () => {
    const some = fc.uniqueArray(fc.integer({ min: 0, max: 9 }), { maxLength: 8 });
    const anyone = fc.tuple(some, fc.nat(5)).chain(([held, waiting]) =>
      fc.shuffledSubarray([...held, ...Array.from({ length: waiting }, () => null)], {
        minLength: held.length + waiting,
      }),
    );
    fc.assert(
      fc.property(anyone, fc.nat(10), fc.nat(10), (nths, count, first) => {
        const signUps: SignUp[] = nths.map((nth, id) => ({ id, nth }));
        const seated = seatSignUps({ signUps, count, first });
        const taken = seated.flatMap(({ nth }) => nth ?? []);
        expect(new Set(taken).size).toBe(taken.length);
        for (const { id, nth } of signUps)
          if (nth !== null && nth < count) expect(seated[id]!.nth).toBe(nth);
        const free = Array.from({ length: count }, (_, nth) => nth).filter(
          (nth) => nth >= first && !taken.includes(nth),
        );
        if (seated.some(({ nth }) => nth === null)) expect(free).toEqual([]);
        expect(seatSignUps({ signUps: seated, count, first })).toEqual(seated);
      }),
    );
  });
});

describe('mayTakeSlot', () => {
  const slot = { ...window('14:40', '14:55'), date: '2026-10-14', isOfferedOn: false };
  const asked = { now: at('14:00'), today: '2026-10-14', ways: USUAL_SLOTS, theirs: [] };

  it('may be, from so many days before until it begins', () => {
    expect(mayTakeSlot(slot, asked)).toBeNull();
    expect(mayTakeSlot(slot, { ...asked, now: at('14:40') })).toBe('too-late');
    expect(mayTakeSlot(slot, { ...asked, now: at('14:55') })).toBe('over');
    const early = { ...asked, today: '2026-09-29', now: at('14:00', '2026-09-29') };
    expect(mayTakeSlot(slot, early)).toBe('too-early');
    expect(mayTakeSlot(slot, { ...early, today: '2026-09-30' })).toBeNull();
  });

  it('may be no later than the host wishes, but for one that is offered on', () => {
    const ways = { ...USUAL_SLOTS, closesMinutes: 60 };
    expect(mayTakeSlot(slot, { ...asked, ways })).toBe('too-late');
    expect(mayTakeSlot({ ...slot, isOfferedOn: true }, { ...asked, ways })).toBeNull();
    expect(noSlotInWords('too-late', ways)).toBe(
      'It could be taken until 60 minutes before it begins.',
    );
  });

  it('may be as often in a week, Monday to Sunday, as the host wishes', () => {
    const theirs = [{ date: '2026-10-12' }];
    expect(mayTakeSlot(slot, { ...asked, theirs })).toBe('enough');
    expect(mayTakeSlot(slot, { ...asked, theirs: [{ date: '2026-10-11' }] })).toBeNull();
    const twice = { ...USUAL_SLOTS, most: 2 };
    expect(mayTakeSlot(slot, { ...asked, theirs, ways: twice })).toBeNull();
    const often = { ...USUAL_SLOTS, most: 0 };
    expect(mayTakeSlot(slot, { ...asked, theirs: [...theirs, ...theirs], ways: often })).toBeNull();
  });

  it('is waited for while the day’s last slot is not over', () => {
    const day = { date: '2026-10-14', end: at('15:40') };
    expect(mayWaitForSlot(day, { ...asked, now: at('15:30') })).toBeNull();
    expect(mayWaitForSlot(day, { ...asked, now: at('15:40') })).toBe('over');
  });
});

describe('slotTurn', () => {
  const slots = cutSlots({ windows: [window('14:00', '15:00')], minutes: 15, gap: 5 });
  const turn = (now: string, mine: number[], taken = [0, 1, 2], waits = false) =>
    slotTurn({ slots, taken, mine, waits, now: at(now) });

  it('says how many are before one, and when one’s own begins', () => {
    expect(turn('13:50', [2])).toEqual({ kind: 'ahead', start: at('14:40'), before: 2 });
    expect(turn('14:16', [2])).toEqual({ kind: 'ahead', start: at('14:40'), before: 1 });
    expect(turn('14:25', [2])).toEqual({ kind: 'ahead', start: at('14:40'), before: 0 });
    expect(turn('13:50', [2], [2])).toEqual({ kind: 'ahead', start: at('14:40'), before: 0 });
  });

  it('is one’s own from its start to its end, and over from then on', () => {
    expect(turn('14:20', [1])).toEqual({ kind: 'now', end: at('14:35') });
    expect(turn('14:35', [1])).toEqual({ kind: 'over' });
    expect(turn('14:35', [1, 2]).kind).toBe('ahead');
  });

  it('is none without a slot, and waiting is said', () => {
    expect(turn('14:00', [])).toEqual({ kind: 'none' });
    expect(turn('14:00', [], [0, 1, 2], true)).toEqual({ kind: 'waits' });
    expect(turn('14:00', [7])).toEqual({ kind: 'none' });
  });

  it('changes at starts, at ends, before them, and where somebody is missed', () => {
    const moments: string[] = [];
    for (let now: string | null = at('13:59'); now !== null;) {
      now = nextSlotMoment(slots.slice(0, 1), USUAL_SLOTS, now);
      if (now !== null) moments.push(now);
    }
    expect(moments).toEqual([at('14:00'), at('14:05'), at('14:13'), at('14:15')]);
  });
});

describe('a session that is cut', () => {
  const of = (breakEvery: number, breakMinutes: number, gap = 0) => ({
    minutes: 15,
    gap,
    breakEvery,
    breakMinutes,
  });
  const begins = (minutes: number, pattern: ReturnType<typeof of>): number[] =>
    slotOffsets(minutes, pattern).map(({ from }) => from);

  it('has a break in the place of the gap after every so many slots', () => {
    expect(begins(90, of(2, 10, 5))).toEqual([0, 20, 45, 65]);
    expect(begins(100, of(2, 10, 5))).toEqual([0, 20, 45, 65]);
    expect(begins(105, of(2, 10, 5))).toEqual([0, 20, 45, 65, 90]);
  });

  it('has none where either of its numbers is 0', () => {
    expect(begins(60, of(0, 10))).toEqual([0, 15, 30, 45]);
    expect(begins(60, of(2, 0))).toEqual([0, 15, 30, 45]);
  });

  it('is told as part of a sentence', () => {
    expect(slotsInWords(of(0, 0))).toBe('in slots of 15 minutes');
    expect(slotsInWords(of(0, 0, 5))).toBe('in slots of 15 minutes with 5 between');
    expect(slotsInWords(of(4, 10, 5))).toBe(
      'in slots of 15 minutes with 5 between and a break of 10 after every 4',
    );
    expect(slotsInWords(of(4, 10))).toBe('in slots of 15 minutes with a break of 10 after every 4');
  });

  it('never has slots that overlap or pass its end, with whatever breaks', () => {
    const small = fc.integer({ min: 0, max: 30 });
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 600 }),
        fc.record({
          minutes: fc.integer({ min: 2, max: 60 }),
          gap: small,
          breakEvery: small,
          breakMinutes: small,
        }),
        (minutes, pattern) => {
          const slots = slotOffsets(minutes, pattern);
          expect(slots.every(({ from, to }) => to - from === pattern.minutes)).toBe(true);
          expect(slots.every(({ from }, i) => i === 0 || from >= slots[i - 1]!.to)).toBe(true);
          expect(slots.at(-1)?.to ?? 0).toBeLessThanOrEqual(minutes);
        },
      ),
    );
  });

  it('lies where its session lies', () => {
    const slots = cutSession(window('14:40', '15:40'), of(2, 10));
    expect(slots.map(({ start }) => start)).toEqual([at('14:40'), at('14:55'), at('15:20')]);
  });
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  GUEST_COMES,
  comesAt,
  guestCountInWords,
  guestPseudonym,
  holdsAt,
  holdsForInWords,
  invitationEnded,
  readGuests,
  withoutGuest,
} from '../src/index.js';

const read = (text: string): string[] =>
  readGuests(text).guests.map(({ name, email }) => `${name}|${email}`);

describe('guests as they are typed or pasted', () => {
  // RFC 5322, 3.4 (mailbox-list) and appendix A.1.2, with our own people.
  const EXAMPLES: [string, string[]][] = [
    ['rasmus@home.example', ['|rasmus@home.example']],
    ['Rasmus Vane <Rasmus@Home.example>', ['Rasmus Vane|rasmus@home.example']],
    ['"Vane, Rasmus" <rasmus@home.example>', ['Rasmus Vane|rasmus@home.example']],
    ['Rasmus Vane\trasmus@home.example', ['Rasmus Vane|rasmus@home.example']],
    ['rasmus@home.example, Rasmus Vane', ['Rasmus Vane|rasmus@home.example']],
    ['Rasmus Vane (rasmus@home.example)', ['Rasmus Vane|rasmus@home.example']],
    ['Nia O’Dell - nia@home.example', ['Nia O’Dell|nia@home.example']],
    ['nia.o+hall@post.home.example;', ['|nia.o+hall@post.home.example']],
    [
      'Rasmus <rasmus@home.example>, Nia <nia@home.example>; ole@home.example',
      ['Rasmus|rasmus@home.example', 'Nia|nia@home.example', '|ole@home.example'],
    ],
    ['a@home.example\r\n\r\nb@home.example\n', ['|a@home.example', '|b@home.example']],
    ['a@home.example\nAda <A@home.example>', ['Ada|a@home.example']],
    ['Ölrun Ås <olrun@bat.example>', ['Ölrun Ås|olrun@bat.example']],
    ['\u202Erasmus@home.example\u0001', ['|rasmus@home.example']],
  ];
  for (const [text, wanted] of EXAMPLES)
    it(JSON.stringify(text), () => expect(read(text)).toEqual(wanted));

  it('says which lines hold no address', () => {
    expect(readGuests('Rasmus\na@home.example\nb@home').unread).toEqual([
      { line: 1, text: 'Rasmus' },
      { line: 3, text: 'b@home' },
    ]);
    // Too long, and letters that a database could take for others.
    for (const local of ['x'.repeat(70), 'ren\u00e9', '\u0130', 'stra\u00dfe'])
      expect(read(`${local}@home.example`)).toEqual([]);
  });
  it('takes out what cannot be seen, and keeps a name short', () => {
    expect(read('Ra\u202Esmus\u0000 <r@home.example>')).toEqual(['Rasmus|r@home.example']);
    expect(readGuests(`${'n'.repeat(500)} <r@home.example>`).guests[0]!.name).toHaveLength(120);
  });
  it('finds each address of any list once, in time that grows with its length', () => {
    const name = fc.stringMatching(/^[A-Z][a-z]{1,9}( [A-Z][a-z]{1,9})?$/);
    const list = fc.array(fc.tuple(name, fc.nat(40)), { maxLength: 30 });
    fc.assert(
      fc.property(list, fc.constantFrom('\n', ', ', '; '), (people, between) => {
        const text = people.map(([n, i]) => `${n} <p${i}@home.example>`).join(between);
        const wanted = [...new Set(people.map(([, i]) => `p${i}@home.example`))];
        const { guests, unread } = readGuests(text);
        expect([guests.map((guest) => guest.email), unread]).toEqual([wanted, []]);
        const first = (email: string) => people.find(([, i]) => email === `p${i}@home.example`)![0];
        for (const guest of guests) expect(guest.name).toBe(first(guest.email));
      }),
    );
    expect(read('a@'.repeat(30000))).toEqual([]);
    expect(read('a'.repeat(60000))).toEqual([]);
  });
});

describe('how a guest comes at a date', () => {
  const date = { seriesId: 3, key: '2026-11-05' };
  it('by what holds then: always, for the series, or for that date', () => {
    expect(holdsAt({ seriesId: 0, key: '' }, date)).toBe(true);
    expect(holdsAt({ seriesId: 3, key: '' }, date)).toBe(true);
    expect(holdsAt({ seriesId: 3, key: '2026-11-05' }, date)).toBe(true);
    expect(holdsAt({ seriesId: 3, key: '2026-11-12' }, date)).toBe(false);
    expect(holdsAt({ seriesId: 4, key: '' }, date)).toBe(false);
  });
  it('said in words', () => {
    const words = (seriesId: number, key: string, series: string | null = 'Knots') =>
      holdsForInWords({ seriesId, key }, { series });
    expect(words(0, '')).toBe('always');
    expect(words(3, '')).toBe('at every date of Knots');
    expect(words(3, '', null)).toBe('at every date of a series');
    expect(words(3, '2026-11-05')).toBe('on Thu 5 Nov');
  });
  it('by what allows the most, where they are invited twice', () => {
    const always = { seriesId: 0, key: '' };
    expect(comesAt([{ ...always, comes: 'watcher' }], date)).toBe('watcher');
    const twice = [
      { ...always, comes: 'watcher' as const },
      { ...date, comes: 'speaker' as const },
    ];
    expect(comesAt(twice, date)).toBe('speaker');
    expect(comesAt(twice, { ...date, key: '2026-11-12' })).toBe('watcher');
    expect(comesAt([{ ...date, comes: 'inside' }], { seriesId: 3, key: '' })).toBeUndefined();
  });
  it('never more than an invitation says', () => {
    const comes = fc.constantFrom(...GUEST_COMES);
    const invitation = fc.record({
      seriesId: fc.constantFrom(0, 3, 4),
      key: fc.constantFrom('', '2026-11-05', '2026-11-12'),
      comes,
    });
    fc.assert(
      fc.property(fc.array(invitation, { maxLength: 5 }), (invitations) => {
        const at = comesAt(invitations, date);
        const then = invitations.filter((one) => holdsAt(one, date)).map((one) => one.comes);
        if (at === undefined) expect(then).toEqual([]);
        else expect(then).toContain(at);
      }),
    );
  });
});

describe('a guest list', () => {
  it('says how many are expected, and what they said', () => {
    const said = (yes: number, no: number, silent: number) => [
      ...Array<{ said: 'yes' }>(yes).fill({ said: 'yes' }),
      ...Array<{ said: 'no' }>(no).fill({ said: 'no' }),
      ...Array<{ said: null }>(silent).fill({ said: null }),
    ];
    expect(guestCountInWords([])).toBe('');
    expect(guestCountInWords(said(43, 0, 17))).toBe('We expect 60; 43 said yes.');
    expect(guestCountInWords(said(43, 5, 12))).toBe('We expect 55; 43 said yes, 5 said no.');
    expect(guestCountInWords(said(0, 0, 2))).toBe('We expect 2; nobody has said yes or no yet.');
  });
  it('ends by itself some days after its last session, and not before one', () => {
    const since = '2026-11-19T00:00:00Z';
    expect(invitationEnded('2026-11-05T23:00:00Z', since)).toBe(true);
    expect(invitationEnded('2026-11-20T23:00:00Z', since)).toBe(false);
    expect(invitationEnded(null, since)).toBe(false);
  });
  it('takes a guest out of what was kept, wherever they stand in it, and nobody else', () => {
    const gone = guestPseudonym(17);
    const [ada, bo] = [
      { email: 'ada@home.example', name: 'Ada', comes: 'inside' },
      { email: 'bo@home.example', name: 'Bo', comes: 'speaker' },
    ];
    const kept = { name: 'Ada', guests: [ada, bo], emails: [ada!.email, 7, null] };
    expect(withoutGuest(kept, ada!.email, gone)).toEqual({
      name: 'Ada',
      guests: [{ ...ada, ...gone }, bo],
      emails: [gone.email, 7, null],
    });
    expect(withoutGuest(ada!.email, ada!.email, gone)).toBe(gone.email);
    expect(withoutGuest(kept, 'cy@home.example', gone)).toEqual(kept);
  });
  it('keeps a number in the place of who has gone', () => {
    expect(guestPseudonym(17)).toEqual({ name: 'Guest 17', email: 'guest-17@ended.invalid' });
  });
});

import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import {
  INVITATION_PARTS,
  howToGetIn,
  offeredParts,
  renderInvitation,
  reviewInvitation,
  sessionIcs,
  type IcsSession,
  type InvitationFacts,
} from '../src/index.js';
import { lesson } from './school.js';

const facts: InvitationFacts = {
  title: 'Coastal Navigation, period 3',
  host: 'Ottoline Marsh',
  address: 'https://glen.merrow.example/door/heron-7k3m9qvd2xt',
  linkWords: 'Coastal Navigation, Wednesday 10:45',
  when: { date: '2026-10-14', time: '10:45', minutes: 50, zone: 'America/Halifax' },
  rules: { ...lesson, entryCode: 'Tide 42' },
  phoneNumber: '+1 902 555 0142',
};

describe('an invitation', () => {
  it('as plain text, whole: the address is spelled out once', () => {
    expect(renderInvitation(INVITATION_PARTS, facts, 'text')).toBe(
      [
        'Coastal Navigation, Wednesday 10:45:',
        'https://glen.merrow.example/door/heron-7k3m9qvd2xt',
        '',
        'Wednesday, 14 October 2026, 10:45 to 11:35 (school time, Halifax)',
        '',
        'Entry code: Tide 42',
        '',
        'Follow the link. Sign in with your school account; the door knows the class’s list. The door asks for a code. The door opens 5 minutes before, once Ottoline Marsh is there. You wait in the lobby until you are let in.',
      ].join('\n'),
    );
  });
  it('as words with a link, and in Markdown', () => {
    expect(renderInvitation(['words'], facts, 'html')).toBe(
      '<p><a href="https://glen.merrow.example/door/heron-7k3m9qvd2xt" target="_blank" rel="noopener noreferrer">Coastal Navigation, Wednesday 10:45</a></p>',
    );
    expect(renderInvitation(['words', 'code'], facts, 'markdown')).toBe(
      '[Coastal Navigation, Wednesday 10:45](https://glen.merrow.example/door/heron-7k3m9qvd2xt)\n\nEntry code: Tide 42',
    );
    expect(renderInvitation(['address'], facts, 'text')).toBe(facts.address);
  });
  it('offers only what there is to say', () => {
    expect(offeredParts(facts)).toEqual(['words', 'when', 'address', 'code', 'howTo']);
    expect(offeredParts({ ...facts, when: null, rules: { ...lesson, phone: 'lobby' } })).toEqual([
      'words',
      'address',
      'howTo',
      'phone',
    ]);
    expect(
      offeredParts({ ...facts, phoneNumber: null, rules: { ...lesson, phone: 'lobby' } }),
    ).not.toContain('phone');
  });
  it('each part can be left out, and what is left out is not in it', () => {
    fc.assert(
      fc.property(
        fc.subarray([...INVITATION_PARTS]),
        fc.constantFrom('html', 'text', 'markdown'),
        (parts, medium) => {
          const sent = renderInvitation(parts, facts, medium as 'text');
          expect(sent.includes('Tide 42')).toBe(parts.includes('code'));
          expect(sent.includes('14 October')).toBe(parts.includes('when'));
          expect(/heron/.test(sent)).toBe(parts.includes('words') || parts.includes('address'));
        },
      ),
    );
  });
  it('holds no markup that somebody typed', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), (linkWords, host) => {
        const html = renderInvitation(
          INVITATION_PARTS,
          { ...facts, linkWords: `<script>${linkWords}`, host: `<img>${host}` },
          'html',
        );
        expect(
          html.replace(
            /<\/?p>|<br>|<a href="[^"<>]*" target="_blank" rel="noopener noreferrer">|<\/a>/g,
            '',
          ),
        ).not.toMatch(/<[a-z/]/i);
      }),
    );
  });
  it('says how to get in as the rules are', () => {
    expect(
      howToGetIn(
        {
          ...lesson,
          whoMayEnter: 'anyone',
          straightIn: 'everyone',
          opensBefore: 0,
          withoutHost: true,
        },
        '',
      ),
    ).toBe(
      'Follow the link. No sign-in is needed; say who you are at the door. The door opens on time. You go straight in.',
    );
    expect(howToGetIn({ ...lesson, straightIn: 'roll' }, 'A host')).toMatch(
      /You go straight in\.$/,
    );
    expect(howToGetIn({ ...lesson, whoMayEnter: 'school', straightIn: 'roll' }, 'A host')).toMatch(
      /You wait in the lobby/,
    );
  });
});

describe('before an invitation is sent', () => {
  it('warns of a code about to stand in public, and of one left out', () => {
    expect(reviewInvitation(INVITATION_PARTS, facts, 'public')[0]).toMatchObject({
      severity: 'wrong',
      actions: [{ name: 'leave-out-code' }],
    });
    expect(reviewInvitation(INVITATION_PARTS, facts, 'class')).toEqual([]);
    expect(reviewInvitation(['words'], facts, 'class')[0]).toMatchObject({
      severity: 'careful',
      actions: [{ name: 'put-in-code' }],
    });
    expect(reviewInvitation(['words'], { ...facts, rules: lesson }, 'public')).toEqual([]);
    expect(
      reviewInvitation(
        ['words'],
        { ...facts, rules: { ...lesson, whoMayEnter: 'anyone', straightIn: 'everyone' } },
        'public',
      )[0]!.title,
    ).toBe('Strangers will walk in');
  });
});

describe('a session as a calendar file', () => {
  const session: IcsSession = {
    uid: 'session-12-2026-10-14@glen.merrow.example',
    sequence: 3,
    title: 'Charts; tides, and more',
    description: 'Bring dividers,\nand a pencil; soft.',
    start: '2026-10-14T13:45:00Z',
    end: '2026-10-14T14:35:00Z',
    cancelled: false,
    address: facts.address,
    madeAt: '2026-10-14T13:31:00Z',
  };
  it('is read back the same by the library, and every line by hand within RFC 5545 §3.1', () => {
    const text = sessionIcs(session);
    const event = new ICAL.Event(
      new ICAL.Component(ICAL.parse(text) as never).getFirstSubcomponent('vevent')!,
    );
    expect(event.uid).toBe(session.uid);
    expect(event.sequence).toBe(3);
    expect(event.summary).toBe(session.title);
    expect(event.startDate.toJSDate().toISOString()).toBe('2026-10-14T13:45:00.000Z');
    expect(event.endDate.toJSDate().toISOString()).toBe('2026-10-14T14:35:00.000Z');
    for (const line of text.split('\r\n'))
      expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
    const unfolded = text.replace(/\r\n[ \t]/g, '');
    expect(unfolded).toContain('DTSTART:20261014T134500Z\r\n');
    expect(unfolded).toContain(`URL:${facts.address}\r\n`);
    expect(unfolded).toMatch(
      /CONFERENCE;.*FEATURE=VIDEO.*:https:\/\/glen\.merrow\.example\/door\/heron-7k3m9qvd2xt\r\n/,
    );
    expect(unfolded).toContain('SUMMARY:Charts\\; tides\\, and more\r\n');
    expect(unfolded).toContain('STATUS:CONFIRMED\r\n');
  });
  it('carries the entry code where it was asked for, and not else', () => {
    expect(sessionIcs({ ...session, entryCode: 'Tide 42' })).toContain('Entry code: Tide 42');
    expect(sessionIcs(session)).not.toContain('code');
  });
  it('says when it is cancelled', () =>
    expect(sessionIcs({ ...session, cancelled: true })).toContain('STATUS:CANCELLED'));
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  SIGNERS,
  checkShutWays,
  mapClaims,
  matchSignOn,
  mayUseWay,
  mayVouch,
  ownPath,
  passkeyHost,
  signersOf,
  waysFor,
  type KnownAccount,
  type WayIn,
} from '../src/index.js';

const school = { id: 'school', kind: 'school' as const };
const home = { id: 'home', kind: 'personal' as const };

const signe: KnownAccount = {
  id: 7,
  kind: 'school',
  email: 'signe@merrow.example',
  roles: ['teacher'],
  isRetired: false,
  isBound: false,
};
const claims = {
  subject: 'abc',
  email: 'signe@merrow.example',
  isProven: true,
  name: 'Signe Aalto',
};
const ask = (more: Partial<Parameters<typeof matchSignOn>[0]> = {}) =>
  matchSignOn({
    provider: school,
    claims,
    bySubject: null,
    byAddress: null,
    shut: {},
    mapped: [],
    ...more,
  });

describe('whose account somebody comes in by who signed on', () => {
  it('is the one bound to the subject, whatever address is claimed now', () => {
    const bySubject = { ...signe, isBound: true };
    expect(ask({ bySubject, byAddress: bySubject })).toEqual({
      as: 'bound',
      accountId: 7,
      newAddress: null,
    });
    const moved = { ...claims, email: 'aalto@merrow.example' };
    expect(ask({ bySubject, claims: moved })).toMatchObject({ newAddress: moved.email });
    expect(ask({ bySubject, claims: { ...moved, isProven: false } })).toMatchObject({
      newAddress: null,
    });
    const others = { ...signe, id: 8, email: moved.email };
    expect(ask({ bySubject, claims: moved, byAddress: others })).toEqual({
      as: 'bound',
      accountId: 7,
      newAddress: null,
    });
  });
  it('is the one whose address is proven, and is bound from then on', () => {
    expect(ask({ byAddress: signe })).toEqual({ as: 'to-bind', accountId: 7 });
    const unproven = { ...claims, isProven: false };
    expect(ask({ byAddress: signe, claims: unproven })).toEqual({
      as: 'refused',
      why: 'not-proven',
    });
  });
  it('is nobody’s where the address is another’s at the provider by now, or of another kind', () => {
    expect(ask({ byAddress: { ...signe, isBound: true } })).toEqual({
      as: 'refused',
      why: 'other-subject',
    });
    expect(ask({ provider: home, byAddress: signe })).toEqual({ as: 'refused', why: 'other-kind' });
  });
  it('is nobody’s who is retired, or to whom the school shuts the way', () => {
    const shut = { staff: ['sign-on:school' as const] };
    expect(ask({ byAddress: { ...signe, isRetired: true } })).toEqual({
      as: 'refused',
      why: 'retired',
    });
    expect(ask({ byAddress: signe, shut })).toEqual({ as: 'refused', why: 'way-shut' });
    expect(ask({ bySubject: signe, shut })).toEqual({ as: 'refused', why: 'way-shut' });
  });
  it('is a new home account by a private provider; by the school’s own only as its map says', () => {
    const email = 'kit@home.example';
    expect(ask({ provider: home, claims: { ...claims, email, name: ' Kit\u202e Ray ' } })).toEqual({
      as: 'new',
      name: 'Kit Ray',
      email,
      roles: ['guest'],
    });
    expect(ask()).toEqual({ as: 'refused', why: 'unknown' });
    expect(ask({ mapped: ['student'] })).toMatchObject({ as: 'new', roles: ['student'] });
    expect(ask({ claims: { ...claims, email: null } })).toEqual({
      as: 'refused',
      why: 'no-address',
    });
  });
  it('is called by no more of a name than is kept, however much is claimed', () => {
    const email = 'kit@home.example';
    for (const name of ['a'.repeat(5000), '🌊'.repeat(500), ' '.repeat(300)]) {
      const match = ask({ provider: home, claims: { ...claims, email, name } });
      expect(match.as === 'new' && match.name.length).toBeLessThanOrEqual(120);
      expect(match.as === 'new' && match.name).not.toBe('');
    }
  });
  it('is never somebody’s by an address that was not proven', () => {
    const someone = fc.record({
      id: fc.constant(1),
      kind: fc.constantFrom('school' as const, 'personal' as const),
      email: fc.constant('a@merrow.example'),
      roles: fc.subarray(['teacher', 'student', 'head', 'guest'] as const),
      isRetired: fc.boolean(),
      isBound: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.option(someone), fc.constantFrom(school, home), (byAddress, provider) => {
        const roles = byAddress && { ...byAddress, roles: [...byAddress.roles] };
        const unproven = { ...claims, isProven: false };
        const match = ask({ provider, byAddress: roles, claims: unproven, mapped: ['head'] });
        expect(match.as).toBe('refused');
      }),
    );
  });
});

describe('ways in', () => {
  it('are the school’s provider for school accounts, the private one for home accounts', () => {
    expect(waysFor('staff', [school, home])).toEqual(['password', 'passkey', 'sign-on:school']);
    expect(waysFor('guests', [school, home])).toEqual(['password', 'passkey', 'sign-on:home']);
    expect(signersOf('personal', ['teacher'])).toBe('guests');
    expect(signersOf('school', ['student'])).toBe('students');
    expect(signersOf('school', ['guest', 'head'])).toBe('staff');
  });
  it('are never shut altogether, nor the one that whoever shuts them came in by', () => {
    const there = { providers: [school], used: 'password' as WayIn };
    const check = (shut: Parameters<typeof checkShutWays>[0]) => () => checkShutWays(shut, there);
    expect(check({ students: ['password'] })).not.toThrow();
    expect(check({ students: ['password', 'sign-on:school'] })).toThrow(/students one way in/);
    expect(check({ guests: ['password'] })).toThrow(/guests and home accounts/);
    expect(check({ staff: ['password'] })).toThrow(/came in this way yourself/);
    expect(() =>
      checkShutWays({ staff: ['password'] }, { ...there, used: 'sign-on:school' }),
    ).not.toThrow();
  });
  it('leave everybody one that works, whatever is shut and allowed to be', () => {
    const ways = fc.subarray<WayIn>(['password', 'passkey', 'sign-on:school', 'sign-on:home']);
    const shut = fc.record({ staff: ways, students: ways, guests: ways });
    fc.assert(
      fc.property(shut, (asked) => {
        const providers = [school, home];
        try {
          checkShutWays(asked, { providers, used: null });
        } catch {
          return;
        }
        for (const who of SIGNERS)
          expect(waysFor(who, providers).some((way) => mayUseWay(asked, who, way))).toBe(true);
      }),
    );
  });
});

describe('what the school makes of claims', () => {
  const rules = [
    { provider: 'school', claim: 'groups', value: 'crew', role: 'student' as const, classIds: [3] },
    {
      provider: 'school',
      claim: 'groups',
      value: 'year 9',
      role: 'student' as const,
      classIds: [4],
    },
    { provider: 'school', claim: 'staff', value: 'true', role: 'teacher' as const, classIds: [] },
  ];
  it('is what its rules say of what is claimed, each once', () => {
    expect(mapClaims(rules, 'school', { groups: ['crew', 'year 9'], staff: true })).toEqual({
      roles: ['student', 'teacher'],
      classIds: [3, 4],
    });
    expect(mapClaims(rules, 'school', { groups: 'crew' })).toEqual({
      roles: ['student'],
      classIds: [3],
    });
  });
  it('is nothing of what another provider claims, or of odd claims', () => {
    expect(mapClaims(rules, 'home', { groups: ['crew'] }).roles).toEqual([]);
    for (const groups of [null, {}, [['crew']], { crew: true }, 'crews'])
      expect(mapClaims(rules, 'school', { groups }).roles).toEqual([]);
    const odd = [{ ...rules[0]!, claim: 'toString', value: '' }];
    expect(mapClaims(odd, 'school', {}).roles).toEqual([]);
  });
});

describe('where somebody is sent after signing in', () => {
  it('is the page they came from', () => {
    expect(ownPath('/door/heron-7k3m9qvd2xt?try=1')).toBe('/door/heron-7k3m9qvd2xt?try=1');
    expect(ownPath('/plan/new')).toBe('/plan/new');
  });
  it('is never another site’s, nor what is no page', () => {
    const away = [
      'https://elsewhere.example/',
      '//elsewhere.example',
      '/\\elsewhere.example',
      '\\/elsewhere.example',
      '/\t/elsewhere.example',
      ' /today',
      'javascript:alert(1)',
      '/api/sign-out',
      '/sign-on/school/back?code=1',
      '',
      `/${'a'.repeat(600)}`,
    ];
    for (const asked of [...away, null, undefined]) expect(ownPath(asked)).toBe('/');
  });
  it('stays on this site as browsers read it (WHATWG URL)', () => {
    const pieces = fc.constantFrom(
      '/',
      '\\',
      '.',
      ':',
      '@',
      'a',
      '\t',
      '\n',
      '?',
      '#',
      'http',
      '%2f',
    );
    fc.assert(
      fc.property(fc.array(pieces, { maxLength: 8 }), (parts) => {
        const url = new URL(ownPath(parts.join('')), 'https://glen.example');
        expect(url.origin).toBe('https://glen.example');
      }),
    );
  });
});

describe('passkeys are bound to', () => {
  it('a domain that is reached safely, or this very machine by its name', () => {
    expect(passkeyHost('https://glen.merrow.example')).toBe('glen.merrow.example');
    expect(passkeyHost('https://Glen.Merrow.example:8443/')).toBe('glen.merrow.example');
    expect(passkeyHost('http://localhost:4800')).toBe('localhost');
  });
  it('nothing where people type a number, or where anybody can read along', () => {
    for (const address of [
      'http://127.0.0.1:4800',
      'https://192.0.2.7',
      'https://[::1]:8080',
      'http://glen.merrow.example',
      'nonsense',
    ])
      expect(passkeyHost(address)).toBeNull();
  });
});

describe('a host’s word is enough for a guest’s address', () => {
  const hosted = new Set([3, 4]);
  const owner = {
    kind: 'personal' as const,
    roles: ['guest' as const],
    hasWayIn: false,
    isMore: false,
  };
  const vouch = (asked: Partial<Parameters<typeof mayVouch>[0]>): boolean =>
    mayVouch({ owner, invitedBy: [3], hosted, isMailed: false, ...asked });
  const MORE = [
    { hasWayIn: true },
    { kind: 'school' as const },
    { roles: ['guest', 'student'] as const },
  ];

  it('that is nobody’s yet, or whose owner is a guest of theirs and nothing else', () => {
    expect(vouch({ owner: null })).toBe(true);
    expect(vouch({ invitedBy: [3, 4] })).toBe(true);
  });
  it('and not where its owner is another’s guest, has a way in, or is more than a guest', () => {
    expect(vouch({ invitedBy: [3, 5] })).toBe(false);
    expect(vouch({ owner: null, invitedBy: [5] })).toBe(false);
    for (const more of [{ isMore: true }, ...MORE])
      expect(vouch({ owner: { ...owner, ...more } })).toBe(false);
  });
  it('or that was written to the mailbox itself, whoever else invites them, unless they have a way in', () => {
    expect(vouch({ isMailed: true, owner: null, invitedBy: [5] })).toBe(true);
    expect(vouch({ isMailed: true, owner: { ...owner, isMore: true }, invitedBy: [3, 5] })).toBe(
      true,
    );
    for (const more of MORE)
      expect(vouch({ isMailed: true, owner: { ...owner, ...more } })).toBe(false);
  });
});

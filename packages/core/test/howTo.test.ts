import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  decideEntry,
  howTo,
  resolveRules,
  type EntryRules,
  type HowToFacts,
} from '../src/index.js';
import { schoolRules } from '../../../demo/school.js';

const rules = (own: Partial<EntryRules> = {}): EntryRules =>
  resolveRules([
    { scope: 'school', rules: schoolRules },
    { scope: 'class', rules: own },
  ]).rules;
const page = (own: Partial<EntryRules> = {}, more: Partial<HowToFacts> = {}): string =>
  JSON.stringify(
    howTo({
      rules: rules(own),
      host: 'Ottoline Marsh',
      classTitle: 'Ropework, period 5',
      label: null,
      pastedRoom: false,
      ...more,
    }),
  );

describe('howTo', () => {
  it('says what the rules say', () => {
    expect(page({ opensBefore: 5, whoMayEnter: 'roll', straightIn: 'hosts' })).toContain(
      'The door opens 5 minutes before it begins, once Ottoline Marsh is there.',
    );
    expect(page({ straightIn: 'hosts' })).toContain('Before the room there is a lobby');
    expect(page({ whoMayEnter: 'roll', straightIn: 'roll' })).toContain('goes straight in');
    expect(page({ whoMayEnter: 'anyone', straightIn: 'everyone', mayUnmute: false })).toMatch(
      /You need not sign in.+You arrive muted, and stay so/,
    );
    expect(page({ whoMayEnter: 'anyone' })).not.toContain('needs your school account');
  });
  it('asks for the entry code and never gives it', () => {
    const withCode = page({ entryCode: 'gull-77' });
    expect(withCode).toContain('Type the entry code.');
    expect(withCode).not.toContain('gull-77');
  });
  it('says where the chat is kept, and only where there is one', () => {
    const kept = { keepsChat: true };
    expect(page({ chat: true }, kept)).toContain('the chat is kept after the session');
    expect(page({ chat: true })).not.toContain('the chat is kept');
    expect(page({ chat: false }, kept)).not.toContain('the chat is kept');
  });
  it('says how slots go, and not that anybody goes straight in', () => {
    const inSlots = page({ straightIn: 'roll' }, { inSlots: true });
    expect(inSlots).toContain('Take a slot beforehand');
    expect(inSlots).not.toContain('goes straight in');
    expect(page({ straightIn: 'roll' })).toContain('"slots":null');
  });
  it('promises nothing of a room that Glen cannot look into', () => {
    const pasted = page({ arriveMuted: true }, { pastedRoom: true });
    expect(pasted).not.toMatch(/You arrive muted|Try your camera/);
    expect(pasted).toContain('Come in with camera and microphone off');
    expect(page({ arriveMuted: true })).toMatch(/You arrive muted.+Try your camera/);
  });
  it('says why a link is not the class’s own', () => {
    expect(page()).toContain('"differs":null');
    expect(page({}, { label: 'Port watch' })).toContain(
      'This is not the link of the whole class. “Port watch” is only for those it was given to',
    );
  });
  it('promises straight in exactly where the door lets a student of the roll straight in', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('roll' as const, 'school' as const),
        fc.constantFrom(
          'hosts' as const,
          'presenters' as const,
          'roll' as const,
          'school' as const,
          'everyone' as const,
        ),
        (whoMayEnter, straightIn) => {
          const visitor = {
            account: 'school' as const,
            host: false,
            staff: false,
            named: false,
            onRoll: true,
            invited: false,
            letIn: false,
            watchOnly: false,
            removed: false,
          };
          const door = {
            link: 'live' as const,
            opens: '2026-10-14T13:00:00Z',
            closes: '2026-10-14T14:00:00Z',
            openedByHost: true,
            hostInside: true,
            ended: false,
            inside: 1,
          };
          const { outcome } = decideEntry({
            rules: rules({ whoMayEnter, straightIn }),
            visitor,
            door,
            now: '2026-10-14T13:30:00Z',
          });
          const promised = howTo({
            rules: rules({ whoMayEnter, straightIn }),
            host: 'O',
            classTitle: 'R',
            label: null,
            pastedRoom: false,
          }).lobby.startsWith('There is no waiting');
          // Where any school account may enter, the page is read by those who are not on the roll too, and promises less.
          if (promised) expect(outcome).toBe('enter');
          if (outcome === 'lobby') expect(promised).toBe(false);
        },
      ),
    );
  });
});

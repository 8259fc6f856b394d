import type { EntryRules } from './rules.js';

/**
 * The entry rules that a school begins with: the roll comes in through the lobby, muted, and only hosts go straight in.
 * Common practice, no published source: whatever could let a stranger in unseen is off.
 */
export const FIRST_RULES: EntryRules = {
  whoMayEnter: 'roll',
  straightIn: 'hosts',
  withoutHost: false,
  opensBefore: 5,
  closesAfter: 0,
  entryCode: null,
  watching: false,
  phone: 'none',
  capacity: 100,
  presenters: 'named',
  arriveMuted: true,
  mayUnmute: true,
  camera: 'choice',
  hostCamera: 'choice',
  sharing: 'presenters',
  chat: true,
  chime: true,
  recording: 'off',
};

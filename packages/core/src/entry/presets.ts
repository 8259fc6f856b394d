import { resolveRules, type RuleLayer } from './resolveRules.js';
import type { RuleSetting } from './reviewRules.js';
import { RULE_FIELDS, type EntryRules, type RuleField } from './rules.js';

/** As large as the rules count a room: how many it holds in truth is the service's to say. */
const LARGEST_ROOM = 1000;

/** A named set of rules for one purpose. What it does not name stays as it is. */
export interface Preset {
  name: string;
  what: string;
  kind: RuleSetting['kind'];
  rules: Partial<EntryRules>;
}

/** What each purpose wants, as teachers set it (common practice, no published source). */
export const PRESETS = {
  lesson: {
    name: 'Lesson',
    what: 'The roll comes in through the lobby; hosts and named people present.',
    kind: 'lesson',
    rules: {
      whoMayEnter: 'roll',
      straightIn: 'presenters',
      withoutHost: false,
      watching: false,
      presenters: 'named',
      arriveMuted: true,
      mayUnmute: true,
      sharing: 'presenters',
    },
  },
  'one-to-one': {
    name: 'One-to-one',
    what: 'Private: everyone else waits until they are let in.',
    kind: 'one-to-one',
    rules: {
      whoMayEnter: 'roll',
      straightIn: 'hosts',
      withoutHost: false,
      watching: false,
      presenters: 'everyone',
      arriveMuted: false,
      mayUnmute: true,
      sharing: 'everyone',
      chime: true,
    },
  },
  help: {
    name: 'Help session',
    what: 'The roll walks straight in; the host presents.',
    kind: 'help',
    rules: {
      whoMayEnter: 'roll',
      straightIn: 'roll',
      withoutHost: false,
      opensBefore: 0,
      presenters: 'hosts',
      arriveMuted: true,
      mayUnmute: true,
      sharing: 'presenters',
    },
  },
  parents: {
    name: 'Parents by appointment',
    what: 'Any signed-in account may knock; each is let in when it is their turn.',
    kind: 'one-to-one',
    rules: {
      whoMayEnter: 'signed-in',
      straightIn: 'hosts',
      withoutHost: false,
      watching: false,
      presenters: 'named',
      arriveMuted: false,
      mayUnmute: true,
      sharing: 'presenters',
    },
  },
  evening: {
    name: 'Open evening',
    what: 'No lobby and no sign-in; muted on arrival, cameras as people like, nothing recorded, as many as the room holds.',
    kind: 'event',
    rules: {
      whoMayEnter: 'anyone',
      straightIn: 'everyone',
      withoutHost: false,
      opensBefore: 15,
      presenters: 'named',
      capacity: LARGEST_ROOM,
      arriveMuted: true,
      mayUnmute: true,
      camera: 'choice',
      hostCamera: 'choice',
      sharing: 'hosts',
      chime: false,
      recording: 'off',
    },
  },
  project: {
    name: 'Project group',
    what: 'Its members meet whenever they like, without a teacher too.',
    kind: 'project',
    rules: {
      whoMayEnter: 'roll',
      straightIn: 'everyone',
      withoutHost: true,
      presenters: 'everyone',
      arriveMuted: false,
      mayUnmute: true,
      sharing: 'everyone',
    },
  },
} as const satisfies Record<string, Preset>;

export type PresetName = keyof typeof PRESETS;
export const PRESET_NAMES = Object.keys(PRESETS) as PresetName[];

/** One line that a preset would change: from what to what; `locked` where the school has fixed it and it stays. */
export interface PresetChange {
  field: RuleField;
  from: EntryRules[RuleField];
  to: EntryRules[RuleField];
  locked: boolean;
}

/**
 * What a preset would change in force if the last layer took it on, in the interface's order, and the rules that the layer
 * would then have. Fields that the school has locked stay as they are and are not put into the layer.
 */
export function presetChanges(
  layers: RuleLayer[],
  preset: PresetName,
): { changes: PresetChange[]; rules: Partial<EntryRules> } {
  const { rules: before, locked } = resolveRules(layers);
  const wished: Partial<EntryRules> = PRESETS[preset].rules;
  const own = layers.at(-1)!.rules;
  const fields = RULE_FIELDS.filter((field) => wished[field] !== undefined);
  const free = fields.filter((field) => !locked.includes(field));
  return {
    changes: fields
      .filter((field) => wished[field] !== before[field])
      .map((field) => ({
        field,
        from: before[field],
        to: wished[field]!,
        locked: locked.includes(field),
      })),
    rules: { ...own, ...Object.fromEntries(free.map((field) => [field, wished[field]])) },
  };
}

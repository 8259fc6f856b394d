import type { EntryRules, RuleField } from '@glen/core';

/** A rule that offers a list, in the words that stand in the sentence. */
type Words<F extends RuleField> = {
  field: F;
  label: string;
  choices: { value: EntryRules[F]; label: string }[];
};

const words = <F extends RuleField>(
  field: F,
  label: string,
  choices: [EntryRules[F], string][],
): Words<F> => ({
  field,
  label,
  choices: choices.map(([value, text]) => ({ value, label: text })),
});

const minutes = (before: string): [number, string][] =>
  [0, 5, 10, 15, 30, 60, 120].map((n) => [n, n === 0 ? `on time` : `${n} min ${before}`]);

const CAMERAS: [EntryRules['camera'], string][] = [
  ['off', 'off'],
  ['choice', 'as they like'],
  ['on', 'on'],
];

/** Every rule that is chosen from a list, with its words. */
export const RULE_WORDS = {
  opensBefore: words('opensBefore', 'When the door opens', minutes('before')),
  withoutHost: words('withoutHost', 'Whether people may be in without a host', [
    [false, 'once a host is in'],
    [true, 'even without a host'],
  ]),
  whoMayEnter: words('whoMayEnter', 'Who may enter', [
    ['invited', 'Invited people'],
    ['roll', 'The roll'],
    ['school', 'Anyone of the school'],
    ['signed-in', 'Anyone signed in'],
    ['anyone', 'Anyone with the link'],
  ]),
  straightIn: words('straightIn', 'Who goes straight in', [
    ['hosts', 'only hosts'],
    ['presenters', 'hosts and presenters'],
    ['roll', 'the roll'],
    ['school', 'anyone of the school'],
    ['everyone', 'everyone'],
  ]),
  phone: words('phone', 'Phone callers', [
    ['none', 'not let in'],
    ['lobby', 'wait in the lobby'],
    ['straight-in', 'straight in'],
  ]),
  watching: words('watching', 'Watching only', [
    [false, 'no watch-only way in'],
    [true, 'a watch-only way in'],
  ]),
  presenters: words('presenters', 'Who presents', [
    ['hosts', 'Only hosts'],
    ['named', 'Hosts and named people'],
    ['staff', 'Hosts and the school’s staff'],
    ['everyone', 'Everyone'],
  ]),
  arriveMuted: words('arriveMuted', 'Microphones on arrival', [
    [true, 'muted'],
    [false, 'with microphone on'],
  ]),
  mayUnmute: words('mayUnmute', 'Whether people may switch their microphone on', [
    [true, 'may speak'],
    [false, 'may not speak'],
  ]),
  camera: words('camera', 'Cameras of the others', CAMERAS),
  hostCamera: words('hostCamera', 'Cameras of hosts', CAMERAS),
  sharing: words('sharing', 'Who shares a screen', [
    ['hosts', 'hosts'],
    ['presenters', 'presenters'],
    ['everyone', 'everyone'],
  ]),
  chat: words('chat', 'Chat', [
    [true, 'on'],
    [false, 'off'],
  ]),
  chime: words('chime', 'Comings and goings', [
    [true, 'announced'],
    [false, 'not announced'],
  ]),
  recording: words('recording', 'Recording', [
    ['off', 'off'],
    ['by-host', 'when a host starts it'],
    ['from-start', 'from the start'],
  ]),
  closesAfter: words('closesAfter', 'When the door shuts', [
    [0, 'at the end'],
    ...[5, 10, 15, 30, 60, 120].map((n): [number, string] => [n, `${n} min after the end`]),
  ]),
} as const;

export type ListedRule = keyof typeof RULE_WORDS;

/** A value in its words; a number that no list offers in minutes. */
export function valueInWords(field: RuleField, value: EntryRules[RuleField]): string {
  if (field === 'entryCode') return value === null ? 'none' : String(value);
  if (field === 'capacity') return `${String(value)} people`;
  const listed = RULE_WORDS[field as ListedRule].choices as { value: unknown; label: string }[];
  return listed.find((c) => c.value === value)?.label ?? `${String(value)} min`;
}

export const RULE_NAMES: Record<RuleField, string> = {
  ...(Object.fromEntries(
    Object.entries(RULE_WORDS).map(([field, w]) => [field, w.label]),
  ) as Record<ListedRule, string>),
  entryCode: 'The entry code',
  capacity: 'How many fit in',
};

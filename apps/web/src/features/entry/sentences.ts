import type { EntryRules, RuleField } from '@glen/core';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

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
  [0, 5, 10, 15, 30, 60, 120].map((n) => [
    n,
    n === 0 ? say.onTime : fill(say.nMinBefore, { n, before }),
  ]);

const CAMERAS: [EntryRules['camera'], string][] = [
  ['off', 'off'],
  ['choice', say.asTheyLike],
  ['on', 'on'],
];

/** Every rule that is chosen from a list, with its words. */
export const RULE_WORDS = {
  opensBefore: words('opensBefore', say.whenTheDoorOpens, minutes('before')),
  withoutHost: words('withoutHost', say.whetherPeopleMay, [
    [false, say.onceAHostIsIn],
    [true, say.evenWithoutAHost],
  ]),
  whoMayEnter: words('whoMayEnter', say.whoMayEnter, [
    ['invited', say.invitedPeople],
    ['roll', say.theRoll],
    ['school', say.anyoneOfTheSchool],
    ['signed-in', say.anyoneSignedIn],
    ['anyone', say.anyoneWithTheLink],
  ]),
  straightIn: words('straightIn', say.whoGoesStraightIn, [
    ['hosts', say.onlyHosts],
    ['presenters', say.hostsAndPresenters],
    ['roll', say.theRollWithin],
    ['school', say.anyoneOfTheSchoolWithin],
    ['everyone', 'everyone'],
  ]),
  phone: words('phone', say.phoneCallers, [
    ['none', say.notLetIn],
    ['lobby', say.waitInTheLobby],
    ['straight-in', say.straightIn],
  ]),
  watching: words('watching', say.watchingOnly, [
    [false, say.noWatchOnlyWayIn],
    [true, say.aWatchOnlyWayIn],
  ]),
  presenters: words('presenters', say.whoPresents, [
    ['hosts', say.onlyHostsTitle],
    ['named', say.hostsAndNamedPeople],
    ['staff', say.hostsAndTheSchoolsStaff],
    ['everyone', say.everyone],
  ]),
  arriveMuted: words('arriveMuted', say.microphonesOnArrival, [
    [true, 'muted'],
    [false, say.withMicrophoneOn],
  ]),
  mayUnmute: words('mayUnmute', say.whetherPeopleMaySwitch, [
    [true, say.maySpeak],
    [false, say.mayNotSpeak],
  ]),
  camera: words('camera', say.camerasOfTheOthers, CAMERAS),
  hostCamera: words('hostCamera', say.camerasOfHosts, CAMERAS),
  sharing: words('sharing', say.whoSharesAScreen, [
    ['hosts', 'hosts'],
    ['presenters', 'presenters'],
    ['everyone', 'everyone'],
  ]),
  chat: words('chat', say.chat, [
    [true, 'on'],
    [false, 'off'],
  ]),
  chime: words('chime', say.comingsAndGoings, [
    [true, 'announced'],
    [false, say.notAnnounced],
  ]),
  recording: words('recording', say.recording, [
    ['off', 'off'],
    ['by-host', say.whenAHostStartsIt],
    ['from-start', say.fromTheStart],
  ]),
  closesAfter: words('closesAfter', say.whenTheDoorShuts, [
    [0, say.atTheEnd],
    ...[5, 10, 15, 30, 60, 120].map((n): [number, string] => [n, fill(say.minAfterTheEnd, { n })]),
  ]),
} as const;

export type ListedRule = keyof typeof RULE_WORDS;

/** A value in its words; a number that no list offers in minutes. */
export function valueInWords(field: RuleField, value: EntryRules[RuleField]): string {
  if (field === 'entryCode') return value === null ? 'none' : String(value);
  if (field === 'capacity') return fill(say.valuePeople, { value: String(value) });
  const listed = RULE_WORDS[field as ListedRule].choices as { value: unknown; label: string }[];
  return (
    listed.find((c) => c.value === value)?.label ?? fill(say.valueMin, { value: String(value) })
  );
}

export const RULE_NAMES: Record<RuleField, string> = {
  ...(Object.fromEntries(
    Object.entries(RULE_WORDS).map(([field, w]) => [field, w.label]),
  ) as Record<ListedRule, string>),
  entryCode: say.theEntryCode,
  capacity: say.howManyFitIn,
};

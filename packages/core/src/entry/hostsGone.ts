import { checkWhole } from '../input.js';
import { secondsOf, utcOf } from '../time/seconds.js';
import type { RuleLayer } from './resolveRules.js';
import type { EntryRules, RuleField } from './rules.js';

// What becomes of a room that all its hosts have left. It is set in the same layers as the entry rules, and is none of
// them: it lets nobody in.

/** Minutes for which a host who dropped out still counts as inside. */
export const HOST_GRACE_MINUTES = 3;
/** Minutes after which a room without hosts is closed, where no layer says so. */
export const HOSTS_GONE_MINUTES = 5;
const MOST_MINUTES = 120;

/** A layer as it is kept: its entry rules, and beside them after how many minutes without a host everybody goes out. */
export type KeptRules = Partial<EntryRules> & { hostsGone?: number };

/** A kept layer with its two parts apart. */
export function layerOf(scope: string, kept: KeptRules, locked?: RuleField[]): RuleLayer {
  const { hostsGone, ...rules } = kept;
  return {
    scope,
    rules,
    ...(locked === undefined ? {} : { locked }),
    ...(hostsGone === undefined ? {} : { hostsGone }),
  };
}

/** The reverse of `layerOf`. */
export const keptLayer = ({
  rules,
  hostsGone,
}: Pick<RuleLayer, 'rules' | 'hostsGone'>): KeptRules =>
  hostsGone === undefined ? rules : { ...rules, hostsGone };

/**
 * Minutes in force, and the scope that they come from; null: nothing is said. The later layer wins.
 * Throws GlenInputError for what is no whole number of minutes from 1 to 120.
 */
export function resolveHostsGone(layers: RuleLayer[]): { minutes: number; from: string | null } {
  let minutes = HOSTS_GONE_MINUTES;
  let from: string | null = null;
  layers.forEach(({ scope, hostsGone }, i) => {
    if (hostsGone === undefined) return;
    minutes = checkWhole(hostsGone, 1, MOST_MINUTES, `layers.${i}.hostsGone`);
    from = scope;
  });
  return { minutes, from };
}

interface RoomWithout {
  hostsInside: number;
  /** Since when no host is in; null: none has been. */
  hostLeftAt: string | null;
  /** When the door closes. */
  closes: string;
}

interface WhenGone {
  /** Whether people may be in without a host. */
  withoutHost: boolean;
  /** As `resolveHostsGone` gives them. */
  minutes: number;
}

const GRACE_SECONDS = HOST_GRACE_MINUTES * 60;

/**
 * When a room is closed by itself, as an instant; null: a host is in, and it runs on. Without one it is closed as its
 * door closes, and before that once its hosts have been gone for as long as the layers say, where nobody may be in
 * without them. A host whose connection was lost counts as in for the door's three minutes.
 */
export function closesByItself(
  { hostsInside, hostLeftAt, closes }: RoomWithout,
  { withoutHost, minutes }: WhenGone,
): string | null {
  if (hostsInside > 0) return null;
  const end = secondsOf(closes, 'closes');
  // Where no host has been, whoever is in may be there without one.
  if (hostLeftAt === null) return utcOf(end);
  const left = secondsOf(hostLeftAt, 'hostLeftAt');
  const asItsDoorCloses = Math.max(end, left + GRACE_SECONDS);
  return utcOf(withoutHost ? asItsDoorCloses : Math.min(asItsDoorCloses, left + minutes * 60));
}

/** Whether hosts have been gone for so long that whoever hosts is told; `now` is an instant. */
export function areHostsGone(
  { hostsInside, hostLeftAt }: Pick<RoomWithout, 'hostsInside' | 'hostLeftAt'>,
  now: string,
): boolean {
  if (hostsInside > 0 || hostLeftAt === null) return false;
  return secondsOf(now, 'now') >= secondsOf(hostLeftAt, 'hostLeftAt') + GRACE_SECONDS;
}

import { HOST_GRACE_MINUTES, comesAt, holdsAt, plusMinutes, type GuestComes } from '@glen/core';
import { rolesFrom } from '../../http/who.js';
import type { AskerRow, MeantHere, PlaceAtDoor } from './asker.sql.js';
import type { SittingAtDoor } from './door.sql.js';
import type { DateAtDoor, Invitation, LinkAtDoor } from './links.js';

// The link and the sessions of a door, for one who asks.

type OfLink = Pick<
  LinkAtDoor,
  | 'link_id'
  | 'code'
  | 'link_state'
  | 'put_away_at'
  | 'label'
  | 'kind_of_link'
  | 'for_named'
  | 'class_id'
  | 'class_title'
  | 'class_ref'
  | 'period'
  | 'pennant'
  | 'host_name'
  | 'for_class'
  | 'meets_elsewhere'
  | 'room_address'
  | 'layers'
  | 'rules'
>;

/** The link, its class period and its rules, and who asks with what they are there at any time. */
export interface DoorRow extends OfLink, AskerRow {
  /** In the link's audience. */
  on_roll: boolean;
  /** Host or presenter by the class period, or host at this link alone. */
  class_host: boolean;
  class_presenter: boolean;
  link_host: boolean;
  /** The link is for them by name, as a guest. */
  link_invited: boolean;
  /** What they are invited to here by their address. */
  invitations: Invitation[];
}

/** A session that the door could stand for, what happens behind it, and the place in it of whoever asks. */
export interface SessionAtDoor extends DateAtDoor, SittingAtDoor, PlaceAtDoor {
  start: string;
  end: string;
  hostInside: boolean;
  /** People are in its room still. Who has left a pasted one is not known. */
  lives: boolean;
  /** Brought in to it by a host. */
  invited: boolean;
  /** With a class period that joins this session. */
  joined_roll: boolean;
  joined_host: boolean;
  /** Named to present at it: with a class period that joins, or at this link. */
  joined_named: boolean;
  /** Named to take over at it while no host is in. */
  takes_over: boolean;
}

const hostIsInside = (sitting: SittingAtDoor, now: string): boolean =>
  sitting.sitting_id !== null &&
  sitting.ended_at === null &&
  (sitting.hosts_inside > 0 ||
    (sitting.host_left_at !== null && plusMinutes(sitting.host_left_at, HOST_GRACE_MINUTES) > now));

/** How somebody comes by their address at a date, or where there is none to come; undefined where they are nobody's guest then. */
export const comesTo = (
  { invitations }: Pick<DoorRow, 'invitations'>,
  date: Pick<DateAtDoor, 'series_id' | 'key_date'> | undefined,
): GuestComes | undefined =>
  invitations.length === 0
    ? undefined
    : comesAt(invitations, { seriesId: date?.series_id ?? 0, key: date?.key_date ?? '' });

const isAs = (meant: MeantHere[], as: MeantHere['as']): boolean => meant.some((m) => m.as === as);

/** Whether somebody joins one session, as what they are with their class period. */
const joinsAs = (meant: MeantHere[], as: MeantHere['as'], date: DateAtDoor): boolean =>
  meant.some((m) => m.as === as && holdsAt(m, { seriesId: date.series_id, key: date.key_date }));

/** Nobody has entered or opened yet. */
export const NO_SITTING: SittingAtDoor = {
  sitting_id: null,
  opened_at: null,
  ended_at: null,
  host_left_at: null,
  room: null,
  room_address_kept: null,
  inside: 0,
  hosts_inside: 0,
  seats: 0,
  has_line: 0,
  asks_account: 0,
  all_share: 0,
  chime: null,
};

/** A date with what happens behind its door, for whoever asks. */
export function sessionAtDoorOf(
  date: DateAtDoor,
  { sitting, place }: { sitting: SittingAtDoor; place: PlaceAtDoor },
  { meant, person_id, email }: DoorRow,
  now: string,
): SessionAtDoor {
  const { invitedHere } = date;
  return {
    ...date,
    ...sitting,
    ...place,
    start: date.start_at,
    end: date.end_at,
    hostInside: hostIsInside(sitting, now),
    lives: sitting.inside > 0 && sitting.ended_at === null && sitting.room_address_kept === null,
    invited:
      invitedHere.length > 0 &&
      (invitedHere.includes(String(person_id)) || invitedHere.includes(email ?? '')),
    joined_roll: joinsAs(meant, 'joining-member', date),
    joined_host: joinsAs(meant, 'joining-host', date),
    joined_named: joinsAs(meant, 'joining-presenter', date) || joinsAs(meant, 'presenter', date),
    takes_over: joinsAs(meant, 'takes-over', date),
  };
}

/** Named one by one: to spread them takes longer than to decide. */
function ofLink(link: LinkAtDoor): OfLink {
  return {
    link_id: link.link_id,
    code: link.code,
    link_state: link.link_state,
    put_away_at: link.put_away_at,
    label: link.label,
    kind_of_link: link.kind_of_link,
    for_named: link.for_named,
    class_id: link.class_id,
    class_title: link.class_title,
    class_ref: link.class_ref,
    period: link.period,
    pennant: link.pennant,
    host_name: link.host_name,
    for_class: link.for_class,
    meets_elsewhere: link.meets_elsewhere,
    room_address: link.room_address,
    layers: link.layers,
    rules: link.rules,
  };
}

export function doorRow(link: LinkAtDoor, asker: AskerRow): DoorRow {
  const { meant, email, person_roles } = asker;
  const isMember = isAs(meant, 'member');
  const isGuest = rolesFrom(person_roles).includes('guest');
  return Object.assign(ofLink(link), asker, {
    on_roll: isMember,
    class_host: isAs(meant, 'host'),
    class_presenter: meant.some((m) => m.as === 'presenter' && m.seriesId === 0),
    link_host: isAs(meant, 'tutor'),
    link_invited: isMember && isGuest,
    invitations: (email !== null && link.guests.get(email)) || [],
  });
}

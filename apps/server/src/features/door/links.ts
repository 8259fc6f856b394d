import {
  resolveRules,
  type EntryRules,
  type GuestComes,
  type HoldsFor,
  type RuleLayer,
} from '@glen/core';
import type { LiveChange } from '@glen/contract';
import type { Clock } from '../../clock.js';
import type { Db } from '../../db/connect.js';
import { layersFrom } from '../entry/layers.js';
import type { DateRow } from '../plan/changedSession.js';
import {
  changedAtDoor,
  datesAtDoor,
  linkAtDoor,
  sittingsAtDoor,
  type DoorDateRow,
  type GuestTuple,
  type LinkAtDoorRow,
  type Sittings,
} from './door.sql.js';

/** What a guest is invited to, and how they come to it. */
export type Invitation = HoldsFor & { comes: GuestComes };

/** A link as its door needs it, with its rules resolved and the guests whom it is for by their addresses. */
export interface LinkAtDoor extends LinkAtDoorRow {
  layers: RuleLayer[];
  rules: EntryRules;
  /** What they are invited to, by their addresses. */
  guests: Map<string, Invitation[]>;
}

/** A date that the door could stand for, and who was brought in to it: people's numbers and addresses. */
export interface DateAtDoor extends DoorDateRow {
  invitedHere: string[];
}

/** All that a door needs to know before it is asked who stands there. */
interface DoorBeforehand {
  link: LinkAtDoor;
  dates: DateAtDoor[];
  /** Near dates that are not held as people knew them. */
  changed: DateRow[];
  sittings: Sittings;
}

const linesOf = (text: string | null): string[] => text?.split('\n') ?? [];

function guestsIn(kept: LinkAtDoorRow['guest_list']): Map<string, Invitation[]> {
  const tuples = typeof kept === 'string' ? (JSON.parse(kept) as GuestTuple[]) : (kept ?? []);
  const guests = new Map<string, Invitation[]>();
  for (const [email, comes, seriesId, key] of tuples)
    guests.set(email, [...(guests.get(email) ?? []), { comes, seriesId, key }]);
  return guests;
}

async function readLink(db: Db, code: string): Promise<LinkAtDoor | undefined> {
  const row = await linkAtDoor(db, code);
  if (!row) return undefined;
  const layers = layersFrom(row);
  const { rules } = resolveRules(layers);
  return { ...row, layers, rules, guests: guestsIn(row.guest_list) };
}

const idsOf = (dates: DateAtDoor[]): number[] => dates.map((date) => date.occurrence_id);

/** Instants: of school time, by which dates are near, and of machine time, by which ways in are good. */
interface Now {
  at: string;
  machine: string;
}

/** Reads it as it stands at an instant; who enters (`toEnter`) has no use for what is not held. */
export async function readBeforehand(
  db: Db,
  code: string,
  { at, machine }: Now,
  { toEnter = false }: { toEnter?: boolean } = {},
): Promise<DoorBeforehand | undefined> {
  const link = await readLink(db, code);
  if (!link) return undefined;
  const [rows, changed] = await Promise.all([
    datesAtDoor(db, link.link_id, at),
    toEnter ? [] : changedAtDoor(db, link.link_id, at),
  ]);
  const dates = rows.map((row) => ({ ...row, invitedHere: linesOf(row.invited_lines) }));
  return { link, dates, changed, sittings: await sittingsAtDoor(db, idsOf(dates), machine) };
}

/** Seconds after which a door is read anew though nothing was told of it: a host's new name, a date that has come near. */
const KEPT_SECONDS = 20;
/** So many doors are kept at the most. */
const MOST = 2000;

interface Kept {
  door: DoorBeforehand;
  until: string;
  /** Somebody has come or gone, opened or ended: the sittings are read anew. */
  isStirred: boolean;
}

/**
 * Doors by their codes, kept for those who look until a change of the link, its class period or its dates is told, by this
 * process or another. Who enters reads anew, under the link's lock.
 */
export class LinksAtDoors {
  private readonly kept = new Map<string, Kept>();
  /** Rises with every change: what was read before one is not kept after it. */
  private turn = 0;
  private readonly db: Db;
  private readonly clock: Clock;

  constructor(db: Db, clock: Clock) {
    this.db = db;
    this.clock = clock;
  }

  async byCode(code: string): Promise<DoorBeforehand | undefined> {
    const known = this.kept.get(code);
    const isGood = known !== undefined && known.until > this.clock.machine();
    if (isGood && !known.isStirred) return known.door;
    const { turn } = this;
    const door = isGood
      ? await this.withSittings(known.door)
      : await readBeforehand(this.db, code, {
          at: this.clock.school(),
          machine: this.clock.machine(),
        });
    if (door && turn === this.turn) this.keep(code, door, isGood ? known.until : undefined);
    return door;
  }

  private async withSittings(door: DoorBeforehand): Promise<DoorBeforehand> {
    return {
      ...door,
      sittings: await sittingsAtDoor(this.db, idsOf(door.dates), this.clock.machine()),
    };
  }

  private keep(code: string, door: DoorBeforehand, until = this.clock.machine(KEPT_SECONDS)): void {
    this.kept.delete(code);
    this.kept.set(code, { door, until, isStirred: false });
    if (this.kept.size > MOST) this.kept.delete(this.kept.keys().next().value!);
  }

  /** Something changed: doors that it may bear on are read anew, those behind which somebody moved as far as that goes. */
  forget = ({ thing }: LiveChange, topic: string): void => {
    this.turn += 1;
    if (topic === 'clock') this.kept.clear();
    const [kind, id] = topic.split(':');
    if (kind !== 'class' && kind !== 'door') return;
    for (const [code, kept] of this.kept) {
      const { link } = kept.door;
      if (Number(id) !== (kind === 'class' ? link.class_id : link.link_id)) continue;
      if (thing === 'desk') kept.isStirred = true;
      else this.kept.delete(code);
    }
  };
}

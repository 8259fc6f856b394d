import { checkWhole, fail } from '../input.js';
import { secondsOf, utcOf } from '../time/seconds.js';
import { joinedSpans, type NumberSpan } from '../time/spans.js';

/** Somebody in the room, from one instant to another; `to` null while they are in. */
export interface Visit {
  person: string;
  from: string;
  to: string | null;
}

export interface AttendanceQuestion {
  /** Instants. */
  start: string;
  end: string;
  now: string;
  /** Whom the session was for, by their ids, in the order in which they are told. */
  roll: string[];
  visits: Visit[];
  /** Minutes after the start, and before the end, that are not held against anybody. */
  lateAfter?: number;
  earlyBefore?: number;
  /** Who was in for less than this share of it was in partly. */
  presentShare?: number;
  /** Seconds: who was away no longer than this was never away. */
  bridge?: number;
}

export type AttendanceStatus = 'present' | 'partly' | 'absent' | 'guest';

export interface AttendanceRow {
  person: string;
  status: AttendanceStatus;
  late: boolean;
  leftEarly: boolean;
  /** Whole minutes of all spans together. */
  minutes: number;
  /** When they were in, in order, apart by more than the bridge. Instants, half open. */
  spans: { from: string; to: string }[];
}

/** In whole seconds. */
type Span = NumberSpan;

/** The question in seconds, checked. */
function read(question: AttendanceQuestion) {
  const { lateAfter = 5, earlyBefore = 5, presentShare = 0.5, bridge = 60 } = question;
  const [start, end] = [secondsOf(question.start, 'start'), secondsOf(question.end, 'end')];
  const now = secondsOf(question.now, 'now');
  if (end <= start) fail('end', 'It would end before it begins.');
  checkWhole(lateAfter, 0, Infinity, 'lateAfter');
  checkWhole(earlyBefore, 0, Infinity, 'earlyBefore');
  checkWhole(bridge, 0, Infinity, 'bridge');
  if (!(presentShare >= 0 && presentShare <= 1)) fail('presentShare', 'Give a share from 0 to 1.');
  return {
    start,
    end,
    now,
    lateAfter: lateAfter * 60,
    earlyBefore: earlyBefore * 60,
    presentShare,
    bridge,
  };
}

type Session = ReturnType<typeof read>;

/** What of a visit lies within the session as far as it has gone; null for nothing. */
function clipped({ from, to }: Visit, index: number, { start, end, now }: Session): Span | null {
  const began = secondsOf(from, `visits.${index}.from`);
  const left = to === null ? now : secondsOf(to, `visits.${index}.to`);
  if (to !== null && left <= began) fail(`visits.${index}.to`, 'It would end before it begins.');
  const span = { from: Math.max(began, start), to: Math.min(left, end, now) };
  return span.to > span.from ? span : null;
}

function spansByPerson(visits: readonly Visit[], session: Session): Map<string, Span[]> {
  const raw = new Map<string, Span[]>();
  visits.forEach((visit, i) => {
    const span = clipped(visit, i, session);
    if (span) raw.set(visit.person, [...(raw.get(visit.person) ?? []), span]);
  });
  return new Map([...raw].map(([person, spans]) => [person, joinedSpans(spans, session.bridge)]));
}

/** Seconds of some spans together. */
const lengthOf = (spans: Span[]): number => spans.reduce((sum, { from, to }) => sum + to - from, 0);

/** What can be held against somebody who was in. */
function flagsOf(spans: Span[], { start, end, now, lateAfter, earlyBefore }: Session) {
  return {
    late: spans[0]!.from - start > lateAfter,
    leftEarly: now >= end && end - spans.at(-1)!.to > earlyBefore,
  };
}

const told = (spans: Span[]): AttendanceRow['spans'] =>
  spans.map(({ from, to }) => ({ from: utcOf(from), to: utcOf(to) }));

function rowOf(person: string, spans: Span[], session: Session): AttendanceRow {
  const seconds = lengthOf(spans);
  const minutes = Math.floor(seconds / 60);
  if (spans.length === 0)
    return { person, status: 'absent', late: false, leftEarly: false, minutes: 0, spans: [] };
  const { start, end, now, presentShare } = session;
  // While it runs nobody can have been in for longer than it has gone.
  const isPartly = seconds < presentShare * (Math.min(end, now) - start);
  const status = isPartly ? 'partly' : 'present';
  return { person, status, ...flagsOf(spans, session), minutes, spans: told(spans) };
}

const guestRow = (person: string, spans: Span[]): AttendanceRow => ({
  person,
  status: 'guest',
  late: false,
  leftEarly: false,
  minutes: Math.floor(lengthOf(spans) / 60),
  spans: told(spans),
});

/**
 * The register of one session, from who was in when: the roll in its order, then whoever else came (`guest`), by when they
 * came first. Two devices of one person are one; how visits are ordered does not matter. Throws GlenInputError at the field
 * that is wrong: times that are none, ends before starts, somebody twice on the roll, counts out of bounds.
 */
export function tallyAttendance(question: AttendanceQuestion): AttendanceRow[] {
  const session = read(question);
  const onRoll = new Set<string>();
  question.roll.forEach((person, i) => {
    if (onRoll.has(person)) fail(`roll.${i}`, `${person} is on the roll twice.`);
    onRoll.add(person);
  });
  const spans = spansByPerson(question.visits, session);
  const guests = [...spans]
    .filter(([person]) => !onRoll.has(person))
    .sort(([a, own], [b, others]) => own[0]!.from - others[0]!.from || (a < b ? -1 : 1));
  return [
    ...question.roll.map((person) => rowOf(person, spans.get(person) ?? [], session)),
    ...guests.map(([person, own]) => guestRow(person, own)),
  ];
}

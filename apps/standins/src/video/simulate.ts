import { parseSetCookie } from 'cookie';
import type { Room } from './store.js';

interface DemoPerson {
  id: number;
  name: string;
  roles: string[];
  accounts: { id: number; kind: string }[];
  learns: string[];
}
interface DoorAnswer {
  decision: { outcome: string };
  go?: string | null;
}

const pause = (ms: number): Promise<void> =>
  new Promise((resolve) => {
    setTimeout(resolve, ms).unref();
  });

/** One simulated student: a browser's worth of cookies and the calls that the door page makes. */
class Student {
  private cookie = '';
  constructor(private readonly origin: string) {}

  async ask<T>(path: string, body?: unknown): Promise<T> {
    const response = await fetch(`${this.origin}${path}`, {
      method: body === undefined ? 'GET' : 'POST',
      headers: {
        Origin: this.origin,
        'Content-Type': 'application/json',
        ...(this.cookie ? { Cookie: this.cookie } : {}),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const set = response.headers
      .getSetCookie()
      .map((line) => parseSetCookie(line))
      .find((c) => c.value);
    if (set) this.cookie = `${set.name}=${set.value}`;
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
    return (await response.json()) as T;
  }
}

const WAIT_MS = 1000;
const MOST_WAITS = 900;

/** Through the door like anyone: sign in, knock, wait, go in. Gives the address with the ticket, or nothing. */
async function comeThroughDoor(door: URL, accountId: number): Promise<string | null> {
  const student = new Student(door.origin);
  const path = `/api${door.pathname}`;
  await student.ask('/api/demo/sign-in', { accountId });
  for (let i = 0; i < MOST_WAITS; i++) {
    const { decision } = await student.ask<DoorAnswer>(path);
    if (decision.outcome === 'refused') return null;
    if (decision.outcome === 'enter' || (decision.outcome === 'lobby' && i === 0)) {
      const { go } = await student.ask<DoorAnswer>(`${path}/enter`, {});
      if (go) return go;
    }
    await pause(WAIT_MS);
  }
  return null;
}

interface Simulation {
  count: number;
  withinMs: number;
  /** The ids of those who have been sent already. */
  taken: Set<string>;
  /** The names of those who sit there. */
  seated: string[];
}

/** Sends `count` students of the room's class to its door at random moments within `withinMs`. */
export async function simulateStudents(
  room: Room,
  { count, withinMs, taken, seated }: Simulation,
  sit: (ticketAddress: string) => Promise<void>,
): Promise<number> {
  const door = new URL(room.wish.door);
  const response = await fetch(`${door.origin}/api/demo/people`);
  if (!response.ok) return 0;
  const { people } = (await response.json()) as { people: DemoPerson[] };
  const free = people.filter(
    (p) =>
      p.roles.includes('student') &&
      p.learns.includes(room.wish.classRef) &&
      !taken.has(String(p.id)) &&
      !seated.includes(p.name),
  );
  const chosen = free
    .map((p) => ({ p, order: Math.random() }))
    .sort((a, b) => a.order - b.order)
    .slice(0, count)
    .map(({ p }) => p);
  for (const person of chosen) {
    taken.add(String(person.id));
    const account = person.accounts.find((a) => a.kind === 'school');
    if (!account) continue;
    void pause(Math.random() * withinMs)
      .then(() => comeThroughDoor(door, account.id))
      .then(async (go) => {
        if (go) await sit(go);
      })
      .catch((error) => {
        console.error(error);
        taken.delete(String(person.id));
      });
  }
  return chosen.length;
}

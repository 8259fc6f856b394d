/** What stands at a place of a post, or will. `todo`, `done` and `takedown` are a person's to do, by hand. */
export type DeliveryState =
  | 'draft'
  | 'queued'
  | 'out'
  | 'struck'
  | 'failed'
  | 'gone'
  | 'missing'
  | 'todo'
  | 'done'
  | 'takedown';

export type PostState = 'draft' | 'queued' | 'out' | 'failed' | 'todo' | 'over' | 'withdrawn';

/** A wall-clock time in the school's zone. */
interface At {
  date: string;
  time: string;
}

/** One delivery, as far as sums of several go. */
export interface SummedDelivery {
  state: DeliveryState;
  due: At | null;
  pending: boolean;
  tries: number;
  error: string | null;
  /** An instant. */
  outSince: string | null;
}

export interface DeliverySummary {
  state: PostState;
  /** When the next goes out; else when the one that most needs thought was due. */
  due: At | null;
  pending: boolean;
  tries: number;
  error: string | null;
  outSince: string | null;
}

/** What most needs thought first. */
const ORDER: DeliveryState[] = [
  'failed',
  'missing',
  'takedown',
  'todo',
  'draft',
  'out',
  'done',
  'queued',
  'struck',
  'gone',
];

const AS_WHOLE: Record<DeliveryState, PostState> = {
  failed: 'failed',
  missing: 'failed',
  takedown: 'todo',
  todo: 'todo',
  draft: 'draft',
  queued: 'queued',
  out: 'out',
  done: 'out',
  struck: 'over',
  gone: 'over',
};

const byTime = (a: At, b: At): number => (a.date + a.time < b.date + b.time ? -1 : 1);

/** What a post comes to as a whole, from its deliveries: the state of the one that most needs thought. */
export function summariseDeliveries(
  deliveries: SummedDelivery[],
  { withdrawn, draft }: { withdrawn: boolean; draft: boolean },
): DeliverySummary {
  const worst = [...deliveries].sort((a, b) => ORDER.indexOf(a.state) - ORDER.indexOf(b.state))[0];
  const coming = deliveries
    .flatMap((d) => (d.state === 'queued' && d.due ? [d.due] : []))
    .sort(byTime);
  const empty: PostState = draft ? 'draft' : 'over';
  const state = worst ? AS_WHOLE[worst.state] : empty;
  return {
    state: withdrawn ? 'withdrawn' : state,
    due: coming[0] ?? worst?.due ?? null,
    pending: deliveries.some((d) => d.pending),
    tries: Math.max(0, ...deliveries.map((d) => d.tries)),
    error: deliveries.find((d) => d.error !== null)?.error ?? null,
    outSince: deliveries.flatMap((d) => d.outSince ?? []).sort()[0] ?? null,
  };
}

export type PlaceState = 'draft' | 'queued' | 'out' | 'failed' | 'todo' | 'over';

/** How a link stands at one place of a post, from what has been delivered there. */
export function placeState(here: Pick<SummedDelivery, 'state' | 'outSince'>[]): PlaceState {
  const some = (...states: DeliveryState[]): boolean => here.some((d) => states.includes(d.state));
  if (some('failed', 'missing')) return 'failed';
  if (here.some((d) => d.outSince !== null)) return 'out';
  if (some('todo')) return 'todo';
  if (some('draft')) return 'draft';
  return some('queued') ? 'queued' : 'over';
}

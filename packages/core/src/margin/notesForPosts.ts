import { worstFirst, type Note } from './note.js';

export interface ListedPost {
  id: number;
  state: 'draft' | 'queued' | 'out' | 'failed' | 'todo' | 'over' | 'withdrawn';
  error: string | null;
  places: { id: number; where: string; kind: string; readerCount: number }[];
  deliveries: { placeId: number; placementId: number | null; state: string; overdue: boolean }[];
}

const counted = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

/** What needs thought about a list of posts: what failed, what is gone from its place, what is to be done by hand; then what stands. */
export function notesForPosts(posts: ListedPost[]): Note[] {
  const live = posts.filter((p) => p.state !== 'withdrawn');
  const at = (
    states: string[],
  ): { post: ListedPost; placementId: number | null; where: string; overdue: boolean }[] =>
    live.flatMap((post) =>
      post.deliveries
        .filter((d) => states.includes(d.state))
        .map((d) => ({
          post,
          placementId: d.placementId,
          overdue: d.overdue,
          where: post.places.find((p) => p.id === d.placeId)?.where ?? '',
        })),
    );
  const failed = live.filter((p) => p.deliveries.some((d) => d.state === 'failed'));
  const missing = at(['missing']);
  const hand = at(['todo', 'takedown']);
  const overdue = hand.filter((h) => h.overdue);
  const drafts = live.filter((p) => p.state === 'draft');
  const queued = live.filter((p) => p.state === 'queued');
  const out = live.filter((p) => p.deliveries.some((d) => d.state === 'out' || d.state === 'done'));
  const readers = new Map(
    out.flatMap((p) => p.places.map((place) => [place.where, place.readerCount] as const)),
  );
  return worstFirst([
    ...(failed.length > 0
      ? [
          {
            severity: 'wrong' as const,
            title: counted(failed.length, 'A post failed', 'posts failed'),
            text: failed[0]!.error ?? 'The course site gave no reason.',
            actions: [{ name: 'retry-post', label: 'Try again now', subject: failed[0]!.id }],
          },
        ]
      : []),
    ...(hand.length > 0
      ? [
          {
            severity: overdue.length > 0 ? ('wrong' as const) : ('careful' as const),
            title: counted(hand.length, 'One place to do by hand', 'places to do by hand'),
            text: `${[...new Set(hand.map((h) => h.where))].slice(0, 3).join('; ')}${overdue.length > 0 ? `; ${overdue.length} overdue` : ''}.`,
            actions: [
              {
                name: 'see-post',
                label: 'Show what to paste',
                subject: (overdue[0] ?? hand[0]!).post.id,
              },
            ],
          },
        ]
      : []),
    ...missing.map((m): Note => ({
      severity: 'careful',
      title: 'Not there any more',
      text: `${m.where}: somebody has taken it off.`,
      actions:
        m.placementId === null
          ? []
          : [{ name: 'put-back', label: 'Put it back', subject: m.placementId }],
    })),
    ...(drafts.length > 0
      ? [
          {
            severity: 'inform' as const,
            title: counted(drafts.length, 'A draft waits for you', 'drafts wait for you'),
            text: 'It goes out when you release it.',
            actions: [{ name: 'see-post', label: 'Look at it', subject: drafts[0]!.id }],
          },
        ]
      : []),
    ...(queued.length > 0
      ? [
          {
            severity: 'inform' as const,
            title: counted(queued.length, '1 post waits for its time', 'posts wait for their time'),
            text: 'They go out by themselves, also when you are not signed in.',
          },
        ]
      : []),
    ...(out.length > 0
      ? [
          {
            severity: 'well' as const,
            title: counted(out.length, 'The link stands in 1 post', 'posts stand'),
            text: `${counted(readers.size, 'One place', 'places')}, each looked after.`,
          },
        ]
      : []),
  ]);
}

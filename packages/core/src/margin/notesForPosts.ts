import { worstFirst, type Note } from './note.js';

export interface ListedPost {
  id: number;
  state: 'draft' | 'queued' | 'out' | 'failed' | 'todo' | 'over' | 'withdrawn';
  error: string | null;
  places: { id: number; where: string; kind: string; readerCount: number }[];
  deliveries: { placeId: number; placementId: number | null; state: string; overdue: boolean }[];
}

/** One in words of its own, several with their number. */
const phrased = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

interface Standing {
  post: ListedPost;
  placementId: number | null;
  where: string;
  overdue: boolean;
}

/** Where posts are in one of some states, with what they are posted as there. */
const standingAs = (posts: ListedPost[], states: string[]): Standing[] =>
  posts.flatMap((post) =>
    post.deliveries
      .filter((d) => states.includes(d.state))
      .map((d) => ({
        post,
        placementId: d.placementId,
        overdue: d.overdue,
        where: post.places.find((p) => p.id === d.placeId)?.where ?? '',
      })),
  );

const hasDelivery = (post: ListedPost, states: string[]): boolean =>
  post.deliveries.some((d) => states.includes(d.state));

function failedNote(posts: ListedPost[]): Note[] {
  const failed = posts.filter((p) => hasDelivery(p, ['failed']));
  const [first] = failed;
  if (!first) return [];
  return [
    {
      severity: 'wrong',
      title: phrased(failed.length, 'A post failed', 'posts failed'),
      text: first.error ?? 'The course site gave no reason.',
      actions: [{ name: 'retry-post', label: 'Try again now', subject: first.id }],
    },
  ];
}

function byHandNote(posts: ListedPost[]): Note[] {
  const hand = standingAs(posts, ['todo', 'takedown']);
  const overdue = hand.filter((h) => h.overdue);
  const [worst] = [...overdue, ...hand];
  if (!worst) return [];
  const where = [...new Set(hand.map((h) => h.where))].slice(0, 3).join('; ');
  const late = overdue.length > 0 ? `; ${overdue.length} overdue` : '';
  return [
    {
      severity: overdue.length > 0 ? 'wrong' : 'careful',
      title: phrased(hand.length, 'One place to do by hand', 'places to do by hand'),
      text: `${where}${late}.`,
      actions: [{ name: 'see-post', label: 'Show what to paste', subject: worst.post.id }],
    },
  ];
}

const missingNotes = (posts: ListedPost[]): Note[] =>
  standingAs(posts, ['missing']).map(({ where, placementId }) => ({
    severity: 'careful',
    title: 'Not there any more',
    text: `${where}: somebody has taken it off.`,
    actions:
      placementId === null
        ? []
        : [{ name: 'put-back', label: 'Put it back', subject: placementId }],
  }));

function draftNote(posts: ListedPost[]): Note[] {
  const drafts = posts.filter((p) => p.state === 'draft');
  const [first] = drafts;
  if (!first) return [];
  return [
    {
      severity: 'inform',
      title: phrased(drafts.length, 'A draft waits for you', 'drafts wait for you'),
      text: 'It goes out when you release it.',
      actions: [{ name: 'see-post', label: 'Look at it', subject: first.id }],
    },
  ];
}

function queuedNote(posts: ListedPost[]): Note[] {
  const queued = posts.filter((p) => p.state === 'queued');
  if (queued.length === 0) return [];
  return [
    {
      severity: 'inform',
      title: phrased(queued.length, '1 post waits for its time', 'posts wait for their time'),
      text: 'They go out by themselves, also when you are not signed in.',
    },
  ];
}

function outNote(posts: ListedPost[]): Note[] {
  const out = posts.filter((p) => hasDelivery(p, ['out', 'done']));
  if (out.length === 0) return [];
  const places = new Set(out.flatMap((p) => p.places.map((place) => place.where)));
  return [
    {
      severity: 'well',
      title: phrased(out.length, 'The link stands in 1 post', 'posts stand'),
      text: `${phrased(places.size, 'One place', 'places')}, each looked after.`,
    },
  ];
}

/** What needs thought about a list of posts: what failed, what is gone from its place, what is to be done by hand; then what stands. */
export function notesForPosts(posts: ListedPost[]): Note[] {
  const live = posts.filter((p) => p.state !== 'withdrawn');
  return worstFirst([
    ...failedNote(live),
    ...byHandNote(live),
    ...missingNotes(live),
    ...draftNote(live),
    ...queuedNote(live),
    ...outNote(live),
  ]);
}

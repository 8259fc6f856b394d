import { worstFirst, type Note, type NoteAction } from './note.js';

/** What reach says of one link on a day. Wall-clock times of the school. */
export interface ReachOfLink {
  linkId: number;
  classId: number;
  /** What the link is called beside others. */
  name: string;
  /** The session that it is asked about; none on that day. */
  session: { date: string; time: string; over: boolean } | null;
  /** What notesForReach says, worst first. */
  notes: Note[];
}

const RANK: Record<Note['severity'], number> = { wrong: 0, careful: 1, inform: 2, well: 3 };

const worstOf = ({ notes }: ReachOfLink): number =>
  Math.min(RANK.well + 1, ...notes.map((note) => RANK[note.severity]));

const beginsAt = ({ session }: ReachOfLink): string =>
  session === null ? '~' : `${session.date} ${session.time}`;

/** Nothing is to be spoiled any more. */
const isIdle = ({ session }: ReachOfLink): boolean => session === null || session.over;

/** Links whose lessons are next to be spoiled first: by what is wrong with them, then by when their session begins; those without a session last. */
export const worstReachFirst = <T extends ReachOfLink>(links: T[]): T[] =>
  [...links].sort(
    (a, b) =>
      Number(isIdle(a)) - Number(isIdle(b)) ||
      worstOf(a) - worstOf(b) ||
      (beginsAt(a) < beginsAt(b) ? -1 : 1),
  );

const asks = ({ severity }: Note): boolean => severity === 'wrong' || severity === 'careful';

/** What mends it on the spot, but for posting, which is looked at first; and the way to who sees what. */
function actionsOf(note: Note, { linkId, classId }: ReachOfLink): NoteAction[] {
  const mending = (note.actions ?? []).map((action) =>
    action.name === 'post-here'
      ? { name: 'post-link', label: 'Post it', subject: classId }
      : action,
  );
  return [...mending, { name: 'see-reach', label: 'See who', subject: linkId }];
}

/** The worst that reach says of each link whose session is still to come or running. */
function notesOf(link: ReachOfLink): Note[] {
  const { name, session } = link;
  const [worst] = link.notes;
  if (!session || session.over || !worst || !asks(worst)) return [];
  return [
    {
      severity: worst.severity,
      title: `${name}: ${worst.title}`,
      text: `Its session is at ${session.time}. ${worst.text}`,
      actions: actionsOf(worst, link),
    },
  ];
}

/** Today's notes, what goes on now first, with what reach says of the day's links; those alone while it is not known. */
export function withReach(notes: Note[], links: ReachOfLink[] | undefined): Note[] {
  if (!links) return notes;
  const found = worstReachFirst(links).flatMap(notesOf);
  const rest = found.length === 0 ? notes : notes.filter((note) => note.severity !== 'well');
  const isAsked = links.some((link) => link.session && !link.session.over);
  const isWell = isAsked && found.length === 0;
  return worstFirst([
    ...rest.map((note) =>
      isWell && note.severity === 'well'
        ? { ...note, text: `${note.text} Everybody sees one link to them, the right one.` }
        : note,
    ),
    ...found,
  ]);
}

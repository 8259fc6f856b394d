import { dateInWords } from '../time/dates.js';
import { worstFirst, type Note } from './note.js';

/** A link as far as notes about it go. `former`: codes it had before, the newest first; `until` an instant told as its school date. */
export interface NotedLink {
  id: number;
  label: string;
  main: boolean;
  state: 'live' | 'retired';
  kind: string;
  audienceSize: number;
  guests: number;
  shown: boolean;
  groups: { name: string; size: number }[];
  former: { how: 'keep' | 'forward' | 'stop'; untilDate: string | null }[];
  running: boolean;
  replacedNow: boolean;
}

const forNobody = (l: NotedLink): boolean =>
  l.audienceSize === 0 && l.guests === 0 && l.kind !== 'event';

function stoppedNote(l: NotedLink): Note[] {
  if (l.state === 'live') return [];
  const reopen = { name: 'reopen-link', label: 'Let it work again', subject: l.id };
  if (!l.main)
    return [
      {
        severity: 'inform',
        title: 'This link has been stopped',
        text: 'Its door no longer opens; its audience is told where to look.',
        actions: [reopen],
      },
    ];
  return [
    {
      severity: 'wrong',
      title: 'The class period has no way in',
      text: 'Its own link has been stopped: whoever follows it is told so. Let it work again, or give it a new one.',
      actions: [reopen, { name: 'renew-link', label: 'Give it a new one', subject: l.id }],
    },
  ];
}

function emptyNote(l: NotedLink): Note[] {
  if (l.state !== 'live') return [];
  const emptied = l.groups.filter((g) => g.size === 0);
  if (emptied.length > 0)
    return [
      {
        severity: 'careful',
        title: `${emptied.map((g) => g.name).join(', ')}: nobody is in it`,
        text: 'Whoever had the link as a member of the group is turned away now.',
      },
    ];
  if (!forNobody(l)) return [];
  return [
    {
      severity: 'careful',
      title: 'It is for nobody yet',
      text: 'Nobody is in its audience, so by the rules nobody but hosts gets in.',
    },
  ];
}

function runningNote(l: NotedLink): Note[] {
  if (!l.replacedNow || !l.running) return [];
  return [
    {
      severity: 'inform',
      title: 'A session is running',
      text: 'Whoever is inside stays; whoever comes now needs the new link, or an old one that leads on.',
    },
  ];
}

function formerNote(l: NotedLink): Note[] {
  const [last] = l.former;
  if (l.state !== 'live' || last?.how !== 'forward' || !last.untilDate) return [];
  return [
    {
      severity: 'inform',
      title: `The old link leads on until ${dateInWords(last.untilDate)}`,
      text: 'After that it says where to look, to those it is for.',
    },
  ];
}

function hiddenNote(l: NotedLink): Note[] {
  if (l.state !== 'live' || l.shown) return [];
  return [
    {
      severity: 'inform',
      title: 'Students do not see it in their day',
      text: 'It works for whoever has it.',
    },
  ];
}

/** What needs thought about one link: whether it works, whom it is for, what its former codes do. */
export const notesForLink = (l: NotedLink): Note[] => [
  ...stoppedNote(l),
  ...emptyNote(l),
  ...runningNote(l),
  ...formerNote(l),
  ...hiddenNote(l),
];

/** What needs thought about all links of a class period. */
export function notesForLinks(links: NotedLink[]): Note[] {
  const mend = links.flatMap((l) =>
    notesForLink(l)
      .filter((n) => n.severity !== 'inform')
      .map((n) => ({
        ...n,
        title: l.main
          ? n.title
          : `${l.label}: ${n.title.charAt(0).toLowerCase()}${n.title.slice(1)}`,
      })),
  );
  const live = links.filter((l) => l.state === 'live').length;
  return worstFirst([
    ...mend,
    {
      severity: 'inform',
      title: live === 1 ? 'One door' : `${live} doors`,
      text:
        live === 1
          ? 'All the class period comes in by it. A group, a talk or an evening can have a link of its own.'
          : 'Students see those that are for them, in this order.',
    },
  ]);
}

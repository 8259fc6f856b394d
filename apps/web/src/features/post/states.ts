import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import type { Tone } from '../../ui/Chip.js';

type Delivery = Post['deliveries'][number];
type State = { tone: Tone; text: string };

const atTime = (due: Delivery['due']): string =>
  due ? ` ${dateInWords(due.date)} ${due.time}` : '';

const STATE_OF_POST: Partial<Record<Post['state'], State>> = {
  draft: { tone: 'careful', text: 'Draft: waits for you' },
  over: { tone: 'plain', text: 'Over' },
};

function queuedState({ tries, pending, due, places }: Post): State {
  const isMail = places.every((place) => place.kind === 'mail');
  if (tries > 0)
    return { tone: 'careful', text: isMail ? 'Waits for the mail' : 'Waits for the course site' };
  if (pending) return { tone: 'inform', text: 'Going out' };
  return { tone: 'inform', text: `Goes out${atTime(due)}` };
}

/** How a post stands, as a whole. */
export function postState(post: Post): State {
  const { state, pending, deliveries } = post;
  switch (state) {
    case 'withdrawn':
      return pending
        ? { tone: 'careful', text: 'Being taken down' }
        : { tone: 'plain', text: 'Withdrawn' };
    case 'failed':
      return deliveries.some((d) => d.state === 'failed')
        ? { tone: 'wrong', text: 'Failed' }
        : { tone: 'careful', text: 'Gone from the site' };
    case 'todo': {
      const isLate = deliveries.some((d) => d.overdue);
      return { tone: isLate ? 'wrong' : 'careful', text: 'To do by hand' };
    }
    case 'out':
      return pending
        ? { tone: 'careful', text: 'Out, change under way' }
        : { tone: 'well', text: 'Out' };
    case 'queued':
      return queuedState(post);
    default:
      return STATE_OF_POST[state]!;
  }
}

const STATE_OF_DELIVERY: Partial<Record<Delivery['state'], State>> = {
  draft: { tone: 'careful', text: 'draft' },
  struck: { tone: 'plain', text: 'struck through' },
  gone: { tone: 'plain', text: 'taken down' },
  failed: { tone: 'wrong', text: 'failed' },
  missing: { tone: 'careful', text: 'not there any more' },
  done: { tone: 'well', text: 'done by hand' },
  takedown: { tone: 'careful', text: 'by hand: to take down' },
};

type PlaceKind = Post['places'][number]['kind'];

function queuedDelivery({ tries, pending, due }: Delivery, kind: PlaceKind): State {
  const byHand = kind === 'by-hand';
  if (tries > 0)
    return { tone: 'careful', text: kind === 'mail' ? 'waits for the mail' : 'waits for the site' };
  if (pending) return { tone: 'inform', text: 'going out' };
  return { tone: 'inform', text: `${byHand ? 'by hand' : 'queued'}${atTime(due)}` };
}

function toDo({ overdue, outSince }: Delivery): State {
  const tone = overdue ? 'wrong' : 'careful';
  if (outSince !== null) return { tone, text: 'by hand: to change' };
  return { tone, text: overdue ? 'by hand: overdue' : 'by hand: to do' };
}

/** Letters that have been written go out by themselves. */
function sentState({ letters }: Delivery): State {
  if (letters && letters.refused.length > 0) return { tone: 'careful', text: 'sent, not to all' };
  if (letters && letters.waiting > 0) return { tone: 'inform', text: 'going out' };
  return { tone: 'well', text: 'sent' };
}

/** How it stands at one place. */
export function deliveryState(d: Delivery, kind: PlaceKind): State {
  switch (d.state) {
    case 'queued':
      return queuedDelivery(d, kind);
    case 'out':
      if (kind === 'mail') return sentState(d);
      if (d.pending) return { tone: 'careful', text: 'change under way' };
      return d.session?.status === 'cancelled'
        ? { tone: 'plain', text: 'says that it is cancelled' }
        : { tone: 'well', text: 'out' };
    case 'todo':
      return toDo(d);
    default:
      return STATE_OF_DELIVERY[d.state]!;
  }
}

function aboutInWords(about: Post['about']): string {
  if (about === 'link') return 'The lasting link';
  return about === 'sessions' ? 'Each session' : `The session of ${dateInWords(about.on)}`;
}

function timingInWords(timing: Post['timing']): string {
  if (timing === 'now') return 'at once';
  if (timing === 'draft') return 'when released';
  if ('at' in timing) return `${dateInWords(timing.at.date)} ${timing.at.time}`;
  if ('before' in timing) return `${timing.before} minutes before`;
  return `that morning at ${timing.morning}`;
}

const AFTERWARDS: Record<Post['afterwards'], string> = {
  stay: '',
  down: ', taken down after',
  strike: ', struck through after',
};

/** When and what about, in half a sentence. */
export const planInWords = ({ about, timing, afterwards, pinned }: Post): string =>
  `${aboutInWords(about)}, ${timingInWords(timing)}${AFTERWARDS[afterwards]}${pinned ? ', pinned' : ''}`;

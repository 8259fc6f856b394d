import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import type { Tone } from '../../ui/Chip.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Delivery = Post['deliveries'][number];
type State = { tone: Tone; text: string };

const atTime = (due: Delivery['due']): string =>
  due ? ` ${dateInWords(due.date)} ${due.time}` : '';

const STATE_OF_POST: Partial<Record<Post['state'], State>> = {
  draft: { tone: 'careful', text: say.draftWaitsForYou },
  over: { tone: 'plain', text: say.over },
};

function queuedState({ tries, pending, due, places }: Post): State {
  const isMail = places.every((place) => place.kind === 'mail');
  if (tries > 0)
    return { tone: 'careful', text: isMail ? say.waitsForTheMail : say.waitsForTheCourseSite };
  if (pending) return { tone: 'inform', text: say.goingOut };
  return { tone: 'inform', text: fill(say.goesOutTime, { time: atTime(due) }) };
}

/** How a post stands, as a whole. */
export function postState(post: Post): State {
  const { state, pending, deliveries } = post;
  switch (state) {
    case 'withdrawn':
      return pending
        ? { tone: 'careful', text: say.beingTakenDown }
        : { tone: 'plain', text: say.withdrawn };
    case 'failed':
      return deliveries.some((d) => d.state === 'failed')
        ? { tone: 'wrong', text: say.failed }
        : { tone: 'careful', text: say.goneFromTheSite };
    case 'todo': {
      const isLate = deliveries.some((d) => d.overdue);
      return { tone: isLate ? 'wrong' : 'careful', text: say.toDoByHand };
    }
    case 'out':
      return pending
        ? { tone: 'careful', text: say.outChangeUnderWay }
        : { tone: 'well', text: say.out };
    case 'queued':
      return queuedState(post);
    default:
      return STATE_OF_POST[state]!;
  }
}

const STATE_OF_DELIVERY: Partial<Record<Delivery['state'], State>> = {
  draft: { tone: 'careful', text: say.draft },
  struck: { tone: 'plain', text: say.struckThrough },
  gone: { tone: 'plain', text: say.takenDown },
  failed: { tone: 'wrong', text: say.failedWithin },
  missing: { tone: 'careful', text: say.notThereAnyMore },
  done: { tone: 'well', text: say.doneByHand },
  takedown: { tone: 'careful', text: say.byHandToTakeDown },
};

type PlaceKind = Post['places'][number]['kind'];

function queuedDelivery({ tries, pending, due }: Delivery, kind: PlaceKind): State {
  const byHand = kind === 'by-hand';
  if (tries > 0)
    return {
      tone: 'careful',
      text: kind === 'mail' ? say.waitsForTheMailWithin : say.waitsForTheSite,
    };
  if (pending) return { tone: 'inform', text: say.goingOutWithin };
  return { tone: 'inform', text: `${byHand ? say.byHandWithin : 'queued'}${atTime(due)}` };
}

function toDo({ overdue, outSince }: Delivery): State {
  const tone = overdue ? 'wrong' : 'careful';
  if (outSince !== null) return { tone, text: say.byHandToChange };
  return { tone, text: overdue ? say.byHandOverdue : say.byHandToDo };
}

/** Letters that have been written go out by themselves. */
function sentState({ letters }: Delivery): State {
  if (letters && letters.refused.length > 0) return { tone: 'careful', text: say.sentNotToAll };
  if (letters && letters.waiting > 0) return { tone: 'inform', text: say.goingOutWithin };
  return { tone: 'well', text: say.sent };
}

/** How it stands at one place. */
export function deliveryState(d: Delivery, kind: PlaceKind): State {
  switch (d.state) {
    case 'queued':
      return queuedDelivery(d, kind);
    case 'out':
      if (kind === 'mail') return sentState(d);
      if (d.pending) return { tone: 'careful', text: say.changeUnderWay };
      return d.session?.status === 'cancelled'
        ? { tone: 'plain', text: say.saysThatItIsCancelled }
        : { tone: 'well', text: say.outWithin };
    case 'todo':
      return toDo(d);
    default:
      return STATE_OF_DELIVERY[d.state]!;
  }
}

function aboutInWords(about: Post['about']): string {
  if (about === 'link') return say.theLastingLinkTitle;
  return about === 'sessions'
    ? say.eachSessionTitle
    : fill(say.theSessionOf, { date: dateInWords(about.on) });
}

function timingInWords(timing: Post['timing']): string {
  if (timing === 'now') return say.atOnce;
  if (timing === 'draft') return say.whenReleased;
  if ('at' in timing) return `${dateInWords(timing.at.date)} ${timing.at.time}`;
  if ('before' in timing) return fill(say.minutesBeforeIt, { before: timing.before });
  return fill(say.thatMorningAt, { morning: timing.morning });
}

const AFTERWARDS: Record<Post['afterwards'], string> = say.afterwards;

/** When and what about, in half a sentence. */
export const planInWords = ({ about, timing, afterwards, pinned }: Post): string =>
  [aboutInWords(about), timingInWords(timing), AFTERWARDS[afterwards], pinned && say.pinnedWithin]
    .filter(Boolean)
    .join(', ');

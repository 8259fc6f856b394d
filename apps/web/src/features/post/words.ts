import { dateInWords } from '@glen/core/light';
import type { Post } from '@glen/contract';
import type { Tone } from '../../ui/Chip.js';

type Delivery = Post['deliveries'][number];
type State = { tone: Tone; text: string };

const atTime = (due: Delivery['due']): string =>
  due ? ` ${dateInWords(due.date)} ${due.time}` : '';

/** How a post stands, as a whole. */
export function postState(post: Post): State {
  switch (post.state) {
    case 'withdrawn':
      return post.pending
        ? { tone: 'careful', text: 'Being taken down' }
        : { tone: 'plain', text: 'Withdrawn' };
    case 'failed':
      return post.deliveries.some((d) => d.state === 'failed')
        ? { tone: 'wrong', text: 'Failed' }
        : { tone: 'careful', text: 'Gone from the site' };
    case 'todo':
      return {
        tone: post.deliveries.some((d) => d.overdue) ? 'wrong' : 'careful',
        text: 'To do by hand',
      };
    case 'draft':
      return { tone: 'careful', text: 'Draft: waits for you' };
    case 'over':
      return { tone: 'plain', text: 'Over' };
    case 'out':
      return post.pending
        ? { tone: 'careful', text: 'Out, change under way' }
        : { tone: 'well', text: 'Out' };
    case 'queued':
      return post.tries > 0
        ? { tone: 'careful', text: 'Waits for the course site' }
        : post.pending
          ? { tone: 'inform', text: 'Going out' }
          : { tone: 'inform', text: `Goes out${atTime(post.due)}` };
  }
}

/** How it stands at one place. */
export function deliveryState(d: Delivery, byHand: boolean): State {
  switch (d.state) {
    case 'draft':
      return { tone: 'careful', text: 'draft' };
    case 'queued':
      return d.tries > 0
        ? { tone: 'careful', text: 'waits for the site' }
        : d.pending
          ? { tone: 'inform', text: 'going out' }
          : { tone: 'inform', text: `${byHand ? 'by hand' : 'queued'}${atTime(d.due)}` };
    case 'out':
      return d.pending
        ? { tone: 'careful', text: 'change under way' }
        : { tone: 'well', text: 'out' };
    case 'struck':
      return { tone: 'plain', text: 'struck through' };
    case 'gone':
      return { tone: 'plain', text: 'taken down' };
    case 'failed':
      return { tone: 'wrong', text: 'failed' };
    case 'missing':
      return { tone: 'careful', text: 'not there any more' };
    case 'todo':
      return {
        tone: d.overdue ? 'wrong' : 'careful',
        text:
          d.outSince === null
            ? d.overdue
              ? 'by hand: overdue'
              : 'by hand: to do'
            : 'by hand: to change',
      };
    case 'done':
      return { tone: 'well', text: 'done by hand' };
    case 'takedown':
      return { tone: 'careful', text: 'by hand: to take down' };
  }
}

/** When and what about, in half a sentence. */
export function planInWords({ about, timing, afterwards, pinned }: Post): string {
  const of =
    about === 'link'
      ? 'The lasting link'
      : about === 'sessions'
        ? 'Each session'
        : `The session of ${dateInWords(about.on)}`;
  const when =
    timing === 'now'
      ? 'at once'
      : timing === 'draft'
        ? 'when released'
        : 'at' in timing
          ? `${dateInWords(timing.at.date)} ${timing.at.time}`
          : 'before' in timing
            ? `${timing.before} minutes before`
            : `that morning at ${timing.morning}`;
  return `${of}, ${when}${afterwards === 'down' ? ', taken down after' : afterwards === 'strike' ? ', struck through after' : ''}${pinned ? ', pinned' : ''}`;
}

import {
  changeInWords,
  fillLine,
  renderNotice,
  renderPost,
  type Medium,
  type PostText,
  type PostValues,
  type RichText,
} from '@glen/core';
import { changedSession } from '../plan/changedSession.js';
import type { Body } from './placementStore.js';
import type { Reader } from './readerStore.js';
import type { PlaceRow, PostOccurrenceRow } from './places.sql.js';
import type { PostRow } from './store.js';

/** A section that a place makes for itself is told apart from the site's own by its key. */
export const sectionKey = (placeId: number): string => `glen-s${placeId}`;

interface At {
  post: PostRow;
  place: PlaceRow;
  values: PostValues;
  session: PostOccurrenceRow | null;
  /** The place under whose name its heading of Glen's own is kept. */
  keeper: number;
  /** What is said first, of a session that is not held as people knew it; it stands alone where that is off (`isOff`). */
  notice: string | null;
  isOff: boolean;
  struck: boolean;
  readers: Reader[] | null;
  /** What is there after lessons. */
  below: RichText;
}

const addresses = (readers: Reader[] | null): string[] | null =>
  readers && readers.flatMap((r) => (r.email === null ? [] : [r.email])).sort();

/** The words of a post at a place: its own there, else the same as everywhere. */
export const textAt = (
  post: Pick<PostRow, 'words' | 'link_words'>,
  shape: Partial<Pick<PlaceRow['shape'], 'words' | 'linkWords'>>,
): PostText => ({
  words: shape.words ?? post.words,
  linkWords: shape.linkWords || post.link_words,
});

/** What is told of a session that is cancelled, or moved away from where people knew it. */
export function noticeOf(session: PostOccurrenceRow): string | null {
  const changed = changedSession(session);
  return changed && changeInWords(changed);
}

/** What a place is given: the post in the form that stands there. */
export const bodyAt = (at: At): Body =>
  at.isOff && at.notice !== null ? offBody(at, at.notice) : heldBody(at);

/** What stands where the link of a cancelled session stood: that it is, and no link. */
function offBody({ post, place, keeper, values, session, readers }: At, notice: string): Body {
  const { kind, shape } = place;
  const [html, text, markdown] = (['html', 'text', 'markdown'] as const).map((medium) =>
    renderNotice(notice, values.address, medium),
  ) as [string, string, string];
  const shown = { readers: addresses(readers), struck: false };
  switch (kind) {
    case 'stream':
      return { kind: 'post', html, text, pinned: Boolean(post.pinned), ...shown };
    case 'calendar':
      return {
        kind: 'event',
        title: notice,
        start: session!.start_at,
        end: session!.end_at,
        html: '',
        address: null,
        ...shown,
      };
    case 'by-hand':
      return { kind: 'hand', html, text, markdown };
    case 'mail':
      return { ...letterBody(shape, readers), subject: notice, html, text, isOff: true };
    case 'item':
      return {
        kind: 'item',
        ...onThePage(keeper, shape),
        title: notice,
        html: '',
        address: null,
        ...shown,
      };
  }
}

/** To whom letters go, and what they have along. */
const letterBody = ({ withCalendar = false }: PlaceRow['shape'], readers: Reader[] | null) => ({
  kind: 'mail' as const,
  readers: (readers ?? []).map((reader) => reader.id).sort((a, b) => a - b),
  withCalendar,
});

/** Where on the course page. */
const onThePage = (keeper: number, shape: PlaceRow['shape']) => {
  const { section, position, order = 0, newTab } = shape;
  return section && 'key' in section
    ? { section: section.key, position, newTab }
    : { section: sectionKey(keeper), position: order, newTab };
};

function heldBody({
  post,
  place: { kind, shape },
  keeper,
  values,
  session,
  notice,
  struck,
  readers,
  below,
}: At): Body {
  const text = textAt(post, shape);
  const shown = { readers: addresses(readers), struck };
  const title = fillLine(shape.title || text.linkWords, values) || values.address;
  const beside = renderPost(text, values, 'html', { linkAtEnd: false, notice, below });
  const said = (medium: Medium): string => renderPost(text, values, medium, { notice, below });
  const both = { html: said('html'), text: said('text') };
  switch (kind) {
    case 'stream':
      return {
        kind: 'post',
        ...both,
        pinned: Boolean(post.pinned) && !struck,
        ...shown,
      };
    case 'calendar':
      return {
        kind: 'event',
        title,
        start: session!.start_at,
        end: session!.end_at,
        html: beside,
        address: values.address,
        ...shown,
      };
    case 'by-hand':
      return { kind: 'hand', ...both, markdown: said('markdown') };
    case 'mail':
      return {
        ...letterBody(shape, readers),
        subject: title,
        ...both,
        isOff: false,
      };
    case 'item':
      return {
        kind: 'item',
        ...onThePage(keeper, shape),
        ...shown,
        ...(shape.inText
          ? { title, html: said('html'), address: null }
          : { title, html: beside, address: values.address }),
      };
  }
}

/** The heading of the section that a place makes for itself; null where it uses one that is there. */
export const sectionAt = ({ shape }: PlaceRow, values: PostValues): Body | null =>
  shape.section && 'title' in shape.section
    ? { kind: 'section', title: fillLine(shape.section.title, values), position: shape.position }
    : null;

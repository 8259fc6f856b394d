import { fillLine, renderPost, type PostText, type PostValues } from '@glen/core';
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
  struck: boolean;
  readers: Reader[] | null;
}

const addresses = (readers: Reader[] | null): string[] | null =>
  readers && readers.flatMap((r) => (r.email === null ? [] : [r.email])).sort();

/** What a place is given: the post in the form that stands there. */
export function bodyAt({
  post,
  place: { kind, shape, id },
  values,
  session,
  struck,
  readers,
}: At): Body {
  const text: PostText = { words: shape.words ?? post.words, linkWords: post.link_words };
  const shown = { readers: addresses(readers), struck };
  const title = fillLine(shape.title || post.link_words, values) || values.address;
  const beside = renderPost(text, values, 'html', { linkAtEnd: false });
  switch (kind) {
    case 'stream':
      return {
        kind: 'post',
        html: renderPost(text, values, 'html'),
        text: renderPost(text, values, 'text'),
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
      return {
        kind: 'hand',
        html: renderPost(text, values, 'html'),
        text: renderPost(text, values, 'text'),
        markdown: renderPost(text, values, 'markdown'),
      };
    case 'item':
      return {
        kind: 'item',
        section: shape.section && 'key' in shape.section ? shape.section.key : sectionKey(id),
        position: shape.position,
        newTab: shape.newTab,
        ...shown,
        ...(shape.inText
          ? { title, html: renderPost(text, values, 'html'), address: null }
          : { title, html: beside, address: values.address }),
      };
  }
}

/** The heading of the section that a place makes for itself; null where it uses one that is there. */
export const sectionAt = ({ shape }: PlaceRow, values: PostValues): Body | null =>
  shape.section && 'title' in shape.section
    ? { kind: 'section', title: fillLine(shape.section.title, values), position: shape.position }
    : null;

import { classTitle } from '@glen/core';
import type { PlaceRow } from './places.sql.js';

export const titleOf = (p: PlaceRow): string =>
  classTitle({ title: p.class_title, period: p.period });

/** Where a place is, in words: `Stream of Coastal Navigation, period 3`. */
export function whereOf(p: PlaceRow): string {
  const only = p.shape.readers === 'audience' ? ` (${p.link_label})` : '';
  return `${placeName(p)}${only}`;
}

function placeName(p: PlaceRow): string {
  switch (p.kind) {
    case 'stream':
      return `Stream of ${titleOf(p)}`;
    case 'item':
      return `Course page of ${titleOf(p)}`;
    case 'calendar':
      return `Calendar of ${titleOf(p)}`;
    case 'mail':
      return `Mail to ${titleOf(p)}`;
    case 'by-hand':
      return `${p.shape.name || 'By hand'}, ${titleOf(p)}`;
  }
}

import { Fragment, createElement, type ReactNode } from 'react';
import type { Filled } from './fill.js';

/** The names in `<name>words</name>`: words that are dressed. */
type Dressed<Sentence extends string> = Sentence extends `${string}</${infer Name}>${infer Rest}`
  ? Name | Dressed<Rest>
  : never;

type SaidProps<Sentence extends string> = { as: Sentence } & Record<Filled<Sentence>, ReactNode> &
  Record<Dressed<Sentence>, (text: string) => ReactNode>;

type Place = ReactNode | ((text: string) => ReactNode);

/** A filled place, or a dressed one with its words. */
const PLACE = /(\{\w+\}|<(?:\w+)>.*?<\/\w+>)/;
const FILLED = /^\{(\w+)\}$/;
const DRESSED = /^<(\w+)>(.*)<\/\1>$/;

function put(piece: string, places: Record<string, Place>): ReactNode {
  const filled = FILLED.exec(piece);
  if (filled) return places[filled[1]!] as ReactNode;
  const dressed = DRESSED.exec(piece);
  if (!dressed) return piece;
  const dress = places[dressed[1]!] as (text: string) => ReactNode;
  return dress(dressed[2]!);
}

/**
 * A sentence with controls, links or marks in it, whole: `<Said as={say.away} who={…} link={(text) => <a>{text}</a>} />`
 * for “{who} is away, <link>see more</link>”. The sentence says in which order they stand, so that another language may say it otherwise.
 */
export function Said<Sentence extends string>({ as, ...places }: SaidProps<Sentence>) {
  const pieces = as.split(PLACE).map((piece) => put(piece, places as Record<string, Place>));
  return createElement(Fragment, null, ...pieces);
}

import { classTitle } from '../../calendar/classTitle.js';
import type { ClassFit, Item } from './items.js';
import type { PhraseClass } from './phraseTypes.js';
import type { ItemOf, Settling } from './settling.js';

export interface NamedClass {
  /** The class period whose own bell period counts: the named one, or the one at hand. */
  of?: PhraseClass;
  classId?: number;
  groupId?: number;
  linkId?: number;
}

const idsOf = (fits: ClassFit[]): number[] => [...new Set(fits.map((fit) => fit.classId))];

/** The class periods that every part of the phrase may mean. */
function shared(parts: ItemOf<'class'>[]): number[] {
  const [first = [], ...others] = parts.map((part) => idsOf(part.fits));
  return first.filter((id) => others.every((ids) => ids.includes(id)));
}

/** Of several that a title may mean, the one whose bell period stands elsewhere in the phrase. */
function byPeriod(settling: Settling, ids: number[]): number[] {
  const [period] = settling.all('period');
  if (!period) return ids;
  const fits = settling.classes.filter((c) => ids.includes(c.id) && c.period === period.label);
  return fits.length === 1 ? fits.map((c) => c.id) : ids;
}

function tellWhich(settling: Settling, part: Item, ids: number[]): void {
  const letters = settling.classes.filter((c) => ids.includes(c.id)).map((c) => c.letters);
  const last = letters.pop();
  settling.isUnclear(part, `Which one: ${letters.join(', ')} or ${last}?`);
}

const isWhole = (fit: ClassFit): boolean => fit.groupId === undefined && fit.linkId === undefined;

/** The groups or links of a class period that each part may mean, where it does not mean the class period itself. */
const partsWithin = (parts: ItemOf<'class'>[], classId: number): ClassFit[][] =>
  parts
    .map(({ fits }) => fits.filter((fit) => fit.classId === classId))
    .filter((own) => !own.some(isWhole));

/** Its group or link, where the words name exactly one. Two of them are unclear. */
function within(
  settling: Settling,
  parts: ItemOf<'class'>[],
  classId: number,
): Pick<NamedClass, 'groupId' | 'linkId'> {
  const named = partsWithin(parts, classId).flat();
  const one = (ids: (number | undefined)[]): number | undefined => {
    const known = [...new Set(ids.filter((id) => id !== undefined))];
    if (known.length > 1)
      for (const part of parts) settling.isUnclear(part, 'One group or link at a time.');
    return known.length === 1 ? known[0] : undefined;
  };
  const groupId = one(named.map((fit) => fit.groupId));
  const linkId = one(named.map((fit) => fit.linkId));
  return {
    ...(groupId === undefined ? {} : { groupId }),
    ...(linkId === undefined ? {} : { linkId }),
  };
}

/** The one class period that the phrase's words name. Two, or words that may mean several, are unclear. */
export function settleClass(settling: Settling): NamedClass {
  const parts = settling.all('class');
  const current = settling.classes.find((c) => c.id === settling.context.current);
  if (parts.length === 0) return current ? { of: current } : {};
  const common = shared(parts);
  if (common.length === 0) {
    for (const part of parts) settling.isUnclear(part, 'One class period at a time.');
    return {};
  }
  const ids = common.length > 1 ? byPeriod(settling, common) : common;
  if (ids.length > 1) {
    tellWhich(settling, parts[0]!, ids);
    return {};
  }
  const of = settling.classes.find((c) => c.id === ids[0])!;
  if (common.length > 1) settling.assume(parts[0]!, classTitle(of));
  return { of, classId: of.id, ...within(settling, parts, of.id) };
}

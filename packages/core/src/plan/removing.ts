/** Who could have seen a session, before it is taken off the books. */
export interface SeenBy {
  draft: boolean;
  /** People whom its link is for: they have it in their day and in their feeds. */
  people: number;
  /** Places where its link stands: streams, course pages, calendars. */
  places: number;
}

export interface RemovingAdvice {
  advises: 'remove' | 'cancel';
  text: string;
}

const counted = (n: number, one: string, many: string): string => (n === 1 ? one : `${n} ${many}`);

/**
 * Whether a session ahead is better removed, as if it had never been, or cancelled, so that those who know of it are told:
 * what anybody could have seen is cancelled.
 */
export function adviseRemoving({ draft, people, places }: SeenBy): RemovingAdvice {
  if (draft)
    return { advises: 'remove', text: 'It is a draft: nobody but its hosts could have seen it.' };
  if (people === 0 && places === 0)
    return { advises: 'remove', text: 'Nobody but its hosts could have seen it.' };
  const seen = [
    ...(people > 0 ? [`${counted(people, 'one person has', 'people have')} it in their day`] : []),
    ...(places > 0 ? [`its link stands in ${counted(places, 'one place', 'places')}`] : []),
  ].join(', and ');
  const capital = seen.charAt(0).toUpperCase() + seen.slice(1);
  return {
    advises: 'cancel',
    text: `${capital}. Cancelled, it says so there; removed, it is gone without a word.`,
  };
}

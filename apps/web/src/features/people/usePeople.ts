import { useDeferredValue, useState } from 'react';
import { PERSON_ROLES, type PersonRole } from '@glen/core/light';
import { api } from '../../app/api.js';

/** Which people are listed: all of them, or those who are one thing to the school. */
type Whom = PersonRole | 'all';
export type Order = 'name' | 'family' | 'newest';

const isRole = (whom: Whom): whom is PersonRole => PERSON_ROLES.includes(whom as PersonRole);

/** The list of people as it is found, filtered and ordered; more of it comes as one scrolls. */
export function usePeople() {
  const [typed, setTyped] = useState('');
  const [whom, setWhom] = useState<Whom>('all');
  const [standing, setStanding] = useState<'here' | 'retired'>('here');
  const [sort, setSort] = useState<Order>('name');
  const q = useDeferredValue(typed.trim());
  const asked = api.usePeopleInfiniteQuery({
    query: { q, standing, sort, role: isRole(whom) ? whom : undefined },
  });
  const pages = asked.data?.pages;
  return {
    asked,
    people: pages?.flatMap((page) => page.people) ?? [],
    total: pages?.[0]?.total ?? null,
    isMore: asked.hasNextPage,
    more: () => {
      if (asked.hasNextPage && !asked.isFetchingNextPage) void asked.fetchNextPage();
    },
    isNarrowed: q !== '' || whom !== 'all',
    typed,
    setTyped,
    whom,
    setWhom,
    standing,
    setStanding,
    sort,
    setSort,
  };
}

export type PeopleList = ReturnType<typeof usePeople>;

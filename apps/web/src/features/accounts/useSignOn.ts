import { useState } from 'react';
import { api, problemOf } from '../../app/api.js';

interface Asked {
  /** The provider's name in addresses. */
  provider: string;
  /** Where they come back to; left out: to this page. */
  next?: string;
  /** The provider asks who they are, though it knows them already. */
  anew?: boolean;
  /** The account becomes another of whoever is signed in. */
  join?: boolean;
}

const thisPage = (): string => `${window.location.pathname}${window.location.search}`;

/** Leaves for a provider of accounts, to come back signed in. What is typed elsewhere is kept as ever. */
export function useSignOn() {
  const [begin, { error }] = api.useBeginSignOnMutation();
  const [isLeaving, setLeaving] = useState(false);
  const signOn = async ({ provider, next = thisPage(), anew = false, join = false }: Asked) => {
    setLeaving(true);
    const { data } = await begin({ params: { provider }, body: { next, anew, join } });
    if (data) window.location.assign(data.address);
    else setLeaving(false);
  };
  return { signOn, isLeaving, problem: problemOf(error) };
}

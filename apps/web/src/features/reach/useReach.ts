import { api } from '../../app/api.js';
import { useAddressParts } from './useAddressParts.js';

/** Who sees a link: link and moment stand in the address; without a link there, one's first. */
export function useReach() {
  const [search, go] = useAddressParts();
  const { data } = api.useLinksQuery();
  const links = data?.links.filter((l) => l.state === 'live');
  const linkId = Number(search.get('link')) || links?.[0]?.id;
  const at = search.get('at') ?? '';
  const reach = api.useReachQuery(
    { params: { linkId: linkId ?? 0 }, query: { at: at || undefined } },
    { skip: linkId === undefined },
  );
  return {
    /** Those that work; not there until they are known. */
    links,
    linkId,
    at,
    go,
    asked: { ...reach, data: reach.currentData },
  };
}

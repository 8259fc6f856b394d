import { api } from '../../app/api.js';
import { useAddressParts } from './useAddressParts.js';

/** Who sees a link: link and moment stand in the address; without a link there, all of them are asked about, for a day. */
export function useReach() {
  const [search, go] = useAddressParts();
  const { data } = api.useLinksQuery();
  const links = data?.links.filter((l) => l.state === 'live');
  const linkId = Number(search.get('link')) || undefined;
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
    day: search.get('day') ?? '',
    go,
    asked: { ...reach, data: reach.currentData },
  };
}

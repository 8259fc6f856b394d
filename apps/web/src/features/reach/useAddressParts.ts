import { useSearchParams } from 'react-router';

/** What a page is asked, kept in its own address: the parts, and a way to change some of them. A blank one is left out. */
export function useAddressParts(): [URLSearchParams, (part: Record<string, string>) => void] {
  const [search, setSearch] = useSearchParams();
  const go = (part: Record<string, string>): void =>
    setSearch(
      (was) => {
        const next = new URLSearchParams(was);
        for (const [key, value] of Object.entries(part)) {
          if (value) next.set(key, value);
          else next.delete(key);
        }
        return next;
      },
      { replace: true },
    );
  return [search, go];
}

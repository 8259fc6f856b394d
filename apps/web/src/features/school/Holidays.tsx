import { Popover } from 'radix-ui';
import { useState } from 'react';
import { dateInWords, type SchoolCalendar } from '@glen/core';
import { api, problemOf } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { Loading, Trouble } from '../../ui/States.js';

type Closure = SchoolCalendar['closures'][number];

/** Public holidays of a chosen region that fall on school days and are no closures yet. */
export function Holidays({
  calendar,
  region,
  onRegion,
  onAdd,
}: {
  calendar: SchoolCalendar;
  region: string | null;
  onRegion: (region: string) => void;
  onAdd: (closures: Closure[]) => void;
}) {
  const [open, setOpen] = useState(false);
  const [left, setLeft] = useState<string[]>([]);
  const { data, error, isFetching } = api.useHolidaysQuery(
    { query: region ? { region } : {} },
    { skip: !open },
  );
  const isCovered = (date: string): boolean =>
    calendar.closures.some((c) => c.first <= date && date <= c.last) ||
    !calendar.terms.some((t) => t.first <= date && date <= t.last);
  const fresh = (data?.holidays ?? []).filter((h) => !isCovered(h.date));
  const chosen = fresh.filter((h) => !left.includes(h.date));
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>Public holidays…</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          aria-label="Public holidays"
          className="z-30 grid max-h-96 w-80 gap-2 overflow-y-auto rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          {error && !data ? (
            <Trouble problem={problemOf(error)} />
          ) : !data ? (
            <Loading lines={3} />
          ) : (
            <>
              <label className="grid gap-1 text-sm font-semibold">
                Region
                <select
                  className="rounded-small border border-edge bg-sheet px-2 py-1.5 text-[15px] font-normal"
                  value={region ?? ''}
                  onChange={(e) => onRegion(e.target.value)}
                >
                  <option value="" disabled>
                    Choose one
                  </option>
                  {data.regions.map((r) => (
                    <option key={r.code} value={r.code}>
                      {r.name}
                    </option>
                  ))}
                </select>
              </label>
              {isFetching ? (
                <Loading lines={2} />
              ) : (
                region &&
                fresh.length === 0 && (
                  <p className="text-[15px] text-soft">
                    All that fall in a term are closures already.
                  </p>
                )
              )}
              <ul>
                {fresh.map((h) => (
                  <li key={h.date}>
                    <label className="flex items-baseline gap-2 py-0.5 text-[15px]">
                      <input
                        type="checkbox"
                        className="accent-bracken"
                        checked={!left.includes(h.date)}
                        onChange={(e) =>
                          setLeft(
                            e.target.checked ? left.filter((d) => d !== h.date) : [...left, h.date],
                          )
                        }
                      />
                      <span>
                        {h.name}, {dateInWords(h.date, 'with-year')}
                      </span>
                    </label>
                  </li>
                ))}
              </ul>
              {fresh.length > 0 && (
                <Button
                  kind="strong"
                  disabled={chosen.length === 0}
                  onClick={() => {
                    onAdd(
                      chosen.map((h) => ({
                        name: h.name,
                        first: h.date,
                        last: h.date,
                        kind: 'holiday',
                      })),
                    );
                    setOpen(false);
                  }}
                >
                  Add {chosen.length}
                </Button>
              )}
            </>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

import { Popover } from 'radix-ui';
import { useState } from 'react';
import type { SchoolCalendar } from '@glen/core';
import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { Loaded } from '../../app/Loaded.js';
import { Button } from '../../ui/Button.js';
import { ChoiceBox } from '../../ui/choices.js';
import { Loading } from '../../ui/States.js';
import { HolidayChoice, type Holiday } from './HolidayChoice.js';
import * as say from './words.js';

type Closure = SchoolCalendar['closures'][number];

/** Whether nothing is lost on a day anyway: it is closed, or lies in no term. */
const isFree = ({ closures, terms }: SchoolCalendar, date: string): boolean =>
  closures.some((c) => c.first <= date && date <= c.last) ||
  !terms.some((t) => t.first <= date && date <= t.last);

const asClosure = ({ name, date }: Holiday): Closure => ({
  name,
  first: date,
  last: date,
  kind: 'holiday',
});

interface RegionProps {
  regions: Answer<'holidays'>['regions'];
  region: string | null;
  onRegion: (region: string) => void;
}

const RegionChoice = ({ regions, region, onRegion }: RegionProps) => (
  <div className="grid gap-1">
    <span aria-hidden="true" className="text-sm font-semibold">
      {say.region}
    </span>
    <ChoiceBox
      label={say.region}
      value={region ?? ''}
      choices={regions.map(({ code, name }) => ({ value: code, label: name }))}
      onChange={onRegion}
    />
  </div>
);

const AllTaken = () => <p className="text-md text-soft">{say.allThatFall}</p>;

interface HolidaysProps {
  calendar: SchoolCalendar;
  region: string | null;
  onRegion: (region: string) => void;
  onAdd: (closures: Closure[]) => void;
}

/** Public holidays of a chosen region that fall on school days and are no closures yet. */
function Card({ calendar, region, onRegion, onAdd }: HolidaysProps) {
  const asked = api.useHolidaysQuery({ query: region ? { region } : {} });
  return (
    <Loaded asked={asked} lines={3} isPart>
      {({ regions, holidays }) => {
        const fresh = holidays.filter((h) => !isFree(calendar, h.date));
        return (
          <>
            <RegionChoice regions={regions} region={region} onRegion={onRegion} />
            {asked.isFetching && <Loading lines={2} />}
            {!asked.isFetching && region && fresh.length === 0 && <AllTaken />}
            <HolidayChoice holidays={fresh} onAdd={(chosen) => onAdd(chosen.map(asClosure))} />
          </>
        );
      }}
    </Loaded>
  );
}

/** A button that offers public holidays as closures. */
export function Holidays(props: HolidaysProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <Button>{say.publicHolidaysDots}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={6}
          aria-label={say.publicHolidays}
          className="z-30 grid max-h-96 w-80 gap-2 overflow-y-auto rounded-small border border-line bg-sheet p-3.5 text-ink shadow-soft"
        >
          <Card
            {...props}
            onAdd={(closures) => {
              props.onAdd(closures);
              setOpen(false);
            }}
          />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

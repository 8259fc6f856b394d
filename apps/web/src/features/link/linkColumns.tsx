import { createColumnHelper } from '@tanstack/react-table';
import { Link } from 'react-router';
import { dateInWords } from '@glen/core/light';
import type { LinkRow } from '@glen/contract';
import { wallClock } from '../../app/clock.js';
import { Chip } from '../../ui/Chip.js';
import { Pennant } from '../../ui/Pennant.js';
import { rulesInWords } from './linkSearch.js';
import { WHOLE_CLASS, audienceInWords } from './noted.js';
import { many } from '../../ui/fill.js';
import * as say from './words.js';

const column = createColumnHelper<LinkRow>();

/** Sorts links without a next session behind all that have one. */
const AFTER_ALL_DATES = '9999';

const forWhom = (link: LinkRow): string =>
  audienceInWords(link).replace(WHOLE_CLASS, say.wholeClass);

const NameCell = ({ link }: { link: LinkRow }) => (
  <span className="flex items-center gap-2.5 max-half:items-start max-half:[&>svg]:mt-1">
    <Pennant pennant={link.pennant} size="small" />
    <span className="min-w-0">
      <Link
        className="font-semibold hover:underline"
        to={`/classes/${link.classId}/links/${link.id}`}
      >
        {link.label}
      </Link>
      {link.state === 'retired' && (
        <>
          {' '}
          <Chip>{say.stopped}</Chip>
        </>
      )}
      <br />
      <span className="text-sm text-soft">
        {link.classTitle}
        {link.purpose && link.purpose !== link.label ? ` · ${link.purpose}` : ''}
      </span>
      <span className="block text-sm text-soft half:hidden">
        {forWhom(link)} · {rulesInWords(link)}
      </span>
    </span>
  </span>
);

const AudienceCell = ({ link }: { link: LinkRow }) => (
  <>
    {forWhom(link)}
    <br />
    <span className="text-sm text-soft">{many(say.people, link.audienceSize)}</span>
  </>
);

function NextCell({ link: { next } }: { link: LinkRow }) {
  if (!next) return <span className="text-soft">{say.none}</span>;
  return (
    <>
      <span className="whitespace-nowrap">{dateInWords(next.date)}</span>
      <br />
      <span className="font-mono text-sm text-soft">{next.time}</span>
    </>
  );
}

function LastUsedCell({ at, zone }: { at: string; zone: string }) {
  if (!at) return <span className="text-soft">{say.never}</span>;
  return <span className="whitespace-nowrap">{dateInWords(wallClock(at, zone).date)}</span>;
}

function RoomCell({ address, hasService }: { address: string; hasService: boolean }) {
  if (address) return new URL(address).host;
  return <span className="text-soft">{hasService ? say.theSchools : say.noneYet}</span>;
}

/**
 * The columns of the table of all links; dates are said by the school's `zone`. `hasService`: a video service
 * makes a room wherever nobody has given one.
 */
export const linkColumns = (zone: string, hasService: boolean) => [
  column.accessor('label', {
    header: say.link,
    cell: ({ row }) => <NameCell link={row.original} />,
  }),
  column.accessor(audienceInWords, {
    id: 'audience',
    header: say.forWord,
    cell: ({ row }) => <AudienceCell link={row.original} />,
  }),
  column.accessor(rulesInWords, {
    id: 'rules',
    header: say.entry,
    cell: ({ getValue }) => <span className="text-md">{getValue()}</span>,
  }),
  column.accessor((link) => link.room ?? '', {
    id: 'room',
    header: say.room,
    cell: ({ getValue }) => <RoomCell address={getValue()} hasService={hasService} />,
  }),
  column.accessor((link) => link.next?.date ?? AFTER_ALL_DATES, {
    id: 'next',
    header: say.next,
    cell: ({ row }) => <NextCell link={row.original} />,
  }),
  column.accessor((link) => link.lastUsed ?? '', {
    id: 'lastUsed',
    header: say.lastUsed,
    cell: ({ getValue }) => <LastUsedCell at={getValue()} zone={zone} />,
  }),
];

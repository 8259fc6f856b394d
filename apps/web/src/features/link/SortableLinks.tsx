import { Link } from 'react-router';
import type { LinkRow } from '@glen/contract';
import { api } from '../../app/api.js';
import { orderKept } from '../../app/orderKept.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { Chip } from '../../ui/Chip.js';
import { SortableList } from '../../ui/SortableList.js';
import { CopyButtons } from './LinkLine.js';
import { audienceInWords } from './noted.js';
import { fill, list, many } from '../../ui/fill.js';
import * as say from './words.js';

function LinkChips({ link, size }: { link: LinkRow; size: number }) {
  const isLive = link.state === 'live';
  return (
    <p className="mt-1 flex flex-wrap gap-2 empty:hidden">
      {link.main && <Chip tone="inform">{say.theClassPeriodsOwn}</Chip>}
      {link.state === 'retired' && <Chip>{say.stopped}</Chip>}
      {!link.shown && isLive && <Chip>{say.notShownToStudents}</Chip>}
      {link.rules.withoutHost && isLive && <Chip>{say.standsOpenWithoutAHost}</Chip>}
      {link.room && <Chip>{say.aRoomOfYourOwn}</Chip>}
      {size === 0 && link.kind !== 'event' && isLive && (
        <Chip tone="careful">{say.forNobodyYet}</Chip>
      )}
    </p>
  );
}

/** Whether what it is for says more than what it is called. */
const hasItsOwnPurpose = ({ purpose, label }: LinkRow): boolean =>
  purpose !== '' && purpose !== label;

/** One link in the list: what it is called and for whom, its address, and copying it. */
export function LinkInList({ link }: { link: LinkRow }) {
  const size = link.audienceSize + link.audience.filter((a) => a.kind === 'guest').length;
  return (
    <>
      <div className="min-w-0 flex-1">
        <h2 className="text-lg">
          <Link
            to={`/classes/${link.classId}/links/${link.id}`}
            className={`hover:underline ${link.state === 'retired' ? 'text-soft line-through' : ''}`}
          >
            {link.label}
          </Link>
        </h2>
        <p className="text-md text-soft">
          {fill(hasItsOwnPurpose(link) ? say.purposeFor : say.forAudience, {
            purpose: link.purpose,
            audience: audienceInWords(link),
          })}{' '}
          · {many(say.people, size)}
          {link.hosts.length > 0 &&
            ` · ${fill(say.hostedByToo, { hosts: list(link.hosts.map((h) => h.name)) })}`}
        </p>
        <LinkChips link={link} size={size} />
      </div>
      <code className="hidden rounded-small bg-shade px-2 py-0.5 font-mono text-sm xl:inline">
        {`/door/${link.code}`}
      </code>
      {link.state === 'live' && (
        <span className="flex shrink-0 gap-2">
          <CopyButtons link={link} />
        </span>
      )}
    </>
  );
}

/** The live links of a class period in their order, which can be changed by drag or by keys, kept, and taken back. */
export function SortableLinks({
  classId,
  live,
  mayEdit,
}: {
  classId: number;
  live: LinkRow[];
  mayEdit: boolean;
}) {
  const [order] = api.useOrderLinksMutation();
  const params = { classId };
  return (
    <SortableList
      label={say.linksInTheirOrder}
      className="py-3"
      items={live.map((link) => ({ id: link.id, name: link.label, link }))}
      mayMove={mayEdit}
      put={async (next) => orderKept(await order({ params, body: { order: next } }))}
      onMoved={({ name }, before) =>
        offerWayBack(fill(say.standsElsewhereInTheList, { name }), [
          wayBack('orderLinks', { params, body: { order: before } }),
        ])
      }
    >
      {({ link }) => <LinkInList link={link} />}
    </SortableList>
  );
}

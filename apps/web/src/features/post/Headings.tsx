import type { Answer } from '@glen/contract';
import { api } from '../../app/api.js';
import { orderKept } from '../../app/orderKept.js';
import { offerWayBack } from '../../app/undo.js';
import { wayBack } from '../../app/wayBack.js';
import { SortableList } from '../../ui/SortableList.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Heading = Answer<'headings'>['headings'][number];

interface HeadingProps {
  classId: number;
  heading: Heading;
  mayEdit: boolean;
}

function UnderHeading({ classId, heading: { title, items }, mayEdit }: HeadingProps) {
  const [order] = api.useOrderItemsMutation();
  const params = { classId };
  return (
    <section aria-label={fill(say.underTitle, { title })} className="mb-3">
      <h3 className="text-md font-semibold">“{title}”</h3>
      <SortableList
        label={fill(say.underInTheirOrder, { title })}
        className="py-1.5"
        items={items.map((item) => ({ id: item.placeId, name: item.title }))}
        mayMove={mayEdit}
        put={async (next) => orderKept(await order({ params, body: { order: next } }))}
        onMoved={({ name }, before) =>
          offerWayBack(fill(say.standsElsewhereUnderItsHeading, { name }), [
            wayBack('orderItems', { params, body: { order: before } }),
          ])
        }
      >
        {({ name }) => <span className="min-w-0 break-words text-loch-deep">{name}</span>}
      </SortableList>
    </section>
  );
}

/** Glen's own headings on the course page under which several items stand, in an order that can be changed. */
export function Headings({ classId, mayEdit }: { classId: number; mayEdit: boolean }) {
  const { data } = api.useHeadingsQuery({ params: { classId } });
  const several = (data?.headings ?? []).filter((heading) => heading.items.length > 1);
  if (several.length === 0) return null;
  return (
    <section aria-label={say.inOrderOnTheCourse} className="mt-6">
      <h2 className="mb-2 text-base">{say.inOrderOnTheCourse}</h2>
      {several.map((heading) => (
        <UnderHeading key={heading.written} classId={classId} heading={heading} mayEdit={mayEdit} />
      ))}
    </section>
  );
}

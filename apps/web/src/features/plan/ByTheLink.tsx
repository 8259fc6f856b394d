import { classTitle } from '@glen/core/light';
import type { ClassItem, Session } from '@glen/contract';
import { api } from '../../app/api.js';
import { ChoicePart } from '../../ui/choices.js';
import { CardPart } from '../../ui/SentencePart.js';
import { audienceInWords } from '../link/noted.js';
import type { SheetDraft } from './sheetDraft.js';
import { fill, list } from '../../ui/fill.js';
import { Said } from '../../ui/Said.js';
import * as say from './words.js';

const OWN = 'own';
const FRESH = 'fresh';

/** The link by which a session is met: chosen for a new one, told of one that stands on the books. */
export function ByTheLink({
  draft,
  read,
  change,
}: {
  draft: SheetDraft;
  read: Session | null;
  change: (part: Partial<SheetDraft>) => void;
}) {
  const { data } = api.useClassLinksQuery({ params: { classId: draft.classId } });
  if (read) return <b>{read.linkLabel ? `“${read.linkLabel}”` : say.ofTheClassPeriod}</b>;
  const others = (data?.links ?? []).filter((l) => l.state === 'live' && !l.main);
  const choose = (v: string): void => {
    const link = others.find((l) => String(l.id) === v);
    change({
      linkId: v === FRESH ? FRESH : (link?.id ?? null),
      ...(draft.titleIsOurs && link ? { title: link.label } : {}),
    });
  };
  return (
    <ChoicePart
      label={say.byTheLink}
      value={draft.linkId === null ? OWN : String(draft.linkId)}
      marked={draft.linkId !== null}
      onChange={choose}
      choices={[
        { value: OWN, label: say.ofTheClassPeriod },
        ...others.map((l) => ({
          value: String(l.id),
          label: `“${l.label}”`,
          hint: fill(say.forAudience, { audience: audienceInWords(l) }),
        })),
        {
          value: FRESH,
          label: say.ofItsOwnAFresh,
          hint: say.forAnEvening,
          apart: true,
        },
      ]}
    />
  );
}

interface OthersProps {
  draft: SheetDraft;
  others: ClassItem[];
  change: (part: Partial<SheetDraft>) => void;
}

/** Which other class periods meet there too. */
const Others = ({ draft, others, change }: OthersProps) => (
  <fieldset className="grid max-w-xs gap-1.5">
    <legend className="mb-1 text-sm text-soft">{say.theyMeetAtThisDoor}</legend>
    {others.map((c) => (
      <label key={c.id} className="flex items-center gap-2 text-base">
        <input
          type="checkbox"
          className="size-4 accent-bracken"
          checked={draft.together.includes(c.id)}
          onChange={(e) =>
            change({
              together: e.target.checked
                ? [...draft.together, c.id]
                : draft.together.filter((id) => id !== c.id),
            })
          }
        />
        {classTitle(c)}
      </label>
    ))}
  </fieldset>
);

/** Class periods that meet in it too: chosen for a new session, told of one on the books. */
export function TogetherWith({
  draft,
  read,
  classes,
  change,
}: {
  draft: SheetDraft;
  read: Session | null;
  classes: ClassItem[];
  change: (part: Partial<SheetDraft>) => void;
}) {
  if (read)
    return read.with.length > 0 ? (
      <>
        {' '}
        <Said as={say.togetherWith} others={<b>{list(read.with)}</b>} />,
      </>
    ) : null;
  const others = classes.filter((c) => c.id !== draft.classId);
  if (others.length === 0) return null;
  const names = draft.together
    .map((id) => classTitle(others.find((c) => c.id === id) ?? { title: '', period: null }))
    .join(', ');
  return (
    <>
      {' '}
      <Said
        as={say.togetherWith}
        others={
          <CardPart
            label={fill(say.togetherWithNames, { names: names || say.noOtherClass })}
            shown={names || say.noOtherClass}
            marked={draft.together.length > 0}
          >
            <Others draft={draft} others={others} change={change} />
          </CardPart>
        }
      />
      ,
    </>
  );
}

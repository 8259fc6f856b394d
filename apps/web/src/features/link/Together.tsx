import { useState } from 'react';
import { classTitle, dateInWords } from '@glen/core/light';
import type { ClassItem, LinkDetail, Sent } from '@glen/contract';
import { api } from '../../app/api.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { useTogether } from './useTogether.js';

const ALWAYS = 'always';
/** Only so many of the next dates are offered one by one. */
const MOST_DATES = 12;

interface When {
  value: string;
  label: string;
  body: { seriesId?: number; key?: string };
}

/** When it can be: always, at a whole series of this link, or at one of the next dates. */
function whensOf(link: LinkDetail, classPeriod: ClassPeriod): When[] {
  const here = classPeriod.sessions.filter(
    (s) =>
      s.linkId === link.id &&
      (s.status === 'planned' || s.status === 'moved') &&
      s.door !== 'ended',
  );
  const series = new Map(here.filter((s) => s.plan.repeat).map((s) => [s.seriesId, s]));
  return [
    { value: ALWAYS, label: 'always', body: {} },
    ...[...series.values()].map((s) => ({
      value: `series ${s.seriesId}`,
      label: `at every date of ${s.title}`,
      body: { seriesId: s.seriesId },
    })),
    ...here.slice(0, MOST_DATES).map((s) => ({
      value: `date ${s.seriesId} ${s.key}`,
      label: `on ${dateInWords(s.date)}, ${s.time}`,
      body: { seriesId: s.seriesId, key: s.key },
    })),
  ];
}

type Share = LinkDetail['shares'][number];

function ShareRow({ share, onRemove }: { share: Share; onRemove: (() => void) | undefined }) {
  const { title, words, pennant, ownDoor } = share;
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
      <Pennant pennant={pennant} size="small" />
      <span className="min-w-0 flex-1">
        <b>{title}</b>, {words}; its own door{' '}
        {ownDoor === 'leads' ? 'leads here then' : 'stays shut then, with a word'}.
      </span>
      {onRemove && (
        <Button
          kind="link"
          aria-label={`${title}, ${words}: at its own door again`}
          onClick={onRemove}
        >
          At its own door again
        </Button>
      )}
    </li>
  );
}

const OWN_DOOR = [
  { value: 'leads', label: 'leads here then' },
  { value: 'shut', label: 'stays shut then' },
];

interface BringProps {
  others: ClassItem[];
  whens: When[];
  isSaving: boolean;
  onAdd: (body: Sent<'shareLink'>, title: string) => void;
}

/** Another class period is brought to this door, in a sentence. */
function BringTogether({ others, whens, isSaving, onAdd }: BringProps) {
  const [classId, setClassId] = useState<number>();
  const [when, setWhen] = useState(ALWAYS);
  const [ownDoor, setOwnDoor] = useState<Share['ownDoor']>('leads');
  const chosen = others.find((c) => c.id === classId) ?? others[0];
  if (!chosen) return null;
  const dates = whens.find((w) => w.value === when)?.body ?? {};
  return (
    <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="text-lg leading-sentence">
        <ChoicePart
          label="Which class period"
          value={String(chosen.id)}
          onChange={(v) => setClassId(Number(v))}
          choices={others.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
        />{' '}
        meets here <ChoicePart label="When" value={when} onChange={setWhen} choices={whens} />; its
        own door{' '}
        <ChoicePart
          label="Its own door meanwhile"
          value={ownDoor}
          onChange={(v) => setOwnDoor(v as typeof ownDoor)}
          choices={OWN_DOOR}
        />
        .
      </p>
      <Button
        disabled={isSaving}
        onClick={() => onAdd({ classId: chosen.id, ownDoor, ...dates }, classTitle(chosen))}
      >
        Bring them together
      </Button>
    </div>
  );
}

interface TogetherProps {
  link: LinkDetail;
  classPeriod: ClassPeriod;
}

/** Class periods that meet at this door too; their own doors lead here then, or stay shut with a word. */
export function Together({ link, classPeriod }: TogetherProps) {
  const { data } = api.useClassesQuery();
  const { add, remove, problem, isSaving } = useTogether(link);
  const others = (data?.classes ?? []).filter(
    (c) => c.id !== link.classId && (c.mine === 'host' || c.mine === 'co-teacher'),
  );
  return (
    <>
      {link.shares.length === 0 && (
        <p className="text-soft">
          Nobody. Class periods that meet at the same time can share this door, so that nobody takes
          the wrong one.
        </p>
      )}
      <ul>
        {link.shares.map((share) => (
          <ShareRow
            key={share.id}
            share={share}
            onRemove={link.mayEdit ? () => void remove(share) : undefined}
          />
        ))}
      </ul>
      {link.mayEdit && link.state === 'live' && (
        <BringTogether
          others={others}
          whens={whensOf(link, classPeriod)}
          isSaving={isSaving}
          onAdd={(body, title) => void add(body, title)}
        />
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

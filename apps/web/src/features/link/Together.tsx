import { useState } from 'react';
import { classTitle, dateInWords } from '@glen/core/light';
import type { LinkDetail, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { Pennant } from '../../ui/Pennant.js';
import { ChoicePart } from '../../ui/SentencePart.js';
import type { ClassPeriod } from '../school/classPeriod.js';

const ALWAYS = 'always';

/** When it can be: always, at a whole series of this link, or at one of the next dates. */
function useWhens(
  link: LinkDetail,
  classPeriod: ClassPeriod,
): { value: string; label: string; body: { seriesId?: number; key?: string } }[] {
  const here = classPeriod.sessions.filter(
    (s) =>
      s.linkId === link.id &&
      (s.status === 'planned' || s.status === 'moved') &&
      s.door !== 'ended',
  );
  const series = [
    ...new Map(here.filter((s) => s.plan.repeat).map((s) => [s.seriesId, s])).values(),
  ];
  return [
    { value: ALWAYS, label: 'always', body: {} },
    ...series.map((s) => ({
      value: `series ${s.seriesId}`,
      label: `at every date of ${s.title}`,
      body: { seriesId: s.seriesId },
    })),
    ...here.slice(0, 12).map((s) => ({
      value: `date ${s.seriesId} ${s.key}`,
      label: `on ${dateInWords(s.date)}, ${s.time}`,
      body: { seriesId: s.seriesId, key: s.key },
    })),
  ];
}

/** Class periods that meet at this door too; their own doors lead here then, or stay shut with a word. */
export function Together({ link, classPeriod }: { link: LinkDetail; classPeriod: ClassPeriod }) {
  const { data: classes } = api.useClassesQuery();
  const [share, { isLoading }] = api.useShareLinkMutation();
  const [unshare] = api.useUnshareLinkMutation();
  const [problem, setProblem] = useState<Problem>();
  const others = (classes?.classes ?? []).filter(
    (c) => c.id !== link.classId && (c.mine === 'host' || c.mine === 'co-teacher'),
  );
  const whens = useWhens(link, classPeriod);
  const [classId, setClassId] = useState<number>();
  const [when, setWhen] = useState(ALWAYS);
  const [ownDoor, setOwnDoor] = useState<'leads' | 'shut'>('leads');
  const chosen = others.find((c) => c.id === classId) ?? others[0];
  const add = async (body: Sent<'shareLink'>, title: string): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await share({ params: { linkId: link.id }, body });
    if (!data) return setProblem(problemOf(error));
    const made = data.shares.at(-1)!;
    offerUndo(`${title} meets here ${made.words}.`, () =>
      unshare({ params: { linkId: link.id }, body: { shareId: made.id } }).unwrap(),
    );
  };
  const remove = async (s: LinkDetail['shares'][number]): Promise<void> => {
    setProblem(undefined);
    const { data, error } = await unshare({ params: { linkId: link.id }, body: { shareId: s.id } });
    if (!data) return setProblem(problemOf(error));
    offerUndo(`${s.title} meets at its own door again.`, () =>
      share({
        params: { linkId: link.id },
        body: {
          classId: s.classId,
          ownDoor: s.ownDoor,
          ...(s.seriesId === null ? {} : { seriesId: s.seriesId }),
          ...(s.key === null ? {} : { key: s.key }),
        },
      }).unwrap(),
    );
  };
  return (
    <>
      {link.shares.length === 0 && (
        <p className="text-soft">
          Nobody. Class periods that meet at the same time can share this door, so that nobody takes
          the wrong one.
        </p>
      )}
      <ul>
        {link.shares.map((s) => (
          <li
            key={s.id}
            className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2"
          >
            <Pennant pennant={s.pennant} size="small" />
            <span className="min-w-0 flex-1">
              <b>{s.title}</b>, {s.words}; its own door{' '}
              {s.ownDoor === 'leads' ? 'leads here then' : 'stays shut then, with a word'}.
            </span>
            {link.mayEdit && (
              <Button
                kind="link"
                aria-label={`${s.title}, ${s.words}: at its own door again`}
                onClick={() => void remove(s)}
              >
                At its own door again
              </Button>
            )}
          </li>
        ))}
      </ul>
      {link.mayEdit && link.state === 'live' && chosen && (
        <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
          <p className="text-[17px] leading-[2.2]">
            <ChoicePart
              label="Which class period"
              value={String(chosen.id)}
              onChange={(v) => setClassId(Number(v))}
              choices={others.map((c) => ({ value: String(c.id), label: classTitle(c) }))}
            />{' '}
            meets here <ChoicePart label="When" value={when} onChange={setWhen} choices={whens} />;
            its own door{' '}
            <ChoicePart
              label="Its own door meanwhile"
              value={ownDoor}
              onChange={(v) => setOwnDoor(v as typeof ownDoor)}
              choices={[
                { value: 'leads', label: 'leads here then' },
                { value: 'shut', label: 'stays shut then' },
              ]}
            />
            .
          </p>
          <Button
            disabled={isLoading}
            onClick={() =>
              void add(
                {
                  classId: chosen.id,
                  ownDoor,
                  ...(whens.find((w) => w.value === when)?.body ?? {}),
                },
                classTitle(chosen),
              )
            }
          >
            Bring them together
          </Button>
        </div>
      )}
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </>
  );
}

import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { splitGroups, type Note, type ReadGroups } from '@glen/core';
import type { Answer, Problem } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError, inputClass } from '../../ui/Field.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { ClassHead, type ClassAnswer } from '../classes/ClassPage.js';
import { Margin, Screen } from '../frame/Margin.js';
import { FromFile } from './FromFile.js';

type Kept = Answer<'groups'>;
interface Draft {
  id?: number;
  name: string;
  tutorId: number | null;
  members: number[];
}

const draftOf = (kept: Kept): Draft[] =>
  kept.groups.map(({ id, name, tutorId, members }) => ({ id, name, tutorId, members }));
const isSame = (a: Draft[], b: Draft[]): boolean =>
  JSON.stringify(a.map((g) => ({ ...g, members: [...g.members].sort() }))) ===
  JSON.stringify(b.map((g) => ({ ...g, members: [...g.members].sort() })));

/** New members in groups that keep their names, tutors and links as far as there are any. */
const refilled = (groups: Draft[], parts: number[][]): Draft[] =>
  parts.map((members, i) => ({
    ...(groups[i] ?? { name: `Group ${i + 1}`, tutorId: null }),
    members,
  }));

/** Groups of a file take over those of the same name, and with them tutor and link. */
function fromFile(groups: Draft[], read: ReadGroups): Draft[] {
  const byName = new Map(groups.map((g) => [g.name.toLowerCase(), g]));
  const taken = read.groups.map(({ name, members }) => ({
    ...(byName.get(name.toLowerCase()) ?? { name, tutorId: null }),
    members,
  }));
  const names = new Set(taken.map((g) => g.name.toLowerCase()));
  return [
    ...taken,
    ...groups
      .filter((g) => !names.has(g.name.toLowerCase()) && g.id !== undefined)
      .map((g) => ({ ...g, members: [] })),
  ];
}

function notesOf(of: ClassAnswer, kept: Kept, draft: Draft[]): Note[] {
  const inSome = new Set(draft.flatMap((g) => g.members));
  const left = of.roll.filter((p) => !inSome.has(p.id));
  const emptied = draft.filter(
    (g) => g.members.length === 0 && kept.groups.find((k) => k.id === g.id)?.links.length,
  );
  return [
    ...emptied.map((g): Note => ({
      severity: 'careful',
      title: `${g.name} has a link and nobody in it`,
      text: 'Whoever has that link as a member of the group is turned away.',
    })),
    ...(draft.length > 0 && left.length > 0
      ? [
          {
            severity: 'inform' as const,
            title: left.length === 1 ? 'One is in no group' : `${left.length} are in no group`,
            text:
              left.length > 6
                ? 'They come in by the class period’s own link alone.'
                : left.map((p) => p.name).join(', '),
          },
        ]
      : []),
    ...(draft.length === 0
      ? [
          {
            severity: 'inform' as const,
            title: 'Groups',
            text: 'A group can have its own link, its own times and a tutor who is host there and nowhere else.',
          },
        ]
      : []),
    ...(draft.length > 0 && left.length === 0 && emptied.length === 0
      ? [
          {
            severity: 'well' as const,
            title: 'Everybody has a group',
            text: draft.map((g) => `${g.name} ${g.members.length}`).join(' · '),
          },
        ]
      : []),
  ];
}

function Editor({ of, kept }: { of: ClassAnswer; kept: Kept }) {
  const [read, setRead] = useState(kept);
  const [draft, setDraft] = useState(() => draftOf(kept));
  const [count, setCount] = useState('2');
  const [problem, setProblem] = useState<Problem>();
  const [save, { isLoading }] = api.useSetGroupsMutation();
  const isChanged = !isSame(draft, draftOf(read));
  useEffect(() => {
    if (kept !== read && !isChanged) {
      setRead(kept);
      setDraft(draftOf(kept));
    }
  }, [kept, read, isChanged]);
  const change = (next: Draft[]): void => {
    setProblem(undefined);
    setDraft(next);
  };
  const put = (person: number, to: number | null): void =>
    change(
      draft.map((g, i) => ({
        ...g,
        members:
          i === to
            ? [...g.members.filter((m) => m !== person), person]
            : g.members.filter((m) => m !== person),
      })),
    );
  const edit = (i: number, part: Partial<Draft>): void =>
    change(draft.map((g, k) => (k === i ? { ...g, ...part } : g)));
  const params = { classId: of.class.id };
  const send = async (version: number): Promise<void> => {
    const before = draftOf(read);
    const { data, error } = await save({ params, body: { version, groups: draft } });
    if (!data) return setProblem(problemOf(error));
    setProblem(undefined);
    setRead(data);
    setDraft(draftOf(data));
    offerUndo('The groups are changed.', async () => {
      const known = new Set(data.groups.map((g) => g.id));
      const back = await save({
        params,
        body: {
          version: data.version,
          groups: before.map((g) =>
            g.id !== undefined && known.has(g.id)
              ? g
              : { name: g.name, tutorId: g.tutorId, members: g.members },
          ),
        },
      }).unwrap();
      setRead(back);
      setDraft(draftOf(back));
    });
  };
  const n = Number(count);
  const canSplit = Number.isInteger(n) && n >= 1 && n <= Math.min(40, of.roll.length);
  const split = (isRandom: boolean): void => {
    const parts = splitGroups(
      of.roll.map((p) => p.id),
      n,
      isRandom
        ? Array.from(crypto.getRandomValues(new Uint32Array(of.roll.length)), (x) => x / 2 ** 32)
        : undefined,
    );
    const kept = draft
      .slice(parts.length)
      .filter((g) => g.id !== undefined)
      .map((g) => ({ ...g, members: [] }));
    change([...refilled(draft, parts), ...kept]);
  };
  const errorAt = (path: string): string | undefined =>
    problem?.errors?.find((e) => e.path === path || e.path.startsWith(`${path}.`))?.message;
  const theirs = problem?.status === 409 ? (problem.current as Kept | undefined) : undefined;
  const groupOf = (person: number): string => {
    const i = draft.findIndex((g) => g.members.includes(person));
    return i < 0 ? '' : String(i);
  };
  return (
    <Screen margin={<Margin notes={notesOf(of, read, draft)} />}>
      <ClassHead of={of} />
      {kept.mayEdit && of.roll.length > 0 && (
        <section aria-label="Groups" className="mb-5">
          <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
            <span className="flex items-center gap-2 pt-1 text-[15px]">
              Split into{' '}
              <input
                aria-label="How many groups"
                inputMode="numeric"
                className={`${inputClass} !w-14 !px-2 !py-1`}
                value={count}
                aria-invalid={!canSplit}
                onChange={(e) => setCount(e.target.value)}
              />{' '}
              groups:
            </span>
            <Button disabled={!canSplit} onClick={() => split(false)}>
              in the roll’s order
            </Button>
            <Button disabled={!canSplit} onClick={() => split(true)}>
              at random
            </Button>
            <Button
              onClick={() =>
                change([
                  ...draft,
                  { name: `Group ${draft.length + 1}`, tutorId: null, members: [] },
                ])
              }
            >
              Add a group
            </Button>
            <FromFile
              roll={of.roll.map((p) => ({
                id: p.id,
                name: p.name,
                email: p.accounts.find((a) => a.kind === 'school')?.email ?? null,
              }))}
              onUse={(file) => change(fromFile(draft, file))}
            />
          </div>
          {!canSplit && (
            <p className="mt-1 text-sm text-gorse-deep">
              Give a whole number from 1 to {Math.min(40, of.roll.length)}.
            </p>
          )}
        </section>
      )}
      {theirs && (
        <section
          role="alert"
          className="mb-4 rounded-small border border-gorse bg-gorse-tint p-4 text-gorse-deep"
        >
          <h2 className="text-base">Somebody changed the groups while you were at it</h2>
          <p className="mt-1">
            Theirs:{' '}
            {theirs.groups.map((g) => `${g.name} ${g.members.length}`).join(' · ') || 'none'}.
            Yours: {draft.map((g) => `${g.name} ${g.members.length}`).join(' · ') || 'none'}.
          </p>
          <div className="mt-3 flex gap-3">
            <Button onClick={() => void send(theirs.version)}>Save mine over it</Button>
            <Button
              onClick={() => {
                setProblem(undefined);
                setRead(theirs);
                setDraft(draftOf(theirs));
              }}
            >
              Take theirs
            </Button>
          </div>
        </section>
      )}
      {draft.length > 0 && (
        <ul className="mb-5 grid gap-x-6 gap-y-3 md:grid-cols-2">
          {draft.map((g, i) => {
            const links = read.groups.find((k) => k.id === g.id)?.links ?? [];
            const error = errorAt(`groups.${i}`);
            return (
              <li
                key={g.id ?? `new ${i}`}
                className="grid gap-1.5 rounded-small border border-line bg-sheet p-3"
              >
                <div className="flex flex-wrap items-center gap-2">
                  {kept.mayEdit ? (
                    <input
                      aria-label={`Name of group ${i + 1}`}
                      className={`${inputClass} !w-auto min-w-0 flex-1 !py-1 font-semibold`}
                      maxLength={60}
                      aria-invalid={error !== undefined}
                      value={g.name}
                      onChange={(e) => edit(i, { name: e.target.value })}
                    />
                  ) : (
                    <h2 className="flex-1 text-base">{g.name}</h2>
                  )}
                  <span className="text-soft">{g.members.length}</span>
                  {kept.mayEdit && (
                    <Button
                      kind="danger-link"
                      aria-label={`Remove ${g.name}`}
                      onClick={() => change(draft.filter((_, k) => k !== i))}
                    >
                      Remove
                    </Button>
                  )}
                </div>
                <p className="flex flex-wrap items-center gap-x-3 gap-y-1 text-[15px]">
                  <label className="flex items-center gap-2">
                    Tutor{' '}
                    {kept.mayEdit ? (
                      <select
                        className={`${inputClass} !w-auto !px-2 !py-1 text-[15px]`}
                        value={g.tutorId ?? ''}
                        onChange={(e) =>
                          edit(i, {
                            tutorId: e.target.value === '' ? null : Number(e.target.value),
                          })
                        }
                      >
                        <option value="">none</option>
                        {kept.staff.map((s) => (
                          <option key={s.id} value={s.id}>
                            {s.name}
                          </option>
                        ))}
                      </select>
                    ) : (
                      <b>{kept.staff.find((s) => s.id === g.tutorId)?.name ?? 'none'}</b>
                    )}
                  </label>
                  {links.map((l) => (
                    <Link
                      key={l.id}
                      className="text-bracken-deep hover:underline"
                      to={`/classes/${of.class.id}/links/${l.id}`}
                    >
                      Link: {l.label}
                    </Link>
                  ))}
                  {kept.mayEdit && links.length === 0 && g.id !== undefined && !isChanged && (
                    <GroupLink of={of} group={{ id: g.id, name: g.name, tutorId: g.tutorId }} />
                  )}
                </p>
                {error && <FieldError>{error}</FieldError>}
              </li>
            );
          })}
        </ul>
      )}
      {problem && !theirs && !problem.errors?.some((e) => /^groups\.\d/.test(e.path)) && (
        <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>
      )}
      {of.roll.length === 0 ? (
        <Empty title="Nobody on the roll yet">
          The office fills it; until then only hosts get in.
        </Empty>
      ) : (
        <ol aria-label="The roll" className="grid gap-x-8 sm:grid-cols-2">
          {of.roll.map((p) => (
            <li key={p.id} className="flex items-center gap-3 border-t border-line py-1.5">
              <span className="min-w-0 flex-1">
                {p.name}
                <br />
                <span className="text-sm break-all text-soft">
                  {p.accounts.find((a) => a.kind === 'school')?.email}
                </span>
              </span>
              {draft.length > 0 &&
                (kept.mayEdit ? (
                  <select
                    aria-label={`Group of ${p.name}`}
                    className={`${inputClass} !w-32 !px-2 !py-1 text-[15px]`}
                    value={groupOf(p.id)}
                    onChange={(e) =>
                      put(p.id, e.target.value === '' ? null : Number(e.target.value))
                    }
                  >
                    <option value="">no group</option>
                    {draft.map((g, i) => (
                      <option key={g.id ?? `new ${i}`} value={i}>
                        {g.name}
                      </option>
                    ))}
                  </select>
                ) : (
                  <span className="text-soft">
                    {draft[Number(groupOf(p.id) || -1)]?.name ?? ''}
                  </span>
                ))}
            </li>
          ))}
        </ol>
      )}
      {kept.mayEdit && isChanged && (
        <div className="sticky bottom-0 mt-4 flex flex-wrap items-center gap-3 rounded-big border border-line bg-sheet px-5 py-3.5 shadow-soft">
          <Button kind="act" disabled={isLoading} onClick={() => void send(read.version)}>
            Save the groups
          </Button>
          <Button
            onClick={() => {
              setProblem(undefined);
              setDraft(draftOf(read));
            }}
          >
            As they were
          </Button>
        </div>
      )}
    </Screen>
  );
}

/** A link of a group's own at one press: its members come in by it, its tutor is host there. */
function GroupLink({
  of,
  group,
}: {
  of: ClassAnswer;
  group: { id: number; name: string; tutorId: number | null };
}) {
  const [add, { isLoading, error }] = api.useAddLinkMutation();
  const [stop] = api.useStopLinkMutation();
  const make = async (): Promise<void> => {
    const { data } = await add({
      params: { classId: of.class.id },
      body: {
        label: group.name,
        purpose: 'Group work',
        kind: 'lesson',
        shown: true,
        preset: 'lesson',
        audience: {
          classIds: [],
          groupIds: [group.id],
          personIds: [],
          emails: [],
          hostIds: group.tutorId === null ? [] : [group.tutorId],
        },
      },
    });
    if (data)
      offerUndo(`${group.name} has a link of its own.`, () =>
        stop({ params: { linkId: data.id }, body: { version: data.version } }).unwrap(),
      );
  };
  return (
    <>
      <Button kind="link" disabled={isLoading} onClick={() => void make()}>
        Give it a link
      </Button>
      {error && (
        <FieldError>{problemOf(error)?.errors?.[0]?.message ?? problemOf(error)?.title}</FieldError>
      )}
    </>
  );
}

/** The roll, and the groups it is parted into. */
export default function RollTab({ of }: { of: ClassAnswer }) {
  const { data, error, refetch } = api.useGroupsQuery({ params: { classId: of.class.id } });
  if (error && !data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <ClassHead of={of} />
        <Loading lines={6} />
      </Screen>
    );
  return <Editor of={of} kept={data} />;
}

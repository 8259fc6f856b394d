import { useState } from 'react';
import type { LinkDetail, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { useServerForm } from '../../app/useServerForm.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import { ChoicePart } from '../../ui/choices.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { ALWAYS, whensOf, type When } from './whens.js';

type Presenter = LinkDetail['presenters'][number];

/** What would name somebody again just as they were. */
const asSent = ({ personId, seriesId, key }: Presenter): Sent<'addPresenter'> => ({
  personId,
  ...(seriesId === null ? {} : { seriesId }),
  ...(key === null ? {} : { key }),
});

function PresenterRow({ linkId, presenter }: { linkId: number; presenter: Presenter }) {
  const [add] = api.useAddPresenterMutation();
  const [remove, { isLoading }] = api.useRemovePresenterMutation();
  const [problem, setProblem] = useState<Problem>();
  const { id: presenterId, name, words } = presenter;
  const params = { linkId };
  const drop = async (): Promise<void> => {
    const { error } = await remove({ params, body: { presenterId } });
    if (error) return setProblem(problemOf(error));
    offerUndo(`${name} presents no longer ${words}.`, () =>
      add({ params, body: asSent(presenter) }).unwrap(),
    );
  };
  return (
    <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-t border-line py-2">
      <span className="min-w-0 flex-1">
        <b>{name}</b>, {words}
      </span>
      <Button
        kind="link"
        disabled={isLoading}
        aria-label={`${name}, ${words}: present no longer`}
        onClick={() => void drop()}
      >
        No longer
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </li>
  );
}

interface Wanted {
  personId: number;
  when: string;
}

interface NameProps {
  linkId: number;
  staff: { id: number; name: string }[];
  whens: When[];
}

/** Somebody of the staff is named in a sentence. */
function NamePresenter({ linkId, staff, whens }: NameProps) {
  const [add] = api.useAddPresenterMutation();
  const { submit, change, isSending, problem, watch } = useServerForm<Wanted, Wanted, LinkDetail>({
    start: { personId: staff[0]!.id, when: ALWAYS },
    send: ({ personId, when }) => {
      const dates = whens.find((w) => w.value === when)?.body ?? {};
      return add({ params: { linkId }, body: { personId, ...dates } });
    },
    // Whatever is wrong with them is said of both.
    fieldOf: () => '',
    onDone: () => undefined,
  });
  const { personId, when } = watch();
  return (
    <form className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2" onSubmit={submit}>
      <p className="text-lg leading-sentence">
        <ChoicePart
          label="Who presents"
          value={String(personId)}
          choices={staff.map((one) => ({ value: String(one.id), label: one.name }))}
          onChange={(next) => change({ personId: Number(next) })}
        />{' '}
        presents{' '}
        <ChoicePart
          label="When they present"
          value={when}
          choices={whens}
          onChange={(next) => change({ when: next })}
        />
        .
      </p>
      <Button type="submit" disabled={isSending}>
        Name them
      </Button>
      {problem && <FieldError>{problem.errors?.[0]?.message ?? problem.title}</FieldError>}
    </form>
  );
}

interface PresentersProps {
  link: LinkDetail;
  classPeriod: ClassPeriod;
}

/** Who presents at a link and when: by the class period at any time, and those named here. */
export function Presenters({ link, classPeriod }: PresentersProps) {
  const { data: groups } = api.useGroupsQuery({ params: { classId: link.classId } });
  const visiting = classPeriod.staff.filter((one) => one.as === 'presenter').map((p) => p.name);
  const always = link.hostedBy === 'named' ? [] : visiting;
  const staff = groups?.staff ?? [];
  return (
    <>
      <p className="text-soft">
        {always.length > 0
          ? `${always.join(', ')}, by the class period, always.`
          : 'Hosts; nobody is named by the class period.'}
      </p>
      <ul aria-label="Who presents here">
        {link.presenters.map((presenter) => (
          <PresenterRow key={presenter.id} linkId={link.id} presenter={presenter} />
        ))}
      </ul>
      {link.mayEdit && link.state === 'live' && staff.length > 0 && (
        <NamePresenter linkId={link.id} staff={staff} whens={whensOf(link, classPeriod.sessions)} />
      )}
    </>
  );
}

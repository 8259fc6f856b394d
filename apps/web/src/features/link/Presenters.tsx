import { useState } from 'react';
import type { LinkDetail, Problem, Sent } from '@glen/contract';
import { api, problemOf } from '../../app/api.js';
import { offerUndo } from '../../app/undo.js';
import { Button } from '../../ui/Button.js';
import { FieldError } from '../../ui/Field.js';
import type { ClassPeriod } from '../school/classPeriod.js';
import { NamePresenter } from './NamePresenter.js';
import { presentingWhens } from './whens.js';
import { fill } from '../../ui/fill.js';
import * as say from './words.js';

type Presenter = LinkDetail['presenters'][number];

/** What would name somebody again just as they were. */
const asSent = ({ personId, takesOver, ...when }: Presenter): Sent<'addPresenter'> => ({
  personId,
  takesOver,
  seriesId: when.seriesId ?? undefined,
  key: when.key ?? undefined,
  weekday: when.weekday ?? undefined,
  from: when.from ?? undefined,
  until: when.until ?? undefined,
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
    offerUndo(fill(say.presentsNoLonger, { name, words }), () =>
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
        aria-label={fill(say.presentNoLonger, { name, words })}
        onClick={() => void drop()}
      >
        {say.noLonger}
      </Button>
      {problem && <FieldError>{problem.title}</FieldError>}
    </li>
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
          ? fill(say.byTheClassPeriodAlways, { always: always.join(', ') })
          : say.hostsNobodyIsNamed}
      </p>
      <ul aria-label={say.whoPresentsHere}>
        {link.presenters.map((presenter) => (
          <PresenterRow key={presenter.id} linkId={link.id} presenter={presenter} />
        ))}
      </ul>
      {link.mayEdit && link.state === 'live' && staff.length > 0 && (
        <NamePresenter
          linkId={link.id}
          staff={staff}
          whens={presentingWhens(link, classPeriod.sessions)}
        />
      )}
    </>
  );
}

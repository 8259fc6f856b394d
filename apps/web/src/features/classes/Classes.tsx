import { Link } from 'react-router';
import { unposted, worstFirst, type Note } from '@glen/core';
import { classTitle } from '@glen/core/light';
import { api, problemOf } from '../../app/api.js';
import { buttonClass } from '../../ui/Button.js';
import { Pennant } from '../../ui/Pennant.js';
import { Empty, Loading, Trouble } from '../../ui/States.js';
import { Margin, Screen } from '../../ui/Margin.js';
import { mayEdit } from '../school/mayEdit.js';
import { useNoteActions } from '../../app/useNoteActions.js';
import { CopyButtons } from '../link/LinkLine.js';

const AS = {
  host: 'you host',
  'co-teacher': 'you co-teach',
  presenter: 'you visit and present',
  tutor: 'you host at one of its links',
  none: '',
} as const;

/** Every class period with its lasting link. */
export function ClassesPage() {
  const { data, error, refetch } = api.useClassesQuery();
  const { data: today } = api.useTodayQuery();
  const act = useNoteActions();
  const stands = new Set(
    today?.placements.filter((p) => p.state !== 'draft').map((p) => p.classId),
  );
  const hosted = (today?.classes ?? []).filter((c) => mayEdit(c));
  const nowhere = hosted.filter((c) => !stands.has(c.id));
  const notes: Note[] =
    nowhere.length > 0
      ? worstFirst(nowhere.map((c) => unposted({ id: c.id, title: classTitle(c) })))
      : hosted.length > 0
        ? [
            {
              severity: 'well',
              title: 'Every link stands somewhere',
              text: 'On the class streams, or about to.',
            },
          ]
        : [];
  if (error && !data)
    return (
      <Screen>
        <Trouble problem={problemOf(error)} retry={() => void refetch()} />
      </Screen>
    );
  if (!data)
    return (
      <Screen>
        <Loading lines={6} />
      </Screen>
    );
  return (
    <Screen margin={<Margin notes={notes} onAction={act} />}>
      <header className="mb-4 flex items-baseline gap-4">
        <h1 className="text-[27px]">
          {data.classes.length === 1 ? '1 class period' : `${data.classes.length} class periods`}
        </h1>
        {data.classes.length > 0 && (
          <span className="ml-auto flex gap-2.5">
            <Link to="/links" className={buttonClass()}>
              All my links
            </Link>
            <Link to="/classes/links" className={buttonClass()}>
              Sheet of links
            </Link>
          </span>
        )}
      </header>
      {data.classes.length === 0 && (
        <Empty title="No class periods yet">
          Once the office puts you down for one, it stands here with its link.
        </Empty>
      )}
      <ul>
        {data.classes.map((c) => (
          <li
            key={c.id}
            className="flex flex-wrap items-center gap-x-4 gap-y-2 border-t border-line py-3.5"
          >
            <Pennant pennant={c.pennant} />
            <div className="min-w-0 flex-1">
              <h2 className="text-[17px]">
                {c.mine === 'tutor' ? (
                  classTitle(c)
                ) : (
                  <Link className="hover:underline" to={`/classes/${c.id}`}>
                    {classTitle(c)}
                  </Link>
                )}
              </h2>
              <p className="text-soft">
                {c.rollSize} on the roll{AS[c.mine] ? ` · ${AS[c.mine]}` : ''}
              </p>
            </div>
            {c.mine !== 'tutor' &&
              (c.link.state === 'live' ? (
                <>
                  <code className="rounded-small bg-shade px-2 py-0.5 font-mono">
                    /door/{c.link.code}
                  </code>
                  <CopyButtons of={c} />
                </>
              ) : (
                <Link className={buttonClass('act')} to={`/classes/${c.id}/links?new=Lessons`}>
                  Its link is stopped: give it a new one
                </Link>
              ))}
          </li>
        ))}
      </ul>
    </Screen>
  );
}
